package vividcaravan.core.judge;

import java.util.List;
import java.util.function.Consumer;
import vividcaravan.core.alert.Evidence;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.air.AirStep;
import vividcaravan.core.judge.air.AirSteps;
import vividcaravan.core.judge.air.FallWatch;
import vividcaravan.core.judge.air.PressureLimits;
import vividcaravan.core.judge.air.TwinLimit;
import vividcaravan.core.judge.air.WheelTrack;
import vividcaravan.core.judge.days.Fillings;
import vividcaravan.core.judge.days.Seep;
import vividcaravan.core.judge.heat.HeatLimits;
import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.Limit;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.Stage;
import vividcaravan.core.judge.rules.Stages;
import vividcaravan.core.judge.rules.WheelRules;
import vividcaravan.core.judge.sensors.BatteryWatch;
import vividcaravan.core.judge.sensors.Doubt;
import vividcaravan.core.judge.sensors.ExchangeWatch;
import vividcaravan.core.judge.sensors.StuckWatch;
import vividcaravan.core.judge.siblings.Driving;
import vividcaravan.core.judge.siblings.Measurement;
import vividcaravan.core.judge.siblings.Movement;
import vividcaravan.core.judge.siblings.Siblings;
import vividcaravan.core.judge.siblings.Warmth;
import vividcaravan.core.judge.weather.ColdFill;
import vividcaravan.core.judge.weather.Soak;

/**
 * Judges one wheel, reading by reading, in the readings' own time. Constant work and memory per reading. The same
 * readings in the same order always give the same findings.
 */
final class WheelJudge {

    private static final long LONG_SILENCE_MILLIS = 60L * 60 * 1000;
    /** What reaches its second limit within so many hours is dealt with at the next safe stop. */
    private static final double SOON_HOURS = 4;
    /** So much a leak has taken beside the heat that hides it, share of target [our judgement]. */
    private static final double HIDDEN_LOSS = 0.022;
    /** What reaches its first limit within so many days is dealt with before the next trip [our judgement]. */
    private static final double SEEP_SOON_DAYS = 2;

    private final Stages stages = new Stages();
    private final WheelTrack track = new WheelTrack();
    private final FallWatch falls = new FallWatch();
    private final Doubt doubt = new Doubt();
    private final BatteryWatch battery = new BatteryWatch();
    private final StuckWatch stuck = new StuckWatch();
    private final Soak soak = new Soak();
    private final Warmth warmth = new Warmth();
    private final ColdFill coldFill = new ColdFill();
    private final Seep seep = new Seep();
    private final Fillings fillings = new Fillings();
    private final WheelReport report = new WheelReport(stages, track, falls, stuck, seep, fillings);
    private long newestAt = Long.MIN_VALUE;

    /**
     * Judges one reading; one that is not newer than the last is passed over. One that cannot follow from those before it is
     * judged once the next bears it out, see {@link Doubt}.
     *
     * @param mount how the sensor is held, or null where nobody said
     * @param movement what is known of the vehicle's moving
     */
    void judge(
            Reading reading,
            WheelRules rules,
            Siblings siblings,
            MountKind mount,
            Movement movement,
            Consumer<Finding> findings) {
        if (reading.at() <= newestAt) {
            return;
        }
        newestAt = reading.at();
        boolean isMeasured = reading.isMeasurement();
        stages.at(Limit.FAULT).update(!isMeasured, isMeasured, reading.at(), PressureLimits.FIRST_STAGE_READINGS);
        endSilence(reading.at(), rules, findings);
        if (!isMeasured) {
            report.report(reading, rules, siblings, mount, findings);
            return;
        }
        double othersC = siblings.areHeard() ? siblings.celsius() : Double.NaN;
        for (Reading sure : doubt.sure(reading, rules.limits().targetKpa(), track.stepKpa(), othersC)) {
            judgeSure(sure, false, rules, siblings, mount, movement, findings);
        }
    }

    /** Whether a reading waits for the next to bear it out. */
    boolean isHolding() {
        return doubt.isHolding();
    }

