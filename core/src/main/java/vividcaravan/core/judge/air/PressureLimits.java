package vividcaravan.core.judge.air;

import vividcaravan.core.judge.rules.Limit;
import vividcaravan.core.judge.rules.Stage;
import vividcaravan.core.judge.rules.Stages;
import vividcaravan.core.judge.siblings.Driving;
import vividcaravan.core.judge.siblings.Measurement;
import vividcaravan.core.limits.AxleLimits;

/** The two low stages and the high one, each with its deadband and on-delay, on the basis of the axle's policy. */
public final class PressureLimits {

    /** Readings beyond a first stage in a row that raise it. */
    public static final int FIRST_STAGE_READINGS = 3;
    /** The same for a second stage. */
    public static final int SECOND_STAGE_READINGS = 2;
    /** A first stage this far below target is dealt with at the next safe stop, share of target [common practice]. */
    private static final double NEXT_STOP_LOW = 0.15;
    /** A tyre run at 80 % of its target or less is suspect [29 CFR 1910.177, from memory]. */
    public static final double RUN_SOFT_LOW = 0.20;
    /** Whoever lost so much while nobody heard has a leak, and the first word says so, share of target [our judgement]. */
    private static final double MUCH = 0.08;
    /** Deadband, share of target [common practice]. */
    private static final double DEADBAND = 0.02;
    /** Off by less than this at 20 °C a tyre has its air, however wide its limits are, share of target [common practice]. */
    private static final double IN_BAND = 0.10;
    /** So that exactly at the limit counts as reached, whatever the rounding. */
    public static final double HAIR = 1e-9;
    /** A wheel that lacks so much of its own has its part in a low cold gauge, share of target [our judgement]. */
    private static final double OWN_SHORT = 0.06;
    /** From this gap on the rim of a wheel is warmed by its brake, °C [our judgement]. */
    private static final double RIM_GAP_C = 10;
    /** How much of the rim's extra warmth is in the air [95 °C at the rim and 60 °C in the air: common practice]. */
    private static final double RIM_SHARE_IN_AIR = 0.5;

    private PressureLimits() {}

    /**
     * Holds a measurement against the limits.
     *
     * @param lostInSilence what the wheel lost since its last word, if nothing was heard for long: what a tyre lost meanwhile
     *     is there at once, kPa; NaN otherwise
     * @param isSoaked whether the tyre is known to be cold
     * @param driving whether the tyre was driven at this pressure and this target: only that can damage it
     * @param track what is known of the wheel, with this measurement in it
     */
    public static void judge(
            Measurement m, Stages stages, double lostInSilence, boolean isSoaked, Driving driving, WheelTrack track) {
        AxleLimits limits = m.rules().limits();
        double kpa = judgedKpa(m);
        // Outside, what all wheels have in common is heat that looks like air.
        double heat = m.isOutside() && m.rules().isCompensated() ? track.heat(m.siblings()) * m.targetKpa() : 0;
        double deviation = limits.deviation(kpa - heat);
        double low = limits.policy().lowPct() / 100;
        double second = limits.policy().lowCriticalPct() / 100;
        double gauge = limits.coldDeviation(m.gaugeKpa());
        // Whatever the policy goes by, heat is no air. What a brake does to the sensor at the rim excuses the first
        // stage
        // only: a soft tyre heats itself, and from here that looks the same.
        double least = Math.min(deviation, limits.deviation(m.trendKpa()));
        boolean isPlain = lostInSilence >= MUCH * m.targetKpa();
        int first = isPlain ? 1 : FIRST_STAGE_READINGS;
        below(stages.at(Limit.LOW), deviation, low, m.at(), first);
        below(stages.at(Limit.LOW_NEXT_STOP), deviation, nextStopShare(limits), m.at(), first);
        boolean isSecondPlain = !Double.isNaN(lostInSilence) && Math.max(deviation, gauge) <= -second;
        int delay = stages.isRaised(Limit.LOW) || isSecondPlain ? 1 : SECOND_STAGE_READINGS;
        below(stages.at(Limit.LOW_SECOND), least, second, m.at(), delay);
        // The gauge marks a tyre that was driven at that for longer than the first metres of a cold morning; air that
        // is
        // gone marks it anyway. What the weather does to all wheels is one note for the vehicle.
        double ownShort = OWN_SHORT + track.stepKpa() / 2 / m.targetKpa();
        boolean isOfTheVehicle = m.siblings().areHeard() && limits.deviation(m.trendKpa()) > -ownShort;
        double withGauge = isOfTheVehicle ? least : Math.min(least, gauge);
        boolean isDrivenCold = isSoaked && Boolean.TRUE.equals(m.reading().moving());
        soft(
                stages.at(Limit.SOFT),
                driving.isPossible(),
                isDrivenCold || driving.isLong() ? withGauge : least,
                m.at(),
                delay);
        soft(stages.at(Limit.RUN_SOFT), driving.isSeen(), driving.isLong() ? withGauge : least, m.at(), delay);
        if (isSoaked) {
            // What carries the load on a cold morning is the gauge. What the weather explains is one note for the
            // vehicle.
            boolean isByWeather = isByWeather(limits, limits.deviation(m.trendKpa()));
            double lacking = isByWeather ? 0 : gauge;
            below(stages.at(Limit.LOW_WHEN_COLD), lacking, RUN_SOFT_LOW, m.at(), isPlain ? 1 : SECOND_STAGE_READINGS);
        }
    }

