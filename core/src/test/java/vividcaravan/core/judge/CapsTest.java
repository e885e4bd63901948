package vividcaravan.core.judge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Side;

/** Sensors outside, where neither the sun nor a brake is what it looks like. */
class CapsTest {

    private final TruckOnTheRoad truck = new TruckOnTheRoad(MountKind.CAP, false);

    @BeforeEach
    void itHasDrivenForAWhile() {
        truck.drive(4);
    }

    private void park(double hours) {
        truck.moving = false;
        truck.runningRiseC = 0;
        truck.drive(hours);
    }

    private void leave(double hours) {
        truck.moving = true;
        truck.runningRiseC = 24;
        truck.drive(hours);
    }

    private List<String> said() {
        return truck.alerts().stream()
                .map(alert -> alert.position() + " " + alert.kind())
                .toList();
    }

    @Test
    void aTyreThatLosesAirWhileItStandsIsCalledALeakBeforeItsFirstLimit() {
        park(3);
        truck.tyre("2LO").lossPerHour = 10;
        park(6);

        assertThat(truck.tyre("2LO").kpaAt20).isGreaterThan(0.9 * TruckOnTheRoad.TARGET);
        assertThat(said()).containsExactly("2LO SLOW_LEAK");
        Alert alert = truck.alerts().iterator().next();
        assertThat(alert.evidence().lossKpaPerHour()).isBetween(6.5, 13.0);
    }

    @Test
    void theSunOnOneSideIsNoLeak() {
        park(3);
        truck.tyres().stream().filter(tyre -> tyre.position.side() == Side.LEFT).forEach(tyre -> tyre.sunC = 14);
        park(3);
        truck.tyres().forEach(tyre -> tyre.sunC = 0);
        park(4);

        assertThat(truck.alerts()).isEmpty();
    }

    @Test
    void airThatWasLetOutOfAStandingTyreIsNoLeak() {
        park(3);
        truck.tyre("2LO").kpaAt20 -= 110;
        park(6);

        assertThat(said()).isNotEmpty().noneMatch(words -> words.endsWith("_LEAK"));
    }

    @Test
    void whatWasFilledTooMuchBeforeAColdMorningIsOverFilled() {
        truck.airC = 18;
        truck.drive(3);
        truck.tyre("1L").kpaAt20 += 160;
        truck.airC = -12;
        truck.rest(10);
        leave(5);

        assertThat(said()).contains("1L OVER_PRESSURE").noneMatch(words -> words.endsWith("HOT_WHEEL_END"));
    }

    @Test
    void whatIsFilledTooMuchWhileItsCapIsInTheSunIsOverFilled() {
        truck.rest(1);
        truck.tyre("1L").kpaAt20 += 180;
        for (double sun : new double[] {20, 14, 7, 2, 0}) {
            // In the wind it cools while the first readings come.
            truck.tyre("1L").sunC = sun;
            truck.drive(1.0 / 60);
        }
        leave(1);

        assertThat(said()).containsExactly("1L OVER_PRESSURE");
    }

    @Test
    void aLeakThatABrakeHidesIsFound() {
        truck.tyre("2RO").hotterBy = 18;
        truck.drive(1);
        truck.tyre("2RO").lossPerHour = 16;
        for (int hour = 0; hour < 5; hour++) {
            truck.tyre("2RO").hotterBy += 2;
            truck.drive(1);
        }

        assertThat(truck.alerts()).anyMatch(alert -> alert.kind() == AlertKind.SLOW_LEAK);
    }

    @Test
    void aBrakeThatLetsGoIsNoLeakThenNorTheNextDay() {
        truck.tyre("2RO").hotterBy = 55;
        truck.drive(3);
        truck.tyre("2RO").hotterBy = 0;
        truck.drive(3);
        park(8);
        leave(5);

        assertThat(said()).containsExactly("2RO HOT_WHEEL_END");
    }

    @Test
    void whatIsLowAndFallsOnWhileNobodyHearsIsALeak() {
        TruckOnTheRoad inside = TruckOnTheRoad.withSensorsInside().drive(3);
        inside.tyre("1R").kpaAt20 -= 90;
        inside.moving = false;
        inside.rest(1);
        inside.moving = true;
        inside.drive(1);
        assertThat(inside.alerts()).singleElement().extracting(Alert::kind).isEqualTo(AlertKind.UNDER_PRESSURE);

        inside.tyre("1R").kpaAt20 -= 70;
        inside.rest(9);
        inside.drive(0.3);

        assertThat(inside.alerts()).singleElement().extracting(Alert::kind).isEqualTo(AlertKind.SLOW_LEAK);
    }

    @Test
    void whatIsKeptOfAMonthUnderACapIsAtMostFourKibibytesAWheel() {
        truck.tyre("2LO").lossPerHour = 0.4;
        truck.live(30);

        assertThat(truck.bytesOfWheel()).isLessThanOrEqualTo(4096);
    }

    @Test
    void whatWasSeenOfSinkingOutlivesARestart() {
        park(3);
        truck.tyre("2LO").lossPerHour = 10;
        for (int i = 0; i < 12; i++) {
            park(0.5);
            truck.restart();
        }

        assertThat(said()).containsExactly("2LO SLOW_LEAK");
    }
}
