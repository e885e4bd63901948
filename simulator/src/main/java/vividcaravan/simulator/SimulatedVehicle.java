package vividcaravan.simulator;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.function.Consumer;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.Side;
import vividcaravan.core.gas.Atmosphere;

/** A vehicle with its tyres, sensors and receiver, living through its days. */
final class SimulatedVehicle {

    private static final ZoneId ZONE = ZoneId.of(Larkmoor.TIME_ZONE);
    private static final double HOUR_SECONDS = 3_600;
    private static final double MINUTE_SECONDS = 60;
    /** How much warmer a masked leak's wheel end makes its tyre, °C. */
    private static final double HOT_LEAK_C = 26;
    /** How much warmer a soft twin runs, °C. */
    private static final double SOFT_TWIN_C = 9;
    /** Warm tyres at the end of a service, °C above the air. */
    private static final double FILLED_WARM_C = 38;
    /** An automatic system looks this often, hours. */
    private static final double INFLATES_EVERY_HOURS = 2;

    /** Before this a driver who knows of a soft tyre has not filled it yet, share of its filling. */
    private static final double TOPS_UP_BELOW = 0.95;

    /** Nobody is at a wheel sooner after the vehicle stopped. */
    private static final long TO_THE_YARD_MILLIS = 10L * 60 * 1000;

    private static final int SUNDAY = 7;
    private static final double HOURS_OF_MONTH = 720;
    /** Of five days a brake that drags on some drags on so many. */
    private static final int DRAGGING_DAYS_OF_FIVE = 2;

    private static final long RELIVED_STEP_MILLIS = 10_000;
    private static final long RELIVED_EVERY_MILLIS = 60_000;

    private static final class Wheel {
        Position position;
        SimulatedTyre tyre;
        SimulatedSensor sensor;
        double targetKpa;
        double fillKpaAt20;
        /** How much of its air goes through the rubber, over what is usual. */
        double leakiness;

        final List<Fault> running = new ArrayList<>();
    }

    /** What a step is like for every wheel of the vehicle. */
    private record Hour(double airC, boolean isMoving, int ofDay, double climbM) {}

    private final VehiclePlan plan;
    private final long anchor;
    private final double altitudeM;
    private final List<Fault> faults;
    private final Map<Position, Wheel> wheels = new TreeMap<>(java.util.Comparator.comparing(Position::code));
    private final List<SimulatedReading> backlog = new ArrayList<>();
    private long parkedSince = Long.MAX_VALUE;
    /** Whether it moves while it lives through hours once more; otherwise null. */
    private Boolean isRolling;

    /**
     * @param index the vehicle's place in the scenario, which its sensors' codes come from
     * @param anchor when the demo was begun, epoch milliseconds
     */
    SimulatedVehicle(VehiclePlan plan, int index, long anchor, long begin) {
        this.plan = plan;
        this.anchor = anchor;
        this.altitudeM = Larkmoor.DEPOTS.get(plan.depot());
        this.faults = new ArrayList<>(plan.faults());
        SplittableRandom random = new SplittableRandom(plan.ref().hashCode() * 31L + 7);
        for (Position position : plan.layout().positions()) {
            if (!plan.bareAxles().contains(position.axle())) {
                wheels.put(position, wheel(position, index, begin, random.split()));
            }
        }
    }

    private Wheel wheel(Position position, int index, long begin, SplittableRandom random) {
        VehiclePlan.PlannedAxle axle = position.isSpare()
                ? plan.axles().stream()
                        .max((a, b) -> Double.compare(a.targetKpa(), b.targetKpa()))
                        .orElseThrow()
                : plan.axles().get(position.axle() - 1);
        Wheel wheel = new Wheel();
        wheel.position = position;
        wheel.targetKpa = axle.targetKpa();
        // Nobody fills to the last kPa.
        wheel.fillKpaAt20 = axle.targetKpa() * (1 + (random.nextDouble() - 0.45) * 0.04);
        wheel.tyre = new SimulatedTyre(
                Atmosphere.at(altitudeM),
                axle.targetKpa(),
                wheel.fillKpaAt20,
                axle.runningRiseC() * (0.94 + random.nextDouble() * 0.12),
                Weather.celsius(begin, altitudeM));
        wheel.sensor = new SimulatedSensor(
                Larkmoor.sensorCode(index, sitsAt(position)),
                plan.mount(),
                plan.stepKpa(),
                random.nextInt(4) != 0,
                plan.traits().contains(VehiclePlan.Trait.ALWAYS_ON),
                wheel.fillKpaAt20,
                random);
        wheel.leakiness = 0.8 + 0.4 * new SplittableRandom((plan.ref() + position.code()).hashCode()).nextDouble();
        return wheel;
    }

