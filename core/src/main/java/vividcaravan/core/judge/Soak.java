package vividcaravan.core.judge;

import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;

/**
 * The gauge of a cold tyre, which is what a placard means: parked four hours or more, or the first values after a silence
 * that long.
 */
final class Soak {

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
    boolean take(Measurement m, boolean isParked) {
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
            gaugeDeviation = m.rules().limits().deviation(gaugeKpa);
            deviation = m.rules().limits().deviation(m.trendKpa());
        }
        return isSoaked;
    }

    /** When it last was cold, epoch milliseconds. */
    long at() {
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

    void writeTo(DataOutput out) throws IOException {
        out.writeLong(heardAt);
        out.writeLong(wokeAt);
        out.writeLong(at);
        out.writeDouble(gaugeDeviation);
        out.writeDouble(deviation);
        out.writeDouble(gaugeKpa);
        out.writeDouble(celsius);
    }

    void readFrom(DataInput in) throws IOException {
        heardAt = in.readLong();
        wokeAt = in.readLong();
        at = in.readLong();
        gaugeDeviation = in.readDouble();
        deviation = in.readDouble();
        gaugeKpa = in.readDouble();
        celsius = in.readDouble();
    }
}
