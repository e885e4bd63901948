package vividcaravan.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class GaugePressureTest {

    @Test
    void gaugeAndAbsoluteDifferByTheAirAround() {
        GaugePressure gauge = GaugePressure.of(8, PressureUnit.BAR);

        AbsolutePressure absolute = gauge.toAbsolute(AbsolutePressure.STANDARD_ATMOSPHERE);

        assertThat(absolute.kpa()).isCloseTo(901.325, within(1e-9));
        assertThat(absolute.toGauge(AbsolutePressure.STANDARD_ATMOSPHERE).in(PressureUnit.BAR))
                .isCloseTo(8, within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(doubles = {Double.NaN, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY})
    void refusesWhatIsNoNumber(double kpa) {
        assertThatThrownBy(() -> new GaugePressure(kpa))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(String.valueOf(kpa));
    }

    @ParameterizedTest
    @ValueSource(doubles = {-0.001, Double.NaN, Double.POSITIVE_INFINITY})
    void nothingIsEmptierThanVacuum(double kpa) {
        assertThatThrownBy(() -> new AbsolutePressure(kpa)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void vacuumItselfIsAPressure() {
        assertThat(new AbsolutePressure(0).kpa()).isZero();
    }
}
