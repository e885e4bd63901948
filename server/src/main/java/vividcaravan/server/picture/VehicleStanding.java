package vividcaravan.server.picture;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.Departure;
import vividcaravan.core.axles.Position;
import vividcaravan.core.tyres.Retorque;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleSnapshot;
import vividcaravan.server.fleet.WheelState;
import vividcaravan.server.fleet.WheelStates;

/** What is said of a vehicle as a whole. */
final class VehicleStanding {

    private VehicleStanding() {}

    /** Its open alerts, the most urgent first. */
    static List<Alert> open(FleetVehicle vehicle) {
        return vehicle.openAlerts().stream()
                .sorted(Comparator.comparing(Alert::urgency).thenComparing(Alert::openedAt))
                .toList();
    }

    /** When any of its wheels was last heard. */
    static @Nullable Instant heardAt(FleetVehicle vehicle) {
        Long heardAt = WheelStates.lastHeardAt(vehicle);
        return heardAt == null ? null : Instant.ofEpochMilli(heardAt);
    }

    /** Whether it may leave with all that hangs behind it. */
    static Departure departure(
            FleetDirectory fleet,
            FleetVehicle vehicle,
            VehicleSnapshot snapshot,
            List<WheelState> wheels,
            Instant now) {
        Departure departure = departure(vehicle, snapshot, wheels, now);
        List<FleetVehicle> combination = fleet.combination(vehicle, now.toEpochMilli());
        for (FleetVehicle behind : combination.subList(combination.indexOf(vehicle) + 1, combination.size())) {
            VehicleSnapshot other = behind.snapshot();
            departure = departure.pulling(
                    other.description().ref(), departure(behind, other, WheelStates.of(behind, other, now), now));
        }
        return departure;
    }

    private static Departure departure(
            FleetVehicle vehicle, VehicleSnapshot snapshot, List<WheelState> wheels, Instant now) {
        return switch (snapshot.state()) {
            case OUT_OF_SERVICE -> Departure.outOfService(snapshot.stateReason());
            case DESCRIBED, BEING_FITTED -> Departure.unproven();
            case IN_SERVICE ->
                Departure.of(
                        vehicle.openAlerts(),
                        wheels.stream()
                                .filter(wheel -> !wheel.position().isSpare())
                                .flatMap(wheel -> wheel.condition().blind(wheel.at() != null).stream()
                                        .map(why -> new Departure.Unwatched(wheel.position(), why)))
                                .toList(),
                        vehicle.outages().stream()
                                .filter(outage -> !outage.isVehicle())
                                .toList(),
                        vehicle.retorques().stream()
                                .filter(wheel -> wheel.isDue(now.toEpochMilli()))
                                .map(Retorque::position)
                                .sorted(Comparator.comparing(Position::code))
                                .toList());
        };
    }
}
