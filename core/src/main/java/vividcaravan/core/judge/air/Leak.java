package vividcaravan.core.judge.air;

import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.siblings.Measurement;

/** Whether a wheel loses air that its siblings keep, how fast, and how surely that is known. */
final class Leak {

    static final int LEAST_BUCKETS = 5;
    static final int LINE_BUCKETS = 12;
    static final long LINE_GAP_MILLIS = 45L * 60 * 1000;
    /** It has taken at least this share of target before it is spoken of. */
    private static final double LEAST_DROP = 0.022;
    /** On soft farm tyres a few kPa are noise, kPa. */
    private static final double LEAST_DROP_KPA = 4;
    /** Slower than this is no leak that anyone has to find this week, share of target an hour. */
    private static final double LEAST_RATE_PER_HOUR = 0.0025;

    private static final double SURE_ERRORS = 3;
    /** Where all have lost air together, a leak has to show so much more. */
    private static final double WANDERING = 2;

    private static final double FLAT_PER_HOUR = 0.001;
    private static final double FLAT_ERROR = 0.0007;
    /** What is missing after a silence this long went out at once, or slowly: what comes next tells. */
    private static final long SLEPT_MILLIS = 60L * 60 * 1000;

    private static final long SUSPECT_MILLIS = 2L * 60 * 60 * 1000;
    /** A slope that goes on like the night's is told sooner. */
    private static final int SUSPECT_BUCKETS = 3;

    private static final double SUSPECT_SHARE = 0.5;
    /** Of few points nobody knows how they scatter: the mean of ten minutes does by so much, share of target. */
    private static final double SUSPECT_NOISE = 0.001;
    /** Rounding to a step has this share of it as its standard deviation: 1/√12. */
    private static final double ROUNDING = 0.29;

    /** What is low already, and falls on while nobody hears, has a leak: shares of target [our judgement]. */
    private static final double LOW_BEFORE = 0.06;

    private static final double AGAIN = 0.05;
    private static final double AGAIN_OUTSIDE = 0.1;
    private static final double REFILLED_ERROR = 0.25;
    /** A sensor outside compares a cold morning with a warm road badly: less than this may be that, share of target. */
    private static final double SLEPT_OUTSIDE = 0.05;
    /** One other wheel may itself be the one that changed. */
    private static final int SIBLINGS_TO_ACCUSE = 2;

    private static final double HOUR_MILLIS = 3_600_000;

    private boolean isThere;
    private boolean areRefillsTold;
    private double ratePerHour;
    private double rateError;
    /** How fast it lost air while nobody heard, if that was a leak, share of target an hour; and until when that counts. */
    private double suspectedPerHour;

    private long suspectedUntil = Long.MIN_VALUE / 2;
    /** What it lost at once, and when: a leak takes as much again before it is spoken of. */
    private double stepped;

    private long steppedAt = Long.MIN_VALUE / 2;

    boolean isThere() {
        return isThere;
    }

    /** How fast, kPa at 20 °C an hour, positive; 0 while there is none. */
    double ratePerHour() {
        return isThere ? ratePerHour : 0;
    }

    /** Its standard error. */
    double rateError() {
        return rateError;
    }

    /** What is known of the wheel begins anew. */
    void forget() {
        isThere = false;
        stepped = 0;
    }

    /** What it is to have is learned anew. */
    void levelIsNew() {
        stepped = 0;
    }

    /** Whether it was pumped up again and again within the last hours, as by a system that works against a leak. */
    boolean isRefilled(AirSteps steps, long at) {
        return areRefillsTold && steps.isRefilled(at);
    }

    /** The wheel was pumped up. */
    void pumpedUp(AirSteps steps, Measurement m) {
        // Outside, sun and shade make steps of their own.
        areRefillsTold = m.rules().conduct().isSelfInflating() || !m.isOutside();
        isThere = isRefilled(steps, m.at());
        if (isThere) {
            ratePerHour = steps.refilledPerHour() * m.targetKpa();
            rateError = ratePerHour * REFILLED_ERROR;
        }
    }

