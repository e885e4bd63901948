package vividcaravan.core.judge;

import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Set;
import java.util.function.Consumer;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Evidence;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.limits.AxleLimits;

/**
 * Judges one wheel, reading by reading, in the readings' own time. Constant work and memory per reading. The same
 * readings in the same order always give the same findings.
 */
final class WheelJudge {

    /** Deadband of the pressure limits, share of target [common practice]. */
    private static final double PRESSURE_DEADBAND = 0.02;
    /** Deadband of the temperature limits, °C [common practice]. */
    private static final double TEMPERATURE_DEADBAND_C = 3;
    /** A first stage this far below target is dealt with at the next safe stop, share of target [common practice]. */
    private static final double NEXT_STOP_LOW = 0.15;
    /** A tyre run at 80 % of its target or less is suspect [29 CFR 1910.177, from memory]. */
    private static final double RUN_SOFT_LOW = 0.20;
    /** A fall of this share within ten minutes is a fast leak [common practice]. */
    private static final double FAST_FALL = 0.08;
    /** On farm tyres a fast fall is at least this many kPa too [common practice]. */
    private static final double FAST_FALL_FARM_KPA = 15;
    /** In a tyre that is nearly flat, the steps of its sensor are not a fall, kPa [common practice]. */
    private static final double FAST_FALL_LEAST_KPA = 10;
    /** Below this a coin cell is weak, mV [common practice]. */
    private static final int WEAK_BATTERY_MV = 2500;

    private static final int SOUND_BATTERY_MV = 2600;
    /** Cold cells sag, so a battery is judged on values taken this warm, °C [common practice]. */
    private static final double BATTERY_JUDGED_FROM_C = 10;

    private static final long LONG_SILENCE_MILLIS = 60L * 60 * 1000;

    private static final int FIRST_STAGE_READINGS = 3;
    private static final int SECOND_STAGE_READINGS = 2;
    private static final int BATTERY_READINGS = 5;
    /** How much a cold cell may sag for each °C below where it is judged, mV [our judgement, on the careful side]. */
    private static final double SAG_MV_PER_C = 25;

    /** Not on one cold morning: so long must a cell be weak in the cold, even with what it may sag. */
    private static final long COLD_AND_WEAK_MILLIS = 24L * 60 * 60 * 1000;

    private static final long NEVER = Long.MAX_VALUE;

    /** A wheel end this much hotter than the vehicle's others, °C: next safe stop, stop [our judgement]. */
    private static final double HOT_GAP_C = 20;

    private static final double HOT_STOP_GAP_C = 35;
    private static final double GAP_DEADBAND_C = 5;
    /** A sensor outside shows about a third of the heat: half the gap will do [common practice]. */
    private static final double OUTSIDE_GAP = 0.5;
    /** Where its pressure says that the air is hot, a sensor outside must be warmer than its siblings by so much, °C. */
    private static final double OUTSIDE_WARMER_C = 4;

    private static final int HOT_GAP_READINGS = 5;
    /** Twins that differ by more than this are a mismatch, kPa [5 psi, common practice]. */
    private static final double MISMATCH_KPA = 35;

    private static final double MISMATCH_DEADBAND_KPA = 10;
    private static final int MISMATCH_READINGS = 10;
    /** What reaches its second limit within so many hours is dealt with at the next safe stop. */
    private static final double SOON_HOURS = 4;

    /** A leak falls at least this share of target a minute to be called fast [our judgement]. */
    private static final double FAST_PER_MINUTE = 0.02;

    private static final double FAST_LEAST = 0.013;
    private static final double FAST_STEPS = 2;
    private static final long FAST_SPAN_MILLIS = 3L * 60 * 1000;
    private static final double MINUTE_MILLIS = 60_000;

