package vividcaravan.core.judge;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.Urgency;

/** What a recorded filling explains, what proves that a leak is closed, and that two hot twins are two. */
class LeakRulesTest {

    private final TruckOnTheRoad truck = TruckOnTheRoad.withSensorsInside();

    private Alert at(String position) {
        return truck.alerts().stream()
                .filter(alert ->
                        alert.position() != null && alert.position().code().equals(position))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aRecordedFillingMutesNoFall() {
        truck.drive(2);
        truck.tyre("1L").kpaAt20 += 40;
        truck.record("1L", 790.0, 830.0);
        // The valve stayed open.
        truck.tyre("1L").lossPerHour = 1_200;
        truck.drive(0.1);

        assertThat(at("1L").kind()).isEqualTo(AlertKind.FAST_LEAK);
        assertThat(at("1L").urgency()).isEqualTo(Urgency.STOP_NOW);
    }

    @Test
    void aLettingOutExplainsNoMoreThanWasWrittenDown() {
        truck.drive(2);
        truck.record("1L", 870.0, 850.0);
        truck.tyre("1L").lossPerHour = 1_200;
        truck.drive(0.15);

        assertThat(at("1L").kind()).isEqualTo(AlertKind.FAST_LEAK);
    }

    @Test
    void toppingUpProvesNothingAsLongAsItGoesOn() {
        truck.drive(2);
        truck.tyre("1L").lossPerHour = 14;
        truck.drive(5);
        assertThat(at("1L").kind()).isEqualTo(AlertKind.SLOW_LEAK);
        truck.tyre("1L").kpaAt20 = TruckOnTheRoad.TARGET + 20;
        truck.tyre("1L").lossPerHour = 1.8;
        truck.record("1L");

        truck.drive(15);

        assertThat(at("1L").state()).isNotEqualTo(AlertState.CLOSED);
    }

    @Test
    void aFlatTrendWithDrivingInItProvesIt() {
        truck.drive(2);
        truck.tyre("1L").lossPerHour = 14;
        truck.drive(5);
        truck.tyre("1L").kpaAt20 = TruckOnTheRoad.TARGET;
        truck.tyre("1L").lossPerHour = 0;
        truck.record("1L");

        truck.drive(15);

        assertThat(at("1L").state()).isEqualTo(AlertState.CLOSED);
    }

    @Test
    void theFirstWordAfterALongSleepProvesNothing() {
        truck.drive(2);
        truck.tyre("1L").lossPerHour = 14;
        truck.drive(5);
        truck.tyre("1L").kpaAt20 = TruckOnTheRoad.TARGET;
        truck.tyre("1L").lossPerHour = 0;
        truck.record("1L").drive(0.5);
        truck.tyre("1L").lossPerHour = 2.5;

        truck.rest(12.5).drive(0.05);

        assertThat(at("1L").state()).isNotEqualTo(AlertState.CLOSED);
    }

    @Test
    void theHotterTwinIsNeverQuieterForItsMate() {
        truck.drive(1);
        truck.tyre("2LO").hotterBy = 30;
        truck.drive(1);
        truck.tyre("2LI").hotterBy = 70;
        truck.drive(3);

        assertThat(at("2LI").kind()).isEqualTo(AlertKind.HOT_WHEEL_END);
        assertThat(at("2LI").urgency()).isEqualTo(Urgency.STOP_NOW);
    }

    @Test
    void capsDoNotWaitUntilTheyAreHotThemselves() {
        TruckOnTheRoad capped = new TruckOnTheRoad(vividcaravan.core.axles.MountKind.CAP, false);
        capped.drive(3);
        capped.runningRiseC = 85;
        capped.drive(3);

        assertThat(capped.alerts())
                .filteredOn(alert -> alert.kind() == AlertKind.HOT_TYRE)
                .isNotEmpty()
                .anyMatch(alert -> alert.urgency() == Urgency.STOP_NOW);
    }

    /** A cap shows a third of the heat: one that is no warmer than the others sits on a tyre that was filled, not on a hot one. */
    @ParameterizedTest
    @ValueSource(doubles = {1.12, 1.18, 1.25})
    void capsDoNotCallAnOverFilledTyreHot(double filled) {
        TruckOnTheRoad capped = new TruckOnTheRoad(vividcaravan.core.axles.MountKind.CAP, false);
        capped.runningRiseC = 40;
        capped.live(2);
        capped.tyre("2RO").kpaAt20 *= filled;
        capped.live(2);

        assertThat(capped.alerts())
                .isNotEmpty()
                .allMatch(alert -> alert.position().code().equals("2RO"))
                .noneMatch(alert -> alert.kind() == AlertKind.HOT_TYRE || alert.kind() == AlertKind.HOT_WHEEL_END);
    }

    @Test
    void capsOfATyreThatIsBothFilledAndHotStillSayThatItIsHot() {
        TruckOnTheRoad capped = new TruckOnTheRoad(vividcaravan.core.axles.MountKind.CAP, false);
        capped.live(2);
        capped.tyre("2RO").kpaAt20 *= 1.12;
        capped.live(1).drive(1);
        capped.tyre("2RO").hotterBy = 50;
        capped.drive(3);

        assertThat(capped.alerts())
                .anyMatch(alert -> alert.kind() == AlertKind.HOT_WHEEL_END || alert.kind() == AlertKind.HOT_TYRE);
    }
}
