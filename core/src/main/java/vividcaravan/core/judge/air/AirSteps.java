package vividcaravan.core.judge.air;

import vividcaravan.core.judge.memory.Memory;

/**
 * Sudden changes of a wheel's pressure that stay: an air line, a system that inflates, or what was lost while nobody heard.
 */
public final class AirSteps {

    /** A sudden change of this share of target, held for a few readings, is no noise [our judgement]. */
    private static final double STEP = 0.02;
    /** A sensor's own step spoils small pressures most: so many of them are never a finding. */
    static final double STEPS_OF_DOUBT = 1.2;

    private static final int READINGS = 3;
    private static final double SPREAD = 0.012;
    /** A large one is warmed by more, and outside that looks like air. */
    private static final double SPREAD_OF_STEP = 0.12;
    /** So many steps up within half a day are not a person's work, or one who had better look for the leak. */
    public static final int REFILLS = 3;

    private static final long REFILLS_MILLIS = 12L * 60 * 60 * 1000;
    /** Air shows on the gauge, at least by this share of the step. */
    private static final double LEAST_OF_GAUGE = 0.4;

    /** Within so long a tyre's own warmth does not change much, and readings have to agree on where a step ends. */
    private static final long SUDDEN_MILLIS = 20L * 60 * 1000;

    private static final long LONG_AGO = Long.MIN_VALUE / 2;
    private static final double HOUR_MILLIS = 3_600_000;

    private int readings;
    private double lowest;
    private double highest;
    private long beganAfter = LONG_AGO;
    private long beganAt = LONG_AGO;
    /** Since when they come often enough to agree. */
    private long agreeSince = LONG_AGO;

    private double gaugeBefore;
    private double offBefore;
    private boolean isOfAir;

    private long lastFrom = LONG_AGO;
    private long lastTo = LONG_AGO;
    private double lastShare;
    private double lastAfter = Double.NaN;
    private final long[] upAt = {LONG_AGO, LONG_AGO, LONG_AGO};
    private final double[] upShare = new double[REFILLS];

    /**
     * Takes in how far a wheel is off what it should show; says whether the last readings stand apart from those before and
     * together among themselves, see {@link #isOfAir}.
     *
     * @param off share of target
     * @param before what it was off until now
     * @param previousAt when the reading before this was
     * @param gauge the gauge over target, and {@code previousGauge} the one before; of a sensor outside beside the others'
     * @param isOutside whether the sensor sits outside, where the sun finds it
     * @param byWarmth how much of a rise its being warmer than the others explains, share of target
     */
    boolean take(
            long at,
            long previousAt,
            double off,
            double before,
            double stepShare,
            double gauge,
            double previousGauge,
            boolean isOutside,
            double byWarmth) {
        double needed = STEP + STEPS_OF_DOUBT * stepShare;
        // Rounded, for half the room in what outlives a restart. The first readings after a step are part of what it is
        // off by now, so what it was before is kept.
        offBefore = readings == 0 ? (float) before : offBefore;
        if (Double.isNaN(offBefore) || Math.abs(off - offBefore) < needed) {
            readings = 0;
            return false;
        }
        if (readings == 0) {
            beganAfter = previousAt;
            beganAt = at;
            gaugeBefore = previousGauge;
            lowest = (float) off;
            highest = (float) off;
        }
        // One word from its sleep is far from the next.
        agreeSince = readings == 0 || at - previousAt > SUDDEN_MILLIS ? at : agreeSince;
        lowest = Math.min(lowest, (float) off);
        highest = Math.max(highest, (float) off);
        readings++;
        if (readings < READINGS) {
            return false;
        }
        double spread = Math.max(SPREAD, SPREAD_OF_STEP * Math.abs(off - offBefore));
        if (highest - lowest > Math.max(spread, 2 * stepShare)) {
            // Filling takes minutes, and so does a cap that cools in the wind: what it was before is kept meanwhile.
            readings = at - agreeSince <= SUDDEN_MILLIS ? 1 : 0;
            lowest = (float) off;
            highest = (float) off;
            return false;
        }
        readings = 0;
        double share = off - offBefore;
        boolean hasCooled = !isOutside && beganAt - beganAfter > SUDDEN_MILLIS;
        isOfAir = hasCooled || (gauge - gaugeBefore) / share >= LEAST_OF_GAUGE && (share < 0 || share > byWarmth);
        if (!isOfAir) {
            return true;
        }
        lastFrom = beganAfter;
        lastTo = beganAt;
        lastShare = share;
        if (lastShare > 0) {
            System.arraycopy(upAt, 1, upAt, 0, REFILLS - 1);
            System.arraycopy(upShare, 1, upShare, 0, REFILLS - 1);
            upAt[REFILLS - 1] = lastTo;
            upShare[REFILLS - 1] = lastShare;
        }
        return true;
    }

    /** Whether the step that was just found is air that went in or out; the sun on a sensor moves no gauge. */
    boolean isOfAir() {
        return isOfAir;
    }

    /** The latest step of air, share of target, positive up; it came between {@link #lastFrom} and {@link #lastTo}. */
    public double lastShare() {
        return lastShare;
    }

    /** The wheel has this much air after the step that was just found, share of target. */
    void landedAt(double share) {
        lastAfter = share;
    }

    /** How much air it had after the latest step, share of target; NaN without one. */
    public double lastAfter() {
        return lastAfter;
    }

    /** Time of the last reading before the latest step, epoch milliseconds; far back without one. */
    public long lastFrom() {
        return lastFrom;
    }

    /** Time of the first reading after the latest step, epoch milliseconds; far back without one. */
    public long lastTo() {
        return lastTo;
    }

    /** Whether the latest step may have come within {@code millis} of {@code time}. */
    public boolean isLastNear(long time, long millis) {
        return lastTo != LONG_AGO && lastFrom - millis <= time && time <= lastTo + millis;
    }

    /** Whether it was pumped up again and again within the last hours. */
    boolean isRefilled(long at) {
        return upAt[0] != LONG_AGO && at - upAt[0] <= REFILLS_MILLIS;
    }

    /** How fast it must have lost air to need that, share of target an hour. */
    double refilledPerHour() {
        double share = 0;
        for (int i = 1; i < REFILLS; i++) {
            share += upShare[i];
        }
        return share / Math.max(0.1, (upAt[REFILLS - 1] - upAt[0]) / HOUR_MILLIS);
    }

    /** What was pumped in so far was pumped in on record. */
    void forgetRefills() {
        upAt[0] = LONG_AGO;
        upAt[1] = LONG_AGO;
        upAt[2] = LONG_AGO;
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        readings = memory.count("readings", readings);
        lowest = memory.figure("lowest", lowest);
        highest = memory.figure("highest", highest);
        gaugeBefore = memory.figure("gaugeBefore", gaugeBefore);
        offBefore = memory.figure("offBefore", offBefore);
        lastShare = memory.figure("lastShare", lastShare);
        lastAfter = memory.figure("lastAfter", lastAfter);
        beganAfter = memory.time("beganAfter", beganAfter);
        beganAt = memory.time("beganAt", beganAt);
        agreeSince = memory.time("agreeSince", agreeSince);
        lastFrom = memory.time("lastFrom", lastFrom);
        lastTo = memory.time("lastTo", lastTo);
        memory.slots("upAt", upAt);
        memory.slots("upShare", upShare);
    }
}