    /** Every limit there is, the most urgent of its family first. */
    private enum Limit {
        FAST_FALL(AlertKind.FAST_LEAK),
        LOW_SECOND(AlertKind.UNDER_PRESSURE),
        HOT_END_STOP(AlertKind.HOT_WHEEL_END),
        HOT_STOP(AlertKind.HOT_TYRE),
        LEAK_SOON(AlertKind.SLOW_LEAK),
        RUN_SOFT(AlertKind.UNDER_PRESSURE),
        LOW_NEXT_STOP(AlertKind.UNDER_PRESSURE),
        HOT_END(AlertKind.HOT_WHEEL_END),
        HOT(AlertKind.HOT_TYRE),
        LEAK(AlertKind.SLOW_LEAK),
        LOW(AlertKind.UNDER_PRESSURE),
        HIGH(AlertKind.OVER_PRESSURE),
        MISMATCH(AlertKind.TWIN_MISMATCH),
        FAULT(AlertKind.SENSOR_FAULT),
        SILENT(AlertKind.SENSOR_SILENT),
        BATTERY(AlertKind.SENSOR_BATTERY);

        private static final Limit[] ALL = values();

        private final AlertKind kind;
        private final AlertFamily family;

        Limit(AlertKind kind) {
            this.kind = kind;
            this.family = kind.family();
        }
    }

    /** A measurement to compare the next with. */
    private record Seen(long at, double kpaAt20, double gaugeKpa) {
        static final Seen NOTHING = new Seen(Long.MIN_VALUE / 2, Double.NaN, Double.NaN);

        void writeTo(DataOutput out) throws IOException {
            out.writeLong(at);
            out.writeDouble(kpaAt20);
            out.writeDouble(gaugeKpa);
        }

        static Seen readFrom(DataInput in) throws IOException {
            return new Seen(in.readLong(), in.readDouble(), in.readDouble());
        }
    }

    private static final AlertFamily[] FAMILIES = {AlertFamily.TYRE, AlertFamily.SENSOR, AlertFamily.BATTERY};

    private static final Set<Limit> IN_TROUBLE =
            EnumSet.of(Limit.FAST_FALL, Limit.LOW_SECOND, Limit.LEAK, Limit.LOW, Limit.HOT, Limit.HOT_END);

    private final Stage[] stages = new Stage[Limit.ALL.length];
    private final Standing[] standings = new Standing[FAMILIES.length];
    private final FallWindow window = new FallWindow();
    private final WheelTrack track = new WheelTrack();
    private long newestAt = Long.MIN_VALUE;
    private long coldAndWeakSince = NEVER;
    private Seen last = Seen.NOTHING;
    private Seen secondLast = Seen.NOTHING;

    WheelJudge() {
        Arrays.setAll(stages, i -> new Stage());
        Arrays.setAll(standings, i -> new Standing(FAMILIES[i]));
    }

    /**
     * Judges one reading; one that is not newer than the last is passed over.
     *
     * @param isOutside whether the sensor sits outside the tyre
     */
    void judge(Reading reading, WheelRules rules, Siblings siblings, boolean isOutside, Consumer<Finding> findings) {
        if (reading.at() <= newestAt) {
            return;
        }
        newestAt = reading.at();
        stage(Limit.FAULT)
                .update(!reading.isMeasurement(), reading.isMeasurement(), reading.at(), FIRST_STAGE_READINGS);
        double kpaAt20 = rules.compensation().compensateKpa(reading.pressureKpa(), reading.temperatureC());
        FallWindow.Peak peak = null;
        stage(Limit.SILENT).clear();
        if (reading.isMeasurement()) {
            track.observe(reading, kpaAt20, rules, siblings, isOutside);
            judgePressure(reading, rules, kpaAt20, siblings, isOutside);
            peak = judgeFall(reading, rules, kpaAt20);
            judgeTemperature(reading, rules);
            judgeLeak(reading, rules, kpaAt20);
            judgeHeat(reading, rules, siblings, isOutside);
            judgeTwin(reading, rules, siblings, isOutside);
        }
        judgeBattery(reading);
        report(reading, rules, kpaAt20, peak, siblings, findings);
        if (reading.isMeasurement()) {
            secondLast = last;
            last = new Seen(reading.at(), kpaAt20, reading.pressureKpa());
        }
    }

