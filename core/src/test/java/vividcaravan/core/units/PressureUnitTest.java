package vividcaravan.core.units;

import static javax.measure.MetricPrefix.KILO;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import javax.measure.Unit;
import javax.measure.quantity.Pressure;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tech.units.indriya.quantity.Quantities;
import tech.units.indriya.unit.Units;

class PressureUnitTest {

    /** NIST SP 811 gives seven digits. */
    private static final double SEVEN_DIGITS = 5e-7;

    @ParameterizedTest(name = "{1} {0} is {2} kPa ({3})")
    @CsvSource({
        "PSI,     1,   6.894757, NIST SP 811 appendix B.8",
        "PSI,     100, 689.4757, NIST SP 811 appendix B.8",
        "BAR,     1,   100,      NIST SP 811 appendix B.8",
        "KGF_CM2, 1,   98.0665,  NIST SP 811 appendix B.8",
        "KPA,     1,   1,        by definition",
    })
    void convertsAsPublished(PressureUnit unit, double value, double kpa, String source) {
        assertThat(unit.toKpa(value)).isCloseTo(kpa, within(kpa * SEVEN_DIGITS));
    }

    @ParameterizedTest
    @CsvSource({"32", "105", "110.5", "130", "0.1"})
    void agreesWithTheUnitsLibraryOnPsi(double psi) {
        Unit<Pressure> pound = Units.PASCAL.multiply(4.4482216152605).divide(0.0254 * 0.0254);

        double kpa = Quantities.getQuantity(psi, pound)
                .to(KILO(Units.PASCAL))
                .getValue()
                .doubleValue();

        assertThat(PressureUnit.PSI.toKpa(psi)).isCloseTo(kpa, within(1e-9 * kpa));
    }

    @ParameterizedTest
    @CsvSource({"7.8", "9", "0.01"})
    void agreesWithTheUnitsLibraryOnBar(double bar) {
        double kpa = Quantities.getQuantity(bar, Units.PASCAL.multiply(100_000))
                .to(KILO(Units.PASCAL))
                .getValue()
                .doubleValue();

        assertThat(PressureUnit.BAR.toKpa(bar)).isCloseTo(kpa, within(1e-9 * kpa));
    }

    @Property(seed = "20261120")
    void comesBackFromEveryUnit(@ForAll PressureUnit unit, @ForAll @DoubleRange(min = -10, max = 2000) double kpa) {
        double back = unit.toKpa(unit.fromKpa(kpa));

        assertThat(back).isCloseTo(kpa, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({
        "KPA, 742.4, 742\u00a0kPa",
        "BAR, 780, 7.80\u00a0bar",
        "PSI, 689.4757, 100.0\u00a0psi",
        "KGF_CM2, 98.0665, 1.00\u00a0kgf/cm²",
        "KPA, -0.2, 0\u00a0kPa"
    })
    void writesAFigureWithTheDigitsThatAReadingDeserves(PressureUnit unit, double kpa, String words) {
        assertThat(unit.format(kpa)).isEqualTo(words);
    }
}
