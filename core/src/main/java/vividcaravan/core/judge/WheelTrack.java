package vividcaravan.core.judge;

import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import vividcaravan.core.units.Temperature;

/**
 * A wheel against its siblings: what it should show, how far it is off, whether that grows like a leak, and how hot its air
 * is. Constant work and memory for each reading.
 */
final class WheelTrack {

    /** After a silence this long the smoothed values begin afresh. */
    private static final long STALE_MILLIS = 20L * 60 * 1000;

    private static final double SMOOTHING = 0.3;
    /** Readings before a wheel's own level counts as known. */
    private static final int LEARNED = 6;
    /** A wheel is healthy enough to learn from while it is off by less than this, share of target. */
    private static final double HEALTHY = 0.008;

    private static final double HEALTHY_READING = 0.02;
    /** A leak has taken at least this share of target before it is spoken of. */
    private static final double LEAST_DROP = 0.022;
    /** On soft farm tyres a few kPa are noise, kPa. */
    private static final double LEAST_DROP_KPA = 4;
    /** Slower than this is no leak that anyone has to find this week, share of target an hour. */
    private static final double LEAST_RATE_PER_HOUR = 0.0025;

    private static final double SURE_ERRORS = 3;
    private static final int LEAK_BUCKETS = 5;
    private static final int LINE_BUCKETS = 12;
    private static final long LINE_GAP_MILLIS = 45L * 60 * 1000;
    private static final double FLAT_PER_HOUR = 0.001;
    private static final double FLAT_ERROR = 0.0007;
    /** A sudden change of this share of target, held for a few readings, was made by somebody with an air line. */
    private static final double STEP = 0.02;

    private static final int STEP_READINGS = 3;
    private static final double STEP_SPREAD = 0.012;
    /** A sensor's step spoils small pressures most: so many steps are never a finding. */
    private static final double STEPS_OF_DOUBT = 1.2;

    private static final double FIRST_STEP_KPA = 8;
    private static final double LEAST_STEP_KPA = 0.5;
    private static final double REFERENCE_KELVIN = 20 + Temperature.ZERO_CELSIUS_KELVIN;

    private final Baseline baseline = new Baseline();
    private final Drift drift = new Drift();
    private long at = Long.MIN_VALUE;
    private double ratio = Double.NaN;
    private double gaugeRatio = Double.NaN;
    private double celsius = Double.NaN;
    private double airCelsius = Double.NaN;
    private double stepKpa = FIRST_STEP_KPA;
    private double previousKpa = Double.NaN;
    private int stepReadings;
    private double stepLow;
    private double stepHigh;
    private boolean isLeaking;
    private double ratePerHour;
    private double rateError;

    /** Time of the newest reading, epoch milliseconds. */
    long at() {
        return at;
    }

    /** Pressure at 20 °C over target, smoothed. */
    double ratio() {
        return ratio;
    }

    /** What it says of the heat that all wheels have in common: 1 in a vehicle at 20 °C or with sensors inside. */
    double common() {
        return isKnown() ? baseline.common(ratio) : ratio;
    }

    /** What the sensor shows, °C. */
    double celsius() {
        return celsius;
    }

    /** How warm the tyre's air is, °C: what a sensor inside shows; outside, what its pressure says, NaN before its level is known. */
    double airCelsius() {
        return airCelsius;
    }

    /** The smallest difference between two readings so far: the sensor's step, kPa. */
    double stepKpa() {
        return stepKpa;
    }

    boolean isKnown() {
        return baseline.learned() >= LEARNED;
    }

    boolean isLeaking() {
        return isLeaking;
    }

    /** How fast it leaks, kPa at 20 °C an hour, positive; only while {@link #isLeaking}. */
    double ratePerHour() {
        return ratePerHour;
    }

    /** Its standard error. */
    double rateError() {
        return rateError;
    }

    /**
     * Takes in a measurement.
     *
     * @param isOutside whether the sensor sits outside the tyre, on the valve
     */
    void observe(Reading reading, double kpaAt20, WheelRules rules, Siblings siblings, boolean isOutside) {
        double target = rules.limits().targetKpa();
        double own = kpaAt20 / target;
        double kpa = reading.pressureKpa();
        learnStep(kpa);
        boolean isStale = at == Long.MIN_VALUE || reading.at() - at > STALE_MILLIS;
        double weight = isStale ? 1 : SMOOTHING;
        ratio = isStale ? own : ratio + weight * (own - ratio);
        gaugeRatio = isStale ? kpa / target : gaugeRatio + weight * (kpa / target - gaugeRatio);
        celsius = isStale ? reading.temperatureC() : celsius + weight * (reading.temperatureC() - celsius);
        at = reading.at();
        boolean isComparable = siblings.areHeard() || !isOutside;
        double shown = siblings.areHeard() ? siblings.ratio() : 1;
        double off = own - baseline.expected(shown);
        airCelsius = !isOutside ? celsius : isKnown() ? airByPressure(rules, target) : Double.NaN;
        // The sun on a cap looks like a leak, and only while the vehicle stands.
        boolean isSunlit = isOutside && siblings.isStanding();
        if (!isComparable || isSunlit) {
            return;
        }
        if (!isKnown()) {
            baseline.learn(at, own, shown);
            return;
        }
        look(off, own, shown, target);
    }

