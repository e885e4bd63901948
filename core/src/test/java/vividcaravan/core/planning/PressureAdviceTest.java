package vividcaravan.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.planning.PressureAdvice.Action;
import vividcaravan.core.units.AbsolutePressure;
import vividcaravan.core.units.PressureUnit;

class PressureAdviceTest {

    private static final PressureAdvice.Known COLD = new PressureAdvice.Known(true, false, true);

    private static PressureAdvice advice(double target, double gauge, double tyreC, double airC) {
        return PressureAdvice.of(target, gauge, tyreC, airC, AbsolutePressure.STANDARD_ATMOSPHERE, COLD);
    }

    @Test
    void aColdTyreIsFilledToItsTargetWhateverTheMorning() {
        // 800 kPa set at 20 °C is 708 at −10 °C [computed]: on that morning 92 are missing.
        PressureAdvice frosty = advice(800, 708, -10, -10);

        assertThat(frosty.action()).isEqualTo(Action.ADD);
        assertThat(frosty.targetNowKpa()).isCloseTo(800, within(1e-9));
        assertThat(frosty.changeKpa()).isCloseTo(92, within(1e-9));
    }

    @Test
    void aWarmTyreHasAHigherTarget() {
        // 140 kPa at 20 °C is 172.93 at 60 °C [computed].
        assertThat(advice(140, 172.9, 60, 20).targetNowKpa()).isCloseTo(172.93, within(0.01));
        assertThat(advice(140, 172.9, 60, 20).action()).isEqualTo(Action.RIGHT);
        // Filled hot to the cold figure: 800 at 50 °C is 716 at 20 °C [computed].
        assertThat(advice(800, 800, 50, 20).action()).isEqualTo(Action.ADD);
    }

    @Test
    void aHotTyreIsNotBled() {
        assertThat(advice(800, 960, 50, 20).action()).isEqualTo(Action.LET_COOL);
        assertThat(advice(800, 830, 22, 20).action()).isEqualTo(Action.LET_OUT);
        assertThat(advice(800, 830, 22, 20).changeKpa()).isNegative();
    }

    @ParameterizedTest
    @CsvSource({"640, DO_NOT_INFLATE", "640.1, ADD", "500, DO_NOT_INFLATE", "0, DO_NOT_INFLATE"})
    void atFourFifthsOfItsTargetItIsNotFilled(double gauge, Action action) {
        assertThat(advice(800, gauge, 20, 20).action()).isEqualTo(action);
    }

    @Test
    void heatHidesNoSoftTyre() {
        // 760 kPa at 80 °C is 613.6 at 20 °C [computed]: below 80 % of 800.
        assertThat(advice(800, 760, 80, 20).action()).isEqualTo(Action.DO_NOT_INFLATE);
    }

    @ParameterizedTest
    @CsvSource({"790, RIGHT", "789.9, ADD", "810, RIGHT", "810.1, LET_OUT"})
    void tenKilopascalsAreRight(double gauge, Action action) {
        assertThat(advice(800, gauge, 20, 20).action()).isEqualTo(action);
    }

    /** All of it is in there: 140 kPa at 20 °C shows 111.2 at −15 °C, 800 shows 631 at −35 °C [handbook figures, computed]. */
    @ParameterizedTest
    @CsvSource({"140, 111.2, -15, 28.8", "800, 631, -35, 169"})
    void frostAloneForbidsNoFilling(double target, double gauge, double airC, double add) {
        PressureAdvice advice = advice(target, gauge, airC, airC);

        assertThat(advice.action()).isEqualTo(Action.ADD);
        assertThat(advice.changeKpa()).isCloseTo(add, within(0.1));
    }

    /** A strap on a rim that a brake heats: 923 kPa and 95 °C, and the air has 60 °C and is right. */
    @Test
    void noFigureIsMadeOfATemperatureThatIsNotTheAirs() {
        PressureAdvice advice = PressureAdvice.of(
                850, 923, 95, 25, AbsolutePressure.STANDARD_ATMOSPHERE, new PressureAdvice.Known(false, false, false));

        PressureAdvice low = PressureAdvice.of(
                850, 800, 45, 25, AbsolutePressure.STANDARD_ATMOSPHERE, new PressureAdvice.Known(false, false, false));

        assertThat(advice.action()).isEqualTo(Action.LET_COOL);
        assertThat(advice.changeKpa()).isZero();
        assertThat(low.action()).isEqualTo(Action.HAND_GAUGE);
        assertThat(low.changeKpa()).isZero();
        assertThat(advice.underAnAlert().action()).isEqualTo(Action.SEE_ALERT);
        assertThat(advice(800, 500, 20, 20).underAnAlert().action()).isEqualTo(Action.DO_NOT_INFLATE);
    }

