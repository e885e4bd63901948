package vividcaravan.core.judge.sensors;

import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.Reading;

/** Follows a cell over months by what it gives when warm: a cold coin cell sags and says nothing of its age. */
final class CellTrend {

    private static final double WARM_C = 10;
    /** Weight of a reading in the slow mean: some hundred of them, an hour or two of driving. */
    private static final double WEIGHT = 0.01;

    private static final int SETTLED = 200;
    private static final long HOUR_MILLIS = 60L * 60 * 1000;
    private static final int DAY = 24;
    private static final int MONTH = 30 * DAY;
    /** Less than this says nothing of a slope. */
    private static final int LEAST = 14 * DAY;

    private static final int LEAST_COUNTED = 3 * DAY;
    private static final int NEVER = Integer.MIN_VALUE;

    private double warmMv = Double.NaN;
    private int warmReadings;
    // In whole millivolts and hours: every wheel of a fleet keeps them for good.
    private int earlierMv;
    private int earlierAt = NEVER;
    private int midMv;
    private int midAt = NEVER;
    private int heard;
    private int heardFrom = NEVER;
    private int heardUpTo = NEVER;

    /** Takes in a reading that says what the cell gives. */
    void take(Reading reading) {
        int at = (int) (reading.at() / HOUR_MILLIS);
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
            earlierMv = (int) Math.round(warmMv);
            earlierAt = at;
        } else if (midAt == NEVER && at - earlierAt >= MONTH) {
            midMv = (int) Math.round(warmMv);
            midAt = at;
        } else if (midAt != NEVER && at - midAt >= MONTH) {
            // A month or two back is what the slope is measured from.
            earlierMv = midMv;
            earlierAt = midAt;
            midMv = (int) Math.round(warmMv);
            midAt = at;
        }
    }

    /** The slow mean of what it gives when warm, mV; NaN where it never did. */
    double warmMv() {
        return warmMv;
    }

    /** What is known of the cell. */
    Cell cell() {
        boolean hasSlope = earlierAt != NEVER && heardUpTo - earlierAt >= LEAST;
        boolean isCounted = heardFrom != NEVER && heardUpTo - heardFrom >= LEAST_COUNTED;
        return new Cell(
                warmMv,
                hasSlope ? (earlierMv - warmMv) * MONTH / (heardUpTo - earlierAt) : Double.NaN,
                isCounted ? (double) heard * DAY / (heardUpTo - heardFrom) : Double.NaN);
    }

    /** What outlives a restart. */
    void remember(Memory memory) {
        warmMv = memory.figure("warmMv", warmMv);
        warmReadings = memory.count("warm", warmReadings);
        earlierMv = memory.count("earlierMv", earlierMv);
        earlierAt = memory.count("earlierAt", earlierAt);
        midMv = memory.count("midMv", midMv);
        midAt = memory.count("midAt", midAt);
        heard = memory.count("heard", heard);
        heardFrom = memory.count("from", heardFrom);
        heardUpTo = memory.count("upTo", heardUpTo);
    }
}
