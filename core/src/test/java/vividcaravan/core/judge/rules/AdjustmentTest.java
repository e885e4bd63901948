package vividcaravan.core.judge.rules;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.axles.Position;

/** What a recorded setting of a pressure explains: a filling no fall, a letting-out no more than was written down. */
class AdjustmentTest {

    private static final long MINUTE = 60_000;

    @ParameterizedTest(name = "{0} to {1}, {2} min later {3} kPa: {4}")
    @CsvSource({
        // A filling, or no change at all.
        "700, 800, 1, 790, false",
        "800, 800, 1, 790, false",
        // Let out from 900 to 800: down to that, with what two gauges differ.
        "900, 800, 1, 800, true",
        "900, 800, 1, 780, true",
        "900, 800, 1, 779, false",
        "900, 800, 15, 800, true",
        "900, 800, 15.1, 800, false",
        "900, 800, -15, 800, true",
        "900, 800, -15.1, 800, false",
        // Only one of the figures.
        ", 800, 1, 780, true",
        ", 800, 1, 779, false",
        "900, , 1, 760, true",
        "900, , 1, 759, false",
        ", , 1, 760, true",
        ", , 1, 759, false",
    })
    void explains(Double before, Double after, double minutes, double kpa, boolean isExplained) {
        Adjustment adjustment = new Adjustment(Position.parse("1L"), 0, before, after);

        // At 20 °C, so that gauge and pressure at 20 °C are the same; 95 % of 800 are 760.
        assertThat(adjustment.explainsFall(Math.round(minutes * MINUTE), kpa, kpa, 800))
                .isEqualTo(isExplained);
    }
}
