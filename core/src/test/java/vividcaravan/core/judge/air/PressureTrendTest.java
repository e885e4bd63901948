package vividcaravan.core.judge.air;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class PressureTrendTest {

    private static final long MINUTE = 60_000;
    private static final long HOUR = 60 * MINUTE;

    private static List<PressureTrend.Sample> line(double from, double perHour, int minutes, double noise, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<PressureTrend.Sample> samples = new ArrayList<>();
        for (int minute = 0; minute <= minutes; minute++) {
            double off = noise == 0 ? 0 : random.nextDouble(-noise, noise);
            samples.add(new PressureTrend.Sample(minute * MINUTE, from + perHour * minute / 60 + off));
        }
        return samples;
    }

    @Test
    void aStraightFallGivesItsRateAndTheTimeOfTheLimit() {
        PressureTrend trend = PressureTrend.of(line(780, -14, 120, 0, 1)).orElseThrow();

        assertThat(trend.kpaPerHour()).isCloseTo(-14, within(1e-9));
        assertThat(trend.kpaAt20()).isCloseTo(752, within(1e-9));
        // 752 - 624 = 128 kPa at 14 kPa an hour is 9 h 8.6 min.
        assertThat(trend.reaches(624) - 2 * HOUR).isCloseTo(Math.round(128.0 / 14 * HOUR), within(1L));
        assertThat(trend.reaches(760)).isEqualTo(trend.at());
    }

    /**
     * Slope −1.2024 and its standard error
     * 0.14302, computed apart with the formulas of simple linear regression in Python (slope by statistics.linear_regression).
     */
    @Test
    void theRangeIsTwiceTheStandardErrorOfTheSlope() {
        double[] y = {-1, -3, -2, -5, -7, -8, -8, -9};
        List<PressureTrend.Sample> samples = new ArrayList<>();
        for (int i = 0; i < y.length; i++) {
            samples.add(new PressureTrend.Sample(i * HOUR, y[i]));
        }

        PressureTrend trend = PressureTrend.of(samples).orElseThrow();

        assertThat(trend.kpaPerHour()).isCloseTo(-1.2024, within(1e-4));
        assertThat(trend.slowestKpaPerHour() - trend.kpaPerHour()).isCloseTo(2 * 0.14302, within(2e-4));
    }

    @Test
    void theRangeHoldsTheTruthNineTimesInTen() {
        int inside = 0;
        for (long seed = 0; seed < 200; seed++) {
            PressureTrend trend = PressureTrend.of(line(780, -9, 90, 4, seed)).orElseThrow();
            long truth = Math.round((780.0 - 624) / 9 * HOUR);
            inside += trend.reachesAtTheEarliest(624) <= truth && truth <= trend.reachesAtTheLatest(624) ? 1 : 0;
        }
        assertThat(inside).isGreaterThan(180);
    }

    @Test
    void whatDoesNotSurelyFallHasNoTrend() {
        assertThat(PressureTrend.of(line(780, 0, 180, 4, 3))).isEmpty();
        assertThat(PressureTrend.of(line(780, 6, 180, 0, 3))).isEmpty();
        assertThat(PressureTrend.of(line(780, -0.3, 180, 0, 3))).isEmpty();
    }

    @Test
    void tooFewOrTooShortIsNoTrend() {
        assertThat(PressureTrend.of(List.of())).isEmpty();
        assertThat(PressureTrend.of(line(780, -60, 6, 0, 1))).isEmpty();
        assertThat(PressureTrend.of(line(780, -60, 19, 0, 1))).isEmpty();
        assertThat(PressureTrend.of(line(780, -60, 20, 0, 1))).isPresent();
    }
}