    /** Judges a reading that is held back where its sensor has said nothing since, while others were heard at {@code at}. */
    void judgeUnanswered(
            long at,
            WheelRules rules,
            Siblings siblings,
            MountKind mount,
            Movement movement,
            Consumer<Finding> findings) {
        Reading unanswered = doubt.unanswered(
                at,
                track.intervalMillis(),
                siblings.count(),
                siblings.isStanding(),
                rules.limits().targetKpa(),
                track.stepKpa(),
                siblings.areHeard() ? siblings.celsius() : Double.NaN);
        if (unanswered != null) {
            judgeSure(unanswered, true, rules, siblings, mount, movement, findings);
        }
    }

    /**
     * @param isLastWord whether the silence after it bears it out, and not another reading: then no other is waited for
     */
    private void judgeSure(
            Reading reading,
            boolean isLastWord,
            WheelRules rules,
            Siblings siblings,
            MountKind mount,
            Movement movement,
            Consumer<Finding> findings) {
        judge(new Measurement(reading, rules.trendKpa(reading), rules, siblings, mount), isLastWord, movement);
        battery.judge(reading, siblings, stages.at(Limit.BATTERY));
        report.report(reading, rules, siblings, mount, findings);
    }

    private void judge(Measurement m, boolean isLastWord, Movement movement) {
        stuck.judge(m, stages.at(Limit.STUCK));
        if (isStuck() || stuck.isSuspect()) {
            // Nothing follows for the tyre from a sensor that does not look at it.
            return;
        }
        boolean isFirstWord = falls.lastAt() > Long.MIN_VALUE / 2 && falls.lastAt() < m.at() - LONG_SILENCE_MILLIS;
        // Many a cap is woken by the sun, and shows less than there is.
        boolean isSure = !m.isOutside() || m.siblings().isMoving() || isLastWord;
        double lostInSilence = isFirstWord && isSure || isLastWord ? falls.lastTrendKpa() - m.trendKpa() : Double.NaN;
        boolean isSoaked = soak.take(m, movement.isSoaked(m.at()));
        if (!m.isOutside()) {
            warmth.take(m.at(), m.celsius());
        }
        track.observe(m, movement);
        Driving driving = driving(m, movement);
        if (driving.isPossible()) {
            track.wasDriven();
        }
        boolean wasJustFilled = track.hasJustStepped() && track.steps().lastShare() > 0;
        coldFill.take(m, isSoaked, wasJustFilled, track.stepKpa());
        PressureLimits.judge(m, stages, lostInSilence, isSoaked, driving, track);
        PressureLimits.judgeHigh(m, stages, track, isSoaked, coldFill.isInTheCold());
        falls.judge(m, stages.at(Limit.FAST_FALL), track.stepKpa(), movement.wasMoving(m.at()), track.isBeingSet());
        judgeLeak(m);
        HeatLimits.judge(m, stages, track);
        TwinLimit.judge(m, stages.at(Limit.MISMATCH), track, isCrossed());
        if (!track.isBeingSet()) {
            seep.take(m, isSoaked, track);
            fillings.take(m, track.steps(), track.air(m.siblings()));
        }
        judgeSeep(m);
        judgeLowByLeak(m.at());
    }

    /** Whether it is driven at this; nobody is, before a tyre that was just put on, or whose target was just raised, can have been set. */
    private Driving driving(Measurement m, Movement movement) {
        boolean hasWarmed = warmth.isByDriving() || m.siblings().haveWarmedByDriving();
        Driving known = movement.driving(m.at(), hasWarmed);
        if (track.isNewlyHeldTo(m.at())) {
            return new Driving(false, false, false);
        }
        return track.isBeingSet() ? new Driving(known.isPossible(), false, false) : known;
    }

