package vividcaravan.simulator;

import java.util.SplittableRandom;
import java.util.function.Consumer;
import vividcaravan.core.axles.MountKind;

/**
 * A sensor that reports once a minute while its wheel turns, goes on for some minutes after that and then sleeps; the
 * first values after waking take half a minute to a minute. A sudden change is reported at once, also in sleep [all
 * common practice].
 */
final class SimulatedSensor {

    /** What the world is like for the sensor during a step. */
    record Surroundings(
            boolean isMoving,
            double gaugeKpa,
            double tyreC,
            double airC,
            double sunC,
            boolean isFaulty,
            boolean isLoose,
            boolean isStuck,
            double weakMv) {}

    private static final long AWAKE_AFTER_STOP_MILLIS = 6 * 60_000L;
    /** One that is always on reports so much less often while it is parked. */
    private static final int PARKED_FACTOR = 5;

    private static final double LOST_SHARE = 0.02;
    /** A cap outside shows about a third of the tyre's heat [common practice]. */
    private static final double CAP_SHARE = 1 / 3.0;

    private static final double SUDDEN_SHARE = 0.01;
    private static final double SUDDEN_LEAST_KPA = 5;
    private static final double SUDDEN_C = 6;
    private static final double SUDDEN_STEP_SHARE = 0.003;
    private static final double SUDDEN_STEP_C = 1;

    private final String code;
    private final MountKind mount;
    private final double stepKpa;
    private final boolean saysMoving;
    private final boolean isAlwaysOn;
    private final SplittableRandom random;
    private final int batteryMv;
    private final double looseKpa;
    private long nextAt = Long.MAX_VALUE;
    private long movedAt = Long.MIN_VALUE;
    private double lastKpa = Double.NaN;
    private double lastC = Double.NaN;
    private double saidKpa = Double.NaN;
    private double saidC = Double.NaN;
    private double stepBeforeKpa = Double.NaN;
    private double stepBeforeC = Double.NaN;

    SimulatedSensor(
            String code,
            MountKind mount,
            double stepKpa,
            boolean saysMoving,
            boolean isAlwaysOn,
            double fillKpa,
            SplittableRandom random) {
        this.code = code;
        this.mount = mount;
        this.stepKpa = stepKpa;
        this.saysMoving = saysMoving;
        this.isAlwaysOn = isAlwaysOn;
        this.looseKpa = fillKpa;
        this.random = random;
        this.batteryMv = 2900 + random.nextInt(180);
    }

    /**
     * Lets the time from {@code from} to {@code to} pass; what gets through goes to {@code receiver}.
     *
     * @param everyMillis how often it reports while the wheel turns
     */
    void pass(long from, long to, long everyMillis, Surroundings around, Consumer<SimulatedReading> receiver) {
        if (around.isMoving() || isAlwaysOn) {
            if (nextAt == Long.MAX_VALUE) {
                nextAt = from + everyMillis / 2 + random.nextInt(30_000);
            }
            movedAt = around.isMoving() ? to : movedAt;
        } else if (nextAt != Long.MAX_VALUE && from - movedAt > AWAKE_AFTER_STOP_MILLIS) {
            nextAt = Long.MAX_VALUE;
        }
        if (isSudden(around) && nextAt > from) {
            nextAt = from;
        }
        while (nextAt < to) {
            SimulatedReading reading = measure(Math.max(nextAt, from), around);
            if (random.nextDouble() >= LOST_SHARE) {
                receiver.accept(reading);
            }
            boolean isAwake = around.isMoving() || from - movedAt <= AWAKE_AFTER_STOP_MILLIS;
            nextAt = isAwake || isAlwaysOn
                    ? nextAt + (isAwake ? 1 : PARKED_FACTOR) * everyMillis + random.nextInt(4_000) - 2_000
                    : Long.MAX_VALUE;
        }
    }

    /** Not the slow change of a tyre that cools down in the yard. */
    private boolean isSudden(Surroundings around) {
        double kpaStep = Math.abs(around.gaugeKpa() - stepBeforeKpa);
        double celsiusStep = Math.abs(celsius(around) - stepBeforeC);
        stepBeforeKpa = around.gaugeKpa();
        stepBeforeC = celsius(around);
        boolean isFarOff =
                Math.abs(around.gaugeKpa() - lastKpa) > Math.max(SUDDEN_LEAST_KPA, SUDDEN_SHARE * lastKpa) + stepKpa;
        return isFarOff && kpaStep > SUDDEN_STEP_SHARE * lastKpa
                || Math.abs(celsius(around) - lastC) > SUDDEN_C && celsiusStep > SUDDEN_STEP_C;
    }

    private double celsius(Surroundings around) {
        if (around.isLoose()) {
            return around.airC() + 2;
        }
        return mount == MountKind.CAP
                ? around.airC() + CAP_SHARE * (around.tyreC() - around.airC()) + around.sunC()
                : around.tyreC();
    }

    private SimulatedReading measure(long at, Surroundings around) {
        double noise = (random.nextDouble() - 0.5) * 2;
        double exact = around.isLoose() ? looseKpa : around.gaugeKpa();
        double kpa = Math.max(0, Math.round((exact + noise) / stepKpa) * stepKpa);
        double celsius = Math.round(celsius(around));
        lastKpa = around.gaugeKpa();
        lastC = celsius(around);
        if (around.isStuck() && !Double.isNaN(saidKpa)) {
            kpa = saidKpa;
            celsius = saidC;
        }
        saidKpa = kpa;
        saidC = celsius;
        // Cold cells sag.
        int sag = (int) Math.min(0, (celsius - 15) * 4);
        return new SimulatedReading(
                code,
                at,
                around.isFaulty() ? null : kpa,
                around.isFaulty() ? null : celsius,
                batteryMv - (int) around.weakMv() + sag,
                -70 - random.nextInt(22),
                saysMoving ? around.isMoving() : null);
    }
}
