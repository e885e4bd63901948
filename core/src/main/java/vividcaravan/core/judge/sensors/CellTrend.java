package vividcaravan.core.judge.sensors;

import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.Reading;

/** Follows a cell over months by what it gives when warm: a cold coin cell sags and says nothing of its age. */
final class CellTrend {

    private static final double WARM_C = 10;
    /** Weight of a reading in the slow mean: some hundred of them, an hour or two of driving. */
    private static final double WEIGHT = 0.01;

    private static final int SETTLED = 200;
    private static final long DAY_MILLIS = 24L * 60 * 60 * 1000;
    private static final long MONTH_MILLIS = 30 * DAY_MILLIS;
    /** Less than this says nothing of a slope. */
    private static final long LEAST_MILLIS = 14 * DAY_MILLIS;

    private static final long LEAST_COUNTED_MILLIS = 3 * DAY_MILLIS;
    private static final long NEVER = Long.MIN_VALUE;

    private double warmMv = Double.NaN;
    private int warmReadings;
    private double earlierMv;
    private long earlierAt = NEVER;
    private double midMv;
    private long midAt = NEVER;
    private int heard;
    private long heardFrom = NEVER;
    private long heardUpTo = NEVER;

    /** Takes in a reading that says what the cell gives. */
    void take(Reading reading) {
        long at = reading.at();
        heardFrom = heardFrom == NEVER ? at : heardFrom;
        heardUpTo = at;
        heard++;
        if (reading.temperatureC() < WARM_C) {
            return;
        }
        double mv = reading.batteryMv();
        warmReadings = Math.min(SETTLED, warmReadings + 1);
        // The first of them count alike, so that one odd first value is soon forgotten.
        warmMv = Double.isNaN(warmMv) ? mv : warmMv + Math.max(WEIGHT, 1.0 / warmReadings) * (mv - warmMv);
        if (warmReadings < SETTLED) {
            return;
        }
        if (earlierAt == NEVER) {
            earlierMv = warmMv;
            earlierAt = at;
        } else if (midAt == NEVER && at - earlierAt >= MONTH_MILLIS) {
            midMv = warmMv;
            midAt = at;
        } else if (midAt != NEVER && at - midAt >= MONTH_MILLIS) {
            // A month or two back is what the slope is measured from.
            earlierMv = midMv;
            earlierAt = midAt;
            midMv = warmMv;
            midAt = at;
        }
    }

    /** The slow mean of what it gives when warm, mV; NaN where it never did. */
    double warmMv() {
        return warmMv;
    }

    /** What is known of the cell. */
    Cell cell() {
        boolean hasSlope = earlierAt != NEVER && heardUpTo - earlierAt >= LEAST_MILLIS;
        boolean isCounted = heardFrom != NEVER && heardUpTo - heardFrom >= LEAST_COUNTED_MILLIS;
        return new Cell(
                warmMv,
                hasSlope ? (earlierMv - warmMv) * MONTH_MILLIS / (heardUpTo - earlierAt) : Double.NaN,
                isCounted ? (double) heard * DAY_MILLIS / (heardUpTo - heardFrom) : Double.NaN);
    }

    /** What outlives a restart; few names, since every wheel of a fleet keeps them. */
    void remember(Memory memory) {
        double[] mv = {warmMv, earlierMv, midMv};
        memory.slots("mv", mv);
        warmMv = mv[0];
        earlierMv = mv[1];
        midMv = mv[2];
        long[] at = {earlierAt, midAt, heardFrom, heardUpTo};
        memory.slots("at", at);
        earlierAt = at[0];
        midAt = at[1];
        heardFrom = at[2];
        heardUpTo = at[3];
        warmReadings = memory.count("warm", warmReadings);
        heard = memory.count("heard", heard);
    }
}