    /** What is low and leaks is called a leak: filling it is no answer. */
    private void judgeLowByLeak(long at) {
        boolean isLeak = stages.isAnyRaised(Limit.LEAK, Limit.SEEP);
        boolean isSecond = isLeak && stages.isRaised(Limit.LOW_SECOND);
        stages.at(Limit.LEAK_SECOND).update(isSecond, !isSecond, at, 1);
        boolean isLow = isLeak && stages.isAnyRaised(Limit.LOW_NEXT_STOP, Limit.SOFT, Limit.LOW_WHEN_COLD);
        stages.at(Limit.LEAK_LOW).update(isLow, !isLow, at, 1);
    }

    private void judgeSeep(Measurement m) {
        boolean isSeeping = seep.isThere() || fillings.isThere();
        stages.at(Limit.SEEP).update(isSeeping, !isSeeping, m.at(), 1);
        double left = track.ratio() - m.rules().limits().lowKpa() / m.targetKpa();
        double perDay = Math.max(seep.isThere() ? seep.perDay() : 0, fillings.isThere() ? fillings.perDay() : 0);
        // What else is said of its air is of the same fault.
        boolean isSoon =
                isSeeping && (left <= SEEP_SOON_DAYS * perDay || stages.isAnyRaised(Limit.LOW, Limit.MISMATCH));
        stages.at(Limit.SEEP_SOON).update(isSoon, !isSeeping, m.at(), PressureLimits.FIRST_STAGE_READINGS);
    }

    /** Looks at its last days beside those of the others, once a day's value is complete. */
    void lookAtDays(WheelRules rules, List<? extends Seep.Daily> wheels) {
        if (seep.isDayComplete()) {
            seep.look(rules, track.stepKpa(), wheels);
            if (seep.hasStopped()) {
                fillings.forget();
            }
        }
    }

    /** The latest steps of its air, the oldest first. */
    List<AirStep> airSteps(double targetKpa) {
        List<AirStep> all = fillings.kept(targetKpa);
        AirSteps steps = track.steps();
        if (steps.lastShare() < 0) {
            double after = steps.lastAfter() * targetKpa;
            all.add(new AirStep(steps.lastTo(), steps.lastShare() * targetKpa, after));
        }
        return all;
    }

    /** Whether its tyre warmed as driving warms it. */
    boolean hasWarmedByDriving() {
        return warmth.isByDriving();
    }

    /** Whether it was filled right on a cold morning, and holds too much by its pressure at 20 °C. */
    boolean isFilledInTheCold() {
        return coldFill.isInTheCold();
    }

    /** What it seeps. */
    Seep seep() {
        return seep;
    }

    private void judgeLeak(Measurement m) {
        boolean isLeaking = track.isLeaking();
        stages.at(Limit.LEAK).update(isLeaking, !isLeaking, m.at(), 1);
        double above = m.trendKpa() - m.rules().limits().lowCriticalKpa();
        boolean isSoon = isLeaking && above <= SOON_HOURS * (track.ratePerHour() + 2 * track.rateError());
        stages.at(Limit.LEAK_SOON).update(isSoon, !isLeaking, m.at(), PressureLimits.FIRST_STAGE_READINGS);
        // Heat at the rim makes the air look lower than it is: less than that is no leak on top of it.
        boolean isHidden = isLeaking
                && stages.isRaised(Limit.HOT_END)
                && PressureLimits.atTwentyCelsius(m) / m.targetKpa() <= track.usual() - HIDDEN_LOSS;
        stages.at(Limit.LEAK_HIDDEN).update(isHidden, !isLeaking, m.at(), PressureLimits.FIRST_STAGE_READINGS);
    }

    private void endSilence(long at, WheelRules rules, Consumer<Finding> findings) {
        Stage silent = stages.at(Limit.SILENT);
        if (silent.isRaised() && at < silent.raisedAt()) {
            report.withdrawSilence(at, rules, findings);
        }
        silent.clear();
    }

    /**
     * The others of the vehicle have reported for long and this one has not.
     *
     * @param at time of the reading that settled it, epoch milliseconds
     */
    void fellSilent(long at, WheelRules rules, Siblings siblings, Consumer<Finding> findings) {
        stages.at(Limit.SILENT).raise(at);
        boolean wasInTrouble =
                stages.isAnyRaised(Limit.FAST_FALL, Limit.LOW_SECOND, Limit.LEAK, Limit.LOW, Limit.HOT, Limit.HOT_END);
        report.reportSilence(at, newestAt == Long.MIN_VALUE ? null : newestAt, wasInTrouble, rules, siblings, findings);
    }

