package vividcaravan.core.judge.air;

import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.Adjustment;
import vividcaravan.core.judge.rules.Stage;
import vividcaravan.core.judge.siblings.Measurement;
import vividcaravan.core.limits.AxleLimits;

/** Finds air that goes out so fast that nothing but a hole explains it, within two to three readings. */
public final class FallWatch {

    /** A fall of this share within ten minutes is a fast leak [common practice]. */
    private static final double FAST_FALL = 0.08;
    /** On farm tyres a fast fall is at least this many kPa too [common practice]. */
    private static final double FAST_FALL_FARM_KPA = 15;
    /** In a tyre that is nearly flat, the steps of its sensor are not a fall, kPa [common practice]. */
    private static final double FAST_FALL_LEAST_KPA = 10;
    /** A leak falls at least this share of target a minute to be called fast [our judgement]. */
    private static final double FAST_PER_MINUTE = 0.02;

    private static final double FAST_LEAST = 0.013;
    private static final double FAST_STEPS = 2;
    private static final long FAST_SPAN_MILLIS = 3L * 60 * 1000;
    private static final double MINUTE_MILLIS = 60_000;
    /** A fall of which so much came between two readings, and none since, is a step [our judgement]. */
    private static final double AT_ONCE = 0.8;

    /** A measurement to compare the next with. */
    private record Seen(long at, double trendKpa, double gaugeKpa) {
        static final Seen NOTHING = new Seen(Long.MIN_VALUE / 2, Double.NaN, Double.NaN);

        Seen remembered(Memory memory) {
            return new Seen(
                    memory.time("at", at), memory.figure("trendKpa", trendKpa), memory.figure("gaugeKpa", gaugeKpa));
        }
    }

    private final FallWindow window = new FallWindow();
    private Seen last = Seen.NOTHING;
    private Seen secondLast = Seen.NOTHING;
    /** When a step was last seen while the vehicle stood. */
    private long steppedAt = Long.MIN_VALUE / 2;

    /** When the last measurement was, epoch milliseconds; far back before the first. */
    public long lastAt() {
        return last.at;
    }

    /** The last measurement's pressure at 20 °C, kPa gauge. */
    public double lastTrendKpa() {
        return last.trendKpa;
    }

    /**
     * Takes in a measurement.
     *
     * @param isMoving whether a sensor says that the vehicle moves, so that nobody can have let air out
     * @param isBeingSet whether its tyre was just put on, and people set it to its target
     */
    public void judge(Measurement m, Stage stage, double stepKpa, boolean isMoving, boolean isBeingSet) {
        window.add(m.at(), m.trendKpa(), m.gaugeKpa());
        FallWindow.Peak peak = peak(m.at());
        boolean isFarm = m.rules().isFarm();
        double fall = peak.kpaAt20() - m.trendKpa();
        double needed = Math.max(FAST_FALL * peak.kpaAt20(), isFarm ? FAST_FALL_FARM_KPA : FAST_FALL_LEAST_KPA);
        // The gauge must fall too, or a sensor warmed by a brake would look like a leak; and the reading before must
        // already be part of the way down, or one stray value would.
        boolean gaugeFalls = peak.rawKpa() - m.gaugeKpa() >= needed / 2;
        boolean wasFalling = peak.kpaAt20() - last.trendKpa >= needed / 3;
        // Air that was let out, or a tyre set anew, is there at once and stays. Below the second limit it is spoken of
        // whatever it was.
        // Whether it moves now says nothing of a step that was there while it stood.
        boolean mayBeStep = (!isMoving || peak.at() < steppedAt)
                && m.trendKpa() > m.rules().limits().lowCriticalKpa();
        boolean isStep = mayBeStep && window.largestStepTo(m.at(), m.trendKpa()) >= AT_ONCE * fall;
        boolean isDeep = fall >= needed - 1e-9 && gaugeFalls && wasFalling && !isStep;
        boolean isFast = isDeep || isSteep(m, stepKpa) && !(mayBeStep && isAtOnce(m));
        // Whatever it had before: a tyre that holds nothing has gone flat, and two readings say so.
        double nothing = AxleLimits.FLAT_SHARE * m.targetKpa();
        boolean isFlat = m.gaugeKpa() <= nothing && last.gaugeKpa <= nothing;
        boolean isOnPurpose = isFast
                && (isBeingSet && m.trendKpa() >= Adjustment.LEAST_LEFT * m.targetKpa()
                        || m.rules().isFallExplained(m.at(), m.gaugeKpa(), m.trendKpa()));
        stage.update(isFast && !isOnPurpose || isFlat, fall < needed / 4 && !isFlat, m.at(), 1);
        steppedAt = isStep && fall >= needed && !isMoving ? m.at() : steppedAt;
        secondLast = last;
        last = new Seen(m.at(), m.trendKpa(), m.gaugeKpa());
    }

    /** The highest measurement of the last ten minutes. */
    public FallWindow.Peak peak(long at) {
        return window.highestBefore(at);
    }

    /** Whether nearly all that was lost with the last two readings was lost with one of them. */
    private boolean isAtOnce(Measurement m) {
        double larger = Math.max(secondLast.trendKpa - last.trendKpa, last.trendKpa - m.trendKpa());
        return larger >= AT_ONCE * (secondLast.trendKpa - m.trendKpa());
    }

    /** Whether the last two readings both fell, so fast that nothing but a hole explains it. */
    private boolean isSteep(Measurement m, double stepKpa) {
        double target = m.targetKpa();
        double least = Math.max(FAST_LEAST * target, FAST_STEPS * stepKpa);
        double fall = secondLast.trendKpa - m.trendKpa();
        double minutes = (m.at() - secondLast.at) / MINUTE_MILLIS;
        boolean isEachFalling =
                secondLast.trendKpa - last.trendKpa >= least / 4 && last.trendKpa - m.trendKpa() >= least / 4;
        return m.at() - secondLast.at <= FAST_SPAN_MILLIS
                && fall >= (m.rules().isFarm() ? Math.max(least, FAST_FALL_FARM_KPA) : least)
                && isEachFalling
                && fall >= FAST_PER_MINUTE * target * minutes
                && secondLast.gaugeKpa - m.gaugeKpa() >= fall / 2;
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        last = last.remembered(memory.part("last"));
        secondLast = secondLast.remembered(memory.part("secondLast"));
        steppedAt = memory.time("steppedAt", steppedAt);
        window.remember(memory.part("window"));
    }
}
