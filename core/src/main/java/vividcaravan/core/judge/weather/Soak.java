package vividcaravan.core.judge.weather;

import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.siblings.Measurement;
import vividcaravan.core.judge.siblings.Movement;

/**
 * The gauge of a cold tyre, which is what a placard means: parked four hours or more, or the first values after a silence
 * that long.
 */
public final class Soak {

    /** A tyre that has begun to roll is still cold for so long. */
    private static final long STILL_COLD_MILLIS = 10L * 60 * 1000;

    private long heardAt = Long.MIN_VALUE / 2;
    private long wokeAt = Long.MIN_VALUE / 2;
    private long at = Long.MIN_VALUE / 2;
    private double gaugeDeviation;
    private double deviation;
    private double gaugeKpa;
    private double celsius;

    /** Takes in a measurement; says whether it is one of a cold tyre. */
    public boolean take(Measurement m, boolean isParked) {
        boolean isFirstEver = heardAt == Long.MIN_VALUE / 2;
        if (!isFirstEver && m.at() - heardAt >= Movement.SOAK_MILLIS) {
            wokeAt = m.at();
        }
        heardAt = m.at();
        boolean isSoaked = isParked || m.at() - wokeAt <= STILL_COLD_MILLIS;
        if (isSoaked) {
            at = m.at();
            gaugeKpa = m.gaugeKpa();
            celsius = m.celsius();
            gaugeDeviation = m.rules().limits().coldDeviation(gaugeKpa);
            deviation = m.rules().limits().deviation(m.trendKpa());
        }
        return isSoaked;
    }

    /** When it last was cold, epoch milliseconds. */
    public long at() {
        return at;
    }

    /** How far the cold gauge was from target. */
    double gaugeDeviation() {
        return gaugeDeviation;
    }

    /** How far it was at 20 °C. */
    double deviation() {
        return deviation;
    }

    double gaugeKpa() {
        return gaugeKpa;
    }

    double celsius() {
        return celsius;
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        heardAt = memory.time("heardAt", heardAt);
        wokeAt = memory.time("wokeAt", wokeAt);
        at = memory.time("at", at);
        gaugeDeviation = memory.figure("gaugeDeviation", gaugeDeviation);
        deviation = memory.figure("deviation", deviation);
        gaugeKpa = memory.figure("gaugeKpa", gaugeKpa);
        celsius = memory.figure("celsius", celsius);
    }
}
