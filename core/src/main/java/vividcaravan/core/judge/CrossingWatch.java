package vividcaravan.core.judge;

import java.util.List;
import java.util.function.Consumer;
import vividcaravan.core.alert.Finding;

/**
 * Sensors that report for each other's wheels: air was let in or out at one wheel, on record, and was seen at another. From
 * then on air would go into the wrong tyre.
 */
final class CrossingWatch {

    /** So much air proves a position; less could be warmth or the sensors' steps, kPa at 20 °C [common practice]. */
    private static final double PROOF_KPA = 20;

    private static final double PROOF_FARM_KPA = 12;
    /** Whoever writes an adjustment down does so within so long of it. */
    private static final long WRITTEN_WITHIN_MILLIS = 15L * 60 * 1000;
    /** A wheel that somebody saw to in the same round proves nothing about its neighbour. */
    private static final long SAME_ROUND_MILLIS = 45L * 60 * 1000;

    private final List<WheelStays> wheels;

    CrossingWatch(List<WheelStays> wheels) {
        this.wheels = wheels;
    }

    /** Looks where the air went once the effect of an adjustment at {@code wheel} is settled. */
    void look(WheelStays wheel, long at, VehicleRules rules, Siblings siblings, Consumer<Finding> findings) {
        long adjusted = wheel.track().settledAdjustment();
        if (adjusted == Long.MIN_VALUE) {
            return;
        }
        if (hasStepped(wheel, adjusted, rules)) {
            wheel.last().judge().wasProvenInPlace();
            return;
        }
        WheelStays other = null;
        for (WheelStays candidate : wheels) {
            boolean isUnrecorded = candidate != wheel
                    && hasStepped(candidate, adjusted, rules)
                    && !rules.at(candidate.position()).orElseThrow().isAdjustedNear(adjusted, SAME_ROUND_MILLIS);
            if (isUnrecorded && other != null) {
                // Two wheels changed: somebody has been round, and wrote one of them down.
                return;
            }
            other = isUnrecorded ? candidate : other;
        }
        if (other != null) {
            WheelRules own = rules.at(wheel.position()).orElseThrow();
            wheel.last().judge().wasCrossedWith(other.position(), at, own, siblings, findings);
        }
    }

    private static boolean hasStepped(WheelStays wheel, long adjusted, VehicleRules rules) {
        WheelRules own = rules.at(wheel.position()).orElseThrow();
        AirSteps steps = wheel.track().steps();
        double kpa = Math.abs(steps.lastShare()) * own.limits().targetKpa();
        return steps.isLastNear(adjusted, WRITTEN_WITHIN_MILLIS) && kpa >= (own.isFarm() ? PROOF_FARM_KPA : PROOF_KPA);
    }
}