    /** Where the records say that the sensor in this wheel sits: across the axle, if the two were swapped. */
    private Position sitsAt(Position position) {
        boolean isCrossed = !position.isSpare()
                && plan.faults().stream()
                        .filter(fault -> fault.kind() == Fault.Kind.SENSORS_CROSSED)
                        .anyMatch(fault -> fault.position().axle() == position.axle()
                                && fault.position().slot() == position.slot());
        return isCrossed
                ? Position.wheel(
                        position.axle(), position.side() == Side.LEFT ? Side.RIGHT : Side.LEFT, position.slot())
                : position;
    }

    String ref() {
        return plan.ref();
    }

    /** Whether it has a wheel there, with a sensor. */
    boolean has(Position position) {
        return wheels.containsKey(position);
    }

    /** Lets something happen that was not planned. */
    void add(Fault fault) {
        faults.add(fault);
    }

    void remove(Fault fault) {
        faults.remove(fault);
    }

    /**
     * Lets the time from {@code from} to {@code to} pass, epoch milliseconds.
     *
     * @param everyMillis how often sensors report on the road
     */
    void pass(long from, long to, long everyMillis, Consumer<SimulatedReading> receiver) {
        long sinceAnchor = from - anchor;
        List<Fault> active =
                faults.stream().filter(fault -> fault.isActive(sinceAnchor)).toList();
        Consumer<SimulatedReading> heard = heardThrough(active, receiver);
        ZonedDateTime local = Instant.ofEpochMilli(from).atZone(ZONE);
        double colder = 0;
        double climb = 0;
        for (Fault fault : active) {
            switch (fault.kind()) {
                case COLD_SNAP -> colder += fault.amount();
                case SEASON -> colder += fault.amount() * (sinceAnchor / Fault.HOUR_MILLIS - fault.beginsHour()) / 24;
                case CLIMB -> climb += fault.amount() * fault.ramped(sinceAnchor);
                default -> {
                    // Of a wheel.
                }
            }
        }
        boolean isMoving = isMoving(from, local, active);
        parkedSince = isMoving ? Long.MAX_VALUE : Math.min(parkedSince, from);
        Hour hour = new Hour(Weather.celsius(from, altitudeM) - colder, isMoving, local.getHour(), climb);
        for (Wheel wheel : wheels.values()) {
            pass(wheel, from, to, everyMillis, hour, active, heard);
        }
    }

    /**
     * Goes through the hours from {@code from} to {@code to} once more, parked until {@code rolls} and then on the road, and
     * hands over all that its sensors measured: nobody had heard of them.
     */
    void relive(long from, long rolls, long to, Consumer<SimulatedReading> receiver) {
        for (long at = from; at < to; at += RELIVED_STEP_MILLIS) {
            isRolling = at >= rolls;
            pass(at, Math.min(to, at + RELIVED_STEP_MILLIS), RELIVED_EVERY_MILLIS, receiver);
        }
        isRolling = null;
    }

    private boolean isMoving(long at, ZonedDateTime local, List<Fault> active) {
        if (isRolling != null) {
            return isRolling;
        }
        if (active.stream().anyMatch(fault -> fault.kind() == Fault.Kind.AIR_LINE)) {
            return false;
        }
        // What was planted by hand is to be seen, so the vehicle is on the road.
        if (active.stream().anyMatch(fault -> !plan.faults().contains(fault))) {
            return true;
        }
        int day = local.getDayOfWeek().getValue();
        if (day == SUNDAY && plan.traits().contains(VehiclePlan.Trait.RESTS_ON_SUNDAYS)) {
            return false;
        }
        double hour = local.getHour() + local.getMinute() / MINUTE_SECONDS;
        return plan.duty().isMoving(at - anchor, hour, day);
    }

