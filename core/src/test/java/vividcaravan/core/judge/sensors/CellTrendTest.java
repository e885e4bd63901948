package vividcaravan.core.judge.sensors;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.Random;
import org.junit.jupiter.api.Test;
import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.Reading;

/** What is learned of a sensor's cell over months. */
class CellTrendTest {

    private static final long STEP = Duration.ofMinutes(6).toMillis();

    private static CellTrend after(CellTrend trend, int fromDay, int toDay, double mvPerMonth, double celsius) {
        Random random = new Random(5);
        for (long at = Duration.ofDays(fromDay).toMillis();
                at < Duration.ofDays(toDay).toMillis();
                at += STEP) {
            double months = at / (double) Duration.ofDays(30).toMillis();
            int mv = (int) (2_950 - mvPerMonth * months + random.nextGaussian() * 15);
            trend.take(new Reading(at, 800, celsius, mv, null, true));
        }
        return trend;
    }

    @Test
    void seesAFallOverMonthsAndHowOftenTheSensorSpeaks() {
        Cell cell = after(new CellTrend(), 0, 100, 40, 25).cell();

        assertThat(cell.mvPerMonth()).isBetween(34.0, 46.0);
        assertThat(cell.readingsPerDay()).isBetween(235.0, 245.0);
        assertThat(cell.warmMv()).isBetween(2_800.0, 2_830.0);
    }

    @Test
    void saysNothingOfASlopeInAWeekAndNothingAtAllInTheCold() {
        assertThat(after(new CellTrend(), 0, 8, 40, 25).cell().mvPerMonth()).isNaN();
        assertThat(after(new CellTrend(), 0, 60, 40, 2).cell().warmMv()).isNaN();
    }

    @Test
    void goesOnFromWhatWasKept() {
        CellTrend before = after(new CellTrend(), 0, 50, 40, 25);
        Memory memory = Memory.blank();
        before.remember(memory);
        CellTrend again = new CellTrend();
        again.remember(Memory.of(memory.values()));

        assertThat(after(again, 50, 100, 40, 25).cell())
                .isEqualTo(after(before, 50, 100, 40, 25).cell());
    }
}
