package vividcaravan.core.judge.sensors;

import java.util.List;
import vividcaravan.core.judge.air.AirSteps;
import vividcaravan.core.judge.rules.VehicleRules;
import vividcaravan.core.judge.rules.WheelRules;

/**
 * Sensors that changed places: two wheels whose levels become each other's at one moment, or across one sleep. Wheels of one
 * level cannot be told by it, and nothing is claimed of them.
 */
public final class ExchangeWatch {

    /** So near a level has to come to the other's: readings are rounded, and tyres are not all equally warm [our judgement]. */
    private static final double NEAR_KPA = 7;

    private static final double NEAR_SHARE = 0.012;
    /** So far the two levels have to be apart to be told at all, as a multiple of that. */
    private static final double APART = 2.5;
    /** Both are found some readings after they changed. */
    private static final long ONE_MOMENT_MILLIS = 20L * 60 * 1000;
    /** What somebody wrote down explains itself. */
    private static final long WRITTEN_WITHIN_MILLIS = 15L * 60 * 1000;

    private final List<? extends Filled> wheels;

    /**
     * Two wheels that changed places.
     *
     * @param with the other of both
     * @param from the last reading of either before it, epoch milliseconds
     * @param to the first reading of either after it: what both said from then on belongs to the other wheel
     */
    public record Exchange(Filled with, long from, long to) {

        /** The same as the other wheel sees it. */
        public Exchange seenFrom(Filled one) {
            return new Exchange(one, from, to);
        }
    }

    /** Watches these, every wheel of the vehicle that is known; the list may change. */
    public ExchangeWatch(List<? extends Filled> wheels) {
        this.wheels = wheels;
    }

    /** How {@code wheel}, whose latest step was just found, has changed places with another; null if it has not. */
    public Exchange exchangeOf(Filled wheel, VehicleRules rules) {
        Filled found = null;
        for (Filled other : wheels) {
            if (other != wheel && isExchange(wheel, other, rules)) {
                if (found != null) {
                    // Three wheels at once are somebody's round with the air line.
                    return null;
                }
                found = other;
            }
        }
        return found == null ? null : between(wheel, found);
    }

    /** Each of both narrows down when it was; one that spoke in its sleep may have spoken of before or of after. */
    private static Exchange between(Filled one, Filled other) {
        AirSteps a = one.steps();
        AirSteps b = other.steps();
        long to = Math.min(a.lastTo(), b.lastTo());
        return new Exchange(other, Math.min(to, Math.max(a.lastFrom(), b.lastFrom())), to);
    }

    private static boolean isExchange(Filled one, Filled other, VehicleRules rules) {
        AirSteps a = one.steps();
        AirSteps b = other.steps();
        // Nobody heard when, but it may have been at once; of two that slept one may have spoken earlier than the
        // other.
        boolean mayBeOneMoment =
                a.lastFrom() <= b.lastTo() + ONE_MOMENT_MILLIS && b.lastFrom() <= a.lastTo() + ONE_MOMENT_MILLIS;
        if (!mayBeOneMoment || a.lastShare() * b.lastShare() >= 0) {
            return false;
        }
        WheelRules ofOne = rules.at(one.position()).orElseThrow();
        WheelRules ofOther = rules.at(other.position()).orElseThrow();
        double oneAfter = a.lastAfter() * ofOne.limits().targetKpa();
        double oneBefore = oneAfter - a.lastShare() * ofOne.limits().targetKpa();
        double otherAfter = b.lastAfter() * ofOther.limits().targetKpa();
        double otherBefore = otherAfter - b.lastShare() * ofOther.limits().targetKpa();
        double near = (NEAR_KPA + NEAR_SHARE * Math.max(oneBefore, otherBefore)) / (ofOne.isFarm() ? 2 : 1);
        // Tyres that came from an axle with another target, and were set to their own: that both are right now is no
        // coincidence.
        boolean areSetRight =
                isSetRight(oneBefore, oneAfter, ofOne, near) && isSetRight(otherBefore, otherAfter, ofOther, near);
        if (areSetRight && !one.isCrossed()) {
            return false;
        }
        return Math.abs(oneAfter - otherBefore) <= near
                && Math.abs(otherAfter - oneBefore) <= near
                && Math.abs(oneBefore - otherBefore) >= APART * near
                && !ofOne.isAdjustedNear(a.lastTo(), WRITTEN_WITHIN_MILLIS)
                && !ofOther.isAdjustedNear(b.lastTo(), WRITTEN_WITHIN_MILLIS);
    }

    private static boolean isSetRight(double before, double after, WheelRules rules, double near) {
        double target = rules.limits().targetKpa();
        return Math.abs(after - target) <= near && Math.abs(before - target) > near;
    }
}
