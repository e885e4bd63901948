package vividcaravan.core.gas;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.units.AbsolutePressure;
import vividcaravan.core.units.GaugePressure;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.Temperature;
import vividcaravan.core.units.TemperatureUnit;

class TemperatureCompensationTest {

    private static final TemperatureCompensation SEA = TemperatureCompensation.AT_SEA_LEVEL;

    /** The trade's check values are given to hundredths of a kPa. */
    private static final double HUNDREDTH = 0.005;

    @ParameterizedTest(name = "{0} kPa at {1} °C is {2} kPa at 20 °C")
    @CsvSource({
        // Computed by hand from (Pg + 101.325)·293.15/(T + 273.15) − 101.325.
        "800, 60, 691.78",
        "720, 62, 617.07",
        "650, 45, 590.96",
        "230, -5, 260.89",
    })
    void bringsAPressureToTwentyDegrees(double gaugeKpa, double celsius, double at20) {
        GaugePressure compensated = SEA.compensate(new GaugePressure(gaugeKpa), new Temperature(celsius));

        assertThat(compensated.kpa()).isCloseTo(at20, within(HUNDREDTH));
        assertThat(SEA.compensateKpa(gaugeKpa, celsius)).isEqualTo(compensated.kpa());
    }

    @ParameterizedTest(name = "{0} kPa at 20 °C shows {2} at {1} °C")
    @CsvSource({
        "900, -10, 797.53", // computed by hand
        "140,  60, 172.93", // computed by hand
        "800, -10, 708", // the placard's "cold" is the air around, not 20 °C: −11.5 %
        "800, -35, 631", // −21 %
    })
    void saysWhatAGaugeShowsAtAnotherTemperature(double at20, double celsius, double gaugeKpa) {
        GaugePressure shown = SEA.expectedAt(new GaugePressure(at20), new Temperature(celsius));

        assertThat(shown.kpa()).isCloseTo(gaugeKpa, within(gaugeKpa == Math.rint(gaugeKpa) ? 0.5 : HUNDREDTH));
    }

    @ParameterizedTest(name = "10 °F less at {0} psi is {1} psi less")
    @CsvSource({
        // "1 psi per 10 °F" is common practice and holds near 35 psi only; the others computed by hand.
        "35,  0.94",
        "100, 2.17",
        "120, 2.55",
    })
    void showsWhereTheRuleOfThumbFails(double psi, double fallPsi) {
        Temperature warm = Temperature.of(68, TemperatureUnit.FAHRENHEIT);
        Temperature cool = Temperature.of(58, TemperatureUnit.FAHRENHEIT);
        GaugePressure atReference = GaugePressure.of(psi, PressureUnit.PSI);

        double fall = SEA.expectedAt(atReference, warm).in(PressureUnit.PSI)
                - SEA.expectedAt(atReference, cool).in(PressureUnit.PSI);

        assertThat(fall).isCloseTo(fallPsi, within(0.01));
    }

    @Test
    void filledHotToTheColdFigureIsShort() {
        // 800 kPa set at 50 °C is 716 at 20 °C, computed by hand.
        assertThat(SEA.compensateKpa(800, 50)).isCloseTo(716, within(0.5));
    }

    @Test
    void aRiseByAQuarterMeansAVeryHotTyre() {
        // 110 psi at 20 °C that shows 137 is at about 83 °C inside, computed by hand.
        double shown = SEA.expectedAt(GaugePressure.of(110, PressureUnit.PSI), new Temperature(83))
                .in(PressureUnit.PSI);

        assertThat(shown).isCloseTo(137, within(0.3));
    }

    @Property(seed = "20261120")
    void comesBackFromTheReference(
            @ForAll @DoubleRange(min = 0, max = 1400) double kpa,
            @ForAll @DoubleRange(min = -60, max = 200) double celsius,
            @ForAll @DoubleRange(min = -400, max = 3000) double altitudeM) {
        TemperatureCompensation here = TemperatureCompensation.toTwentyCelsius(Atmosphere.at(altitudeM));
        Temperature temperature = new Temperature(celsius);

        GaugePressure back = here.expectedAt(here.compensate(new GaugePressure(kpa), temperature), temperature);

        assertThat(back.kpa()).isCloseTo(kpa, within(1e-6));
    }

    @Property(seed = "20261120")
    void warmerAirAtTheSameGaugeMeansLessAir(
            @ForAll @DoubleRange(min = 0, max = 1400) double kpa,
            @ForAll @DoubleRange(min = -60, max = 190) double celsius,
            @ForAll @DoubleRange(min = 0.1, max = 10) double warmer) {
        assertThat(SEA.compensateKpa(kpa, celsius + warmer)).isLessThan(SEA.compensateKpa(kpa, celsius));
    }

    @Property(seed = "20261120")
    void atTwentyDegreesNothingChanges(@ForAll @DoubleRange(min = -10, max = 2000) double kpa) {
        assertThat(SEA.compensateKpa(kpa, 20)).isCloseTo(kpa, within(1e-9));
    }

    @Test
    void refusesAbsoluteZero() {
        Temperature zero = new Temperature(-273.15);

        assertThatThrownBy(() -> SEA.compensate(new GaugePressure(800), zero))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new TemperatureCompensation(
                        zero, AbsolutePressure.STANDARD_ATMOSPHERE, AbsolutePressure.STANDARD_ATMOSPHERE))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aSensorOfAFixedOffsetReportsLessUphillThanAGaugeShows() {
        // 800 on a gauge at 2000 m, where the air has 79.50 kPa [ISO 2533]: 800 + 79.50 − 101.325 = 778.2.
        TemperatureCompensation fixed = TemperatureCompensation.ofFixedOffset(Atmosphere.at(2_000));

        assertThat(fixed.gaugeKpa(778.175)).isCloseTo(800, within(0.01));
        assertThat(fixed.compensateKpa(778.175, 20)).isCloseTo(800, within(0.01));
        assertThat(fixed.expectedAt(new GaugePressure(800), new Temperature(20)).kpa())
                .isCloseTo(778.175, within(0.01));
        // (800 + 101.325) · 293.15 / 333.15 − 79.50, by hand.
        assertThat(fixed.compensateKpa(800, 60)).isCloseTo(713.61, within(0.01));
    }

    @Test
    void aVentedSensorReportsWhatAGaugeShows() {
        TemperatureCompensation vented = TemperatureCompensation.toTwentyCelsius(Atmosphere.at(2_000));

        assertThat(vented.gaugeKpa(800)).isEqualTo(800);
        assertThat(vented.compensateKpa(800, 20)).isCloseTo(800, within(1e-9));
    }

    /** Gay-Lussac's law by hand: (900 + 101.325) / (800 + 101.325) · 293.15 K = 325.67 K. */
    @Test
    void tellsHowWarmTheAirIsByItsPressure() {
        assertThat(SEA.celsiusAt(900, 800)).isCloseTo(52.525, within(0.005));
        assertThat(SEA.celsiusAt(800, 800)).isCloseTo(20, within(1e-9));
    }
}
