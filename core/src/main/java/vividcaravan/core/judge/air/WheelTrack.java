package vividcaravan.core.judge.air;

import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.WheelRules;
import vividcaravan.core.judge.siblings.Measurement;
import vividcaravan.core.judge.siblings.Movement;
import vividcaravan.core.judge.siblings.Siblings;

/**
 * A wheel against its siblings: what it should show, how far it is off, whether that grows like a leak, and how hot its air
 * is. Constant work and memory for each reading.
 */
public final class WheelTrack {

    /** After a silence this long the smoothed values begin afresh; longer for sensors that report seldom. */
    private static final long STALE_MILLIS = 20L * 60 * 1000;
    /** A sibling that was not heard for so long says nothing of now; longer for sensors that report seldom. */
    private static final long LATELY_MILLIS = 12L * 60 * 1000;

    private static final int INTERVALS_OF_SILENCE = 3;
    private static final long LONGEST_INTERVAL_MILLIS = 30L * 60 * 1000;
    private static final double INTERVAL_SMOOTHING = 0.1;

    private static final double SMOOTHING = 0.3;
    /** Readings before a wheel's own level counts as known. */
    private static final int LEARNED = 6;
    /** A wheel is healthy enough to learn from while it is off by less than this, share of target. */
    private static final double HEALTHY = 0.008;

    private static final double HEALTHY_READING = 0.02;
    /** What was begun a moment ago may have begun at a bad one, and still learns from what it does not expect. */
    private static final int YOUNG = 30;

    private static final double YOUNG_READING = 0.05;
    /** So many readings after a recorded adjustment show what it did. */
    private static final int SETTLED_READINGS = 8;

    private static final int NOT_ADJUSTED = -1;
    /** Time to fill a tyre whose target was raised, before what it is driven at marks it [our judgement]. */
    private static final long TIME_TO_ADJUST_MILLIS = 60L * 60 * 1000;

    private static final double FIRST_STEP_KPA = 8;
    private static final double LEAST_STEP_KPA = 0.5;

    private final Baseline baseline = new Baseline();
    private final Drift drift = new Drift();
    private final AirSteps steps = new AirSteps();
    private final Leak leak = new Leak();
    private final Sinking sinking = new Sinking();
    private long at = Long.MIN_VALUE;
    private long previousAt = Long.MIN_VALUE;
    private long steppedAt = Long.MIN_VALUE / 2;
    private double intervalMillis;
    private double ratio = Double.NaN;
    private double gaugeRatio = Double.NaN;
    private double celsius = Double.NaN;
    private double airCelsius = Double.NaN;
    private double coolC = Double.NaN;
    private double stepKpa = FIRST_STEP_KPA;
    private double previousKpa = Double.NaN;
    /** The gauge of the reading before. */
    private double gaugeBefore = Double.NaN;

    /** How much more its gauge was than the others' when it was last compared with them, share of target, and when. */
    private double lookedOver = Double.NaN;

    private long lookedAt = Long.MIN_VALUE / 2;

    private double targetKpa = Double.NaN;
    private long raisedTargetAt = Long.MIN_VALUE / 2;
    /** Whether its target was raised and it was not driven at that since. */
    private boolean isUndriven;

    /** When a tyre last came to the wheel on record; whether it is being set to its target since. */
    private long cameAt = Long.MIN_VALUE / 2;

    private boolean isBeingSet;

    private boolean isHotEnd;
    private boolean isOutside;
    private long adjustedAt = Long.MIN_VALUE;
    private int readingsSinceAdjusted = NOT_ADJUSTED;

    /** Whether it was heard shortly before {@code time}, as its sensor reports. */
    public boolean isHeardLately(long time) {
        return at >= time - (long) Math.max(LATELY_MILLIS, INTERVALS_OF_SILENCE * intervalMillis);
    }

    /** Pressure at 20 °C over target, smoothed. */
    public double ratio() {
        return ratio;
    }

    /** The last gauge over target. */
    public double gauge() {
        return previousKpa / targetKpa;
    }

    /** What it says of the heat that all wheels have in common: 1 in a vehicle at 20 °C or with sensors inside. */
    public double common() {
        return isKnown() ? baseline.common(ratio) : ratio;
    }

