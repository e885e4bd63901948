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
    private double coolestC = Double.NaN;
    private double warmestC = Double.NaN;
    private double coolestBeforeC = Double.NaN;
    private double warmestBeforeC = Double.NaN;
    private double celsius = Double.NaN;
    private boolean hasWarmed;

    /**
     * Takes in a measurement.
     *
     * @param at epoch milliseconds
     * @param shownC what the sensor shows, °C
     */
    public void take(long at, double shownC) {
        long now = Math.floorDiv(at, SPAN_MILLIS);
        if (now != span) {
            boolean isNext = now == span + 1;
            coolestBeforeC = isNext ? coolestC : Double.NaN;
            warmestBeforeC = isNext ? warmestC : Double.NaN;
            coolestC = shownC;
            warmestC = shownC;
            hasWarmed &= isNext;
            span = now;
        }
        celsius = shownC;
        coolestC = Math.min(coolestC, shownC);
        warmestC = Math.max(warmestC, shownC);
        double from = Double.isNaN(coolestBeforeC) ? coolestC : Math.min(coolestC, coolestBeforeC);
        double peak = Double.isNaN(warmestBeforeC) ? warmestC : Math.max(warmestC, warmestBeforeC);
        if (shownC - from >= DRIVEN_RISE_C && peak - shownC < COOLED_C) {
            hasWarmed = true;
        } else if (peak - shownC >= COOLED_C) {
            hasWarmed = false;
        }
    }

    /** Whether it is as warm as only driving makes it. */
    public boolean isByDriving() {
        return hasWarmed || celsius >= ONLY_DRIVEN_C;
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        span = memory.time("span", span);
        coolestC = memory.figure("coolestC", coolestC);
        warmestC = memory.figure("warmestC", warmestC);
        coolestBeforeC = memory.figure("coolestBeforeC", coolestBeforeC);
        warmestBeforeC = memory.figure("warmestBeforeC", warmestBeforeC);
        celsius = memory.figure("celsius", celsius);
        hasWarmed = memory.flag("hasWarmed", hasWarmed);
    }
}