    private void judgePressure(
            Reading reading, WheelRules rules, double kpaAt20, Siblings siblings, boolean isOutside) {
        AxleLimits limits = rules.limits();
        double kpa = rules.isCompensated() ? kpaAt20 : reading.pressureKpa();
        double target = limits.targetKpa();
        double deviation = limits.deviation(kpa);
        double gauge = limits.deviation(reading.pressureKpa());
        double low = limits.policy().lowPct() / 100;
        double second = limits.policy().lowCriticalPct() / 100;
        below(Limit.LOW, deviation, low, reading.at(), FIRST_STAGE_READINGS);
        below(Limit.LOW_NEXT_STOP, deviation, Math.max(low, NEXT_STOP_LOW), reading.at(), FIRST_STAGE_READINGS);
        // What a tyre lost while nobody heard of it is there at its first word.
        boolean isFirstWord = !Double.isNaN(last.kpaAt20)
                && last.at < reading.at() - LONG_SILENCE_MILLIS
                && Math.max(deviation, gauge) <= -second;
        int delay = stage(Limit.LOW).isRaised() || isFirstWord ? 1 : SECOND_STAGE_READINGS;
        below(Limit.LOW_SECOND, deviation, second, reading.at(), delay);
        below(Limit.RUN_SOFT, deviation, RUN_SOFT_LOW, reading.at(), delay);
        double high = target * (1 + limits.policy().highPct() / 100);
        // A sensor outside does not show the heat that raised the pressure; what all wheels have in common is heat.
        double heat = isOutside && rules.isCompensated() && siblings.areHeard()
                ? Math.max(0, siblings.ratio() - 1) * target
                : 0;
        stage(Limit.HIGH)
                .update(
                        kpa - heat >= high,
                        kpa - heat <= high - PRESSURE_DEADBAND * target,
                        reading.at(),
                        FIRST_STAGE_READINGS);
    }

    private void judgeLeak(Reading reading, WheelRules rules, double kpaAt20) {
        boolean isLeaking = track.isLeaking();
        stage(Limit.LEAK).update(isLeaking, !isLeaking, reading.at(), 1);
        boolean isSoon = isLeaking
                && kpaAt20 - rules.limits().lowCriticalKpa()
                        <= SOON_HOURS * (track.ratePerHour() + 2 * track.rateError());
        stage(Limit.LEAK_SOON).update(isSoon, !isLeaking, reading.at(), FIRST_STAGE_READINGS);
    }

    private void judgeHeat(Reading reading, WheelRules rules, Siblings siblings, boolean isOutside) {
        if (rules.position().isSpare() || !siblings.areHeard()) {
            return;
        }
        heat(Limit.HOT_END, HOT_GAP_C, reading, siblings, isOutside);
        heat(Limit.HOT_END_STOP, HOT_STOP_GAP_C, reading, siblings, isOutside);
    }

    private void heat(Limit limit, double gap, Reading reading, Siblings siblings, boolean isOutside) {
        double shown = track.celsius() - siblings.celsius();
        double needed = isOutside ? gap * OUTSIDE_GAP : gap;
        // The pressure is the better thermometer of a sensor that sits in the wind, and the sun does not fool it.
        double inPressure = track.airCelsius() - siblings.airCelsius();
        boolean isHot = shown >= needed && inPressure >= (siblings.isStanding() ? gap : needed)
                || !siblings.isStanding() && shown >= OUTSIDE_WARMER_C * gap / HOT_GAP_C && inPressure >= gap;
        isHot = isOutside ? isHot : shown >= gap;
        boolean isBack = shown <= needed - (isOutside ? OUTSIDE_GAP : 1) * GAP_DEADBAND_C;
        stage(limit).update(isHot, isBack && !isHot, reading.at(), HOT_GAP_READINGS);
    }

    private void judgeTwin(Reading reading, WheelRules rules, Siblings siblings, boolean isOutside) {
        if (siblings.mate() == null) {
            return;
        }
        double target = rules.limits().targetKpa();
        double own = track.ratio() * target;
        double mates = siblings.mate().ratio() * target;
        double less = mates - own;
        // The mate may be the one that is off: then it is spoken of there.
        boolean isTheOneOff = target - own >= mates - target;
        // Outside, heat looks like pressure: only twins of like warmth compare.
        boolean isAlike = !isOutside || Math.abs(siblings.mate().celsius() - track.celsius()) <= OUTSIDE_WARMER_C;
        stage(Limit.MISMATCH)
                .update(
                        less >= MISMATCH_KPA && isTheOneOff && isAlike,
                        less <= MISMATCH_KPA - MISMATCH_DEADBAND_KPA,
                        reading.at(),
                        MISMATCH_READINGS);
    }

