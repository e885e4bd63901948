package vividcaravan.simulator;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;

/** Makes up the vehicles of a {@link RandomFleet} and what happens to them. */
abstract class FleetPlanner {

    static final double HOUR_MILLIS = 3_600_000;
    /** A fault that nobody puts right, hours. */
    static final double FOREVER = 10_000;

    private static final double[] STEPS_KPA = {1, 2, 3.4, 4};
    private static final List<VehicleKind> KINDS = List.of(
            VehicleKind.TRACTOR_UNIT,
            VehicleKind.RIGID_TRUCK,
            VehicleKind.SEMI_TRAILER,
            VehicleKind.BUS,
            VehicleKind.DRAWBAR_TRAILER,
            VehicleKind.FARM_TRACTOR);

    final SplittableRandom random;
    private final long begin;
    private final List<RandomFleet.PlantedFault> planted = new ArrayList<>();

    FleetPlanner(SplittableRandom random, long begin) {
        this.random = random;
        this.begin = begin;
    }

    /** The next vehicle. */
    abstract VehiclePlan plan(String ref);

    /** What was planted. */
    List<RandomFleet.PlantedFault> planted() {
        return planted;
    }

    final void planted(VehiclePlan plan, RandomFleet.Planted what, Fault fault) {
        boolean isExchange = fault.kind() == Fault.Kind.SENSORS_EXCHANGED;
        planted.add(new RandomFleet.PlantedFault(
                plan.ref(),
                fault.position(),
                isExchange ? plan.exchangedWith(fault.position()) : null,
                what,
                begin + Math.round(fault.beginsHour() * HOUR_MILLIS),
                begin + Math.round((fault.beginsHour() + fault.lastsHours()) * HOUR_MILLIS)));
    }

    final VehicleKind kind() {
        return pick(KINDS);
    }

    final double step() {
        return STEPS_KPA[random.nextInt(STEPS_KPA.length)];
    }

    final Duty duty(VehicleKind kind) {
        return kind == VehicleKind.FARM_TRACTOR
                ? Duty.FARM
                : pick(List.of(Duty.NIGHT, Duty.DAY, Duty.EARLY, Duty.SCHOOL));
    }

    static AxleLayout layout(List<VehiclePlan.PlannedAxle> axles) {
        return new AxleLayout(axles.stream().map(VehiclePlan.PlannedAxle::axle).toList(), 0);
    }

    static List<Position> twins(AxleLayout layout) {
        return layout.positions().stream()
                .filter(position -> position.slot() != Position.Slot.SINGLE)
                .toList();
    }

    /** A fault of which the short programmes know too, from {@code onset} on, hours. */
    final Fault fault(RandomFleet.Planted what, Position position, double target, double onset, double lastsHours) {
        return switch (what) {
            case SLOW_LEAK ->
                lasting(position, Fault.Kind.SLOW_LEAK, onset, lastsHours, between(0.8, 2) / 100 * target);
            case MASKED_LEAK ->
                lasting(position, Fault.Kind.HOT_LEAK, onset, lastsHours, between(0.8, 2) / 100 * target);
            case FAST_LEAK -> lasting(position, Fault.Kind.FAST_LEAK, onset, lastsHours, between(3, 8));
            case DRAGGING_BRAKE -> lasting(position, Fault.Kind.DRAGGING_BRAKE, onset, lastsHours, between(45, 90));
            case WARM_BEARING -> lasting(position, Fault.Kind.DRAGGING_BRAKE, onset, lastsHours, between(24, 34));
            case OVER_FILLED -> lasting(position, Fault.Kind.OVER_FILLED, onset, lastsHours, between(18, 26));
            case UNDER_FILLED ->
                lasting(position, Fault.Kind.TWIN_MISMATCH, onset, lastsHours, between(12, 18) / 100 * target);
            case TWIN_MISMATCH -> lasting(position, Fault.Kind.TWIN_MISMATCH, onset, lastsHours, between(48, 66));
            case DEAD_SENSOR -> lasting(position, Fault.Kind.SENSOR_QUIET, onset, lastsHours, 0);
            case WEAK_BATTERY -> lasting(position, Fault.Kind.BATTERY_WEAK, onset, lastsHours, between(560, 700));
            case SEEP -> lasting(position, Fault.Kind.SLOW_LEAK, onset, lastsHours, between(1, 3) / 100 * target / 24);
            case TOPPED_UP ->
                lasting(position, Fault.Kind.TOPPED_UP, onset, lastsHours, between(1.5, 4) / 100 * target / 24);
            case STUCK_SENSOR -> lasting(position, Fault.Kind.SENSOR_STUCK, onset, lastsHours, 0);
            case EXCHANGED -> lasting(position, Fault.Kind.SENSORS_EXCHANGED, onset, lastsHours, 0);
            case SLOW_BEARING -> lasting(position, Fault.Kind.SLOW_BEARING, onset, lastsHours, between(28, 40));
            case BRAKE_ON_SOME_DAYS ->
                lasting(position, Fault.Kind.DRAGS_SOME_DAYS, onset, lastsHours, between(35, 80));
        };
    }

    static Fault lasting(Position position, Fault.Kind kind, double onset, double lastsHours, double amount) {
        return new Fault(position, kind, onset, lastsHours, amount, false);
    }

    final List<VehiclePlan.PlannedAxle> axles(VehicleKind kind) {
        double steer = 750 + random.nextInt(16) * 10;
        double load = 700 + random.nextInt(16) * 10;
        return switch (kind) {
            case TRACTOR_UNIT ->
                random.nextBoolean()
                        ? List.of(axle(AxleRole.STEER, false, steer), axle(AxleRole.DRIVE, true, load))
                        : List.of(
                                axle(AxleRole.STEER, false, steer),
                                axle(AxleRole.DRIVE, true, load),
                                axle(AxleRole.DRIVE, true, load));
            case SEMI_TRAILER ->
                List.of(
                        axle(AxleRole.TRAILER, false, steer),
                        axle(AxleRole.TRAILER, false, steer),
                        axle(AxleRole.TRAILER, false, steer));
            case DRAWBAR_TRAILER ->
                random.nextBoolean()
                        ? List.of(axle(AxleRole.TRAILER, true, load), axle(AxleRole.TRAILER, true, load))
                        : List.of(axle(AxleRole.TRAILER, false, load), axle(AxleRole.TRAILER, false, load));
            case FARM_TRACTOR ->
                List.of(
                        axle(AxleRole.STEER, false, 140 + random.nextInt(6) * 10),
                        axle(AxleRole.DRIVE, false, 120 + random.nextInt(6) * 10));
            default -> List.of(axle(AxleRole.STEER, false, steer), axle(AxleRole.DRIVE, true, load));
        };
    }

    private VehiclePlan.PlannedAxle axle(AxleRole role, boolean isTwin, double targetKpa) {
        double rise = targetKpa < 300 ? 10 : 20 + random.nextInt(12);
        return new VehiclePlan.PlannedAxle(
                new Axle(role, isTwin ? WheelArrangement.TWIN : WheelArrangement.SINGLE, false), targetKpa, rise);
    }

    final double between(double low, double high) {
        return low + random.nextDouble() * (high - low);
    }

    final <T> T pick(List<T> choices) {
        return choices.get(random.nextInt(choices.size()));
    }
}