    private Consumer<SimulatedReading> heardThrough(List<Fault> active, Consumer<SimulatedReading> receiver) {
        if (active.stream().anyMatch(fault -> fault.kind() == Fault.Kind.DEAD_RECEIVER)) {
            return reading -> {};
        }
        if (active.stream().anyMatch(fault -> fault.kind() == Fault.Kind.OUT_OF_COVERAGE)) {
            return backlog::add;
        }
        backlog.forEach(receiver);
        backlog.clear();
        return receiver;
    }

    private void pass(
            Wheel wheel,
            long from,
            long to,
            long everyMillis,
            Hour hour,
            List<Fault> active,
            Consumer<SimulatedReading> heard) {
        double seconds = (to - from) / 1000.0;
        Effects effects = effects(wheel, active, from, seconds, hour);
        boolean isTurning = hour.isMoving() && !wheel.position.isSpare();
        wheel.tyre.pass(seconds, isTurning, hour.airC(), effects.heatC);
        double reported = plan.traits().contains(VehiclePlan.Trait.VENTED)
                ? wheel.tyre.reportedKpaOver(Atmosphere.at(altitudeM + hour.climbM()))
                : wheel.tyre.reportedKpa();
        wheel.tyre.heat(seconds, isTurning, hour.airC() + effects.quickHeatC, effects.quickHeatC > 0);
        if (!effects.isQuiet) {
            // A spare is shaken awake with the vehicle, whether or not it turns.
            wheel.sensor.pass(
                    from,
                    to,
                    everyMillis,
                    new SimulatedSensor.Surroundings(
                            hour.isMoving(),
                            reported,
                            wheel.tyre.celsius(),
                            hour.airC(),
                            sun(wheel.position, hour),
                            effects.isFaulty,
                            effects.isLoose,
                            effects.isStuck,
                            effects.weakMv),
                    heard);
        }
    }

    /** What the faults of a wheel do besides to its air. */
    private static final class Effects {
        double heatC;
        double quickHeatC;
        double weakMv;
        boolean isQuiet;
        boolean isFaulty;
        boolean isLoose;
        boolean isStuck;
    }

    private Effects effects(Wheel wheel, List<Fault> active, long from, double seconds, Hour hour) {
        wheel.running.removeIf(fault -> {
            boolean isOver = !active.contains(fault);
            if (isOver) {
                putRight(wheel, fault);
            }
            return isOver;
        });
        Effects effects = new Effects();
        for (Fault fault : active) {
            if (fault.isAt(wheel.position) && !(wheel.position.isSpare() && fault.position() == null)) {
                letOutOrIn(wheel, fault, from, seconds, hour);
                add(effects, fault, from - anchor);
            }
        }
        return effects;
    }

    private void letOutOrIn(Wheel wheel, Fault fault, long from, double seconds, Hour hour) {
        double perHour = fault.amount() * seconds / HOUR_SECONDS;
        switch (fault.kind()) {
            case SLOW_LEAK, HOT_LEAK -> wheel.tyre.lose(perHour);
            case FAST_LEAK -> wheel.tyre.lose(fault.amount() / 100 * wheel.targetKpa * seconds / MINUTE_SECONDS);
            case AUTO_INFLATION -> {
                wheel.tyre.lose(perHour);
                inflateNowAndThen(wheel, fault, from, seconds);
            }
            case TOPPED_UP -> {
                wheel.tyre.lose(perHour);
                if (!hour.isMoving() && wheel.tyre.kpaAt20() < TOPS_UP_BELOW * wheel.fillKpaAt20) {
                    wheel.tyre.fill(wheel.fillKpaAt20);
                }
            }
            case NATURAL_LOSS -> wheel.tyre.lose(perHour / HOURS_OF_MONTH / 100 * wheel.targetKpa * wheel.leakiness);
            default -> {
                // No air goes out.
            }
        }
        // The workshop waits until the vehicle stands; what was planted by hand is to be seen at once.
        boolean isOfTheWorkshop =
                switch (fault.kind()) {
                    case FILLED_HOT, SOFT_TWIN, TWIN_MISMATCH, OVER_FILLED, SENSORS_EXCHANGED -> true;
                    default -> false;
                };
        boolean isInTheYard = from - parkedSince >= TO_THE_YARD_MILLIS;
        boolean mayBeFilled = !isOfTheWorkshop || isInTheYard || !plan.faults().contains(fault);
        if (!wheel.running.contains(fault) && mayBeFilled) {
            wheel.running.add(fault);
            fillAtBeginning(wheel, fault, hour.airC());
        }
    }