    /**
     * The others of the vehicle have reported for long and this one has not.
     *
     * @param at time of the reading that settled it, epoch milliseconds
     */
    void fellSilent(long at, WheelRules rules, Consumer<Finding> findings) {
        stage(Limit.SILENT).raise(at);
        Standing standing = standings[AlertFamily.SENSOR.ordinal()];
        Urgency urgency = wasInTrouble() ? Urgency.NEXT_STOP : urgency(Limit.SILENT, rules);
        if (standing.isNews(AlertKind.SENSOR_SILENT, urgency, false, at)) {
            Evidence evidence = new Evidence(
                    at,
                    null,
                    null,
                    null,
                    rules.limits().targetKpa(),
                    null,
                    null,
                    rules.isCompensated(),
                    null,
                    null,
                    false,
                    false,
                    null,
                    null,
                    null,
                    null,
                    null);
            standing.report(
                    new Finding.Raised(rules.position(), AlertKind.SENSOR_SILENT, urgency, evidence),
                    true,
                    false,
                    rules.position(),
                    at,
                    findings);
        }
    }

    /** Silence after a loss of air or heat may be a tyre that has burst. */
    private boolean wasInTrouble() {
        return IN_TROUBLE.stream().anyMatch(limit -> stage(limit).isRaised());
    }

    boolean isSilent() {
        return stage(Limit.SILENT).isRaised();
    }

    /** The wheel as its siblings see it. */
    WheelTrack track() {
        return track;
    }

    private void below(Limit limit, double deviation, double share, long at, int readings) {
        // A hair of tolerance, so that exactly at the limit counts as reached whatever the rounding.
        stage(limit).update(deviation <= -share + 1e-9, deviation >= -share + PRESSURE_DEADBAND, at, readings);
    }

    private FallWindow.Peak judgeFall(Reading reading, WheelRules rules, double kpaAt20) {
        window.add(reading.at(), kpaAt20, reading.pressureKpa());
        FallWindow.Peak peak = window.highestBefore(reading.at());
        double fall = peak.kpaAt20() - kpaAt20;
        double needed = Math.max(FAST_FALL * peak.kpaAt20(), rules.isFarm() ? FAST_FALL_FARM_KPA : FAST_FALL_LEAST_KPA);
        // The gauge must fall too, or a sensor warmed by a brake would look like a leak; and the reading before must
        // already be part of the way down, or one stray value would.
        boolean gaugeFalls = peak.rawKpa() - reading.pressureKpa() >= needed / 2;
        boolean wasFalling = peak.kpaAt20() - last.kpaAt20 >= needed / 3;
        boolean isDeep = fall >= needed - 1e-9 && gaugeFalls && wasFalling;
        stage(Limit.FAST_FALL).update(isDeep || isSteep(reading, rules, kpaAt20), fall < needed / 4, reading.at(), 1);
        return peak;
    }

    /** Whether the last two readings both fell, so fast that nothing but a hole explains it. */
    private boolean isSteep(Reading reading, WheelRules rules, double kpaAt20) {
        double target = rules.limits().targetKpa();
        double least = Math.max(FAST_LEAST * target, FAST_STEPS * track.stepKpa());
        double fall = secondLast.kpaAt20 - kpaAt20;
        double minutes = (reading.at() - secondLast.at) / MINUTE_MILLIS;
        boolean isEachFalling = secondLast.kpaAt20 - last.kpaAt20 >= least / 4 && last.kpaAt20 - kpaAt20 >= least / 4;
        return reading.at() - secondLast.at <= FAST_SPAN_MILLIS
                && fall >= (rules.isFarm() ? Math.max(least, FAST_FALL_FARM_KPA) : least)
                && isEachFalling
                && fall >= FAST_PER_MINUTE * target * minutes
                && secondLast.gaugeKpa - reading.pressureKpa() >= fall / 2;
    }