    private void learnStep(double kpa) {
        double step = Math.abs(kpa - previousKpa);
        if (step > 0.05) {
            stepKpa = Math.max(LEAST_STEP_KPA, Math.min(stepKpa, step));
        }
        previousKpa = kpa;
    }

    private double airByPressure(WheelRules rules, double target) {
        double ambient = rules.compensation().ambientKpa();
        double absolute = gaugeRatio * target + ambient;
        return absolute / (baseline.level() * target + ambient) * REFERENCE_KELVIN - Temperature.ZERO_CELSIUS_KELVIN;
    }

    private void look(double off, double own, double shown, double target) {
        double before = drift.now();
        if (isStep(off, before, target)) {
            boolean isUp = off > before;
            drift.clear();
            if (isUp) {
                isLeaking = false;
                baseline.begin();
                baseline.learn(at, own, shown);
                return;
            }
        }
        boolean isNextBucket = drift.add(at, off);
        double now = drift.now();
        if (Math.abs(now) < HEALTHY && Math.abs(off) < HEALTHY_READING) {
            baseline.learn(at, own, shown);
        }
        if (isNextBucket) {
            judgeDrift(now, target);
        }
    }

    /** Whether the last readings stand apart from those before and together among themselves. */
    private boolean isStep(double off, double before, double target) {
        double needed = STEP + STEPS_OF_DOUBT * stepKpa / target;
        if (Double.isNaN(before) || Math.abs(off - before) < needed) {
            stepReadings = 0;
            return false;
        }
        stepLow = stepReadings == 0 ? off : Math.min(stepLow, off);
        stepHigh = stepReadings == 0 ? off : Math.max(stepHigh, off);
        stepReadings++;
        boolean isTogether = stepHigh - stepLow <= Math.max(STEP_SPREAD, 2 * stepKpa / target);
        if (stepReadings < STEP_READINGS) {
            return false;
        }
        stepReadings = 0;
        return isTogether;
    }

    private void judgeDrift(double now, double target) {
        double drop = -now;
        double needed = Math.max(Math.max(LEAST_DROP, LEAST_DROP_KPA / target), STEPS_OF_DOUBT * stepKpa / target);
        Drift.Line line = drift.line(LINE_BUCKETS, LINE_GAP_MILLIS);
        boolean isFalling = line.buckets() >= LEAK_BUCKETS
                && line.perHour() <= -LEAST_RATE_PER_HOUR
                && line.perHour() + SURE_ERRORS * line.error() < 0;
        boolean isFlat = line.buckets() >= LINE_BUCKETS
                && Math.abs(line.perHour()) <= FLAT_PER_HOUR
                && line.error() <= FLAT_ERROR;
        if (isFalling && (isLeaking || drop >= needed)) {
            isLeaking = true;
            ratePerHour = -line.perHour() * target;
            rateError = line.error() * target;
        } else if (isFlat || drop < needed / 2) {
            isLeaking = false;
            if (isFlat && Math.abs(now) >= HEALTHY) {
                // Somebody set it to this; from now on it is to be kept.
                baseline.begin();
                drift.clear();
            }
        }
    }

    void writeTo(DataOutput out) throws IOException {
        baseline.writeTo(out);
        drift.writeTo(out);
        out.writeLong(at);
        for (double value : new double[] {
            ratio, gaugeRatio, celsius, airCelsius, stepKpa, previousKpa, stepLow, stepHigh, ratePerHour, rateError
        }) {
            out.writeDouble(value);
        }
        out.writeByte(stepReadings);
        out.writeBoolean(isLeaking);
    }

    void readFrom(DataInput in) throws IOException {
        baseline.readFrom(in);
        drift.readFrom(in);
        at = in.readLong();
        ratio = in.readDouble();
        gaugeRatio = in.readDouble();
        celsius = in.readDouble();
        airCelsius = in.readDouble();
        stepKpa = in.readDouble();
        previousKpa = in.readDouble();
        stepLow = in.readDouble();
        stepHigh = in.readDouble();
        ratePerHour = in.readDouble();
        rateError = in.readDouble();
        stepReadings = in.readByte();
        isLeaking = in.readBoolean();
    }
}
