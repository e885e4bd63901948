package vividcaravan.core.fitting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import vividcaravan.core.gas.Atmosphere;
import vividcaravan.core.gas.TemperatureCompensation;

class GaugeComparisonTest {

    /** ISO 2533 gives 94.1 kPa at 620 m and 79.50 at 2000 m: a gauge shows 7.2 and 21.8 kPa more there. */
    @Test
    void aGaugeShowsMoreUphillThanASensorThatSubtractsAFixedOffset() {
        assertThat(GaugeComparison.of(760, TemperatureCompensation.ofFixedOffset(Atmosphere.at(620)), 767, 10)
                        .expectedKpa())
                .isCloseTo(767.2, within(0.1));
        assertThat(GaugeComparison.of(760, TemperatureCompensation.ofFixedOffset(Atmosphere.at(2000)), 782, 10)
                        .expectedKpa())
                .isCloseTo(781.8, within(0.1));
        assertThat(GaugeComparison.of(760, TemperatureCompensation.toTwentyCelsius(Atmosphere.at(2000)), 760, 10)
                        .expectedKpa())
                .isEqualTo(760);
    }

    @Test
    void theyAgreeWithinTheTolerance() {
        assertThat(GaugeComparison.of(760, TemperatureCompensation.ofFixedOffset(Atmosphere.at(0)), 770, 10)
                        .agrees())
                .isTrue();
        assertThat(GaugeComparison.of(760, TemperatureCompensation.ofFixedOffset(Atmosphere.at(0)), 770.1, 10)
                        .agrees())
                .isFalse();
        assertThat(GaugeComparison.of(760, TemperatureCompensation.ofFixedOffset(Atmosphere.at(0)), 749.9, 10)
                        .agrees())
                .isFalse();
    }

    @Test
    void figuresThatAreNoneAreRefused() {
        assertThatThrownBy(() -> GaugeComparison.of(
                        Double.NaN, TemperatureCompensation.ofFixedOffset(Atmosphere.at(0)), 760, 10))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(
                        () -> GaugeComparison.of(760, TemperatureCompensation.ofFixedOffset(Atmosphere.at(0)), 760, 0))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