    private void judgeTemperature(Reading reading, WheelRules rules) {
        if (rules.position().isSpare()) {
            return;
        }
        double warm = rules.limits().policy().temperatureC();
        double stop = rules.limits().policy().temperatureCriticalC();
        double is = reading.temperatureC();
        stage(Limit.HOT).update(is >= warm, is <= warm - TEMPERATURE_DEADBAND_C, reading.at(), FIRST_STAGE_READINGS);
        int delay = stage(Limit.HOT).isRaised() ? 1 : SECOND_STAGE_READINGS;
        stage(Limit.HOT_STOP).update(is >= stop, is <= stop - TEMPERATURE_DEADBAND_C, reading.at(), delay);
    }

    private void judgeBattery(Reading reading) {
        if (reading.batteryMv() != null && reading.isMeasurement()) {
            double cold = Math.max(0, BATTERY_JUDGED_FROM_C - reading.temperatureC());
            double mv = reading.batteryMv() + SAG_MV_PER_C * cold;
            coldAndWeakSince = cold > 0 && mv < WEAK_BATTERY_MV ? Math.min(coldAndWeakSince, reading.at()) : NEVER;
            if (cold > 0 && reading.at() - coldAndWeakSince < COLD_AND_WEAK_MILLIS) {
                return;
            }
            stage(Limit.BATTERY).update(mv < WEAK_BATTERY_MV, mv >= SOUND_BATTERY_MV, reading.at(), BATTERY_READINGS);
        }
    }

    private void report(
            Reading reading,
            WheelRules rules,
            double kpaAt20,
            FallWindow.Peak peak,
            Siblings siblings,
            Consumer<Finding> findings) {
        for (Standing standing : standings) {
            Limit worst = worst(standing.family());
            boolean isEasy = isEasy(standing.family());
            Finding.Raised raised = null;
            // A sensor that cannot measure says nothing new about its tyre.
            boolean isFresh = standing.family() == AlertFamily.SENSOR || reading.isMeasurement();
            if (worst != null && isFresh) {
                AlertKind kind = worst.kind;
                Urgency urgency = urgency(worst, rules);
                boolean runSoft = isRunSoft(rules);
                if (standing.isNews(kind, urgency, runSoft, reading.at())) {
                    raised = new Finding.Raised(
                            rules.position(), kind, urgency, evidence(worst, reading, rules, kpaAt20, peak, siblings));
                }
            }
            standing.report(raised, worst != null, isEasy && isFresh, rules.position(), reading.at(), findings);
        }
    }

    /** The most urgent limit that is raised in a family, or null. */
    private Limit worst(AlertFamily family) {
        for (Limit limit : Limit.ALL) {
            if (limit != Limit.RUN_SOFT
                    && limit.family == family
                    && stage(limit).isRaised()) {
                return limit;
            }
        }
        return null;
    }

    private boolean isEasy(AlertFamily family) {
        for (Limit limit : Limit.ALL) {
            if (limit.family == family && stage(limit).isUneasy()) {
                return false;
            }
        }
        return true;
    }

    private boolean isRunSoft(WheelRules rules) {
        return !rules.position().isSpare() && stage(Limit.RUN_SOFT).isRaised();
    }

    private static Urgency urgency(Limit limit, WheelRules rules) {
        Urgency urgency =
                switch (limit) {
                    case FAST_FALL, LOW_SECOND, HOT_STOP, HOT_END_STOP -> Urgency.STOP_NOW;
                    case RUN_SOFT, LOW_NEXT_STOP, HOT, HOT_END, LEAK_SOON -> Urgency.NEXT_STOP;
                    case LOW, HIGH, LEAK, MISMATCH -> Urgency.BEFORE_NEXT_TRIP;
                    case FAULT, SILENT -> rules.role() == AxleRole.STEER ? Urgency.BEFORE_NEXT_TRIP : Urgency.PLAN;
                    case BATTERY -> Urgency.PLAN;
                };
        return rules.position().isSpare() ? urgency.atMost(Urgency.BEFORE_NEXT_TRIP) : urgency;
    }

