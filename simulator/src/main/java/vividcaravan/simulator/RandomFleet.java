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
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;

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
        WEAK_BATTERY,
        SEEP,
        TOPPED_UP,
        STUCK_SENSOR,
        EXCHANGED,
        SLOW_BEARING,
        BRAKE_ON_SOME_DAYS
    }

    /**
     * A fault at a wheel.
     *
     * @param other the wheel that has a part in it, or null
     * @param onset epoch milliseconds
     * @param over when it was put right, epoch milliseconds
     */
    public record PlantedFault(
            String vehicle, Position position, Position other, Planted what, long onset, long over) {}

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
     * @param isVented whether they show the pressure over the air outside
     */
    public record Vehicle(
            String ref,
            VehicleKind kind,
            AxleLayout layout,
            List<Double> targetsKpa,
            double altitudeM,
            MountKind mount,
            boolean isVented,
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

    /** On top of what the sensors themselves lose: 3 % in all. */
    private static final double LOST_SHARE = 0.01;

    private static final double DOUBLED_SHARE = 0.01;
    private static final double DELAYED_SHARE = 0.05;
    private static final int LONGEST_DELAY_MILLIS = 150_000;
    /** Where the scale of a sensor ends, kPa, and what a wild thermometer shows, °C [our judgement]. */
    private static final double END_OF_SCALE_KPA = 1_400;

    private static final double[] WILD_C = {-55, 127};

    private final long begin;
    private final long end;
    /** How many readings are wrong by themselves, share. */
    private final double wrongShare;

    private final List<VehiclePlan> plans = new ArrayList<>();
    private final List<PlantedFault> planted;

    /**
     * Some days of a fleet.
     *
     * @param vehicles how many
     * @param lasts how long readings are made, three days or more so that slow faults can show
     */
    public RandomFleet(long seed, int vehicles, Duration lasts) {
        this(seed, vehicles, lasts, 0, DaysPlanner::new);
    }

    /** A month as fleets live it: Sundays off, a season, wrong readings, tyres that lose a little, and faults that take days. */
    public static RandomFleet month(long seed, int vehicles) {
        double wrong = 2e-5 + Math.floorMod(seed, 5) * 1e-5;
        return new RandomFleet(seed, vehicles, MonthPlanner.LASTS, wrong, MonthPlanner::new);
    }

    /** Makes the planner of a fleet from the beginning of its time and how long that lasts. */
    private interface Planning {
        FleetPlanner begin(SplittableRandom random, long begin, Duration lasts);
    }

    private RandomFleet(long seed, int vehicles, Duration lasts, double wrongShare, Planning planning) {
        SplittableRandom random = new SplittableRandom(seed);
        begin = Instant.parse("2026-01-05T00:00:00Z").toEpochMilli()
                + random.nextInt(360) * Duration.ofDays(1).toMillis();
        end = begin + lasts.toMillis();
        this.wrongShare = wrongShare;
        FleetPlanner planner = planning.begin(random, begin, lasts);
        for (int i = 0; i < vehicles; i++) {
            plans.add(planner.plan(String.format("R%d-%03d", seed, i)));
        }
        planted = planner.planted();
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
                    plan.traits().contains(VehiclePlan.Trait.VENTED),
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

    private void arrive(
            SplittableRandom channel,
            long at,
            SimulatedReading measured,
            String vehicle,
            Position position,
            List<Arrival> arrivals) {
        if (channel.nextDouble() < LOST_SHARE) {
            return;
        }
        SimulatedReading reading =
                wrongShare > 0 && channel.nextDouble() < wrongShare ? wrong(channel, measured) : measured;
        boolean isDelayed = channel.nextDouble() < DELAYED_SHARE;
        long arrivedAt = at + (isDelayed ? channel.nextInt(LONGEST_DELAY_MILLIS) : 0);
        arrivals.add(new Arrival(arrivedAt, vehicle, position, reading));
        if (channel.nextDouble() < DOUBLED_SHARE) {
            arrivals.add(new Arrival(arrivedAt + channel.nextInt(30_000), vehicle, position, reading));
        }
    }

    /** A zero, the end of the scale, or a wild temperature. */
    private static SimulatedReading wrong(SplittableRandom channel, SimulatedReading right) {
        int which = channel.nextInt(4);
        return new SimulatedReading(
                right.sensor(),
                right.at(),
                which == 0 ? Double.valueOf(0) : which == 1 ? Double.valueOf(END_OF_SCALE_KPA) : right.pressureKpa(),
                which >= 2 ? Double.valueOf(WILD_C[which - 2]) : right.temperatureC(),
                right.batteryMv(),
                right.rssiDbm(),
                right.moving());
    }
}