    /** How much air it has, share of target: outside, where heat looks like air, freed of what all wheels have in common. */
    public double air(Siblings siblings) {
        return isOutside && siblings.areHeard() ? ratio - Math.max(0, siblings.ratio() - 1) : ratio;
    }

    /** How much of what it shows is heat that the others show too, as it answers to that, share of target; 0 before that is known. */
    double heat(Siblings siblings) {
        return isKnown() && siblings.areHeard()
                ? Math.max(0, baseline.expected(siblings.ratio()) - baseline.level())
                : 0;
    }

    /** What the sensor shows, °C. */
    public double celsius() {
        return celsius;
    }

    /** How warm the tyre's air is, °C: what a sensor inside shows; outside, what its pressure says, NaN before its level is known. */
    public double airCelsius() {
        return airCelsius;
    }

    /** The smallest difference between two readings so far: the sensor's step, kPa. */
    public double stepKpa() {
        return stepKpa;
    }

    /** How often its sensor reports, as far as it was heard, milliseconds; 0 before that is known. */
    public double intervalMillis() {
        return intervalMillis;
    }

    /** Whether its own level is known by now. */
    boolean isKnown() {
        return baseline.learned() >= LEARNED;
    }

    /** What it usually has, share of target, freed of heat; NaN before that is known. */
    public double usual() {
        return isKnown() ? baseline.level() : Double.NaN;
    }

    /** Whether its target was raised so lately that nobody can have filled it yet. */
    public boolean isNewlyHeldTo(long now) {
        return now - raisedTargetAt <= TIME_TO_ADJUST_MILLIS;
    }

    /** Whether its tyre came to the wheel on record so lately that people are still setting it to its target, and was not driven since. */
    public boolean isBeingSet() {
        return isBeingSet;
    }

    /** Whether {@code target} is higher than what it was held to when it was last driven, but for the time to fill it. */
    public boolean isToBeFilled(double target) {
        return target > targetKpa || target == targetKpa && isUndriven;
    }

    /** Takes note that it may have been driven at its target. */
    public void wasDriven() {
        isUndriven = false;
    }

    /** Whether it loses air that its siblings keep. */
    public boolean isLeaking() {
        return leak.isThere() || sinking.isThere();
    }

    /** How fast, kPa at 20 °C an hour, positive; 0 while it does not leak. */
    public double ratePerHour() {
        return leak.isThere() || !sinking.isThere() ? leak.ratePerHour() : sinking.perHour() * targetKpa;
    }

    /** Its standard error. */
    public double rateError() {
        return leak.isThere() || !sinking.isThere() ? leak.rateError() : sinking.error() * targetKpa;
    }

    /** How fast it fell lately, leaking or not, share of target an hour, 0 or more. */
    public double lossPerHour() {
        Drift.Line line = drift.line(Leak.LINE_BUCKETS, Leak.LINE_GAP_MILLIS);
        return line.buckets() < Leak.LEAST_BUCKETS ? 0 : Math.max(0, -line.perHour());
    }

    /** Whether it was pumped up again and again within the last hours, as by a system that works against a leak. */
    public boolean isRefilled() {
        return leak.isRefilled(steps, at);
    }

    /** Sudden changes of its pressure that stayed. */
    public AirSteps steps() {
        return steps;
    }

    /** Whether the latest reading showed that its level had stepped. */
    public boolean hasJustStepped() {
        return steppedAt == at;
    }

    /** Whether it is far hotter than the vehicle's other wheels. */
    public boolean isHotEnd() {
        return isHotEnd;
    }

    /** Says whether it is far hotter than the other wheels. */
    public void markHotEnd(boolean isHot) {
        isHotEnd = isHot;
    }

    /** Takes note of how cool it is among hot wheels. */
    public void markCool() {
        coolC = Double.isNaN(coolC) ? celsius : Math.min(coolC, celsius);
    }

    /** Whether it has warmed by so much since it was cool among hot wheels. */
    public boolean hasWarmedSinceCool(double byC) {
        return Double.isNaN(coolC) || celsius >= coolC + byC;
    }

    /** The recorded adjustment whose effect is settled with this reading, epoch milliseconds; {@code Long.MIN_VALUE} otherwise. */
    public long settledAdjustment() {
        return readingsSinceAdjusted == SETTLED_READINGS ? adjustedAt : Long.MIN_VALUE;
    }

