package vividcaravan.core.limits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.core.units.PressureUnit;

class AxleLimitsTest {

    @Test
    void turnsSharesIntoPressures() {
        AxleLimits limits = new AxleLimits(780, LimitPolicy.DEFAULT);

        assertThat(limits.lowKpa()).isCloseTo(702, within(1e-9));
        assertThat(limits.lowCriticalKpa()).isCloseTo(624, within(1e-9));
        assertThat(limits.highKpa()).isCloseTo(897, within(1e-9));
        assertThat(limits.deviation(702)).isCloseTo(-0.1, within(1e-12));
    }

    @ParameterizedTest
    @ValueSource(doubles = {49.9, 1200.1, Double.NaN, Double.POSITIVE_INFINITY, -800})
    void refusesATargetThatNoTyreHas(double targetKpa) {
        assertThatThrownBy(() -> new AxleLimits(targetKpa, LimitPolicy.DEFAULT))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(String.valueOf(targetKpa));
    }

    @ParameterizedTest
    @ValueSource(doubles = {50, 1200})
    void acceptsTheEndsOfTheRange(double targetKpa) {
        assertThat(AxleLimits.faults(targetKpa, LimitPolicy.DEFAULT)).isEmpty();
    }

    @Test
    void aHighLimitBeyondTheSensorsRangeWouldNeverBeSeen() {
        LimitPolicy high = new LimitPolicy(Basis.GAUGE, 10, 20, 25, 70, 85);

        assertThat(AxleLimits.faults(1120, high)).isEmpty();
        assertThat(AxleLimits.faults(1121, high)).extracting(LimitFault::field).containsExactly("highPct");
    }

    /** 900 kPa at 20 °C are 797.53 at −10 °C [Gay-Lussac at constant volume, computed]. */
    @Test
    void aTargetThatHoldsInTheColdIsMoreAtTwentyDegrees() {
        AxleLimits winter = new AxleLimits(797.53, LimitPolicy.DEFAULT.with(LimitName.REFERENCE_C, -10.0));

        assertThat(winter.targetKpa()).isCloseTo(900, within(0.01));
        assertThat(winter.lowKpa()).isCloseTo(810, within(0.01));
        assertThat(winter.coldDeviation(797.53)).isZero();
        assertThat(winter.onTheGauge().lowKpa()).isCloseTo(717.777, within(0.001));
    }

    @Test
    void onTheGaugeTheReferenceCountsForNothing() {
        LimitPolicy gauge = LimitPolicy.DEFAULT.with(LimitName.BASIS, Basis.GAUGE);

        assertThat(new AxleLimits(800, gauge.with(LimitName.REFERENCE_C, -10.0)).targetKpa())
                .isEqualTo(800);
        assertThat(new AxleLimits(800, LimitPolicy.DEFAULT).targetKpa()).isEqualTo(800);
    }

    @Test
    void aReferenceThatPutsTheHighLimitBeyondTheSensorIsRefused() {
        LimitPolicy winter = LimitPolicy.DEFAULT.with(LimitName.REFERENCE_C, -30.0);

        assertThat(AxleLimits.faults(950, winter)).isEmpty();
        assertThat(AxleLimits.faults(1100, winter))
                .extracting(LimitFault::field)
                .containsExactly("highPct");
    }

    @ParameterizedTest(name = "{1} % of {0} {3} typed as {2}: {4}")
    @CsvSource({
        "90,  25,  117,  PSI, 112.5", // typed by hand as 25 %, is 30 %
        "90,  25,  112.5, PSI, ",
        "90,  25,  113,  PSI, ", // rounded to a whole psi
        "7.8, 10,  8.6,  BAR, ", // 8.58, rounded to a tenth
        "7.8, 10,  8.7,  BAR, 8.58",
        "800, -20, 640,  KPA, ",
        "800, -20, 650,  KPA, 640",
    })
    void pointsOutAPercentageThatWasComputedWrong(
            double target, double pct, double entered, PressureUnit unit, Double right) {
        Optional<Double> correction = StatedPercentage.correction(target, pct, entered, unit);

        if (right == null) {
            assertThat(correction).isEmpty();
        } else {
            assertThat(correction).hasValueSatisfying(value -> assertThat(value).isCloseTo(right, within(1e-9)));
        }
    }

    @ParameterizedTest
    @CsvSource({"NaN, 10, 8", "0, 10, 8", "7, Infinity, 8", "7, 10, NaN"})
    void aCorrectionNeedsNumbers(double target, double pct, double entered) {
        assertThatThrownBy(() -> StatedPercentage.correction(target, pct, entered, PressureUnit.BAR))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
