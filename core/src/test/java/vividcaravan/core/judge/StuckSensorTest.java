package vividcaravan.core.judge;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.core.axles.MountKind;

/** A sensor that repeats one value while its siblings warm and cool [common practice: by 10 °C and more in a day's work]. */
class StuckSensorTest {

    /** Three days of six hours' work; the tyre at 2LO gets stuck on the second morning. */
    private static TruckOnTheRoad threeDays(MountKind mount, boolean isStuck) {
        TruckOnTheRoad truck = new TruckOnTheRoad(mount, false);
        truck.drive(6).rest(18).drive(2);
        truck.tyre("2LO").isStuck = isStuck;
        return truck.drive(4).rest(18).drive(6);
    }

    @ParameterizedTest
    @EnumSource(
            value = MountKind.class,
            names = {"STRAP", "VALVE"})
    void isSaidToBeStuckAndNothingElse(MountKind mount) {
        TruckOnTheRoad truck = threeDays(mount, true);

        assertThat(truck.alerts()).singleElement().satisfies(alert -> {
            assertThat(alert.kind()).isEqualTo(AlertKind.SENSOR_FAULT);
            assertThat(alert.position().code()).isEqualTo("2LO");
            assertThat(AlertWords.METRIC.summary(alert, "LM-01"))
                    .matches(
                            "The sensor at axle 2 left outer of LM-01 has shown \\d+\\hkPa and \\d+\\h°C for \\d+\\hh while the"
                                    + " others warmed and cooled\\.");
        });
    }

    /** In the wind every cap is as cool as the air; a day of one pressure while the others' moves tells that it is stuck. */
    @ParameterizedTest
    @CsvSource({"true, true", "false, false"})
    void aCapIsKnownByADayOfOnePressure(boolean isStuck, boolean isNamed) {
        TruckOnTheRoad truck = new TruckOnTheRoad(MountKind.CAP, false);
        truck.drive(6).rest(18).drive(2);
        truck.tyre("2LO").isStuck = isStuck;
        truck.drive(4).rest(18).drive(6).rest(18).drive(2);

        assertThat(truck.alerts().stream().anyMatch(alert -> alert.kind() == AlertKind.SENSOR_FAULT))
                .isEqualTo(isNamed);
        assertThat(truck.alerts()).allMatch(alert -> alert.kind() == AlertKind.SENSOR_FAULT);
    }

    /** Coarse steps repeat rightly for hours, and at rest for days: nothing moves then but weather that moves all of them. */
    @Test
    void aTruckThatStandsForDaysIsNot() {
        TruckOnTheRoad truck =
                new TruckOnTheRoad(MountKind.CAP, false).drive(3).rest(90).drive(2);

        assertThat(truck.alerts()).isEmpty();
    }

    @Test
    void aSensorThatLooksAtItsTyreIsNot() {
        assertThat(threeDays(MountKind.STRAP, false).alerts()).isEmpty();
    }

    /** Nor one in the steady state of a long run while a brake warms the other axle. */
    @Test
    void aSteadyWheelBesideAHotAxleIsNot() {
        TruckOnTheRoad truck = TruckOnTheRoad.withSensorsInside().drive(3);
        for (String hot : new String[] {"2LO", "2LI", "2RI", "2RO"}) {
            truck.tyre(hot).hotterBy = 30;
        }
        truck.drive(8);

        assertThat(truck.alerts()).isNotEmpty().allMatch(alert -> alert.kind() == AlertKind.HOT_WHEEL_END);
    }

    @Test
    void aRaisedAxleStaysCoolAndRightly() {
        TruckOnTheRoad truck = new TruckOnTheRoad(MountKind.STRAP, true);
        truck.tyre("3L").isStuck = true;
        truck.drive(6).rest(18).drive(6);

        assertThat(truck.alerts()).noneMatch(alert -> alert.kind() == AlertKind.SENSOR_FAULT);
    }

    @Test
    void whatItKnewOutlivesARestartAndItsNextNewWordEndsIt() {
        TruckOnTheRoad truck = new TruckOnTheRoad(MountKind.STRAP, false);
        truck.drive(6).rest(18).drive(2);
        truck.tyre("2LO").isStuck = true;
        truck.drive(2).restart().drive(2).rest(18).drive(3).restart();
        assertThat(truck.alerts()).singleElement().matches(alert -> alert.isActive());

        truck.tyre("2LO").isStuck = false;
        truck.drive(1);

        assertThat(truck.alerts()).singleElement().matches(alert -> !alert.isActive());
    }
}
