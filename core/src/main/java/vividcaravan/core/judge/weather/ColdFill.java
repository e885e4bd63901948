package vividcaravan.core.judge.weather;

import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.siblings.Measurement;
import vividcaravan.core.limits.AxleLimits;

/**
 * Whether a tyre that holds too much by its pressure at 20 °C was filled right, to its placard, on a cold morning: 900 kPa set at
 * −12 °C are 1,022.7 at 20 °C [gas law]. What counts then is the gauge of the cold tyre.
 */
public final class ColdFill {

    /** Filled to its placard, and no gauge is finer, share of target [our judgement]. */
    static final double TOLERANCE = 0.03;
    /** A cold gauge that is older says nothing of this week's mornings [our judgement]. */
    private static final long KNOWN_MILLIS = 7L * 24 * 60 * 60 * 1000;

    private static final double DEADBAND = 0.02;
    /** So much more than it was filled to is more air, share of target [our judgement]. */
    private static final double MORE = 0.04;

    private long coldAt = Long.MIN_VALUE / 2;
    /** What it held at 20 °C on the last morning on which it was right; NaN before that. */
    private double rightAt20 = Double.NaN;

    private boolean isInTheCold;

    /**
     * Takes in a measurement.
     *
     * @param isSoaked whether the tyre is cold
     * @param wasJustFilled whether air was just let in: what the gauge shows then somebody has read
     * @param stepKpa the sensor's step
     */
    public void take(Measurement m, boolean isSoaked, boolean wasJustFilled, double stepKpa) {
        AxleLimits limits = m.rules().limits();
        if (!isSoaked && !wasJustFilled) {
            // Warm, it tells nothing new of that: a cap shows less heat than the air has.
            isInTheCold &= m.at() - coldAt <= KNOWN_MILLIS;
            return;
        }
        coldAt = m.at();
        boolean isRight = limits.coldDeviation(m.gaugeKpa()) <= TOLERANCE + stepKpa / 2 / limits.coldKpa();
        boolean isMuch = limits.deviation(m.trendKpa()) >= limits.policy().highPct() / 100 - DEADBAND;
        boolean hasMore = wasJustFilled || m.trendKpa() > rightAt20 + MORE * limits.targetKpa();
        // Once mornings get warmer it is still what was done in the frost, as long as nobody let more in.
        isInTheCold = isMuch && (isRight || isInTheCold && !hasMore);
        rightAt20 = isRight ? m.trendKpa() : rightAt20;
    }

    /** Whether what it holds too much was right on the morning on which it was filled. */
    public boolean isInTheCold() {
        return isInTheCold;
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        coldAt = memory.time("coldAt", coldAt);
        rightAt20 = memory.figure("rightAt20", rightAt20);
        isInTheCold = memory.flag("isInTheCold", isInTheCold);
    }
}