    /** Takes in a measurement. */
    public void observe(Measurement m, Movement movement) {
        double target = m.targetKpa();
        retarget(target, m.at());
        settle(m, movement);
        isOutside = m.isOutside();
        double own = m.trendKpa() / target;
        double kpa = m.gaugeKpa();
        gaugeBefore = previousKpa;
        learnStep(kpa);
        learnInterval(m.at());
        boolean isStale =
                at == Long.MIN_VALUE || m.at() - at > Math.max(STALE_MILLIS, INTERVALS_OF_SILENCE * intervalMillis);
        double weight = isStale ? 1 : SMOOTHING;
        ratio = isStale ? own : ratio + weight * (own - ratio);
        gaugeRatio = isStale ? kpa / target : gaugeRatio + weight * (kpa / target - gaugeRatio);
        celsius = isStale ? m.celsius() : celsius + weight * (m.celsius() - celsius);
        previousAt = at;
        at = m.at();
        Siblings siblings = m.siblings();
        boolean isComparable = siblings.areHeard() || !m.isOutside();
        double shown = siblings.areHeard() ? siblings.ratio() : 1;
        double off = own - baseline.expected(shown);
        airCelsius = !m.isOutside() ? celsius : isKnown() ? airByPressure(m.rules(), target) : Double.NaN;
        if (m.isOutside()) {
            sinking.take(m, celsius, stepKpa);
        }
        // The sun on a cap looks like a leak, and only while the vehicle stands; a brake beside it looks like air let
        // in.
        boolean isSunlit = m.isOutside() && (siblings.maySunShine() || isHotEnd);
        if (isComparable && !isSunlit && !isBeingSet) {
            if (isKnown()) {
                look(off, own, shown, m);
            } else {
                baseline.learn(at, own, shown);
            }
        }
        settleAdjustment(m.rules());
    }

    /** Another target is no change of the air: everything known of the wheel is in shares of it. */
    private void retarget(double target, long now) {
        if (target != targetKpa && !Double.isNaN(targetKpa)) {
            isUndriven = target > targetKpa;
            raisedTargetAt = isUndriven ? now : raisedTargetAt;
            ratio *= targetKpa / target;
            gaugeRatio *= targetKpa / target;
            baseline.begin();
            drift.clear();
            leak.forget();
            sinking.forget();
        }
        targetKpa = target;
    }

    /** What a tyre that was just put on shows is what was done; what it keeps is known once it was set, or is driven. */
    private void settle(Measurement m, Movement movement) {
        long latest = m.rules().latestArrival(m.at());
        if (latest > cameAt) {
            cameAt = latest;
            baseline.begin();
            drift.clear();
            steps.forgetRefills();
            leak.forget();
            sinking.forget();
        }
        isBeingSet = m.at() - cameAt <= TIME_TO_ADJUST_MILLIS && !movement.hasMovedSince(cameAt);
    }

    private void settleAdjustment(WheelRules rules) {
        long latest = rules.latestAdjustment(adjustedAt, at);
        if (readingsSinceAdjusted == SETTLED_READINGS) {
            readingsSinceAdjusted = NOT_ADJUSTED;
        }
        if (latest > adjustedAt) {
            adjustedAt = latest;
            readingsSinceAdjusted = 0;
        }
        if (readingsSinceAdjusted != NOT_ADJUSTED) {
            readingsSinceAdjusted++;
        }
        if (readingsSinceAdjusted == SETTLED_READINGS) {
            // From now on it is to keep what somebody gave it.
            baseline.begin();
            drift.clear();
            steps.forgetRefills();
            leak.forget();
            sinking.forget();
        }
    }

    private void learnStep(double kpa) {
        double step = Math.abs(kpa - previousKpa);
        if (step > 0.05) {
            stepKpa = Math.max(LEAST_STEP_KPA, Math.min(stepKpa, step));
        }
        previousKpa = kpa;
    }

    private void learnInterval(long time) {
        if (at == Long.MIN_VALUE || time - at > LONGEST_INTERVAL_MILLIS) {
            return;
        }
        double interval = time - at;
        intervalMillis =
                intervalMillis == 0 ? interval : intervalMillis + INTERVAL_SMOOTHING * (interval - intervalMillis);
    }

    private double airByPressure(WheelRules rules, double target) {
        return rules.compensation().celsiusAt(gaugeRatio * target, baseline.level() * target);
    }

