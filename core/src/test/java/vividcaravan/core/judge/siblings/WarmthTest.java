package vividcaravan.core.judge.siblings;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** Warming tells driving from standing; the rises are our judgement. */
class WarmthTest {

    private static final long MINUTE = 60_000;

    private final Warmth warmth = new Warmth();
    private long now = 1_700_000_000_000L;

    private void show(double celsius) {
        now += MINUTE;
        warmth.take(now, celsius);
    }

    private void warm(double from, double perHour, int minutes) {
        for (int minute = 1; minute <= minutes; minute++) {
            show(from + perHour * minute / 60);
        }
    }

    @Test
    void aTyreThatGainsTwentyDegreesAnHourIsDriven() {
        warm(15, 20, 20);
        assertThat(warmth.isByDriving()).isFalse();
        warm(21.7, 20, 10);
        assertThat(warmth.isByDriving()).isTrue();
        warm(25, 0, 300);
        assertThat(warmth.isByDriving()).as("goes on as warm as it got").isTrue();
    }

    @Test
    void aSunnyMorningIsNoDrive() {
        warm(10, 5, 360);
        assertThat(warmth.isByDriving()).isFalse();
    }

    @Test
    void onceItCooledItStands() {
        warm(15, 24, 60);
        warm(39, -12, 20);
        assertThat(warmth.isByDriving()).isTrue();
        warm(35, -12, 15);
        assertThat(warmth.isByDriving()).isFalse();
    }

    @Test
    void whatItDidInASilenceNobodyKnows() {
        warm(15, 24, 60);
        now += 120 * MINUTE;
        show(40);
        assertThat(warmth.isByDriving()).isFalse();
    }

    @Test
    void noWeatherMakesATyreThatHot() {
        show(54.9);
        assertThat(warmth.isByDriving()).isFalse();
        show(55);
        assertThat(warmth.isByDriving()).isTrue();
    }
}
