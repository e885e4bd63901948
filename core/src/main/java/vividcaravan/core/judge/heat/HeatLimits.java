package vividcaravan.core.judge.heat;

import vividcaravan.core.judge.air.PressureLimits;
import vividcaravan.core.judge.air.WheelTrack;
import vividcaravan.core.judge.rules.Limit;
import vividcaravan.core.judge.rules.Stage;
import vividcaravan.core.judge.rules.Stages;
import vividcaravan.core.judge.siblings.Measurement;
import vividcaravan.core.judge.siblings.Neighbour;

/** The temperatures of the axle, and a wheel that is hotter, or cooler, than those it runs with. */
public final class HeatLimits {

    /** Deadband of the temperature limits, °C [common practice]. */
    private static final double DEADBAND_C = 3;

    private static final double GAP_DEADBAND_C = 5;
    /** A sensor outside shows about a third of the heat: half the gap will do [common practice]. */
    private static final double OUTSIDE_GAP = 0.5;
    /** Where its pressure says that the air is hot, a sensor outside must be warmer than its siblings by so much, °C. */
    private static final double OUTSIDE_WARMER_C = 4;

    /** Air that is so much hotter than the others' shows outside as {@link #OUTSIDE_WARMER_C}, °C: a third [common practice]. */
    private static final double SEEN_OUTSIDE_C = 3 * OUTSIDE_WARMER_C;

    private static final int GAP_READINGS = 5;
    /** The other end of the axle counts as hot too from this share of the gap on. */
    private static final double ALSO_HOT = 0.7;
    /** A sensor this much cooler than the wheels beside it, while they run hot, is not in its tyre, °C [our judgement]. */
    private static final double COOLER_C = 15;

    private static final double COOLER_THAN_ALL_C = 12;
    private static final int COOLER_READINGS = 20;
    private static final double WARMED_C = 10;

    private HeatLimits() {}

    /** Holds a measurement against the temperatures of its axle and of the others. */
    public static void judge(Measurement m, Stages stages, WheelTrack track) {
        if (m.rules().position().isSpare()) {
            return;
        }
        double warm = m.rules().warmC(m.mount());
        double stop = m.rules().stopC(m.mount());
        double is = airCelsius(m, track);
        stages.at(Limit.HOT).update(is >= warm, is <= warm - DEADBAND_C, m.at(), PressureLimits.FIRST_STAGE_READINGS);
        int delay = stages.isRaised(Limit.HOT) ? 1 : PressureLimits.SECOND_STAGE_READINGS;
        stages.at(Limit.HOT_STOP).update(is >= stop, is <= stop - DEADBAND_C, m.at(), delay);
        if (m.siblings().areHeard()) {
            double scale = m.rules().conduct().duty().hotGapC();
            Stage hotEnd = stages.at(Limit.HOT_END);
            gap(m, hotEnd, scale, track, scale, isSpokenOfAtMate(m, hotEnd, track));
            Stage hotEndStop = stages.at(Limit.HOT_END_STOP);
            gap(m, hotEndStop, m.rules().conduct().duty().hotStopGapC(), track, scale, false);
            cooler(m, stages.at(Limit.MISPLACED), track);
            track.markHotEnd(stages.isRaised(Limit.HOT_END));
        }
    }

    /**
     * How hot its air is: what a sensor inside shows. One outside shows a third of it, so there the pressure counts where it
     * says that the air is hotter. Unless its sensor is no warmer than the others: then it was filled and is not hot.
     */
    private static double airCelsius(Measurement m, WheelTrack track) {
        boolean isByPressure = m.isOutside()
                && !m.siblings().isStanding()
                && !Double.isNaN(track.airCelsius())
                && !isOnlyFilled(m, track);
        return isByPressure ? Math.max(m.celsius(), track.airCelsius()) : m.celsius();
    }

