package vividcaravan.core.judge.air;

import vividcaravan.core.judge.rules.Stage;
import vividcaravan.core.judge.siblings.Measurement;
import vividcaravan.core.judge.siblings.Neighbour;

/** A twin that was filled lower than its mate: the fuller one carries the load of both. */
public final class TwinLimit {

    /** Twins that differ by more than this are a mismatch, kPa [5 psi, common practice]. */
    private static final double MISMATCH_KPA = 35;

    private static final double DEADBAND_KPA = 10;
    /** A twin so far over its target is the one that was filled wrong, share of target. */
    private static final double MATE_OVER = 0.09;

    private static final int READINGS = 10;
    /** Only twins of like warmth compare; outside, where a third of it shows and it looks like pressure, still more so, °C. */
    private static final double ALIKE_C = 15;

    private static final double ALIKE_OUTSIDE_C = 2.5;

    private TwinLimit() {}

    /**
     * Holds a wheel against its twin, where it has one that was heard lately.
     *
     * @param isCrossed whether its sensor is said to sit at another wheel: then it tells nothing of its twin
     */
    public static void judge(Measurement m, Stage stage, WheelTrack track, boolean isCrossed) {
        Neighbour mate = m.siblings().mate();
        if (mate == null) {
            return;
        }
        if (isCrossed || mate.isCrossed()) {
            stage.clear();
            return;
        }
        double target = m.targetKpa();
        double own = track.ratio() * target;
        double mates = mate.ratio() * target;
        double less = mates - own;
        // A mate that is far too full is spoken of there; what all wheels have in common is heat.
        double heat = m.siblings().areHeard() ? Math.max(0, m.siblings().ratio() - 1) : 0;
        boolean isMateOff = mates / target - 1 - heat >= MATE_OVER && own / target - 1 - heat > -MATE_OVER;
        double apart = Math.abs(mate.celsius() - track.celsius());
        boolean isAlike = !mate.isHotEnd() && apart <= (m.isOutside() ? ALIKE_OUTSIDE_C : ALIKE_C);
        stage.update(
                less >= MISMATCH_KPA && !isMateOff && isAlike, less <= MISMATCH_KPA - DEADBAND_KPA, m.at(), READINGS);
    }
}
