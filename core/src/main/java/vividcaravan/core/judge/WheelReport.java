package vividcaravan.core.judge;

import java.util.function.Consumer;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Evidence;
import vividcaravan.core.alert.EvidenceBuilder;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.air.AirSteps;
import vividcaravan.core.judge.air.FallWatch;
import vividcaravan.core.judge.air.FallWindow;
import vividcaravan.core.judge.air.PressureLimits;
import vividcaravan.core.judge.air.WheelTrack;
import vividcaravan.core.judge.days.Fillings;
import vividcaravan.core.judge.days.Seep;
import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.Limit;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.Stages;
import vividcaravan.core.judge.rules.WheelRules;
import vividcaravan.core.judge.sensors.StuckWatch;
import vividcaravan.core.judge.siblings.Siblings;
import vividcaravan.core.limits.AxleLimits;

/** Says what is new of a wheel, family by family, with the figures behind it. */
final class WheelReport {

    private static final AlertFamily[] FAMILIES = {
        AlertFamily.TYRE, AlertFamily.SENSOR, AlertFamily.BATTERY, AlertFamily.MAP
    };
    private static final double MINUTES_OF_HOUR = 60;
    private static final double MINUTE_MILLIS = 60_000;
    private static final double DAY_MILLIS = 86_400_000;
    /** A step of air is what an alert is about for so long, if it made up so much of it [our judgement]. */
    private static final long STEP_COUNTS_MILLIS = 3L * 24 * 60 * 60 * 1000;

    private static final double STEP_EXPLAINS = 0.5;

    private final Stages stages;
    private final WheelTrack track;
    private final FallWatch falls;
    private final StuckWatch stuck;
    private final Seep seep;
    private final Fillings fillings;
    private final Standing[] standings = new Standing[FAMILIES.length];
    /** Whose air was seen here, or null. */
    private Position crossedWith;

    WheelReport(Stages stages, WheelTrack track, FallWatch falls, StuckWatch stuck, Seep seep, Fillings fillings) {
        this.stuck = stuck;
        this.seep = seep;
        this.fillings = fillings;
        this.stages = stages;
        this.track = track;
        this.falls = falls;
        for (int i = 0; i < FAMILIES.length; i++) {
            standings[i] = new Standing(FAMILIES[i]);
        }
    }

    /** Passes on what a reading changed. */
    void report(Reading reading, WheelRules rules, Siblings siblings, MountKind mount, Consumer<Finding> findings) {
        for (Standing standing : standings) {
            AlertFamily family = standing.family();
            Limit worst = stages.worst(family);
            Finding.Raised raised = null;
            // A sensor that cannot measure says nothing new about its tyre.
            boolean isFresh = family == AlertFamily.SENSOR || reading.isMeasurement();
            if (worst != null && isFresh) {
                Urgency urgency = worst.urgency(rules);
                if (standing.isNews(
                                worst.kind(),
                                urgency,
                                isRunSoft(rules),
                                isStepKnown(worst, reading, rules),
                                reading.at())
                        || family == AlertFamily.TYRE && isFurther(standing, reading, rules)) {
                    raised = new Finding.Raised(
                            rules.position(), worst.kind(), urgency, evidence(worst, reading, rules, siblings, mount));
                }
            }
            boolean isWell = isFresh && stages.isEasy(family);
            standing.report(
                    raised,
                    worst != null,
                    isWell,
                    track.air(siblings),
                    !Boolean.FALSE.equals(reading.moving()),
                    rules.position(),
                    reading.at(),
                    findings);
            if (raised != null && reading.isMeasurement()) {
                standing.said(shareAtTwenty(reading, rules), reading.temperatureC());
            }
        }
    }

    private static boolean isFurther(Standing standing, Reading reading, WheelRules rules) {
        return standing.isFurther(shareAtTwenty(reading, rules), reading.temperatureC());
    }

    private static double shareAtTwenty(Reading reading, WheelRules rules) {
        double kpaAt20 = rules.compensation().compensateKpa(reading.pressureKpa(), reading.temperatureC());
        return kpaAt20 / rules.limits().targetKpa();
    }

    /**
     * Passes on that the sensor fell silent.
     *
     * @param isAfterTrouble whether that was after a loss of air or heat: it may be a tyre that has burst
     */
    void reportSilence(
            long at,
            Long lastHeardAt,
            boolean isAfterTrouble,
            WheelRules rules,
            Siblings siblings,
            Consumer<Finding> findings) {
        Urgency urgency = isAfterTrouble ? Urgency.NEXT_STOP : Limit.SILENT.urgency(rules);
        Evidence evidence = Evidence.ofSilence(at, lastHeardAt, rules.limits().targetKpa(), siblings.facts());
        raise(
                AlertFamily.SENSOR,
                new Finding.Raised(rules.position(), Limit.SILENT.kind(), urgency, evidence),
                findings);
    }

