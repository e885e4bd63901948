package vividcaravan.server.picture;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.Departure;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.rules.Adjustment;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.planning.PressureAdvice;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.fleet.VehicleSnapshot;
import vividcaravan.server.fleet.WheelState;
import vividcaravan.server.fleet.WheelStates;

/** What is said of a vehicle as a whole. */
final class VehicleStanding {

    /** All wheels report within some minutes of each other; twice what a new tyre takes [common practice]. */
    private static final long SLEPT_MILLIS = Duration.ofMinutes(12).toMillis();

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
            case OUT_OF_SERVICE -> outOfService(vehicle, snapshot, wheels, now);
            case DESCRIBED, BEING_FITTED -> Departure.unproven();
            case IN_SERVICE -> Departure.of(facts(vehicle, wheels, now));
        };
    }

    /** It stays where it is; and if it moved all the same, that is said with all that speaks against it. */
    private static Departure outOfService(
            FleetVehicle vehicle, VehicleSnapshot snapshot, List<WheelState> wheels, Instant now) {
        Departure out = Departure.outOfService(snapshot.stateReason());
        if (!vehicle.contradictsOutage()) {
            return out;
        }
        List<String> reasons = new ArrayList<>(out.reasons());
        reasons.add("it has moved since it was taken out of service");
        Departure moving = Departure.of(facts(vehicle, wheels, now));
        reasons.addAll(moving.reasons());
        return new Departure(out.verdict(), reasons, moving.restsOnAgeS());
    }

    private static Departure.Facts facts(FleetVehicle vehicle, List<WheelState> wheels, Instant now) {
        List<WheelState> onTheRoad =
                wheels.stream().filter(wheel -> !wheel.position().isSpare()).toList();
        long movedAt = movedAt(vehicle);
        return new Departure.Facts(
                vehicle.openAlerts(),
                onTheRoad.stream()
                        .flatMap(wheel -> wheel.condition().blind(wheel.at() != null).stream()
                                .map(why -> new Departure.Unwatched(wheel.position(), why)))
                        .toList(),
                vehicle.outages().stream().filter(outage -> !outage.isVehicle()).toList(),
                vehicle.retorques().stream()
                        .filter(wheel -> wheel.isDue(now.toEpochMilli()))
                        .map(wheel -> new Departure.Loose(wheel.position(), wheel.isOverdue(now.toEpochMilli())))
                        .toList(),
                onTheRoad.stream()
                        .filter(wheel -> wheel.at() != null)
                        .map(wheel -> new Departure.Heard(
                                wheel.position(),
                                Duration.between(wheel.at(), now).toMillis(),
                                movedAt - wheel.at().toEpochMilli() > SLEPT_MILLIS))
                        .toList(),
                gaugedToday(vehicle, now));
    }

    /** When its sensors last said that it moves; they speak one after the other, so that a while apart is at once. */
    private static long movedAt(FleetVehicle vehicle) {
        return vehicle.sensors().values().stream()
                .map(KnownSensor::newest)
                .filter(newest -> newest != null && Boolean.TRUE.equals(newest.moving()))
                .mapToLong(Reading::at)
                .max()
                .orElse(Long.MIN_VALUE / 2);
    }

    /** Where somebody held a hand gauge on this day of the depot, by name. */
    private static Set<Position> gaugedToday(FleetVehicle vehicle, Instant now) {
        ZoneId zone = vehicle.depot().map(depot -> depot.timeZone()).orElse(ZoneOffset.UTC);
        long dayBegan =
                now.atZone(zone).toLocalDate().atStartOfDay(zone).toInstant().toEpochMilli();
        return vehicle.adjustments().stream()
                .filter(one -> one.at() >= dayBegan && one.afterKpa() != null)
                .filter(one -> Math.abs(one.afterKpa() - coldKpa(vehicle, one.position()))
                        <= PressureAdvice.toleranceKpa(coldKpa(vehicle, one.position())))
                .map(Adjustment::position)
                .collect(Collectors.toSet());
    }

    private static double coldKpa(FleetVehicle vehicle, Position position) {
        return vehicle.rules()
                .at(position)
                .map(rules -> rules.limits().coldKpa())
                .orElse(Double.MAX_VALUE);
    }
}
