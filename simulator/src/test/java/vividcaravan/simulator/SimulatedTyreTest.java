package vividcaravan.simulator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.units.AbsolutePressure;

class SimulatedTyreTest {

    private static SimulatedTyre tyre(double celsius) {
        return new SimulatedTyre(AbsolutePressure.STANDARD_ATMOSPHERE, 800, 800, 25, celsius);
    }

    private static void run(SimulatedTyre tyre, int minutes, boolean isRunning, double airC, double brakeC) {
        for (int i = 0; i < minutes; i++) {
            tyre.pass(60, isRunning, airC, brakeC);
        }
    }

    @Test
    void itsGaugeFollowsTheGasLaw() {
        // 900 at 20 °C is 797.53 at −10 °C, computed by hand.
        SimulatedTyre cold = new SimulatedTyre(AbsolutePressure.STANDARD_ATMOSPHERE, 900, 900, 25, -10);

        assertThat(cold.gaugeKpa()).isCloseTo(797.53, within(0.005));
    }

    @Test
    void warmsOnTheRoadAndCoolsInTheYardWithoutLosingAir() {
        SimulatedTyre tyre = tyre(10);

        run(tyre, 180, true, 10, 0);
        assertThat(tyre.celsius()).isCloseTo(35, within(0.5));
        assertThat(TemperatureCompensation.AT_SEA_LEVEL.compensateKpa(tyre.gaugeKpa(), tyre.celsius()))
                .isCloseTo(800, within(1e-6));

        run(tyre, 600, false, 10, 0);
        assertThat(tyre.celsius()).isCloseTo(10, within(0.5));
        assertThat(tyre.kpaAt20()).isCloseTo(800, within(1e-9));
    }

    @Test
    void aSoftTyreRunsHotter() {
        SimulatedTyre sound = tyre(10);
        SimulatedTyre soft = tyre(10);
        soft.lose(160);

        run(sound, 180, true, 10, 0);
        run(soft, 180, true, 10, 0);

        assertThat(soft.celsius()).isGreaterThan(sound.celsius() + 5);
    }

    @Test
    void aBrakeHeatsOnlyOnTheRoad() {
        SimulatedTyre parked = tyre(10);
        SimulatedTyre driven = tyre(10);

        run(parked, 120, false, 10, 60);
        run(driven, 120, true, 10, 60);

        assertThat(parked.celsius()).isCloseTo(10, within(0.1));
        assertThat(driven.celsius()).isGreaterThan(80);
    }

    @Test
    void losesNoMoreAirThanThereIs() {
        SimulatedTyre tyre = tyre(20);

        tyre.lose(10_000);

        assertThat(tyre.gaugeKpa()).isCloseTo(0, within(1e-9));
    }
}