    /** Takes back that the sensor was silent: it had spoken, and its words came late. */
    void withdrawSilence(long at, WheelRules rules, Consumer<Finding> findings) {
        for (Standing standing : standings) {
            if (standing.family() == AlertFamily.SENSOR) {
                standing.withdraw(rules.position(), at, findings);
            }
        }
    }

    /** Passes on that air let in here was seen at {@code other}. */
    void reportCrossed(long at, Position other, WheelRules rules, Siblings siblings, Consumer<Finding> findings) {
        crossedWith = other;
        Evidence evidence = Evidence.ofOtherWheel(at, other, rules.limits().targetKpa(), siblings.facts());
        raise(
                AlertFamily.MAP,
                new Finding.Raised(rules.position(), Limit.CROSSED.kind(), Limit.CROSSED.urgency(rules), evidence),
                findings);
    }

    /** Whether its sensor is said to be that of {@code other}. */
    boolean isCrossedWith(Position other) {
        return other.equals(crossedWith);
    }

    /**
     * Passes on that this wheel and {@code other} have each other's levels.
     *
     * @param kpaAt20 what it has now, kPa gauge at 20 °C
     * @param step how it came to that
     */
    void reportExchanged(
            long at,
            Position other,
            double kpaAt20,
            Evidence.Step step,
            WheelRules rules,
            Siblings siblings,
            Consumer<Finding> findings) {
        crossedWith = other;
        Evidence evidence =
                Evidence.ofExchange(at, other, kpaAt20, step, rules.limits().targetKpa(), siblings.facts());
        raise(
                AlertFamily.MAP,
                new Finding.Raised(rules.position(), Limit.CROSSED.kind(), Limit.CROSSED.urgency(rules), evidence),
                findings);
    }

    private void raise(AlertFamily family, Finding.Raised raised, Consumer<Finding> findings) {
        for (Standing standing : standings) {
            if (standing.family() == family
                    && standing.isNews(raised.kind(), raised.urgency(), false, false, raised.at())) {
                standing.report(raised, true, false, Double.NaN, false, raised.position(), raised.at(), findings);
            }
        }
    }

    private boolean isRunSoft(WheelRules rules) {
        return !rules.position().isSpare() && stages.isRaised(Limit.RUN_SOFT);
    }

    /** The limit of pressure that was reached, where what is raised is the leak behind it. */
    private Limit limitOfAir(Limit worst) {
        return switch (worst) {
            case LEAK_SECOND -> Limit.LOW_SECOND;
            case LEAK_LOW ->
                stages.isRaised(Limit.LOW_NEXT_STOP)
                        ? Limit.LOW_NEXT_STOP
                        : stages.isRaised(Limit.SOFT) ? Limit.SOFT : Limit.LOW_WHEN_COLD;
            default -> worst;
        };
    }

    private Evidence evidence(Limit worst, Reading reading, WheelRules rules, Siblings siblings, MountKind mount) {
        AxleLimits limits = rules.limits();
        Limit ofAir = limitOfAir(worst);
        Double limitKpa =
                switch (ofAir) {
                    case FAST_FALL, LOW_SECOND, LEAK, LEAK_HIDDEN, LEAK_SOON -> limits.lowCriticalKpa();
                    case RUN_SOFT, SOFT -> limits.targetKpa() * (1 - PressureLimits.RUN_SOFT_LOW);
                    case LOW_NEXT_STOP -> limits.targetKpa() * (1 - PressureLimits.nextStopShare(limits));
                    case LOW_WHEN_COLD -> limits.coldKpa() * (1 - PressureLimits.RUN_SOFT_LOW);
                    case LOW, SEEP, SEEP_SOON -> limits.lowKpa();
                    case HIGH -> limits.highKpa();
                    case HIGH_WHEN_COLD -> limits.onTheGauge().highKpa();
                    default -> null;
                };
        Double limitC =
                switch (worst) {
                    case HOT -> rules.warmC(mount);
                    case HOT_STOP -> rules.stopC(mount);
                    default -> null;
                };
        boolean isMeasured = reading.isMeasurement();
        double trendKpa = isMeasured ? rules.trendKpa(reading) : Double.NaN;
        FallWindow.Peak peak = isMeasured ? falls.peak(reading.at()) : null;
        boolean isAtTwenty = isJudgedAtTwenty(ofAir, reading, rules, trendKpa);
        return new EvidenceBuilder(reading.at())
                .measured(
                        isMeasured ? reading.pressureKpa() : null,
                        isMeasured
                                ? rules.compensation().compensateKpa(reading.pressureKpa(), reading.temperatureC())
                                : null,
                        isMeasured ? reading.temperatureC() : null)
                .target(isAtTwenty ? limits.targetKpa() : limits.coldKpa())
                .limits(limitKpa, limitC)
                .compensated(isAtTwenty)
                .fall(worst == Limit.FAST_FALL && peak != null ? peak.kpaAt20() - trendKpa : null)
                .minutesToCritical(isMeasured ? minutesToCritical(reading.at(), limits, trendKpa, peak) : null)
                .runSoft(isRunSoft(rules))
                .parked(Boolean.FALSE.equals(reading.moving()))
                .battery(reading.batteryMv())
                .loss(track.isLeaking() ? track.ratePerHour() : null, track.isLeaking() ? track.rateError() : null)
                .refills(track.isRefilled() ? AirSteps.REFILLS : null)
                .other(worst == Limit.CROSSED ? crossedWith : null)
                .lastHeard(worst == Limit.STUCK ? stuck.since() : null)
                .others(siblings.facts())
                .toGauge(rules.compensation().gaugeKpa(0))
                .overDays(isMeasured ? overDays(reading.at(), limits) : null)
                .step(step(worst, reading.at(), limits))
                .build();
    }

