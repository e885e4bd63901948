package vividcaravan.simulator;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.function.Consumer;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;

/**
 * A fleet made from a seed to measure detection with: several kinds of vehicles, sensors of several steps and mounts, always
 * on or asleep while parked, a channel that loses, doubles, delays and reorders, and on some wheels a fault whose onset is
 * known. The same seed gives the same readings.
 */
public final class RandomFleet {

    /** What is planted, as a person would call it. */
    public enum Planted {
        SLOW_LEAK,
        FAST_LEAK,
        MASKED_LEAK,
        DRAGGING_BRAKE,
        WARM_BEARING,
        OVER_FILLED,
        UNDER_FILLED,
        TWIN_MISMATCH,
        DEAD_SENSOR,
        WEAK_BATTERY
    }

    /**
     * A fault at a wheel.
     *
     * @param onset epoch milliseconds
     */
    public record PlantedFault(String vehicle, Position position, Planted what, long onset) {}

    /**
     * A wheel with its sensor.
     *
     * @param code the sensor's
     */
    public record Wheel(Position position, double targetKpa, String code) {}

    /**
     * A vehicle as the judge is to know it.
     *
     * @param mount how its sensors are held, or null where nobody said
     */
    public record Vehicle(
            String ref,
            VehicleKind kind,
            AxleLayout layout,
            List<Double> targetsKpa,
            double altitudeM,
            MountKind mount,
            List<Wheel> wheels) {}

    /**
     * A reading with the time at which it came in.
     *
     * @param arrivedAt epoch milliseconds
     */
    public record Arrival(long arrivedAt, String vehicle, Position position, SimulatedReading reading) {}

    private static final long STEP_MILLIS = 10_000;
    /** How often sensors report on the road; most once a minute. */
    private static final long[] EVERY_MILLIS = {60_000, 60_000, 60_000, 30_000, 120_000, 300_000};

    private static final double HOUR_MILLIS = 3_600_000;
    private static final double EARLIEST_ONSET_HOURS = 14;
    private static final double LATEST_ONSET_SHARE = 0.5;
    private static final double FAULTY_SHARE = 0.5;
    /** On top of what the sensors themselves lose: 3 % in all. */
    private static final double LOST_SHARE = 0.01;

    private static final double DOUBLED_SHARE = 0.01;
    private static final double DELAYED_SHARE = 0.05;
    private static final int LONGEST_DELAY_MILLIS = 150_000;
    private static final double[] STEPS_KPA = {1, 2, 3.4, 4};

    private final SplittableRandom random;
    private final long begin;
    private final long end;
    private final List<VehiclePlan> plans = new ArrayList<>();
    private final List<PlantedFault> planted = new ArrayList<>();

    /**
     * @param vehicles how many
     * @param lasts how long readings are made, three days or more so that slow faults can show
     */
    public RandomFleet(long seed, int vehicles, Duration lasts) {
        random = new SplittableRandom(seed);
        begin = Instant.parse("2026-01-05T00:00:00Z").toEpochMilli()
                + random.nextInt(360) * Duration.ofDays(1).toMillis();
        end = begin + lasts.toMillis();
        for (int i = 0; i < vehicles; i++) {
            plans.add(plan(String.format("R%d-%03d", seed, i), lasts));
        }
    }

    /** The vehicles. */
    public List<Vehicle> vehicles() {
        List<Vehicle> vehicles = new ArrayList<>();
        for (int i = 0; i < plans.size(); i++) {
            VehiclePlan plan = plans.get(i);
            int index = i;
            vehicles.add(new Vehicle(
                    plan.ref(),
                    plan.kind(),
                    plan.layout(),
                    plan.axles().stream()
                            .map(VehiclePlan.PlannedAxle::targetKpa)
                            .toList(),
                    Larkmoor.DEPOTS.get(plan.depot()),
                    isMountUnknown(plan) ? null : plan.mount(),
                    plan.layout().positions().stream()
                            .map(position -> new Wheel(
                                    position,
                                    plan.axles().get(position.axle() - 1).targetKpa(),
                                    Larkmoor.sensorCode(index, position)))
                            .toList()));
        }
        return vehicles;
    }

    /** Of sensors inside nobody says on every fourth vehicle how they are held. */
    private static boolean isMountUnknown(VehiclePlan plan) {
        return plan.mount() != MountKind.CAP && Math.floorMod(plan.ref().hashCode(), 4) == 0;
    }

    /** What was planted. */
    public List<PlantedFault> planted() {
        return List.copyOf(planted);
    }

    /** When the readings begin. */
    public Instant begin() {
        return Instant.ofEpochMilli(begin);
    }

    /** When they end. */
    public Instant end() {
        return Instant.ofEpochMilli(end);
    }

    /** Makes the readings and hands them over in the order of their arrival, one vehicle after the other. */
    public void run(Consumer<Arrival> receiver) {
        for (int i = 0; i < plans.size(); i++) {
            List<Arrival> arrivals = new ArrayList<>();
            VehiclePlan plan = plans.get(i);
            SplittableRandom channel = new SplittableRandom(plan.ref().hashCode());
            SimulatedVehicle vehicle = new SimulatedVehicle(plan, i, begin, begin);
            long every = EVERY_MILLIS[Math.floorMod(plan.ref().hashCode(), EVERY_MILLIS.length)];
            Map<String, Position> positions = new HashMap<>();
            for (Position position : plan.layout().positions()) {
                positions.put(Larkmoor.sensorCode(i, position), position);
            }
            for (long at = begin; at < end; at += STEP_MILLIS) {
                long to = at + STEP_MILLIS;
                vehicle.pass(
                        at,
                        to,
                        every,
                        reading -> arrive(channel, to, reading, plan.ref(), positions.get(reading.sensor()), arrivals));
            }
            arrivals.sort(Comparator.comparingLong(Arrival::arrivedAt));
            arrivals.forEach(receiver);
        }
    }

