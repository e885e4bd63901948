package vividcaravan.server.outages;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.alert.Outage;
import vividcaravan.core.axles.Position;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.QueryParameters;

/** Wheels and axles of a vehicle that are out of service; the vehicle itself is so by its state. */
@RestController
@RequestMapping("/api/v1/vehicles/{ref}/outages")
@Tag(name = "vehicles")
class OutagesController {

    private static final int LONGEST_REASON = 500;

    private final VisibleFleet visible;
    private final Outages outages;
    private final Clock clock;

    OutagesController(VisibleFleet visible, Outages outages, Clock clock) {
        this.visible = visible;
        this.outages = outages;
        this.clock = clock;
    }

    /**
     * What is out.
     *
     * @param axle counted from the front, or null
     * @param position the wheel, or null; neither where it is the whole vehicle
     * @param by user name of whoever took it out
     */
    record OutageItem(
            String id, @Nullable Integer axle, @Nullable String position, String reason, Instant until, String by) {}

    /** What ends first first. */
    record OutageList(List<OutageItem> items) {}

    @GetMapping
    @Operation(operationId = "listOutages", summary = "What of a vehicle is out of service, why and until when")
    OutageList list(@PathVariable String ref) {
        return new OutageList(visible.existing(ref).outages().stream()
                .sorted(Comparator.comparing(Outage::until))
                .map(outage -> new OutageItem(
                        Long.toString(outage.id()),
                        outage.axle(),
                        outage.position() == null ? null : outage.position().code(),
                        outage.reason(),
                        Instant.ofEpochMilli(outage.until()),
                        outage.by()))
                .toList());
    }

    /** A wheel or an axle to take out: one of both. */
    record OutageRequest(
            @Nullable Integer axle, @Nullable String position, @Nullable String reason, @Nullable Instant until) {}

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(
            operationId = "takeOutOfService",
            summary = "Take a wheel or an axle out of service; stop now is told all the same")
    OutageList begin(@PathVariable String ref, @RequestBody OutageRequest request, Principal who) {
        FleetVehicle vehicle = visible.existing(ref);
        Faults faults = new Faults();
        int axles = vehicle.description().axles().size();
        if ((request.axle() == null) == (request.position() == null)) {
            faults.add("position", "Say which wheel or which axle, one of both.");
        }
        if (request.axle() != null && (request.axle() < 1 || request.axle() > axles)) {
            faults.add("axle", ref + " has axles 1 to " + axles + ".");
        }
        String reason = faults.text("reason", request.reason(), LONGEST_REASON, "Say why it is out of service.");
        Instant now = clock.instant();
        Instant until = request.until();
        if (until == null || !until.isAfter(now) || Duration.between(now, until).toMillis() > Outage.LONGEST_MILLIS) {
            faults.add("until", "Say until when: a time within the next thirty days.");
        }
        faults.refuse();
        Position position = request.position() == null ? null : vehicle.existing(request.position());
        outages.begin(vehicle, request.axle(), position, reason, until, who.getName());
        return list(ref);
    }

    @DeleteMapping("/{id}")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "putBackInService", summary = "Put a wheel or an axle back into service")
    OutageList end(@PathVariable String ref, @PathVariable String id, Principal who) {
        outages.end(visible.existing(ref), QueryParameters.id("outage", id), who.getName());
        return list(ref);
    }
}
