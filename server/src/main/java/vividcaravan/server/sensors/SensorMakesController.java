package vividcaravan.server.sensors;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.MountKind;
import vividcaravan.server.fleet.SensorMake;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Refusal;

/** What the fleet's sensors are, mount by mount. */
@RestController
@RequestMapping("/api/v1/sensor-makes")
@PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
@Tag(name = "vehicles")
class SensorMakesController {

    private static final double SHORTEST_RANGE_KPA = 500;
    private static final double LONGEST_RANGE_KPA = 2_000;

    private final SensorMakes makes;

    SensorMakesController(SensorMakes makes) {
        this.makes = makes;
    }

    /** Every mount. */
    record SensorMakeList(List<SensorMake> items) {}

    @GetMapping
    @Operation(operationId = "listSensorMakes", summary = "What the fleet's sensors of each mount are")
    SensorMakeList list() {
        return new SensorMakeList(makes.all());
    }

    /** What sensors of one mount are. */
    record SensorMakeRequest(@Nullable Boolean isVented, @Nullable Double rangeKpa) {}

    @PutMapping("/{mount}")
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(operationId = "setSensorMake", summary = "Say what the fleet's sensors of a mount are")
    SensorMakeList set(@PathVariable MountKind mount, @RequestBody SensorMakeRequest request) {
        if (request.isVented() == null && request.rangeKpa() == null) {
            throw Refusal.badRequest(
                    "isVented", "Say whether these sensors are vented, or how far they measure; nothing was changed.");
        }
        Double range = request.rangeKpa();
        Faults faults = new Faults();
        faults.within(
                "rangeKpa", range, SHORTEST_RANGE_KPA, LONGEST_RANGE_KPA, "Tyre sensors measure to 500 to 2000 kPa");
        faults.refuse();
        makes.set(new SensorMake(mount, Boolean.TRUE.equals(request.isVented()), range));
        return list();
    }
}
