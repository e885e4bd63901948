package vividcaravan.core.judge.air;

import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.siblings.Measurement;

/**
 * Finds the air that goes out of a tyre whose sensor sits outside, when warmth cannot be trusted: while it stands, where the
 * sun may be on the sensor, and beside a brake, which hides a leak. It looks at the gauge alone, beside the others' gauges: the
 * sun on a sensor moves none, and what cools by itself is excused as if all of it were the air's. What still sinks is air.
 */
final class Sinking {

    /** One other wheel may itself be the one that changed. */
    private static final int SIBLINGS_TO_ACCUSE = 2;
    /** A sensor outside shows a third of the heat [common practice]; a little more is excused, °C of air for one of the sensor. */
    private static final double AIR_TO_SENSOR = 3.5;
    /** What has cooled by more beside the others goes on cooling for a while after, °C [our judgement]. */
    private static final double COOLED_C = 3;

    private static final long COOLS_MILLIS = 90L * 60 * 1000;
    /** It has sunk by at least this share of target before it is spoken of, and by so many of the sensor's steps. */
    private static final double LEAST_FALL = 0.035;

    private static final double STEPS_OF_FALL = 3;
    private static final int LEAST_BUCKETS = 9;
    private static final double LEAST_RATE_PER_HOUR = 0.004;
    private static final double SURE_ERRORS = 4;
    /** No ten minutes took more than this of it: air that was let out is no slope [our judgement]. */
    private static final double LARGEST_OF_IT = 0.3;

    private static final double FLAT_PER_HOUR = 0.0015;

    /** Two readings so far apart, with nothing between, tell by themselves. */
    private static final long FAR_MILLIS = 60L * 60 * 1000;
    /** Such a loss is told only of a wheel that was low before it, share of target [our judgement]: else it may be a step. */
    private static final double LOW = 0.08;

    private static final double AS_WARM_C = 2;
    private static final double FAR_ERROR = 0.25;
    private static final double HOUR_MILLIS = 3_600_000;
    private static final double REFERENCE_K = 293.15;
    private static final double LONG_AGO = Long.MIN_VALUE / 2.0;

    private final Drift drift = new Drift();
    /** How much warmer than the others its sensor was at most since this began, °C. */
    private double warmest = LONG_AGO;

    private long waitsUntil = Long.MIN_VALUE / 2;
    /** When it was last looked at, how much it lacked of what the others had, share of target, and how much warmer it was, °C. */
    private long lookedAt = Long.MIN_VALUE / 2;

    private double lookedLacks;
    private double lookedWarmer;
    private boolean isThere;
    private double perHour;
    private double error;

    /** Whether it sinks. */
    boolean isThere() {
        return isThere;
    }

    /** How much more a tyre shows whose sensor outside is so much warmer than the others', share of its absolute pressure. */
    static double byWarmth(double warmerC) {
        return AIR_TO_SENSOR * Math.max(0, warmerC) / REFERENCE_K;
    }

    /** Whether its sensor cools beside the others, and so its air: nothing follows of its pressure. */
    boolean isCooling(long at) {
        return at < waitsUntil;
    }

    /** How fast, share of target an hour, positive. */
    double perHour() {
        return perHour;
    }

    /** Its standard error. */
    double error() {
        return error;
    }

    /** What is known begins anew: somebody changed its air. */
    void forget() {
        drift.clear();
        warmest = LONG_AGO;
        lookedLacks = 0;
        isThere = false;
    }

    /**
     * Takes in a measurement of a sensor outside.
     *
     * @param celsius what its sensor shows, smoothed as the others' are
     */
    void take(Measurement m, double celsius, double stepKpa) {
        if (m.siblings().count() < SIBLINGS_TO_ACCUSE) {
            return;
        }
        double warmer = celsius - m.siblings().celsius();
        lookBackFar(m, warmer, stepKpa / m.targetKpa());
        if (warmer < warmest - COOLED_C) {
            waitsUntil = m.at() + COOLS_MILLIS;
            warmest = LONG_AGO;
            drift.clear();
        }
        if (m.at() < waitsUntil) {
            return;
        }
        warmest = (float) Math.max(warmest, warmer);
        double target = m.targetKpa();
        double ambient = m.rules().compensation().ambient().kpa();
        double others = m.siblings().gauge() * target + ambient;
        double air = Math.log((m.gaugeKpa() + ambient) / others) + byWarmth(warmest - warmer);
        if (drift.add(m.at(), air * (target + ambient) / target)) {
            judge(stepKpa / target);
        }
    }

    /** What was low already, and no warmer than the others, and is lower still after a silence goes on losing air. */
    private void lookBackFar(Measurement m, double warmer, double stepShare) {
        double lacks = m.siblings().gauge() - m.gaugeKpa() / m.targetKpa();
        boolean isFar = m.at() - lookedAt >= FAR_MILLIS && lookedWarmer <= AS_WARM_C;
        double lost = lacks - lookedLacks;
        if (isFar && lookedLacks >= LOW && lost >= Math.max(LEAST_FALL, STEPS_OF_FALL * stepShare)) {
            isThere = true;
            perHour = lost / ((m.at() - lookedAt) / HOUR_MILLIS);
            error = perHour * FAR_ERROR;
        }
        lookedAt = m.at();
        // Rounded, for half the room in what outlives a restart.
        lookedLacks = (float) lacks;
        lookedWarmer = (float) warmer;
    }

    private void judge(double stepShare) {
        double least = Math.max(LEAST_FALL, STEPS_OF_FALL * stepShare);
        Drift.Line lately = drift.line(Leak.LINE_BUCKETS, Leak.LINE_GAP_MILLIS);
        Drift.Line line = isFalling(lately, least) ? lately : drift.line(Drift.BUCKETS, Leak.LINE_GAP_MILLIS);
        if (isFalling(line, least)) {
            isThere = true;
            perHour = -line.perHour();
            error = line.error();
        } else if (lately.buckets() >= LEAST_BUCKETS && lately.perHour() > -FLAT_PER_HOUR) {
            isThere = false;
        }
    }

    private static boolean isFalling(Drift.Line line, double least) {
        return line.buckets() >= LEAST_BUCKETS
                && line.perHour() <= -LEAST_RATE_PER_HOUR
                && -line.perHour() * line.hours() >= least
                && line.largestFall() <= LARGEST_OF_IT * -line.perHour() * line.hours()
                && line.perHour() + SURE_ERRORS * line.error() < 0;
    }

    /** What outlives a restart. */
    void remember(Memory memory) {
        drift.remember(memory.part("drift"));
        warmest = memory.figure("warmest", warmest);
        lookedAt = memory.time("lookedAt", lookedAt);
        lookedLacks = memory.figure("lookedLacks", lookedLacks);
        lookedWarmer = memory.figure("lookedWarmer", lookedWarmer);
        waitsUntil = memory.time("waitsUntil", waitsUntil);
        isThere = memory.flag("isThere", isThere);
        perHour = memory.figure("perHour", perHour);
        error = memory.figure("error", error);
    }
}
