package vividcaravan.server.wheels;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.Position;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.Refusal;

/** Pressures that people set, on record. */
@RestController
@RequestMapping("/api/v1/vehicles/{ref}/wheels/{position}")
@Tag(name = "vehicles")
class AdjustmentsController {

    private static final double HIGHEST_KPA = 2_000;
    private static final Duration FUTURE = Duration.ofMinutes(2);
    private static final Duration LONGEST_AGO = Duration.ofDays(7);

    private final VisibleFleet visible;
    private final WheelChanges events;
    private final Clock clock;

    AdjustmentsController(VisibleFleet visible, WheelChanges events, Clock clock) {
        this.visible = visible;
        this.events = events;
        this.clock = clock;
    }

    /**
     * A pressure that was set.
     *
     * @param at when; now unless said otherwise
     * @param beforeKpa hand gauge before, kPa
     * @param afterKpa hand gauge after, kPa
     */
    record AdjustmentRequest(
            @Nullable Instant at, @Nullable Double beforeKpa, @Nullable Double afterKpa, @Nullable String note) {}

    @PostMapping("/adjustments")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(
            operationId = "recordAdjustment",
            summary = "Record that the pressure of a wheel was set; from then on it is to keep what it has")
    WheelChanges.WheelChange record(
            @PathVariable String ref,
            @PathVariable String position,
            @RequestBody AdjustmentRequest request,
            Principal who) {
        FleetVehicle vehicle = visible.existing(ref);
        Position wheel = vehicle.existing(position);
        Instant now = clock.instant();
        if (Stream.of(request.at(), request.beforeKpa(), request.afterKpa(), request.note())
                .allMatch(Objects::isNull)) {
            throw Refusal.badRequest("at", "Say when it was set, or what the gauge showed; nothing was recorded.");
        }
        Instant at = request.at() == null ? now : request.at();
        if (at.isAfter(now.plus(FUTURE)) || at.isBefore(now.minus(LONGEST_AGO))) {
            throw Refusal.badRequest("at", "Say when it was set: a time within the last seven days.");
        }
        Faults faults = new Faults();
        faults.within("beforeKpa", request.beforeKpa(), 0, HIGHEST_KPA, "A gauge shows 0 to 2000 kPa");
        faults.within("afterKpa", request.afterKpa(), 0, HIGHEST_KPA, "A gauge shows 0 to 2000 kPa");
        faults.refuse();
        String note = request.note() == null || request.note().isBlank()
                ? null
                : request.note().strip();
        WheelChanges.Measured measured = new WheelChanges.Measured(request.beforeKpa(), request.afterKpa());
        return events.adjusted(vehicle, wheel, at, measured, who.getName(), note);
    }

    /** What happened to a wheel, oldest first. */
    record WheelChangeList(List<WheelChanges.WheelChange> items) {}

    @GetMapping("/changes")
    @Operation(
            operationId = "listWheelChanges",
            summary = "What people did to a wheel: pressures set, sensors moved, limits changed")
    WheelChangeList list(
            @PathVariable String ref,
            @PathVariable String position,
            @RequestParam(required = false) @Nullable String from,
            @RequestParam(required = false) @Nullable String to) {
        FleetVehicle vehicle = visible.existing(ref);
        Instant end = QueryParameters.time("to", to);
        Instant begin = QueryParameters.time("from", from);
        return new WheelChangeList(events.of(
                vehicle,
                vehicle.existing(position),
                begin == null ? Instant.EPOCH : begin,
                end == null ? clock.instant() : end));
    }
}
