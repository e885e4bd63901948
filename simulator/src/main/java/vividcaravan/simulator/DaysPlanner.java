package vividcaravan.simulator;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.simulator.RandomFleet.Planted;

/** Some days: on half of the vehicles one fault that shows within hours and that nobody puts right. */
final class DaysPlanner extends FleetPlanner {

    private static final double EARLIEST_ONSET_HOURS = 14;
    private static final double LATEST_ONSET_SHARE = 0.5;
    private static final double FAULTY_SHARE = 0.5;
    private static final List<Planted> FAULTS = List.of(
            Planted.SLOW_LEAK,
            Planted.FAST_LEAK,
            Planted.MASKED_LEAK,
            Planted.DRAGGING_BRAKE,
            Planted.WARM_BEARING,
            Planted.OVER_FILLED,
            Planted.UNDER_FILLED,
            Planted.TWIN_MISMATCH,
            Planted.DEAD_SENSOR,
            Planted.WEAK_BATTERY);

    private final Duration lasts;

    DaysPlanner(SplittableRandom random, long begin, Duration lasts) {
        super(random, begin);
        this.lasts = lasts;
    }

    @Override
    VehiclePlan plan(String ref) {
        VehicleKind kind = kind();
        List<VehiclePlan.PlannedAxle> axles = axles(kind);
        MountKind mount = random.nextInt(3) == 0 ? MountKind.CAP : MountKind.VALVE;
        List<Fault> faults = new ArrayList<>();
        Planted what = random.nextDouble() < FAULTY_SHARE ? pick(FAULTS) : null;
        if (what != null) {
            List<Position> positions = List.copyOf(layout(axles).positions());
            List<Position> twins = twins(layout(axles));
            what = what == Planted.TWIN_MISMATCH && twins.isEmpty() ? Planted.UNDER_FILLED : what;
            faults.add(fault(what, pick(what == Planted.TWIN_MISMATCH ? twins : positions), axles));
        }
        if (random.nextInt(6) == 0) {
            double when = random.nextDouble() * (lasts.toHours() - 6);
            faults.add(new Fault(null, Fault.Kind.OUT_OF_COVERAGE, when, 0.5 + random.nextDouble() * 3, 0, false));
        }
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
                random.nextInt(3) == 0 ? Set.of(VehiclePlan.Trait.ALWAYS_ON) : Set.of());
        if (what != null) {
            planted(plan, what, faults.get(0));
        }
        return plan;
    }

    private Fault fault(Planted what, Position position, List<VehiclePlan.PlannedAxle> axles) {
        double latest = lasts.toMillis() / HOUR_MILLIS * LATEST_ONSET_SHARE;
        double onset = EARLIEST_ONSET_HOURS + random.nextDouble() * (latest - EARLIEST_ONSET_HOURS);
        return fault(what, position, axles.get(position.axle() - 1).targetKpa(), onset, FOREVER);
    }
}
