package vividcaravan.server.picture;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.Side;
import vividcaravan.server.fleet.AxleDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleDescription;
import vividcaravan.server.fleet.VehicleSnapshot;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.fleet.WheelLimits;
import vividcaravan.server.fleet.WheelState;
import vividcaravan.server.fleet.WheelStates;
import vividcaravan.server.platform.ReaderUnits;
import vividcaravan.server.platform.Rounded;

/** The fleet as it is now. */
@RestController
@RequestMapping("/api/v1/vehicles")
@Tag(name = "vehicles")
class VehiclesController {

    private final VisibleFleet fleet;
    private final FleetDirectory directory;
    private final ReaderUnits units;
    private final Departures departures;
    private final Clock clock;

    VehiclesController(
            VisibleFleet fleet, FleetDirectory directory, ReaderUnits units, Departures departures, Clock clock) {
        this.departures = departures;
        this.fleet = fleet;
        this.directory = directory;
        this.units = units;
        this.clock = clock;
    }

    /**
     * Every vehicle.
     *
     * @param at the time the picture is of, by the server's clock
     */
    record VehicleList(Instant at, List<VehicleGlance> items) {}

    @GetMapping
    @Operation(operationId = "listVehicles", summary = "Every vehicle with its wheels as they are now")
    VehicleList list() {
        AlertWords words = units.words();
        Instant now = clock.instant();
        return new VehicleList(
                now, fleet.vehicles().stream().map(v -> glance(v, words, now)).toList());
    }

    @GetMapping("/{ref}")
    @Operation(operationId = "getVehicle", summary = "One vehicle with its wheels as they are now")
    VehicleItem get(@PathVariable String ref) {
        return item(fleet.existing(ref), units.words(), clock.instant());
    }

    private VehicleGlance glance(FleetVehicle vehicle, AlertWords words, Instant now) {
        VehicleSnapshot snapshot = vehicle.snapshot();
        VehicleDescription description = snapshot.description();
        List<WheelState> wheels = WheelStates.of(vehicle, snapshot, now);
        return new VehicleGlance(
                description.ref(),
                description.kind(),
                description.plate(),
                description.depot(),
                snapshot.state(),
                description.axles().stream()
                        .map(AxleDescription::axle)
                        .map(axle -> new VehicleGlance.AxleGlance(axle.role(), axle.wheels(), axle.liftable()))
                        .toList(),
                wheels.stream().map(VehicleGlance.WheelGlance::of).toList(),
                VehicleStanding.heardAt(vehicle),
                alerts(vehicle, words),
                departures.of(vehicle, snapshot, wheels, now));
    }

    private VehicleItem item(FleetVehicle vehicle, AlertWords words, Instant now) {
        VehicleSnapshot snapshot = vehicle.snapshot();
        VehicleDescription description = snapshot.description();
        List<WheelState> wheels = WheelStates.of(vehicle, snapshot, now);
        return new VehicleItem(
                description.ref(),
                description.kind(),
                description.plate(),
                description.depot(),
                description.duty(),
                snapshot.state(),
                snapshot.stateReason().orElse(null),
                directory.combination(vehicle, now.toEpochMilli()).stream()
                        .map(one -> one.description().ref())
                        .toList(),
                description.use(),
                description.uses(),
                axles(snapshot),
                snapshot.rules().at(Position.spare(1)).map(WheelLimits::of).orElse(null),
                wheels,
                VehicleStanding.heardAt(vehicle),
                alerts(vehicle, words),
                departures.of(vehicle, snapshot, wheels, now),
                vehicle.judgedAgain()
                        .map(again -> new VehicleItem.JudgedAgainItem(again.from(), Rounded.share(again.share())))
                        .orElse(null));
    }

    private static List<VehicleItem.OpenAlert> alerts(FleetVehicle vehicle, AlertWords words) {
        return VehicleStanding.open(vehicle).stream()
                .map(alert -> new VehicleItem.OpenAlert(
                        Long.toString(alert.id()),
                        alert.position() == null ? null : alert.position().code(),
                        alert.kind(),
                        alert.urgency(),
                        words.summary(
                                vehicle.asItIsNow(alert), vehicle.description().ref()),
                        Instant.ofEpochMilli(alert.openedAt())))
                .toList();
    }

    private static List<VehicleItem.AxleItem> axles(VehicleSnapshot snapshot) {
        List<VehicleItem.AxleItem> axles = new ArrayList<>();
        List<AxleDescription> described = snapshot.description().axles();
        for (int i = 0; i < described.size(); i++) {
            AxleDescription axle = described.get(i);
            Position.Slot slot = axle.axle().wheels().tyresPerSide() == 2 ? Position.Slot.OUTER : Position.Slot.SINGLE;
            WheelLimits limits = WheelLimits.of(
                    snapshot.rules().at(Position.wheel(i + 1, Side.LEFT, slot)).orElseThrow());
            axles.add(new VehicleItem.AxleItem(
                    axle.axle().role(),
                    axle.axle().wheels(),
                    axle.axle().liftable(),
                    limits,
                    snapshot.description().policy(axle),
                    snapshot.description().duty(axle),
                    snapshot.description().levels(axle),
                    axle.isBallasted(),
                    axle.isSelfInflating()));
        }
        return axles;
    }
}
