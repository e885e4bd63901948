package vividcaravan.core.judge.sensors;

import java.util.Arrays;
import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.Stage;
import vividcaravan.core.judge.siblings.Measurement;

/**
 * Finds a sensor that repeats one pressure and one temperature while the other wheels of its vehicle warm and cool: air in a
 * tyre that runs, or stands beside others that cool, does neither. Outside a tyre, where the wind cools all of them alike, a day of one
 * pressure tells the same while the pressure of the others moves.
 */
public final class StuckWatch {

    /** So long it repeats itself before it is said to be stuck [our judgement]. */
    private static final long STUCK_MILLIS = 4L * 60 * 60 * 1000;

    private static final int STUCK_READINGS = 20;
    /** By so much a day's work warms the others, °C [common practice]. */
    private static final double STUCK_OTHERS_C = 10;
    /** So long, and so much, until nothing is concluded from it any more [our judgement]. */
    private static final long SUSPECT_MILLIS = 30L * 60 * 1000;

    private static final double SUSPECT_OTHERS_C = 8;
    /** Outside a third of it shows [common practice]. */
    private static final double SUSPECT_OTHERS_OUTSIDE_C = 3;

    private static final int SUSPECT_READINGS = 5;
    /** One other wheel may itself be the odd one. */
    private static final int OTHERS = 2;

    /** So long, so often and while the others' pressure moved by so many steps, whatever their warmth did [our judgement]. */
    private static final long DAY_MILLIS = 24L * 60 * 60 * 1000;

    private static final int DAY_READINGS = 40;
    private static final int STEPS = 4;
    /** Of a sensor that never showed one [common practice: 2 to 10 kPa]. */
    private static final double COARSE_STEP_KPA = 10;

    private static final double SAME = 1e-6;

    private double kpa = Double.NaN;
    private double celsius = Double.NaN;
    private long since;
    private long at;
    private int readings;
    private boolean isOutside;
    /** How far the middle one of the others moved since, and the coolest: one hot axle moves only the first. */
    private final double[] coolestC = {Double.NaN, Double.NaN};

    private final double[] warmestC = {Double.NaN, Double.NaN};
    /** The least by which its pressure ever moved, kPa. */
    private double stepKpa = Double.NaN;
    /** The least and the most that the middle one of the others showed since, over its target. */
    private double lowestGauge = Double.NaN;

    private double highestGauge = Double.NaN;

    /** Takes in a measurement, after the wheel's siblings were looked at. A wheel that may be lifted stays cool, and rightly. */
    public void judge(Measurement m, Stage stage) {
        Reading reading = m.reading();
        boolean isSame =
                Math.abs(reading.pressureKpa() - kpa) <= SAME && Math.abs(reading.temperatureC() - celsius) <= SAME;
        if (!isSame) {
            double moved = Math.abs(reading.pressureKpa() - kpa);
            stepKpa = moved > SAME && !(moved >= stepKpa) ? moved : stepKpa;
            lowestGauge = Double.NaN;
            highestGauge = Double.NaN;
            kpa = reading.pressureKpa();
            celsius = reading.temperatureC();
            since = m.at();
            readings = 0;
            Arrays.fill(coolestC, Double.NaN);
            Arrays.fill(warmestC, Double.NaN);
        }
        at = m.at();
        isOutside = m.isOutside();
        readings = Math.min(readings + 1, DAY_READINGS);
        if (m.siblings().count() >= OTHERS) {
            move(0, m.siblings().celsius());
            move(1, m.siblings().coolestC());
        }
        if (at - since >= SUSPECT_MILLIS && m.siblings().count() >= OTHERS) {
            double gauge = m.siblings().gauge();
            lowestGauge = gauge >= lowestGauge ? lowestGauge : gauge;
            highestGauge = gauge <= highestGauge ? highestGauge : gauge;
        }
        boolean isByWarmth =
                readings >= STUCK_READINGS && at - since >= STUCK_MILLIS && othersMovedC() >= STUCK_OTHERS_C;
        boolean isByPressure = readings >= DAY_READINGS
                && at - since >= DAY_MILLIS
                && (highestGauge - lowestGauge) * m.targetKpa() >= STEPS * leastStepKpa();
        boolean isStuck = !m.rules().isLiftable() && !m.rules().position().isSpare() && (isByWarmth || isByPressure);
        stage.update(isStuck, !isSame, at, 1);
    }

    private double leastStepKpa() {
        return Double.isNaN(stepKpa) ? COARSE_STEP_KPA : stepKpa;
    }

    private void move(int which, double celsius) {
        coolestC[which] = Double.isNaN(coolestC[which]) ? celsius : Math.min(coolestC[which], celsius);
        warmestC[which] = Double.isNaN(warmestC[which]) ? celsius : Math.max(warmestC[which], celsius);
    }

    /** By how much all of the others have warmed or cooled since it repeats itself, °C; 0 where none was heard. */
    private double othersMovedC() {
        double moved = Math.min(warmestC[0] - coolestC[0], warmestC[1] - coolestC[1]);
        return Double.isNaN(moved) ? 0 : moved;
    }

    /** Whether it repeats itself while the others do not: what it shows is no evidence of its tyre. */
    public boolean isSuspect() {
        double moved = isOutside ? SUSPECT_OTHERS_OUTSIDE_C : SUSPECT_OTHERS_C;
        return at - since >= SUSPECT_MILLIS && readings >= SUSPECT_READINGS && othersMovedC() >= moved;
    }

    /** Since when it repeats itself, epoch milliseconds. */
    public long since() {
        return since;
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        kpa = memory.figure("kpa", kpa);
        celsius = memory.figure("celsius", celsius);
        since = memory.time("since", since);
        at = memory.time("at", at);
        readings = memory.count("readings", readings);
        isOutside = memory.flag("isOutside", isOutside);
        stepKpa = memory.figure("stepKpa", stepKpa);
        lowestGauge = memory.figure("lowestGauge", lowestGauge);
        highestGauge = memory.figure("highestGauge", highestGauge);
        memory.slots("coolestC", coolestC);
        memory.slots("warmestC", warmestC);
    }
}