    boolean isSilent() {
        return stages.isRaised(Limit.SILENT);
    }

    /** Air that was let in here on record was seen at {@code other}. */
    void wasCrossedWith(Position other, long at, WheelRules rules, Siblings siblings, Consumer<Finding> findings) {
        stages.at(Limit.CROSSED).raise(at);
        report.reportCrossed(at, other, rules, siblings, findings);
    }

    /** Its level and that of {@code other} became each other's; once more, and each has its own again. */
    void wasExchanged(
            ExchangeWatch.Exchange exchange, long at, WheelRules rules, Siblings siblings, Consumer<Finding> findings) {
        Position other = exchange.with().position();
        Stage crossed = stages.at(Limit.CROSSED);
        if (crossed.isRaised() && report.isCrossedWith(other)) {
            crossed.clear();
            return;
        }
        crossed.raise(at);
        double target = rules.limits().targetKpa();
        AirSteps steps = track.steps();
        Evidence.Step step = new Evidence.Step(exchange.from(), exchange.to(), steps.lastShare() * target);
        report.reportExchanged(at, other, steps.lastAfter() * target, step, rules, siblings, findings);
    }

    /** Air that was let in here on record was seen here. */
    void wasProvenInPlace() {
        stages.at(Limit.CROSSED).clear();
    }

    /** Whether its sensor repeats one value while the others move. */
    boolean isStuck() {
        return stages.isRaised(Limit.STUCK);
    }

    /** Whether its sensor is said to sit at another wheel, or not in this tyre. */
    boolean isCrossed() {
        return stages.isAnyRaised(Limit.CROSSED, Limit.MISPLACED);
    }

    /** The wheel as its siblings see it. */
    WheelTrack track() {
        return track;
    }

    /** What its sensor's cell gave last, mV; NaN where it never said. */
    double batteryMv() {
        return battery.mv();
    }

    /** What is known of its sensor's cell. */
    BatteryWatch battery() {
        return battery;
    }

    /** Its gauge when it last was cold. */
    Soak soak() {
        return soak;
    }

    /** Time of the newest reading judged, epoch milliseconds. */
    long newestAt() {
        return newestAt;
    }

    /** How the wheel is, as far as its own readings tell. */
    WheelCondition condition() {
        if (stages.isAnyRaised(Limit.FAULT, Limit.STUCK)) {
            return WheelCondition.FAULT;
        }
        if (stages.isRaised(Limit.LOW_SECOND)) {
            return WheelCondition.LOW_CRITICAL;
        }
        if (stages.isRaised(Limit.HOT_STOP)) {
            return WheelCondition.HOT_CRITICAL;
        }
        if (stages.isAnyRaised(Limit.LOW, Limit.FAST_FALL)) {
            return WheelCondition.LOW;
        }
        if (stages.isRaised(Limit.HOT)) {
            return WheelCondition.HOT;
        }
        return stages.isAnyRaised(Limit.HIGH, Limit.HIGH_WHEN_COLD) ? WheelCondition.HIGH : WheelCondition.OK;
    }

    /** What outlives a restart. */
    void remember(Memory memory) {
        newestAt = memory.time("newestAt", newestAt);
        doubt.remember(memory.part("doubt"));
        battery.remember(memory.part("battery"));
        falls.remember(memory.part("falls"));
        stuck.remember(memory.part("stuck"));
        soak.remember(memory.part("soak"));
        warmth.remember(memory.part("warmth"));
        coldFill.remember(memory.part("coldFill"));
        track.remember(memory.part("track"));
        stages.remember(memory.part("stages"));
        report.remember(memory.part("report"));
    }

    /** What of its days outlives a restart. */
    void rememberDays(Memory memory) {
        seep.remember(memory.part("seep"));
        fillings.remember(memory.part("fillings"));
    }
}
