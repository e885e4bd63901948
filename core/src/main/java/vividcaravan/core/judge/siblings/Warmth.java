package vividcaravan.core.judge.siblings;

import vividcaravan.core.judge.memory.Memory;

/**
 * Whether a tyre has warmed as driving warms it, and has not cooled since: evidence of driving where no sensor says whether the
 * vehicle moves. Constant work and memory for each reading.
 */
public final class Warmth {

    /** So much within an hour is no weather, °C [our judgement; a tyre gains 20 to 30 °C in its first hour: common practice]. */
    private static final double DRIVEN_RISE_C = 8;
    /** So much cooler than it was within the last hour, it stands, °C [our judgement]. */
    private static final double COOLED_C = 5;
    /** Hotter than any weather makes a tyre, °C [our judgement]. */
    private static final double ONLY_DRIVEN_C = 55;

    private static final long SPAN_MILLIS = 30L * 60 * 1000;

    private long span = Long.MIN_VALUE / 2;
    /** The coolest and the warmest of this span, and of the one before, °C; NaN where nothing was heard. */
    private final double[] range = {Double.NaN, Double.NaN, Double.NaN, Double.NaN};

    private boolean isByDriving;

    /**
     * Takes in a measurement.
     *
     * @param at epoch milliseconds
     * @param celsius what the sensor shows, °C
     */
    public void take(long at, double celsius) {
        long now = Math.floorDiv(at, SPAN_MILLIS);
        if (now != span) {
            boolean isNext = now == span + 1;
            range[2] = isNext ? range[0] : Double.NaN;
            range[3] = isNext ? range[1] : Double.NaN;
            range[0] = celsius;
            range[1] = celsius;
            isByDriving &= isNext;
            span = now;
        }
        range[0] = Math.min(range[0], celsius);
        range[1] = Math.max(range[1], celsius);
        double coolest = Double.isNaN(range[2]) ? range[0] : Math.min(range[0], range[2]);
        double warmest = Double.isNaN(range[3]) ? range[1] : Math.max(range[1], range[3]);
        boolean hasCooled = warmest - celsius >= COOLED_C;
        isByDriving = celsius >= ONLY_DRIVEN_C || !hasCooled && (isByDriving || celsius - coolest >= DRIVEN_RISE_C);
    }

    /** Whether it is as warm as only driving makes it. */
    public boolean isByDriving() {
        return isByDriving;
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        span = memory.time("span", span);
        memory.slots("range", range);
        isByDriving = memory.flag("isByDriving", isByDriving);
    }
}