    private static void soft(Stage stage, boolean isDriven, double deviation, long at, int readings) {
        if (isDriven || stage.isRaised()) {
            below(stage, deviation, RUN_SOFT_LOW, at, readings);
        } else {
            stage.clear();
        }
    }

    /** Whether a wheel has its air by its pressure at 20 °C: what its cold gauge lacks is the weather's. */
    public static boolean isByWeather(AxleLimits limits, double deviationAt20) {
        return deviationAt20 > -Math.min(limits.policy().lowPct() / 100, IN_BAND);
    }

    /** Below target by this share, a wheel is for the next safe stop. */
    public static double nextStopShare(AxleLimits limits) {
        return Math.max(limits.policy().lowPct() / 100, NEXT_STOP_LOW);
    }

    /** The pressure at 20 °C. A rim that the brake has warmed, or a cap in the sun, is hotter than the air and would make it look low. */
    public static double atTwentyCelsius(Measurement m) {
        if (m.isOutside() && m.siblings().areHeard() && !m.siblings().isMoving()) {
            // The sun finds the caps of one side, and warms no air.
            double shade = Math.min(m.celsius(), m.siblings().coolestC());
            return Math.max(
                    m.trendKpa(),
                    m.rules().compensation().compensateKpa(m.reading().pressureKpa(), shade));
        }
        boolean isAtRim =
                m.mount() != null && m.mount().isAtRim() && m.siblings().areHeard();
        double gap = isAtRim ? m.celsius() - m.siblings().celsius() : 0;
        if (gap < RIM_GAP_C) {
            return m.trendKpa();
        }
        double air = m.siblings().celsius() + RIM_SHARE_IN_AIR * gap;
        return Math.max(
                m.trendKpa(), m.rules().compensation().compensateKpa(m.reading().pressureKpa(), air));
    }

    private static double judgedKpa(Measurement m) {
        return m.rules().isCompensated() ? atTwentyCelsius(m) : m.gaugeKpa();
    }

    /**
     * Holds a measurement against the high limit.
     *
     * @param isSoaked whether the tyre is known to be cold
     * @param isFilledInTheCold whether what it holds too much was right on the cold morning on which it was filled
     */
    public static void judgeHigh(
            Measurement m, Stages stages, WheelTrack track, boolean isSoaked, boolean isFilledInTheCold) {
        Stage whenCold = stages.at(Limit.HIGH_WHEN_COLD);
        if (!isSoaked && !whenCold.isRaised()) {
            // One cold gauge by itself keeps nothing open for the day.
            whenCold.clear();
        } else if (isSoaked) {
            // What it has now, whatever the weather: of a cap that is the only figure that heat does not touch.
            double over = m.rules().limits().coldDeviation(m.gaugeKpa());
            double limit = m.rules().limits().policy().highPct() / 100;
            whenCold.update(over >= limit - HAIR, over <= limit - DEADBAND, m.at(), FIRST_STAGE_READINGS);
        }
        double kpa = judgedKpa(m);
        double usual = track.usual();
        double target = m.targetKpa();
        double high = m.rules().limits().highKpa();
        // A sensor outside does not show the heat that raised the pressure; what all wheels have in common is heat.
        boolean isFooled =
                m.isOutside() && m.rules().isCompensated() && m.siblings().areHeard();
        double heat = isFooled ? Math.max(0, m.siblings().ratio() - 1) * target : 0;
        // High only while it runs, such a wheel is hot and not too full.
        boolean isHeat = isFooled && usual * target < high - DEADBAND * target;
        boolean isRight = isFilledInTheCold && m.rules().isCompensated();
        stages.at(Limit.HIGH)
                .update(
                        kpa - heat >= high && !isHeat && !isRight,
                        kpa - heat <= high - DEADBAND * target || isRight,
                        m.at(),
                        FIRST_STAGE_READINGS);
    }

    private static void below(Stage stage, double deviation, double share, long at, int readings) {
        stage.update(deviation <= -share + HAIR, deviation >= -share + DEADBAND, at, readings);
    }
}
