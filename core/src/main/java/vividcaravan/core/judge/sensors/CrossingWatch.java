package vividcaravan.core.judge.sensors;

import java.util.List;
import java.util.function.Consumer;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.judge.air.AirSteps;
import vividcaravan.core.judge.rules.VehicleRules;
import vividcaravan.core.judge.rules.WheelRules;
import vividcaravan.core.judge.siblings.Siblings;

/**
 * Sensors that report for each other's wheels: air was let in or out at one wheel, on record, and was seen at another. From
 * then on air would go into the wrong tyre.
 */
public final class CrossingWatch {

    /** So much air proves a position; less could be warmth or the sensors' steps, kPa at 20 °C [common practice]. */
    private static final double PROOF_KPA = 20;

    private static final double PROOF_FARM_KPA = 12;
    /** Whoever writes an adjustment down does so within so long of it. */
    private static final long WRITTEN_WITHIN_MILLIS = 15L * 60 * 1000;
    /** A wheel that somebody saw to in the same round proves nothing about its neighbour. */
    private static final long SAME_ROUND_MILLIS = 45L * 60 * 1000;

    private final List<? extends Filled> wheels;

    /** Watches these, every wheel of the vehicle that is known; the list may change. */
    public CrossingWatch(List<? extends Filled> wheels) {
        this.wheels = wheels;
    }

    /** Looks where the air went once the effect of an adjustment at {@code wheel} is settled. */
    public void look(Filled wheel, long at, VehicleRules rules, Siblings siblings, Consumer<Finding> findings) {
        long adjusted = wheel.settledAdjustment();
        if (adjusted == Long.MIN_VALUE) {
            return;
        }
        if (hasStepped(wheel, adjusted, rules)) {
            wheel.wasProvenInPlace();
            return;
        }
        Filled other = null;
        for (Filled candidate : wheels) {
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
            wheel.wasCrossedWith(other.position(), at, own, siblings, findings);
        }
    }

    private static boolean hasStepped(Filled wheel, long adjusted, VehicleRules rules) {
        WheelRules own = rules.at(wheel.position()).orElseThrow();
        AirSteps steps = wheel.steps();
        double kpa = Math.abs(steps.lastShare()) * own.limits().targetKpa();
        return steps.isLastNear(adjusted, WRITTEN_WITHIN_MILLIS) && kpa >= (own.isFarm() ? PROOF_FARM_KPA : PROOF_KPA);
    }
}
