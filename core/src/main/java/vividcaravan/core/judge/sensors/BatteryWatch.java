package vividcaravan.core.judge.sensors;

import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.Stage;
import vividcaravan.core.judge.siblings.Siblings;

/** Judges a coin cell by what it gives when warm; in the cold by its siblings, or by a day with what the cold may cost it. */
public final class BatteryWatch {

    /** Below this a coin cell is weak, mV [common practice]. */
    private static final int WEAK_MV = 2500;

    private static final int SOUND_MV = 2600;
    /** Cold cells sag, so a battery is judged on values taken this warm, °C [common practice]. */
    private static final double JUDGED_FROM_C = 10;
    /** How much a cold cell may sag for each °C below that, mV [our judgement, on the careful side]. */
    private static final double SAG_MV_PER_C = 25;

    private static final int READINGS = 5;
    /** Not on one cold morning: so long must a cell be weak in the cold, even with what it may sag. */
    private static final long COLD_AND_WEAK_MILLIS = 24L * 60 * 60 * 1000;

    /** A cell so much below those of its siblings, in the same cold, is weak whatever the cold, mV [our judgement]. */
    private static final double BELOW_SIBLINGS_MV = 300;

    private static final long NEVER = Long.MAX_VALUE;

    private long coldAndWeakSince = NEVER;
    private final CellTrend trend = new CellTrend();
    private double mv = Double.NaN;

    /** What the cell gave last, mV; NaN where it never said. */
    public double mv() {
        return mv;
    }

    /** What the cell gives when warm, a slow mean, mV; NaN where it never did. */
    public double warmMv() {
        return trend.warmMv();
    }

    /** What is known of the cell. */
    public Cell cell() {
        return trend.cell();
    }

    /** Takes in a reading that has a temperature. */
    public void judge(Reading reading, Siblings siblings, Stage stage) {
        if (reading.batteryMv() == null) {
            return;
        }
        mv = reading.batteryMv();
        trend.take(reading);
        double cold = Math.max(0, JUDGED_FROM_C - reading.temperatureC());
        double allowed = mv + SAG_MV_PER_C * cold;
        coldAndWeakSince = cold > 0 && allowed < WEAK_MV ? Math.min(coldAndWeakSince, reading.at()) : NEVER;
        boolean isWeakForLong = reading.at() - coldAndWeakSince >= COLD_AND_WEAK_MILLIS && coldAndWeakSince != NEVER;
        if (cold == 0 || isWeakForLong) {
            stage.update(allowed < WEAK_MV, allowed >= SOUND_MV, reading.at(), READINGS);
        } else if (mv < WEAK_MV) {
            boolean isBelow = siblings.middleBatteryMv() - mv >= BELOW_SIBLINGS_MV;
            stage.update(isBelow, false, reading.at(), READINGS);
        }
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        coldAndWeakSince = memory.time("coldAndWeakSince", coldAndWeakSince);
        mv = memory.figure("mv", mv);
        trend.remember(memory.part("trend"));
    }
}
