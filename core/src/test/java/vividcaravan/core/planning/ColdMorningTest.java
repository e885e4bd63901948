package vividcaravan.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import vividcaravan.core.units.AbsolutePressure;

class ColdMorningTest {

    private static final AbsolutePressure SEA = AbsolutePressure.STANDARD_ATMOSPHERE;
    private static final ColdMorning.Held HELD = new ColdMorning.Held(800, 720, 640, 920, true);

    /** 800 kPa set at 20 °C is 708 at −10 °C (−11.5 %) and 631 at −35 °C (−21 %): the gas law, computed. */
    @Test
    void readsWhatTheGasLawSays() {
        ColdMorning frost = ColdMorning.of(HELD, 800, 20, -10, SEA);
        ColdMorning hard = ColdMorning.of(HELD, 800, 20, -35, SEA);

        assertThat(frost.gaugeKpa()).isCloseTo(707.8, within(0.5));
        assertThat(frost.share()).isCloseTo(-0.115, within(0.001));
        assertThat(frost.isBelowFirst()).isTrue();
        assertThat(frost.isBelowSecond()).isFalse();
        assertThat(hard.gaugeKpa()).isCloseTo(631, within(0.5));
        assertThat(hard.isBelowSecond()).isTrue();
    }

    @Test
    void saysWhatToAddAtThePresentTemperature() {
        ColdMorning frost = ColdMorning.of(HELD, 800, 20, -10, SEA);

        // (800 + 101.325) · 293.15 / 263.15 − 101.325 = 902.8: nobody adds 103 kPa to a tyre that may then be too high.
        assertThat(frost.addKpa()).isCloseTo(102.8, within(0.1));
        assertThat(frost.share20()).isCloseTo(0.1285, within(0.001));
        assertThat(frost.isHighWhenMild()).isFalse();
        assertThat(ColdMorning.of(HELD, 800, 20, -20, SEA).isHighWhenMild()).isTrue();
    }

    @Test
    void whereNoAirMayBeAdvisedNoneIs() {
        ColdMorning frost = ColdMorning.of(new ColdMorning.Held(800, 720, 640, 920, false), 800, 20, -20, SEA);

        assertThat(frost.addKpa()).isZero();
        assertThat(frost.share20()).isCloseTo(0, within(0.001));
        assertThat(frost.isHighWhenMild()).isFalse();
        assertThat(frost.isBelowFirst()).isTrue();
    }

    @Test
    void whatIsRightIsLeft() {
        assertThat(ColdMorning.of(HELD, 795, -10, -10, SEA).addKpa()).isZero();
        assertThat(ColdMorning.of(HELD, 870, -10, -10, SEA).addKpa()).isZero();
    }

    @Property
    void whoeverAddsItReadsTheTargetThatMorning(
            @ForAll @DoubleRange(min = 300, max = 1_000) double now,
            @ForAll @DoubleRange(min = -30, max = 70) double tyreC,
            @ForAll @DoubleRange(min = -40, max = 15) double morningC) {
        ColdMorning look = ColdMorning.of(HELD, now, tyreC, morningC, SEA);
        double then =
                ColdMorning.of(HELD, now + look.addKpa(), tyreC, morningC, SEA).gaugeKpa();

        if (look.addKpa() > 0) {
            assertThat(then).isCloseTo(800, within(0.001));
        } else {
            assertThat(then).isGreaterThan(785);
        }
    }

    /** Six minutes a vehicle and three a wheel [our judgement]. */
    @Test
    void aRoundTakesItsTime() {
        assertThat(ColdMorning.minutes(2, 5)).isEqualTo(27);
    }
}
