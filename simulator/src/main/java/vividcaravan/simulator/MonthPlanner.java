package vividcaravan.simulator;

import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.simulator.RandomFleet.Planted;

/**
 * A month: Sundays off, a season that gets colder with cold and warm spells, days in the mountains, tyres that lose a little
 * through the rubber; on most vehicles one fault, which the workshop puts right after some days.
 */
final class MonthPlanner extends FleetPlanner {

    static final Duration LASTS = Duration.ofDays(30);

    private static final double FAULTY_SHARE = 0.6;
    private static final double EARLIEST_ONSET_HOURS = 72;
    private static final double LATEST_ONSET_HOURS = 480;
    private static final double DAY = 24;
    /** A leak is put right once it has taken so much, share of target. */
    private static final double NOTICED = 0.24;
    /** The slowest leaks are the commonest of all. */
    private static final List<Planted> FAULTS = List.of(
            Planted.SEEP,
            Planted.SEEP,
            Planted.SEEP,
            Planted.SEEP,
            Planted.TOPPED_UP,
            Planted.TOPPED_UP,
            Planted.STUCK_SENSOR,
            Planted.EXCHANGED,
            Planted.SLOW_BEARING,
            Planted.BRAKE_ON_SOME_DAYS,
            Planted.SLOW_LEAK,
            Planted.FAST_LEAK,
            Planted.MASKED_LEAK,
            Planted.DRAGGING_BRAKE,
            Planted.OVER_FILLED,
            Planted.UNDER_FILLED,
            Planted.TWIN_MISMATCH,
            Planted.DEAD_SENSOR,
            Planted.WEAK_BATTERY);

    MonthPlanner(SplittableRandom random, long begin, Duration lasts) {
        super(random, begin);
    }

    @Override
    VehiclePlan plan(String ref) {
        VehicleKind kind = kind();
        List<VehiclePlan.PlannedAxle> axles = axles(kind);
        MountKind mount = random.nextInt(3) == 0 ? MountKind.CAP : MountKind.VALVE;
        Set<VehiclePlan.Trait> traits = EnumSet.noneOf(VehiclePlan.Trait.class);
        add(traits, VehiclePlan.Trait.ALWAYS_ON, random.nextInt(3) == 0);
        add(traits, VehiclePlan.Trait.VENTED, mount == MountKind.CAP);
        add(traits, VehiclePlan.Trait.RESTS_ON_SUNDAYS, random.nextInt(10) != 0);
        List<Fault> faults = new ArrayList<>();
        Planted what = random.nextDouble() < FAULTY_SHARE ? pick(FAULTS) : null;
        if (what != null) {
            List<Position> positions = List.copyOf(layout(axles).positions());
            List<Position> twins = twins(layout(axles));
            what = what == Planted.TWIN_MISMATCH && twins.isEmpty() ? Planted.UNDER_FILLED : what;
            what = what == Planted.EXCHANGED && !areLevelsTold(axles) ? Planted.SEEP : what;
            faults.add(fault(what, pick(what == Planted.TWIN_MISMATCH ? twins : positions), axles));
        }
        addWeather(faults, kind);
        VehiclePlan plan = new VehiclePlan(
                ref,
                kind,
                null,
                pick(List.copyOf(Larkmoor.DEPOTS.keySet())),
                axles,
                0,
                mount,
                step(),
                duty(kind),
                faults,
                List.of(),
                traits);
        if (what != null) {
            planted(plan, what, faults.get(0));
        }
        return plan;
    }

    private static void add(Set<VehiclePlan.Trait> traits, VehiclePlan.Trait trait, boolean isThere) {
        if (isThere) {
            traits.add(trait);
        }
    }

    /** Whether every axle's level differs so much from its neighbour's that an exchange shows. */
    private static boolean areLevelsTold(List<VehiclePlan.PlannedAxle> axles) {
        for (int i = 1; i < axles.size(); i++) {
            double apart = Math.abs(axles.get(i).targetKpa() - axles.get(i - 1).targetKpa());
            if (apart < 0.06 * axles.get(i).targetKpa() + 15) {
                return false;
            }
        }
        return true;
    }

    private void addWeather(List<Fault> faults, VehicleKind kind) {
        faults.add(lasting(null, Fault.Kind.NATURAL_LOSS, 0, FOREVER, kind == VehicleKind.FARM_TRACTOR ? 2.5 : 1.5));
        faults.add(lasting(null, Fault.Kind.SEASON, 0, FOREVER, between(0.1, 0.35)));
        faults.add(lasting(null, Fault.Kind.COLD_SNAP, between(48, 400), between(30, 90), between(5, 10)));
        faults.add(lasting(null, Fault.Kind.COLD_SNAP, between(200, 600), between(40, 100), -between(4, 9)));
        boolean isInMountains = kind != VehicleKind.FARM_TRACTOR && random.nextInt(3) == 0;
        for (int i = 0; i < 3 && isInMountains; i++) {
            double when = Math.floor(between(1, 28)) * DAY + between(6, 12);
            faults.add(lasting(null, Fault.Kind.CLIMB, when, between(2, 5), between(500, 1_600)));
        }
        if (random.nextInt(3) == 0) {
            faults.add(lasting(null, Fault.Kind.OUT_OF_COVERAGE, between(0, 700), between(0.5, 3.5), 0));
        }
    }

    private Fault fault(Planted what, Position position, List<VehiclePlan.PlannedAxle> axles) {
        double target = axles.get(position.axle() - 1).targetKpa();
        double onset = between(EARLIEST_ONSET_HOURS, LATEST_ONSET_HOURS);
        double days =
                switch (what) {
                    case FAST_LEAK -> 0.3;
                    case DRAGGING_BRAKE, DEAD_SENSOR, OVER_FILLED, UNDER_FILLED -> between(3, 6);
                    case STUCK_SENSOR, SLOW_BEARING, TWIN_MISMATCH -> between(7, 10);
                    default -> FOREVER;
                };
        Fault fault = fault(what, position, target, onset, days == FOREVER ? FOREVER : days * DAY);
        boolean isNoticed =
                switch (what) {
                    case SEEP, SLOW_LEAK, MASKED_LEAK -> true;
                    default -> false;
                };
        return isNoticed
                ? lasting(position, fault.kind(), onset, NOTICED * target / fault.amount(), fault.amount())
                : fault;
    }
}