    /**
     * Air went out at once, or while nobody heard: let out, or lost; only a slope that goes on is a leak.
     *
     * @param off how much less it has now than it should, share of target
     * @param usual what it should have, share of target
     */
    void lostAtOnce(AirSteps steps, Measurement m, double off, double usual) {
        // What goes down in steps, one after the other, goes down.
        double lackedBefore = 1 - usual + off + steps.lastShare();
        boolean isAgain = lackedBefore >= LOW_BEFORE && -steps.lastShare() >= (m.isOutside() ? AGAIN_OUTSIDE : AGAIN);
        stepped = m.at() - steppedAt <= SUSPECT_MILLIS ? 0 : off;
        steppedAt = m.at();
        double hours = (steps.lastTo() - steps.lastFrom()) / HOUR_MILLIS;
        double perHour = -steps.lastShare() / hours;
        boolean isPlain =
                m.siblings().count() >= SIBLINGS_TO_ACCUSE && -steps.lastShare() >= (m.isOutside() ? SLEPT_OUTSIDE : 0);
        if (isPlain && steps.lastTo() - steps.lastFrom() >= SLEPT_MILLIS && perHour >= LEAST_RATE_PER_HOUR) {
            suspectedPerHour = perHour;
            suspectedUntil = m.at() + SUSPECT_MILLIS;
            if (isAgain) {
                isThere = true;
                ratePerHour = perHour * m.targetKpa();
                rateError = ratePerHour * REFILLED_ERROR;
            }
        }
    }

    /**
     * Judges how far the wheel has left what it should show.
     *
     * @param healthy what it may be off by, share of target
     * @param isCooling whether what looks like a loss may be warmth that goes
     * @return whether it keeps another level than it had: somebody set it to that
     */
    boolean judge(Drift drift, AirSteps steps, Measurement m, double stepKpa, double healthy, boolean isCooling) {
        double target = m.targetKpa();
        double drop = -drift.now();
        double needed = needed(m, stepKpa);
        Drift.Line line = drift.line(LINE_BUCKETS, LINE_GAP_MILLIS);
        boolean isSuspect = m.at() <= suspectedUntil && line.perHour() <= -SUSPECT_SHARE * suspectedPerHour;
        double noise = Math.max(SUSPECT_NOISE, ROUNDING * stepKpa / target);
        double error = isSuspect ? Math.max(line.error(), line.errorOf(noise)) : line.error();
        boolean isFalling = line.buckets() >= (isSuspect ? SUSPECT_BUCKETS : LEAST_BUCKETS)
                && line.perHour() <= -LEAST_RATE_PER_HOUR
                && line.isSlope()
                && line.perHour() + SURE_ERRORS * error < 0;
        boolean isFlat = line.buckets() >= LINE_BUCKETS
                && Math.abs(line.perHour()) <= FLAT_PER_HOUR
                && line.error() <= FLAT_ERROR;
        if (isFalling && isCooling && !isThere) {
            return false;
        }
        if (isFalling && (isThere || isSuspect || drop - stepped >= needed)) {
            isThere = true;
            ratePerHour = -line.perHour() * target;
            rateError = line.error() * target;
        } else if (isRefilled(steps, m.at())) {
            isThere = true;
        } else if (isFlat || drop < needed / 2) {
            isThere = false;
            // Outside, what rises and stays for an hour or two is the sun on the others, not air.
            // And what is warmer with it is a brake.
            double more = m.isOutside()
                    ? -drop - Sinking.byWarmth(m.celsius() - m.siblings().celsius())
                    : -drop;
            boolean isSet = drop >= healthy || more >= healthy && (!m.isOutside() || isFlatForLong(drift));
            stepped = isFlat && isSet ? 0 : stepped;
            return isFlat && isSet;
        }
        return false;
    }

    private static double needed(Measurement m, double stepKpa) {
        double target = m.targetKpa();
        double needed =
                Math.max(Math.max(LEAST_DROP, LEAST_DROP_KPA / target), AirSteps.STEPS_OF_DOUBT * stepKpa / target);
        // After all were set anew the others find their levels one by one, and the comparison wanders with them.
        boolean isWandering = m.siblings().areHeard() && m.siblings().ratio() - 1 < Baseline.COMMON_LOSS;
        return isWandering ? WANDERING * needed : needed;
    }

    private static boolean isFlatForLong(Drift drift) {
        Drift.Line line = drift.line(Drift.BUCKETS, LINE_GAP_MILLIS);
        return line.buckets() == Drift.BUCKETS && Math.abs(line.perHour()) <= FLAT_PER_HOUR;
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        isThere = memory.flag("isThere", isThere);
        areRefillsTold = memory.flag("areRefillsTold", areRefillsTold);
        stepped = memory.figure("stepped", stepped);
        steppedAt = memory.time("steppedAt", steppedAt);
        suspectedPerHour = memory.figure("suspectedPerHour", suspectedPerHour);
        suspectedUntil = memory.time("suspectedUntil", suspectedUntil);
        ratePerHour = memory.figure("ratePerHour", ratePerHour);
        rateError = memory.figure("rateError", rateError);
    }
}
