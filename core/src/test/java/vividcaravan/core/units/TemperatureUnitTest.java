package vividcaravan.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tech.units.indriya.quantity.Quantities;
import tech.units.indriya.unit.Units;

class TemperatureUnitTest {

    @ParameterizedTest(name = "{0} °C is {1} °F")
    @CsvSource({"70, 158", "75, 167", "82, 179.6", "93, 199.4", "0, 32", "-40, -40", "20, 68"})
    void convertsByTheExactRelation(double celsius, double fahrenheit) {
        // °F = 1.8·°C + 32, NIST SP 811 appendix B.8.
        assertThat(TemperatureUnit.FAHRENHEIT.fromCelsius(celsius)).isCloseTo(fahrenheit, within(1e-9));
        assertThat(TemperatureUnit.FAHRENHEIT.toCelsius(fahrenheit)).isCloseTo(celsius, within(1e-9));
    }

    @Property(seed = "20261120")
    void agreesWithTheUnitsLibraryOnKelvin(@ForAll @DoubleRange(min = -60, max = 200) double celsius) {
        double kelvin = Quantities.getQuantity(celsius, Units.CELSIUS)
                .to(Units.KELVIN)
                .getValue()
                .doubleValue();

        assertThat(new Temperature(celsius).kelvin()).isCloseTo(kelvin, within(1e-9));
    }

    @Test
    void aDifferenceHasNoOffset() {
        assertThat(TemperatureUnit.FAHRENHEIT.differenceFromCelsius(10)).isEqualTo(18);
        assertThat(TemperatureUnit.CELSIUS.differenceFromCelsius(10)).isEqualTo(10);
    }

    @ParameterizedTest
    @ValueSource(doubles = {-273.16, Double.NaN, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY})
    void refusesWhatIsNoTemperature(double celsius) {
        assertThatThrownBy(() -> new Temperature(celsius))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(String.valueOf(celsius));
    }

    @Test
    void writesWholeDegrees() {
        assertThat(TemperatureUnit.CELSIUS.format(45.6)).isEqualTo("46\u00a0°C");
        assertThat(TemperatureUnit.FAHRENHEIT.format(70)).isEqualTo("158\u00a0°F");
    }
}