    private static boolean isOnlyFilled(Measurement m, WheelTrack track) {
        return m.siblings().areHeard()
                && track.airCelsius() - m.siblings().airCelsius() >= SEEN_OUTSIDE_C
                && track.celsius() - m.siblings().celsius() < OUTSIDE_WARMER_C;
    }

    /**
     * Both of a twin pair are hot when the brake between them is: that is one fault, and it is spoken of at the hotter one.
     */
    private static boolean isSpokenOfAtMate(Measurement m, Stage stage, WheelTrack track) {
        Neighbour mate = m.siblings().mate();
        return mate != null && mate.isHotEnd() && !stage.isRaised() && mate.celsius() >= track.celsius();
    }

    private static void gap(
            Measurement m, Stage stage, double gap, WheelTrack track, double scale, boolean isSpokenOf) {
        double share = m.isOutside() ? OUTSIDE_GAP : 1;
        boolean isHot = m.isOutside()
                ? isHotOutside(m, gap, track, scale) || isHotWithItsAxle(m, gap * share, track)
                : isHotInside(m, gap, track);
        double holds = (gap - GAP_DEADBAND_C) * share;
        boolean isBack = over(m, track) <= holds
                && !(m.isOutside() ? isHotWithItsAxle(m, holds, track) : isHotInside(m, holds, track));
        stage.update(isHot && !isSpokenOf, isBack && !isHot, m.at(), GAP_READINGS);
    }

    /** How much hotter than the others it shows, or than the other end of its axle where the duty wants that, °C. */
    private static double over(Measurement m, WheelTrack track) {
        double across =
                m.rules().conduct().duty().comparesAcross() ? m.siblings().acrossC() : Double.NaN;
        return track.celsius() - (Double.isNaN(across) ? m.siblings().celsius() : across);
    }

    private static boolean isHotInside(Measurement m, double needed, WheelTrack track) {
        double over = over(m, track);
        return over >= needed
                || over >= ALSO_HOT * needed && track.celsius() - m.siblings().acrossC() >= needed
                || isHotWithItsAxle(m, needed, track);
    }

    /** Whether both ends of the axle are that much hotter than the other axles. */
    private static boolean isHotWithItsAxle(Measurement m, double needed, WheelTrack track) {
        boolean isSunlit = m.isOutside() && m.siblings().isStanding();
        // Most readings end here, without another look around.
        if (isSunlit || track.celsius() - m.siblings().coolestC() < needed) {
            return false;
        }
        double others = m.siblings().otherAxlesC();
        return track.celsius() - others >= needed && m.siblings().acrossC() - others >= ALSO_HOT * needed;
    }

    /** The pressure is the better thermometer of a sensor that sits in the wind, and the sun does not fool it. */
    private static boolean isHotOutside(Measurement m, double gap, WheelTrack track, double scale) {
        double needed = gap * OUTSIDE_GAP;
        double over = over(m, track);
        boolean isStanding = m.siblings().isStanding();
        double inPressure = track.airCelsius() - m.siblings().airCelsius();
        return over >= needed && inPressure >= (isStanding ? gap : needed)
                || !isStanding && over >= OUTSIDE_WARMER_C * gap / scale && inPressure >= gap;
    }

    /** Cool beside wheels that run hot: such a tyre would warm too. A lifted axle stays cool, and rightly. */
    private static void cooler(Measurement m, Stage stage, WheelTrack track) {
        boolean isPossible =
                !m.isOutside() && !m.rules().isLiftable() && !m.siblings().isStanding();
        double thanAll = m.siblings().celsius() - track.celsius();
        boolean isCooler =
                isPossible && thanAll >= COOLER_THAN_ALL_C && m.siblings().acrossC() - track.celsius() >= COOLER_C;
        if (isCooler) {
            track.markCool();
        }
        // Parked, all are cool; it has to warm with the others to be believed again.
        boolean isBack = thanAll <= COOLER_THAN_ALL_C - GAP_DEADBAND_C && track.hasWarmedSinceCool(WARMED_C);
        stage.update(isCooler, isBack, m.at(), COOLER_READINGS);
    }
}