    private void fillAtBeginning(Wheel wheel, Fault fault, double air) {
        switch (fault.kind()) {
            case SOFT_TWIN -> wheel.tyre.fill(wheel.targetKpa * (1 - fault.amount() / 100));
            case TWIN_MISMATCH -> wheel.tyre.fill(mate(wheel).fillKpaAt20 - fault.amount());
            case OVER_FILLED -> wheel.tyre.fill(wheel.targetKpa * (1 + fault.amount() / 100));
            case FILLED_HOT ->
                wheel.tyre.fill(SimulatedTyre.kpaAt20(wheel.targetKpa, air + FILLED_WARM_C, Atmosphere.at(altitudeM)));
            case AIR_LINE -> wheel.tyre.fill(wheel.targetKpa);
            case SENSORS_EXCHANGED -> exchange(wheel, plan.exchangedWith(fault.position()));
            default -> {
                // It was filled well.
            }
        }
    }

    /** Its twin, or the wheel itself without one. */
    private Wheel mate(Wheel wheel) {
        return wheels.values().stream()
                .filter(other -> other.position.isTwinOf(wheel.position))
                .findFirst()
                .orElse(wheel);
    }

    private void add(Effects effects, Fault fault, long sinceAnchor) {
        boolean isPlanted = !plan.faults().contains(fault);
        switch (fault.kind()) {
            case HOT_LEAK -> effects.heatC += HOT_LEAK_C;
            case SOFT_TWIN -> effects.heatC += SOFT_TWIN_C;
            case AXLE_END_HOT, DESCENT -> effects.heatC += fault.amount();
            case DRAGGING_BRAKE -> {
                effects.heatC += isPlanted ? 0 : fault.amount();
                effects.quickHeatC += isPlanted ? fault.amount() : 0;
            }
            case SENSOR_QUIET -> effects.isQuiet = true;
            case SENSOR_FAULT -> effects.isFaulty = true;
            case SENSOR_LOOSE -> effects.isLoose = true;
            case SENSOR_STUCK -> effects.isStuck = true;
            case SLOW_BEARING -> effects.heatC += fault.amount() * fault.grown(sinceAnchor);
            case DRAGS_SOME_DAYS ->
                effects.heatC += new SplittableRandom(fault.day(sinceAnchor)).nextInt(5) < DRAGGING_DAYS_OF_FIVE
                        ? fault.amount()
                        : 0;
            case BATTERY_WEAK -> effects.weakMv += fault.amount();
            default -> {
                // Of its air, of the vehicle or of the records.
            }
        }
    }

    private void exchange(Wheel wheel, Position with) {
        Wheel other = wheels.get(with);
        SimulatedSensor own = wheel.sensor;
        wheel.sensor = other.sensor;
        other.sensor = own;
    }

    private void inflateNowAndThen(Wheel wheel, Fault fault, long from, double seconds) {
        double hours = (from - anchor) / Fault.HOUR_MILLIS - fault.beginsHour();
        boolean isDue = Math.floor(hours / INFLATES_EVERY_HOURS)
                != Math.floor((hours - seconds / HOUR_SECONDS) / INFLATES_EVERY_HOURS);
        if (isDue) {
            wheel.tyre.fill(wheel.fillKpaAt20);
        }
    }

    /** The workshop has been here. */
    private static void putRight(Wheel wheel, Fault fault) {
        boolean isOfAir =
                switch (fault.kind()) {
                    case SLOW_LEAK,
                            FAST_LEAK,
                            HOT_LEAK,
                            SOFT_TWIN,
                            TWIN_MISMATCH,
                            OVER_FILLED,
                            AUTO_INFLATION,
                            TOPPED_UP -> true;
                    default -> false;
                };
        if (isOfAir) {
            wheel.tyre.fill(wheel.fillKpaAt20);
        }
    }

    /** A low sun warms what is outside on its side of a parked vehicle, °C. */
    private static double sun(Position position, Hour hour) {
        boolean isLit = position.side() == Side.LEFT && hour.ofDay() >= 8 && hour.ofDay() < 11
                || position.side() == Side.RIGHT && hour.ofDay() >= 14 && hour.ofDay() < 17;
        return isLit && !hour.isMoving() ? 12 : 0;
    }
}
