package vividcaravan.core.gas;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.core.units.AbsolutePressure;

class AtmosphereTest {

    @ParameterizedTest(name = "{0} m: {1} kPa (ISO 2533)")
    @CsvSource({"0, 101.325", "500, 95.46", "1000, 89.87", "1500, 84.56", "2000, 79.50", "3000, 70.11"})
    void agreesWithTheStandardAtmosphere(double metres, double kpa) {
        assertThat(Atmosphere.at(metres).kpa()).isCloseTo(kpa, within(0.006));
    }

    @ParameterizedTest(name = "a vented gauge reads {1} kPa more at {0} m")
    @CsvSource({"620, 7.2", "2000, 21.8"}) // computed by hand from ISO 2533
    void aHandGaugeReadsMoreUphill(double metres, double kpa) {
        double more = AbsolutePressure.STANDARD_ATMOSPHERE.kpa()
                - Atmosphere.at(metres).kpa();

        assertThat(more).isCloseTo(kpa, within(0.06));
    }

    @ParameterizedTest
    @ValueSource(doubles = {-2000.1, 11000.1, Double.NaN, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY})
    void refusesAnAltitudeThatTheFormulaDoesNotHoldFor(double metres) {
        assertThatThrownBy(() -> Atmosphere.at(metres))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(String.valueOf(metres));
    }
}
