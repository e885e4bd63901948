package vividcaravan.core.judge;

import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.Arrays;
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

    private static final int FIRST_STAGE_READINGS = 3;
    private static final int SECOND_STAGE_READINGS = 2;
    private static final int BATTERY_READINGS = 5;

    /** Every limit there is, the most urgent of its family first. */
    private enum Limit {
        FAST_FALL(AlertKind.FAST_LEAK),
        LOW_SECOND(AlertKind.UNDER_PRESSURE),
        HOT_STOP(AlertKind.HOT_TYRE),
        RUN_SOFT(AlertKind.UNDER_PRESSURE),
        LOW_NEXT_STOP(AlertKind.UNDER_PRESSURE),
        HOT(AlertKind.HOT_TYRE),
        LOW(AlertKind.UNDER_PRESSURE),
        HIGH(AlertKind.OVER_PRESSURE),
        FAULT(AlertKind.SENSOR_FAULT),
        BATTERY(AlertKind.SENSOR_BATTERY);

        private static final Limit[] ALL = values();

        private final AlertKind kind;
        private final AlertFamily family;

        Limit(AlertKind kind) {
            this.kind = kind;
            this.family = kind.family();
        }
    }

    private static final AlertFamily[] FAMILIES = {AlertFamily.TYRE, AlertFamily.SENSOR, AlertFamily.BATTERY};

    private final Stage[] stages = new Stage[Limit.ALL.length];
    private final Standing[] standings = new Standing[FAMILIES.length];
    private final FallWindow window = new FallWindow();
    private long newestAt = Long.MIN_VALUE;
    private double previousKpaAt20 = Double.NaN;

    WheelJudge() {
        Arrays.setAll(stages, i -> new Stage());
        Arrays.setAll(standings, i -> new Standing(FAMILIES[i]));
    }

    /** Judges one reading; one that is not newer than the last is passed over. */
    void judge(Reading reading, WheelRules rules, Consumer<Finding> findings) {
        if (reading.at() <= newestAt) {
            return;
        }
        newestAt = reading.at();
        stage(Limit.FAULT)
                .update(!reading.isMeasurement(), reading.isMeasurement(), reading.at(), FIRST_STAGE_READINGS);
        double kpaAt20 = rules.compensation().compensateKpa(reading.pressureKpa(), reading.temperatureC());
        FallWindow.Peak peak = null;
        if (reading.isMeasurement()) {
            judgePressure(reading, rules, rules.isCompensated() ? kpaAt20 : reading.pressureKpa());
            peak = judgeFall(reading, rules, kpaAt20);
            judgeTemperature(reading, rules);
        }
        judgeBattery(reading);
        report(reading, rules, kpaAt20, peak, findings);
        previousKpaAt20 = reading.isMeasurement() ? kpaAt20 : previousKpaAt20;
    }

    private void judgePressure(Reading reading, WheelRules rules, double kpa) {
        AxleLimits limits = rules.limits();
        double target = limits.targetKpa();
        double deviation = limits.deviation(kpa);
        double low = limits.policy().lowPct() / 100;
        double second = limits.policy().lowCriticalPct() / 100;
        below(Limit.LOW, deviation, low, reading.at(), FIRST_STAGE_READINGS);
        below(Limit.LOW_NEXT_STOP, deviation, Math.max(low, NEXT_STOP_LOW), reading.at(), FIRST_STAGE_READINGS);
        int delay = stage(Limit.LOW).isRaised() ? 1 : SECOND_STAGE_READINGS;
        below(Limit.LOW_SECOND, deviation, second, reading.at(), delay);
        below(Limit.RUN_SOFT, deviation, RUN_SOFT_LOW, reading.at(), delay);
        double high = target * (1 + limits.policy().highPct() / 100);
        stage(Limit.HIGH)
                .update(kpa >= high, kpa <= high - PRESSURE_DEADBAND * target, reading.at(), FIRST_STAGE_READINGS);
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
        boolean wasFalling = peak.kpaAt20() - previousKpaAt20 >= needed / 3;
        stage(Limit.FAST_FALL)
                .update(fall >= needed - 1e-9 && gaugeFalls && wasFalling, fall < needed / 4, reading.at(), 1);
        return peak;
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
        if (reading.batteryMv() != null && reading.temperatureC() >= BATTERY_JUDGED_FROM_C) {
            int mv = reading.batteryMv();
            stage(Limit.BATTERY).update(mv < WEAK_BATTERY_MV, mv >= SOUND_BATTERY_MV, reading.at(), BATTERY_READINGS);
        }
    }

    private void report(
            Reading reading, WheelRules rules, double kpaAt20, FallWindow.Peak peak, Consumer<Finding> findings) {
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
                            rules.position(), kind, urgency, evidence(worst, reading, rules, kpaAt20, peak));
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
                    case FAST_FALL, LOW_SECOND, HOT_STOP -> Urgency.STOP_NOW;
                    case RUN_SOFT, LOW_NEXT_STOP, HOT -> Urgency.NEXT_STOP;
                    case LOW, HIGH -> Urgency.BEFORE_NEXT_TRIP;
                    case FAULT -> rules.role() == AxleRole.STEER ? Urgency.BEFORE_NEXT_TRIP : Urgency.PLAN;
                    case BATTERY -> Urgency.PLAN;
                };
        return rules.position().isSpare() ? urgency.atMost(Urgency.BEFORE_NEXT_TRIP) : urgency;
    }

    private Evidence evidence(Limit worst, Reading reading, WheelRules rules, double kpaAt20, FallWindow.Peak peak) {
        AxleLimits limits = rules.limits();
        Double limitKpa =
                switch (worst) {
                    case FAST_FALL, LOW_SECOND -> limits.lowCriticalKpa();
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
                reading.batteryMv());
    }

    private Integer minutesToCritical(long at, AxleLimits limits, double kpaAt20, FallWindow.Peak peak) {
        if (stage(Limit.LOW_SECOND).isRaised()) {
            return 0;
        }
        if (peak == null || !stage(Limit.FAST_FALL).isRaised() || at <= peak.at()) {
            return null;
        }
        double kpaPerMinute = (peak.kpaAt20() - kpaAt20) / ((at - peak.at()) / 60_000.0);
        double left = kpaAt20 - limits.lowCriticalKpa();
        return left <= 0 ? 0 : (int) Math.round(Math.min(left / kpaPerMinute, 100_000));
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
        out.writeDouble(previousKpaAt20);
        window.writeTo(out);
        for (Stage stage : stages) {
            stage.writeTo(out);
        }
        for (Standing standing : standings) {
            standing.writeTo(out);
        }
    }

    void readFrom(DataInput in) throws IOException {
        newestAt = in.readLong();
        previousKpaAt20 = in.readDouble();
        window.readFrom(in);
        for (Stage stage : stages) {
            stage.readFrom(in);
        }
        for (Standing standing : standings) {
            standing.readFrom(in);
        }
    }
}