    private Evidence evidence(
            Limit worst, Reading reading, WheelRules rules, double kpaAt20, FallWindow.Peak peak, Siblings siblings) {
        AxleLimits limits = rules.limits();
        Double limitKpa =
                switch (worst) {
                    case FAST_FALL, LOW_SECOND, LEAK, LEAK_SOON -> limits.lowCriticalKpa();
                    case LOW_NEXT_STOP ->
                        limits.targetKpa()
                                * (1 - Math.max(NEXT_STOP_LOW, limits.policy().lowPct() / 100));
                    case LOW -> limits.lowKpa();
                    case HIGH -> limits.highKpa();
                    default -> null;
                };
        Double limitC =
                switch (worst) {
                    case HOT -> limits.policy().temperatureC();
                    case HOT_STOP -> limits.policy().temperatureCriticalC();
                    default -> null;
                };
        boolean isMeasured = reading.isMeasurement();
        return new Evidence(
                reading.at(),
                isMeasured ? reading.pressureKpa() : null,
                isMeasured ? kpaAt20 : null,
                isMeasured ? reading.temperatureC() : null,
                limits.targetKpa(),
                limitKpa,
                limitC,
                rules.isCompensated(),
                worst == Limit.FAST_FALL && peak != null ? peak.kpaAt20() - kpaAt20 : null,
                isMeasured ? minutesToCritical(reading.at(), limits, kpaAt20, peak) : null,
                isRunSoft(rules),
                Boolean.FALSE.equals(reading.moving()),
                reading.batteryMv(),
                track.isLeaking() ? track.ratePerHour() : null,
                track.isLeaking() ? track.rateError() : null,
                siblings.areHeard() ? siblings.celsius() : null,
                siblings.mate() == null ? null : siblings.mate().ratio() * limits.targetKpa());
    }

    private Integer minutesToCritical(long at, AxleLimits limits, double kpaAt20, FallWindow.Peak peak) {
        if (stage(Limit.LOW_SECOND).isRaised()) {
            return 0;
        }
        if (peak == null || !stage(Limit.FAST_FALL).isRaised() || at <= peak.at()) {
            double above = kpaAt20 - limits.lowCriticalKpa();
            return track.isLeaking() ? minutes(above / track.ratePerHour() * 60) : null;
        }
        double kpaPerMinute = (peak.kpaAt20() - kpaAt20) / ((at - peak.at()) / 60_000.0);
        double left = kpaAt20 - limits.lowCriticalKpa();
        return minutes(left / kpaPerMinute);
    }

    private static int minutes(double minutes) {
        return (int) Math.round(Math.max(0, Math.min(minutes, 100_000)));
    }

    /** Time of the newest reading judged, epoch milliseconds. */
    long newestAt() {
        return newestAt;
    }

    /** How the wheel is, as far as its own readings tell. */
    WheelCondition condition() {
        if (stage(Limit.FAULT).isRaised()) {
            return WheelCondition.FAULT;
        }
        if (stage(Limit.LOW_SECOND).isRaised()) {
            return WheelCondition.LOW_CRITICAL;
        }
        if (stage(Limit.HOT_STOP).isRaised()) {
            return WheelCondition.HOT_CRITICAL;
        }
        if (stage(Limit.LOW).isRaised() || stage(Limit.FAST_FALL).isRaised()) {
            return WheelCondition.LOW;
        }
        if (stage(Limit.HOT).isRaised()) {
            return WheelCondition.HOT;
        }
        return stage(Limit.HIGH).isRaised() ? WheelCondition.HIGH : WheelCondition.OK;
    }

    private Stage stage(Limit limit) {
        return stages[limit.ordinal()];
    }

    void writeTo(DataOutput out) throws IOException {
        out.writeLong(newestAt);
        out.writeLong(coldAndWeakSince);
        last.writeTo(out);
        secondLast.writeTo(out);
        window.writeTo(out);
        track.writeTo(out);
        for (Stage stage : stages) {
            stage.writeTo(out);
        }
        for (Standing standing : standings) {
            standing.writeTo(out);
        }
    }

    void readFrom(DataInput in) throws IOException {
        newestAt = in.readLong();
        coldAndWeakSince = in.readLong();
        last = Seen.readFrom(in);
        secondLast = Seen.readFrom(in);
        window.readFrom(in);
        track.readFrom(in);
        for (Stage stage : stages) {
            stage.readFrom(in);
        }
        for (Standing standing : standings) {
            standing.readFrom(in);
        }
    }
}