    private static void arrive(
            SplittableRandom channel,
            long at,
            SimulatedReading reading,
            String vehicle,
            Position position,
            List<Arrival> arrivals) {
        if (channel.nextDouble() < LOST_SHARE) {
            return;
        }
        boolean isDelayed = channel.nextDouble() < DELAYED_SHARE;
        long arrivedAt = at + (isDelayed ? channel.nextInt(LONGEST_DELAY_MILLIS) : 0);
        arrivals.add(new Arrival(arrivedAt, vehicle, position, reading));
        if (channel.nextDouble() < DOUBLED_SHARE) {
            arrivals.add(new Arrival(arrivedAt + channel.nextInt(30_000), vehicle, position, reading));
        }
    }

    private VehiclePlan plan(String ref, Duration lasts) {
        VehicleKind kind = pick(List.of(
                VehicleKind.TRACTOR_UNIT,
                VehicleKind.RIGID_TRUCK,
                VehicleKind.SEMI_TRAILER,
                VehicleKind.BUS,
                VehicleKind.DRAWBAR_TRAILER,
                VehicleKind.FARM_TRACTOR));
        List<VehiclePlan.PlannedAxle> axles = axles(kind);
        boolean isFarm = kind == VehicleKind.FARM_TRACTOR;
        MountKind mount = random.nextInt(3) == 0 ? MountKind.CAP : MountKind.VALVE;
        List<Fault> faults = new ArrayList<>();
        AxleLayout layout =
                new AxleLayout(axles.stream().map(VehiclePlan.PlannedAxle::axle).toList(), 0);
        if (random.nextDouble() < FAULTY_SHARE) {
            faults.add(fault(ref, layout, axles, lasts));
        }
        if (random.nextInt(6) == 0) {
            double when = random.nextDouble() * (lasts.toHours() - 6);
            faults.add(new Fault(null, Fault.Kind.OUT_OF_COVERAGE, when, 0.5 + random.nextDouble() * 3, 0, false));
        }
        return new VehiclePlan(
                ref,
                kind,
                null,
                pick(List.copyOf(Larkmoor.DEPOTS.keySet())),
                axles,
                0,
                mount,
                STEPS_KPA[random.nextInt(STEPS_KPA.length)],
                isFarm ? Duty.FARM : pick(List.of(Duty.NIGHT, Duty.DAY, Duty.EARLY, Duty.SCHOOL)),
                faults,
                List.of(),
                random.nextInt(3) == 0);
    }

    private List<VehiclePlan.PlannedAxle> axles(VehicleKind kind) {
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

    private Fault fault(String ref, AxleLayout layout, List<VehiclePlan.PlannedAxle> axles, Duration lasts) {
        List<Position> positions = List.copyOf(layout.positions());
        Planted what = Planted.values()[random.nextInt(Planted.values().length)];
        if (what == Planted.TWIN_MISMATCH) {
            positions = positions.stream()
                    .filter(position -> position.slot() != Position.Slot.SINGLE)
                    .toList();
            if (positions.isEmpty()) {
                what = Planted.UNDER_FILLED;
                positions = List.copyOf(layout.positions());
            }
        }
        Position position = pick(positions);
        double target = axles.get(position.axle() - 1).targetKpa();
        double latest = lasts.toMillis() / HOUR_MILLIS * LATEST_ONSET_SHARE;
        double onset = EARLIEST_ONSET_HOURS + random.nextDouble() * (latest - EARLIEST_ONSET_HOURS);
        Fault fault =
                switch (what) {
                    case SLOW_LEAK -> lasting(position, Fault.Kind.SLOW_LEAK, onset, between(0.8, 2) / 100 * target);
                    case MASKED_LEAK -> lasting(position, Fault.Kind.HOT_LEAK, onset, between(0.8, 2) / 100 * target);
                    case FAST_LEAK -> lasting(position, Fault.Kind.FAST_LEAK, onset, between(3, 8));
                    case DRAGGING_BRAKE -> lasting(position, Fault.Kind.DRAGGING_BRAKE, onset, between(45, 90));
                    case WARM_BEARING -> lasting(position, Fault.Kind.DRAGGING_BRAKE, onset, between(24, 34));
                    case OVER_FILLED -> lasting(position, Fault.Kind.OVER_FILLED, onset, between(18, 26));
                    case UNDER_FILLED ->
                        lasting(position, Fault.Kind.TWIN_MISMATCH, onset, between(12, 18) / 100 * target);
                    case TWIN_MISMATCH -> lasting(position, Fault.Kind.TWIN_MISMATCH, onset, between(48, 66));
                    case DEAD_SENSOR -> lasting(position, Fault.Kind.SENSOR_QUIET, onset, 0);
                    case WEAK_BATTERY -> lasting(position, Fault.Kind.BATTERY_WEAK, onset, between(560, 700));
                };
        planted.add(new PlantedFault(ref, position, what, begin + Math.round(onset * HOUR_MILLIS)));
        return fault;
    }

    private static Fault lasting(Position position, Fault.Kind kind, double onset, double amount) {
        return new Fault(position, kind, onset, 10_000, amount, false);
    }

    private double between(double low, double high) {
        return low + random.nextDouble() * (high - low);
    }

    private <T> T pick(List<T> choices) {
        return choices.get(random.nextInt(choices.size()));
    }
}