    private void look(double off, double own, double shown, Measurement m) {
        double target = m.targetKpa();
        // What was begun anew was not off.
        double before = drift.size() == 0 ? 0 : drift.now();
        // Outside, nobody looked while the sun may have shone, or before the others were heard, and all have cooled
        // since.
        double gauge = m.gaugeKpa() / target - (m.isOutside() ? m.siblings().gauge() : 0);
        double seenBefore = m.isOutside() ? lookedOver : gaugeBefore / target;
        long seenAt = m.isOutside() && !Double.isNaN(lookedOver) ? lookedAt : previousAt;
        lookedOver = m.isOutside() ? (float) gauge : Double.NaN;
        lookedAt = at;
        double byWarmth =
                m.isOutside() ? Sinking.byWarmth(celsius - m.siblings().celsius()) : 0;
        if (steps.take(at, seenAt, off, before, stepKpa / target, gauge, seenBefore, m.isOutside(), byWarmth)) {
            drift.clear();
            // What it had is gone: the smoothed value would come down, or up, only slowly.
            if (steps.isOfAir()) {
                ratio = own;
                steps.landedAt(own);
                steppedAt = at;
            }
            if (steps.isOfAir() && steps.lastShare() > 0) {
                sinking.forget();
                leak.pumpedUp(steps, m);
                if (!m.rules().conduct().isSelfInflating()) {
                    baseline.begin();
                    baseline.learn(at, own, shown);
                    leak.levelIsNew();
                }
                return;
            }
            if (steps.isOfAir()) {
                leak.lostAtOnce(steps, m, Math.max(0, -off), baseline.level());
            }
        }
        // The others are seen smoothed, so what all do together is to be seen of this one smoothed too.
        boolean movesWithOthers = m.isOutside() || m.rules().conduct().isBallasted();
        double smooth = movesWithOthers ? off : ratio - baseline.expected(shown);
        boolean isNextBucket = drift.add(at, smooth);
        double now = drift.now();
        boolean isYoung = baseline.learned() < YOUNG && Math.abs(off) < YOUNG_READING;
        boolean isHealthy = Math.abs(now) < HEALTHY && Math.abs(off) < HEALTHY_READING;
        // Air that all have lost together teaches nothing: each would follow the others down.
        boolean isCommonLoss = shown - 1 < Baseline.COMMON_LOSS;
        if (isYoung || isHealthy && !isCommonLoss) {
            baseline.learn(at, own, shown);
        }
        if (isNextBucket && leak.judge(drift, steps, m, stepKpa, HEALTHY, m.isOutside() && sinking.isCooling(at))) {
            // From now on it is to keep what somebody set it to.
            baseline.begin();
            drift.clear();
        }
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        baseline.remember(memory.part("baseline"));
        drift.remember(memory.part("drift"));
        steps.remember(memory.part("steps"));
        leak.remember(memory.part("leak"));
        sinking.remember(memory.part("sinking"));
        at = memory.time("at", at);
        previousAt = memory.time("previousAt", previousAt);
        intervalMillis = memory.figure("intervalMillis", intervalMillis);
        ratio = memory.figure("ratio", ratio);
        gaugeRatio = memory.figure("gaugeRatio", gaugeRatio);
        celsius = memory.figure("celsius", celsius);
        airCelsius = memory.figure("airCelsius", airCelsius);
        coolC = memory.figure("coolC", coolC);
        stepKpa = memory.figure("stepKpa", stepKpa);
        previousKpa = memory.figure("previousKpa", previousKpa);
        lookedOver = memory.figure("lookedOver", lookedOver);
        lookedAt = memory.time("lookedAt", lookedAt);
        targetKpa = memory.figure("targetKpa", targetKpa);
        isHotEnd = memory.flag("isHotEnd", isHotEnd);
        isOutside = memory.flag("isOutside", isOutside);
        raisedTargetAt = memory.time("raisedTargetAt", raisedTargetAt);
        cameAt = memory.time("cameAt", cameAt);
        isBeingSet = memory.flag("isBeingSet", isBeingSet);
        isUndriven = memory.flag("isUndriven", isUndriven);
        adjustedAt = memory.time("adjustedAt", adjustedAt);
        readingsSinceAdjusted = memory.count("readingsSinceAdjusted", readingsSinceAdjusted);
    }
}
