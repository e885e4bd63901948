package vividcaravan.core.fitting;

import java.util.ArrayList;
import java.util.List;

/**
 * What has been shown of one wheel's sensor, and what is still missing before the vehicle may come into service.
 *
 * @param isInspected whether tyre, rim and valve were looked at
 * @param isPaired whether a sensor was taken for it
 * @param leftOutBecause why it has none; null if it is to have one
 * @param isHeard whether the sensor was heard since it was taken
 * @param received messages received since
 * @param expected messages that should have come, at least 1; as many as received while that is unknown
 * @param gauge the hand gauge beside the sensor; null if it was not read
 * @param isPositionProved whether air let in there was seen there
 * @param isSpare whether the wheel carries nothing: its position need not be proved by air
 */
public record WheelProof(
        boolean isInspected,
        boolean isPaired,
        String leftOutBecause,
        boolean isHeard,
        long received,
        long expected,
        GaugeComparison gauge,
        boolean isPositionProved,
        boolean isSpare) {

    /** A repeater is advised where a wheel misses more than this share for a day [common practice]. */
    public static final double MISSES_FOR_REPEATER = 0.2;

    private static final long ENOUGH_TO_TELL = 10;

    /** Share of the expected messages that did not come, 0 to 1. */
    public double missed() {
        return expected <= 0 ? 0 : Math.max(0, 1 - (double) received / expected);
    }

    /**
     * Whether a repeater should be kept ready or fitted: too much is missed. It is fitted once that has lasted for a day in
     * the place where the vehicle stands and runs.
     */
    public boolean advisesRepeater() {
        return expected >= ENOUGH_TO_TELL && missed() > MISSES_FOR_REPEATER;
    }

    /** What is still missing, in words; empty if the wheel is proven or left out with a reason. */
    public List<String> missing() {
        if (leftOutBecause != null) {
            return List.of();
        }
        List<String> missing = new ArrayList<>();
        if (!isInspected) {
            missing.add("not inspected");
        }
        if (!isPaired) {
            missing.add("no sensor yet");
            return missing;
        }
        if (!isHeard) {
            missing.add("not heard yet");
        }
        if (gauge == null) {
            missing.add("hand gauge not read");
        } else if (!gauge.agrees()) {
            missing.add("hand gauge and sensor disagree");
        }
        if (!isPositionProved && !isSpare) {
            missing.add("position not proved");
        }
        return missing;
    }
}
