package vividcaravan.server.workshop.round;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.core.gas.Atmosphere;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.planning.ColdMorning;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.fleet.VehicleSnapshot;
import vividcaravan.server.history.ColdestReadings;
import vividcaravan.server.history.WarmthThen;
import vividcaravan.server.platform.Rounded;

/** What came of a round: which wheels the cold since would have brought below their limits without its air. */
@Component
class RoundOutcome {

    private final FleetDirectory fleet;
    private final ColdestReadings coldest;
    private final WarmthThen warmth;
    private final Clock clock;

    RoundOutcome(FleetDirectory fleet, ColdestReadings coldest, WarmthThen warmth, Clock clock) {
        this.warmth = warmth;
        this.fleet = fleet;
        this.coldest = coldest;
        this.clock = clock;
    }

    /**
     * A wheel that the round set, on the coldest morning since.
     *
     * @param coldestC how cold its vehicle's tyres were, °C
     * @param withoutKpa what a gauge would have shown then with the air it had before, kPa
     * @param withKpa what it did show with the air it was given, kPa
     * @param lowKpa its first limit, kPa
     * @param wasSpared whether it would have been below that limit, and was not
     * @param isStillBelow whether it was below it all the same
     */
    record Wheel(
            String vehicle,
            String position,
            double coldestC,
            double withoutKpa,
            double withKpa,
            double lowKpa,
            boolean wasSpared,
            boolean isStillBelow) {}

    /**
     * All of it.
     *
     * @param coldestC how cold it was at its coldest, °C; null where nothing was heard since
     * @param spared how many wheels would have been below their first limit and were not
     * @param unknown how many were set without both figures of the hand gauge, so that nobody can tell
     * @param wheels those that were set, the ones that were spared first
     */
    record Outcome(@Nullable Double coldestC, Instant until, int spared, int unknown, List<Wheel> wheels) {}

    Outcome of(PressureRounds.PressureRound round) {
        long now = clock.millis();
        List<Wheel> wheels = new ArrayList<>();
        int unknown = 0;
        Long ended = round.row().closedAt;
        List<RoundSheet.RoundVehicle> vehicles =
                ended == null ? List.of() : round.sheet().vehicles();
        for (RoundSheet.RoundVehicle vehicle : vehicles) {
            FleetVehicle known = fleet.vehicle(vehicle.ref()).orElse(null);
            OptionalDouble morningC = known == null ? OptionalDouble.empty() : coldestC(known, ended, now);
            for (RoundSheet.RoundWheel wheel : vehicle.wheels()) {
                if (wheel.set() == null) {
                    continue;
                }
                Optional<Wheel> seen = known == null || morningC.isEmpty()
                        ? Optional.empty()
                        : look(known, wheel, morningC.getAsDouble());
                seen.ifPresent(wheels::add);
                unknown += seen.isPresent() ? 0 : 1;
            }
        }
        wheels.sort(Comparator.comparing((Wheel wheel) -> !wheel.wasSpared())
                .thenComparing(Wheel::vehicle)
                .thenComparing(Wheel::position));
        return new Outcome(
                wheels.stream().map(Wheel::coldestC).min(Double::compare).orElse(null),
                Instant.ofEpochMilli(now),
                (int) wheels.stream().filter(Wheel::wasSpared).count(),
                unknown,
                wheels);
    }

    private OptionalDouble coldestC(FleetVehicle vehicle, long from, long to) {
        List<KnownSensor> inside = vehicle.sensors().values().stream()
                .filter(sensor ->
                        sensor.mount().filter(mount -> mount.isOutside()).isEmpty())
                .sorted(Comparator.comparingLong(KnownSensor::id))
                .toList();
        // A cap shows the air of a cold morning as well as any.
        return coldest.middleOfColdestC(inside.isEmpty() ? vehicle.sensors().values() : inside, from, to);
    }

    private Optional<Wheel> look(FleetVehicle vehicle, RoundSheet.RoundWheel wheel, double morningC) {
        RoundSheet.SetPressure set = wheel.set();
        VehicleSnapshot snapshot = vehicle.snapshot();
        AxleLimits limits = Position.find(wheel.position())
                .flatMap(position -> snapshot.rules().at(position))
                .map(rules -> rules.limits().onTheGauge())
                .orElse(null);
        if (limits == null || set == null || set.beforeKpa() == null || set.afterKpa() == null) {
            return Optional.empty();
        }
        // As warm as it was when the gauge was held to it: the round may have ended hours later, after a drive.
        OptionalDouble then = warmth.celsius(
                vehicle, Position.parse(wheel.position()), set.at().toEpochMilli());
        if (then.isEmpty()) {
            return Optional.empty();
        }
        double setC = then.getAsDouble();
        // By the target that the round was gone for, whatever it is now.
        double target = wheel.targetKpa();
        double share = target / limits.targetKpa();
        double altitude = snapshot.depot().map(depot -> depot.altitudeM()).orElse(0.0);
        ColdMorning.Held held = new ColdMorning.Held(
                target, share * limits.lowKpa(), share * limits.lowCriticalKpa(), share * limits.highKpa(), true);
        ColdMorning without = ColdMorning.of(held, set.beforeKpa(), setC, morningC, Atmosphere.at(altitude));
        ColdMorning with = ColdMorning.of(held, set.afterKpa(), setC, morningC, Atmosphere.at(altitude));
        return Optional.of(new Wheel(
                vehicle.description().ref(),
                wheel.position(),
                Rounded.tenth(morningC),
                Rounded.tenth(without.gaugeKpa()),
                Rounded.tenth(with.gaugeKpa()),
                Rounded.tenth(share * limits.lowKpa()),
                without.isBelowFirst() && !with.isBelowFirst(),
                with.isBelowFirst()));
    }
}
