package vividcaravan.server.sensorbook;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.MountKind;
import vividcaravan.server.platform.AtMost;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.QueryParameters;

/** Every sensor, and strangers. */
@RestController
@RequestMapping("/api/v1")
@Tag(name = "stores")
class SensorBookController {

    private static final Pattern CODE = Pattern.compile("[0-9A-F]{6,8}");
    private static final int MOST_CODES = 2_000;

    private final SensorBook book;

    SensorBookController(SensorBook book) {
        this.book = book;
    }

    @GetMapping("/sensors")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "listSensors", summary = "Sensors by code: at wheels, inside tyres, in stock, out of use")
    SensorBook.SensorList list(
            @RequestParam(required = false) @Nullable String look,
            @RequestParam(required = false) @Nullable SensorState state,
            @RequestParam(required = false) @Nullable String limit) {
        return book.list(look, state, QueryParameters.limit(limit, 200, 2_000));
    }

    @GetMapping("/sensors/{code}")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "getSensor", summary = "A sensor and every wheel that it was at")
    SensorBook.SensorLife get(@PathVariable String code) {
        return book.life(code);
    }

    /** Sensors that came: their codes as scanned, and how they are held. */
    record NewSensorsRequest(@AtMost(MOST_CODES) @Nullable List<String> codes, @Nullable MountKind mount) {}

    @PostMapping("/sensors")
    @ResponseStatus(HttpStatus.CREATED)
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(
            operationId = "takeInSensors",
            summary = "Take sensors into stock, by the box or a stranger that is ours")
    SensorBook.TakenIn takeIn(@RequestBody NewSensorsRequest request) {
        Faults faults = new Faults();
        List<String> codes = new ArrayList<>();
        if (request.codes() == null || request.codes().isEmpty()) {
            faults.add("codes", "Scan or write at least one code.");
        } else {
            for (int i = 0; i < request.codes().size(); i++) {
                String code = request.codes().get(i);
                String plain = code == null ? "" : code.strip().toUpperCase(Locale.ROOT);
                if (!CODE.matcher(plain).matches()) {
                    String shown = plain.length() > 20 ? plain.substring(0, 20) + "…" : plain;
                    faults.add(
                            "codes[" + i + "]",
                            "\"" + shown + "\" is no sensor code; it has 6 to 8 hex digits, 0–9 and A–F.");
                }
                codes.add(plain);
            }
        }
        faults.refuse();
        return book.takeIn(codes, request.mount());
    }

    @GetMapping("/strangers")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(
            operationId = "listStrangers",
            summary = "Sensors heard within a day that are not ours, the most often heard first")
    SensorBook.StrangerList strangers(@RequestParam(required = false) @Nullable String limit) {
        return book.strangers(QueryParameters.limit(limit, 100, 1_000));
    }
}