    private boolean isStepKnown(Limit worst, Reading reading, WheelRules rules) {
        return reading.isMeasurement() && step(worst, reading.at(), rules.limits()) != null;
    }

    /** The step that explains what is wrong with its air, where one does. */
    private Evidence.Step step(Limit worst, long at, AxleLimits limits) {
        AirSteps steps = track.steps();
        boolean isOfAir = worst.kind() == AlertKind.UNDER_PRESSURE
                || worst.kind() == AlertKind.TWIN_MISMATCH
                || worst.kind() == AlertKind.OVER_PRESSURE;
        double off = track.ratio() - 1;
        boolean isExplained = isOfAir
                && at - steps.lastTo() <= STEP_COUNTS_MILLIS
                && steps.lastShare() * off > 0
                && Math.abs(steps.lastShare()) >= STEP_EXPLAINS * Math.abs(off)
                && !track.isLeaking();
        return isExplained
                ? new Evidence.Step(steps.lastFrom(), steps.lastTo(), steps.lastShare() * limits.targetKpa())
                : null;
    }

    /** What its days show, where they show a leak. */
    private Evidence.OverDays overDays(long at, AxleLimits limits) {
        if (!stages.isRaised(Limit.SEEP)) {
            return null;
        }
        boolean isByFillings = fillings.isThere() && (!seep.isThere() || fillings.perDay() > seep.perDay());
        double perDay = isByFillings ? fillings.perDay() : seep.perDay();
        double left = Math.max(0, track.ratio() - limits.lowKpa() / limits.targetKpa());
        return new Evidence.OverDays(
                isByFillings ? fillings.since() : seep.since(),
                perDay * limits.targetKpa(),
                isByFillings ? null : seep.error() * limits.targetKpa(),
                at + Math.round(left / perDay * DAY_MILLIS),
                Math.max(fillings.isThere() ? fillings.count() : 0, seep.fillings()));
    }

    /** Whether the limit was held against the pressure at 20 °C: of the two where both count, the lower one. */
    private static boolean isJudgedAtTwenty(Limit worst, Reading reading, WheelRules rules, double trendKpa) {
        return switch (worst) {
            case LOW_WHEN_COLD, HIGH_WHEN_COLD -> false;
            case LOW_SECOND, RUN_SOFT, SOFT ->
                rules.isCompensated() || !rules.conduct().isBallasted() && trendKpa < rules.gaugeKpa(reading);
            default -> rules.isCompensated();
        };
    }

    private Integer minutesToCritical(long at, AxleLimits limits, double trendKpa, FallWindow.Peak peak) {
        if (stages.isRaised(Limit.LOW_SECOND)) {
            return 0;
        }
        double left = trendKpa - limits.lowCriticalKpa();
        if (peak == null || !stages.isRaised(Limit.FAST_FALL) || at <= peak.at()) {
            return track.isLeaking() ? Evidence.minutes(left / track.ratePerHour() * MINUTES_OF_HOUR) : null;
        }
        double kpaPerMinute = (peak.kpaAt20() - trendKpa) / ((at - peak.at()) / MINUTE_MILLIS);
        return Evidence.minutes(left / kpaPerMinute);
    }

    /** What outlives a restart. */
    void remember(Memory memory) {
        for (Standing standing : standings) {
            standing.remember(memory.part(standing.family().name()));
        }
        String other = memory.word("crossedWith", crossedWith == null ? "" : crossedWith.code());
        crossedWith = Position.find(other).orElse(null);
    }
}
