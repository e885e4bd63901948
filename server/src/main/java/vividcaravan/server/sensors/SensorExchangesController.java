package vividcaravan.server.sensors;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.Position;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.platform.Refusal;

/** Two wheels of a vehicle that have each other's sensors: the record is put right. */
@RestController
@RequestMapping("/api/v1/vehicles/{ref}/sensor-exchanges")
@Tag(name = "vehicles")
class SensorExchangesController {

    private static final Duration FUTURE = Duration.ofMinutes(2);

    private final VisibleFleet visible;
    private final SensorPlacing placing;
    private final Clock clock;

    SensorExchangesController(VisibleFleet visible, SensorPlacing placing, Clock clock) {
        this.visible = visible;
        this.placing = placing;
        this.clock = clock;
    }

    /**
     * An exchange.
     *
     * @param position the one wheel
     * @param other the other
     * @param at since when they have each other's; now unless said otherwise
     */
    record ExchangeRequest(@Nullable String position, @Nullable String other, @Nullable Instant at) {}

    @PostMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(
            operationId = "exchangeSensors",
            summary = "Put on record that two wheels have each other's sensors; readings since then are judged again")
    void exchange(@PathVariable String ref, @RequestBody ExchangeRequest request) {
        FleetVehicle vehicle = visible.existing(ref);
        Position one = wheel(vehicle, "position", request.position());
        Position other = wheel(vehicle, "other", request.other());
        if (one.equals(other)) {
            throw Refusal.badRequest("other", "Name two wheels; a sensor cannot change places with itself.");
        }
        Instant now = clock.instant();
        Instant at = request.at() == null ? now : request.at();
        if (at.isAfter(now.plus(FUTURE))) {
            throw Refusal.badRequest("at", "Say since when they have each other's sensors: a time that has passed.");
        }
        placing.exchange(vehicle, one, other, at);
    }

    private static Position wheel(FleetVehicle vehicle, String field, @Nullable String code) {
        return Position.find(code == null ? "" : code)
                .filter(position -> vehicle.description().layout().positions().contains(position))
                .orElseThrow(() -> Refusal.badRequest(
                        field,
                        "Name a wheel of "
                                + vehicle.description().ref() + ", such as "
                                + vehicle.description()
                                        .layout()
                                        .positions()
                                        .iterator()
                                        .next()
                                        .code() + "."));
    }
}