    @Property(seed = "20261128")
    void whatIsDoneAsAdvisedIsRightAfterwards(
            @ForAll @DoubleRange(min = 100, max = 1000) double target,
            @ForAll @DoubleRange(min = 0.82, max = 1.3) double share,
            @ForAll @DoubleRange(min = -20, max = 35) double airC,
            @ForAll @DoubleRange(min = 0, max = 40) double warmer) {
        PressureAdvice advice = advice(target, target * share, airC + warmer, airC);

        // Gay-Lussac, in absolute pressures: what it will show once it is as cold as the air.
        double cold =
                (target * share + advice.changeKpa() + 101.325) * (airC + 273.15) / (airC + warmer + 273.15) - 101.325;
        switch (advice.action()) {
            case ADD, LET_OUT -> assertThat(cold).isCloseTo(target, within(1e-6));
            case RIGHT -> assertThat(cold).isCloseTo(target, within(10.0));
            case LET_COOL -> assertThat(cold).isGreaterThan(target);
            case DO_NOT_INFLATE -> assertThat(Math.min(cold, target * share)).isLessThan(target);
            case HAND_GAUGE, SEE_ALERT ->
                throw new AssertionError("its temperature is that of its air, and no alert is open");
        }
    }

    @Test
    void figuresThatAreNoneAreRefused() {
        assertThatThrownBy(() -> advice(800, Double.NaN, 20, 20)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> advice(0, 700, 20, 20)).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest(name = "{0} of {1} kPa")
    @CsvSource({"70, 80, ADD", "78, 80, RIGHT", "791, 800, RIGHT", "155, 160, ADD", "156, 160, RIGHT"})
    void theToleranceIsTheSmallerOfTenKilopascalAndThreePercent(
            double gauge, double target, PressureAdvice.Action action) {
        assertThat(advice(target, gauge, 15, 15).action()).isEqualTo(action);
    }

    @ParameterizedTest(name = "tyre {0} °C, air {1} °C, known cold {2}: {3}")
    @CsvSource({"15, 15, true, LET_OUT", "15, 15, false, LET_COOL", "22, 15, true, LET_COOL", "8, 15, true, LET_COOL"})
    void airIsLetOutOnlyOfATyreThatIsKnownToBeCold(
            double tyreC, double airC, boolean isKnownCold, PressureAdvice.Action action) {
        assertThat(PressureAdvice.of(
                                800,
                                860,
                                tyreC,
                                airC,
                                AbsolutePressure.STANDARD_ATMOSPHERE,
                                new PressureAdvice.Known(isKnownCold, false, true))
                        .action())
                .isEqualTo(action);
    }

    /** A field target of 100 kPa, then 160 for the road: low by intention until it was driven so. */
    @Test
    void whatIsLowBecauseItsTargetWasRaisedIsFilled() {
        PressureAdvice raised = PressureAdvice.of(
                160, 100, 20, 20, AbsolutePressure.STANDARD_ATMOSPHERE, new PressureAdvice.Known(true, true, true));
        PressureAdvice driven = PressureAdvice.of(160, 100, 20, 20, AbsolutePressure.STANDARD_ATMOSPHERE, COLD);

        assertThat(raised.action()).isEqualTo(PressureAdvice.Action.ADD);
        assertThat(raised.changeKpa()).isEqualTo(60);
        assertThat(driven.action()).isEqualTo(PressureAdvice.Action.DO_NOT_INFLATE);
    }

    @Test
    void whatToDoIsSaidInTheUnitOfTheReadersGauge() {
        assertThat(plain(PressureAdvice.Action.ADD, 35, PressureUnit.BAR)).isEqualTo("add 0.35 bar");
        assertThat(plain(PressureAdvice.Action.LET_OUT, -20, PressureUnit.KPA)).isEqualTo("let out 20 kPa");
        assertThat(plain(PressureAdvice.Action.LET_COOL, 0, PressureUnit.KPA)).contains("never bleed it hot");
        assertThat(plain(PressureAdvice.Action.DO_NOT_INFLATE, 0, PressureUnit.KPA))
                .contains("do not inflate");
        assertThat(plain(PressureAdvice.Action.RIGHT, 0, PressureUnit.PSI)).isEqualTo("correct, leave it");
        assertThat(plain(null, 0, PressureUnit.KPA)).contains("no fresh reading");
        assertThat(PressureAdvice.words(null, 0, false, PressureUnit.KPA)).contains("no sensor");
    }

    private static String plain(PressureAdvice.Action action, double changeKpa, PressureUnit unit) {
        return PressureAdvice.words(action, changeKpa, true, unit).replace('\u00a0', ' ');
    }
}
