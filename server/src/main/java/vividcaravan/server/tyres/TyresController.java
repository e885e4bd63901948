package vividcaravan.server.tyres;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.tyres.Tyre;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.platform.AtMost;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.QueryParameters;

/** Tyres, one by one. */
@RestController
@RequestMapping("/api/v1")
@Tag(name = "tyres")
class TyresController {

    private static final double DEEPEST_MM = 80;
    private static final double MOST_KM = 10_000_000;
    private static final Duration FUTURE = Duration.ofMinutes(2);
    private static final Duration LONGEST_AGO = Duration.ofDays(3_650);
    private static final int LONGEST = 500;

    private final VisibleFleet visible;
    private final Tyres tyres;
    private final TyreBook book;
    private final Clock clock;

    TyresController(VisibleFleet visible, Tyres tyres, TyreBook book, Clock clock) {
        this.visible = visible;
        this.tyres = tyres;
        this.book = book;
        this.clock = clock;
    }

    @GetMapping("/tyres")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "listTyres", summary = "Every tyre of which something is written down; marked ones first")
    TyreBook.TyreList list() {
        return book.all();
    }

    @GetMapping("/tyres/{id}")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "getTyre", summary = "A tyre with its life: where it was, what was measured")
    TyreBook.TyreLife get(@PathVariable String id) {
        return book.life(QueryParameters.id("tyre", id));
    }

    @GetMapping("/vehicles/{ref}/tyres")
    @Operation(operationId = "listVehicleTyres", summary = "The tyres of a vehicle, wheel by wheel")
    TyreBook.WheelTyres ofVehicle(@PathVariable String ref) {
        return book.of(visible.existing(ref));
    }

    /**
     * A tyre that came, and where it lies.
     *
     * @param at since when; now unless said otherwise
     */
    record NewTyreRequest(@Nullable TyreRequest tyre, @AtMost(100) @Nullable String place, @Nullable Instant at) {}

    @PostMapping("/tyres")
    @ResponseStatus(HttpStatus.CREATED)
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "addTyre", summary = "Take a tyre into the store")
    TyreBook.TyreLife add(@RequestBody NewTyreRequest request, Principal who) {
        Faults faults = new Faults();
        faults.given("tyre", request.tyre(), "Say what tyre it is.");
        faults.refuse();
        Tyre tyre = request.tyre().tyre(faults, today());
        if (tyre.size() == null) {
            faults.add("tyre.size", "Say at least its size, as it stands on the sidewall.");
        }
        faults.refuse();
        Instant at = past(request.at(), "at", "Say when it came: a time within the last ten years.", faults);
        faults.refuse();
        String place = request.place() == null || request.place().isBlank()
                ? null
                : request.place().strip();
        long id = tyres.add(
                tyre, request.tyre().plainNote(), new TyrePlace.Away(TyrePlace.Kind.STORE, place), at, who.getName());
        return book.life(id);
    }

    @PutMapping("/tyres/{id}")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "describeTyre", summary = "Say what a tyre is; what is left out is not known")
    TyreBook.TyreLife describe(@PathVariable String id, @RequestBody TyreRequest request) {
        Faults faults = new Faults();
        Tyre tyre = request.tyre(faults, today());
        faults.refuse();
        long number = QueryParameters.id("tyre", id);
        tyres.describe(number, tyre, request.plainNote());
        return book.life(number);
    }

    @PutMapping("/vehicles/{ref}/wheels/{position}/tyre")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(
            operationId = "describeTyreAt",
            summary = "Say what the tyre at a wheel is, and which others are like it")
    TyreBook.TyreLife describeAt(
            @PathVariable String ref,
            @PathVariable String position,
            @RequestParam(defaultValue = "ONE") Tyres.Alike alike,
            @RequestBody TyreRequest request) {
        FleetVehicle vehicle = visible.existing(ref);
        Faults faults = new Faults();
        Tyre tyre = request.tyre(faults, today());
        faults.refuse();
        return book.life(tyres.describe(vehicle, vehicle.existing(position), tyre, request.plainNote(), alike));
    }

    /**
     * A tread reading.
     *
     * @param points depths at several points, mm, 0 to 80
     * @param km how far the vehicle had run, km
     * @param at when; now unless said otherwise
     */
    record TreadRequest(@AtMost(20) @Nullable List<Double> points, @Nullable Double km, @Nullable Instant at) {}

    @PostMapping("/tyres/{id}/treads")
    @ResponseStatus(HttpStatus.CREATED)
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "readTread", summary = "Keep a tread reading of a tyre")
    TyreBook.TyreLife tread(@PathVariable String id, @RequestBody TreadRequest request, Principal who) {
        Faults faults = new Faults();
        if (request.points() == null || request.points().isEmpty()) {
            faults.add("points", "Say the depth of at least one point, in mm.");
        } else {
            for (int i = 0; i < request.points().size(); i++) {
                Double mm = request.points().get(i);
                if (mm == null || !(mm >= 0 && mm <= DEEPEST_MM)) {
                    faults.add("points[" + i + "]", "A tread depth is 0 to 80 mm, was " + mm + ".");
                }
            }
        }
        faults.within("km", request.km(), 0, MOST_KM, "A distance is 0 to 10,000,000 km");
        Instant at = past(request.at(), "at", "Say when it was read: a time within the last ten years.", faults);
        faults.refuse();
        long number = QueryParameters.id("tyre", id);
        tyres.readTread(number, request.points(), request.km(), at, who.getName());
        return book.life(number);
    }

    /**
     * A repair.
     *
     * @param what what was done
     * @param repairer who did it
     * @param at when; now unless said otherwise
     */
    record RepairRequest(@Nullable String what, @Nullable String repairer, @Nullable Instant at) {}

    @PostMapping("/tyres/{id}/repairs")
    @ResponseStatus(HttpStatus.CREATED)
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "repairTyre", summary = "Keep that a tyre was repaired, how and by whom; a mark stays")
    TyreBook.TyreLife repaired(@PathVariable String id, @RequestBody RepairRequest request, Principal who) {
        Faults faults = new Faults();
        String what = faults.text("what", request.what(), LONGEST, "Say what was done, in at most 500 characters.");
        String repairer =
                faults.text("repairer", request.repairer(), 100, "Say who did it, in at most 100 characters.");
        Instant at = past(request.at(), "at", "Say when it was repaired: a time within the last ten years.", faults);
        faults.refuse();
        long number = QueryParameters.id("tyre", id);
        tyres.repaired(number, what, repairer, at, who.getName());
        return book.life(number);
    }

    /**
     * An inspection off the vehicle by a named, trained person who found the tyre sound.
     *
     * @param troubles the ids of those that it is sound of; all of them unless said
     */
    record SoundRequest(
            @Nullable String inspectedBy, @Nullable String words, @AtMost(12) @Nullable List<String> troubles) {}

    @PostMapping("/tyres/{id}/inspections")
    @ResponseStatus(HttpStatus.CREATED)
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(
            operationId = "inspectTyre",
            summary = "Say that a named, trained person inspected a tyre off the vehicle and found it sound")
    TyreBook.TyreLife inspected(@PathVariable String id, @RequestBody SoundRequest request) {
        Faults faults = new Faults();
        String by = faults.text("inspectedBy", request.inspectedBy(), 100, "Say who inspected it.");
        String words = faults.text("words", request.words(), LONGEST, "Say what was found.");
        if (request.troubles() != null && request.troubles().isEmpty()) {
            faults.add("troubles", "Name what the tyre is sound of, or leave this out where it is sound of all.");
        }
        faults.refuse();
        long number = QueryParameters.id("tyre", id);
        tyres.inspected(number, request.troubles() == null ? Set.of() : new HashSet<>(request.troubles()), by, words);
        return book.life(number);
    }

    private Instant past(@Nullable Instant said, String field, String wayOut, Faults faults) {
        Instant now = clock.instant();
        if (said != null && (said.isAfter(now.plus(FUTURE)) || said.isBefore(now.minus(LONGEST_AGO)))) {
            faults.add(field, wayOut);
        }
        return said == null ? now : said;
    }

    private LocalDate today() {
        return LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
    }
}
