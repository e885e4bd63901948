package vividcaravan.server.picture;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Departure;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.rules.Adjustment;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.planning.PressureAdvice;
import vividcaravan.core.words.Language;
import vividcaravan.server.distance.Distances;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.fleet.VehicleSnapshot;
import vividcaravan.server.fleet.WheelState;
import vividcaravan.server.fleet.WheelStates;
import vividcaravan.server.tyres.WornTyres;
import vividcaravan.server.walks.LatestWalks;

/** Whether vehicles may leave: one verdict, whether the gate, the list of vehicles or a driver asks. Safe to read. */
@Component
public class Departures {

    /** All wheels report within some minutes of each other; twice what a new tyre takes [common practice]. */
    private static final long SLEPT_MILLIS = Duration.ofMinutes(12).toMillis();

    private final FleetDirectory fleet;
    private final LatestWalks walks;
    private final Distances distances;
    private final WornTyres worn;
    private final Clock clock;

    Departures(FleetDirectory fleet, LatestWalks walks, Distances distances, WornTyres worn, Clock clock) {
        this.worn = worn;
        this.fleet = fleet;
        this.walks = walks;
        this.distances = distances;
        this.clock = clock;
    }

    /** Whether a vehicle may leave now with all that hangs behind it, its reasons in {@code language}. */
    public Departure of(FleetVehicle vehicle, Language language) {
        Instant now = clock.instant();
        VehicleSnapshot snapshot = vehicle.snapshot();
        return of(vehicle, snapshot, WheelStates.of(vehicle, snapshot, now), now, language);
    }

    /** What each alert of a vehicle comes to, and the verdict on the combination that it leaves in. */
    public Departure.Holds holds(FleetVehicle vehicle) {
        Instant now = clock.instant();
        FleetVehicle first = fleet.combination(vehicle, now.toEpochMilli()).get(0);
        return new Departure.Holds(
                of(first, Language.EN).verdict(),
                Departure.byAlert(facts(vehicle, WheelStates.of(vehicle, vehicle.snapshot(), now), now)));
    }

    /** Of a vehicle of which is known already what its wheels show, in English. */
    Departure of(FleetVehicle vehicle, VehicleSnapshot snapshot, List<WheelState> wheels, Instant now) {
        return of(vehicle, snapshot, wheels, now, Language.EN);
    }

    private Departure of(
            FleetVehicle vehicle, VehicleSnapshot snapshot, List<WheelState> wheels, Instant now, Language language) {
        Departure departure = alone(vehicle, snapshot, wheels, now, language);
        List<FleetVehicle> combination = fleet.combination(vehicle, now.toEpochMilli());
        for (FleetVehicle behind : combination.subList(combination.indexOf(vehicle) + 1, combination.size())) {
            VehicleSnapshot other = behind.snapshot();
            departure = departure.pulling(
                    other.description().ref(), alone(behind, other, WheelStates.of(behind, other, now), now, language));
        }
        return departure;
    }

    private Departure alone(
            FleetVehicle vehicle, VehicleSnapshot snapshot, List<WheelState> wheels, Instant now, Language language) {
        return switch (snapshot.state()) {
            case OUT_OF_SERVICE -> {
                Departure out = Departure.outOfService(snapshot.stateReason(), language);
                // It stays where it is; and if it moved all the same, that is said with all that speaks against it.
                yield vehicle.contradictsOutage()
                        ? out.movedWhileOut(Departure.of(facts(vehicle, wheels, now), language), language)
                        : out;
            }
            case DESCRIBED, BEING_FITTED -> Departure.unproven(language);
            case IN_SERVICE -> Departure.of(facts(vehicle, wheels, now), language);
        };
    }

    private Departure.Facts facts(FleetVehicle vehicle, List<WheelState> wheels, Instant now) {
        List<WheelState> onTheRoad =
                wheels.stream().filter(wheel -> !wheel.position().isSpare()).toList();
        long movedAt = movedAt(vehicle);
        long at = now.toEpochMilli();
        Double ranKm = distances.ranKm(vehicle);
        return new Departure.Facts(
                vehicle.openAlerts(),
                onTheRoad.stream()
                        .flatMap(wheel -> wheel.condition().blind(wheel.at() != null).stream()
                                .map(why -> new Departure.Unwatched(wheel.position(), why)))
                        .toList(),
                vehicle.outages().stream().filter(outage -> !outage.isVehicle()).toList(),
                vehicle.retorques().stream()
                        .filter(wheel -> wheel.isDue(at, ranKm))
                        .map(wheel -> new Departure.Loose(wheel.position(), wheel.isOverdue(at, ranKm)))
                        .toList(),
                onTheRoad.stream()
                        .filter(wheel -> wheel.at() != null)
                        .map(wheel -> new Departure.Heard(
                                wheel.position(),
                                Duration.between(wheel.at(), now).toMillis(),
                                movedAt - wheel.at().toEpochMilli() > SLEPT_MILLIS))
                        .toList(),
                gaugedToday(vehicle, now),
                walks.ofToday(vehicle)
                        .filter(walk -> walk.at().toEpochMilli() > movedAt)
                        .isPresent(),
                worn.of(vehicle),
                vehicle.judgedAgain()
                        .map(again -> new Departure.Owed(again.wasHeld()))
                        .orElse(null));
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
