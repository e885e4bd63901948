package vividcaravan.core.judge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.NullSource;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.LimitPolicy;

/** A recorded move is known to the judge: what is other than before is what was done [common practice]. */
class MovedTyresTest {

    private static final double STEER = 900;
    private static final double DRIVE = 715;

    private Rig truck;

    @BeforeEach
    void unequalAxles() {
        truck = new Rig(
                VehicleKind.RIGID_TRUCK,
                MountKind.STRAP,
                DutyProfile.GENERAL,
                LimitPolicy.DEFAULT,
                0,
                List.of(
                        new Axle(AxleRole.STEER, WheelArrangement.SINGLE, false),
                        new Axle(AxleRole.DRIVE, WheelArrangement.SINGLE, false)),
                List.of(STEER, DRIVE));
        show("1L", STEER);
        show("1R", STEER);
        show("2L", DRIVE);
        show("2R", DRIVE);
    }

    private void show(String position, double kpaAt20) {
        truck.wheel(position).kpaAt20 = kpaAt20;
    }

    private List<AlertKind> kinds() {
        return truck.alerts().stream().map(Alert::kind).toList();
    }

    private void noMarkNoExchangeNoLeak() {
        assertThat(truck.alerts()).noneMatch(Alert::isRunSoft);
        assertThat(kinds()).doesNotContain(AlertKind.SENSORS_CROSSED, AlertKind.SLOW_LEAK, AlertKind.FAST_LEAK);
    }

    /** The tyre of the drive axle has a fifth less than the steer axle asks for: it stands in the yard, and nobody drove on it. */
    @ParameterizedTest(name = "sensors say {0}")
    @NullSource
    @ValueSource(booleans = false)
    void aRotationBetweenUnequalAxlesMarksNothing(Boolean said) {
        truck.pass(120);
        truck.moving = said;
        truck.pass(5);
        show("2L", STEER);
        show("1L", DRIVE);
        truck.arrive("1L", "2L").pass(6);
        noMarkNoExchangeNoLeak();

        show("2L", DRIVE);
        show("1L", STEER);
        truck.pass(90);
        noMarkNoExchangeNoLeak();
        truck.moving = true;
        truck.pass(600);
        noMarkNoExchangeNoLeak();
    }

    @ParameterizedTest(name = "set {0} minutes after the move")
    @CsvSource({"3", "50", "70", "400", "2000"})
    void bothSetWithoutANoteAreNoExchange(int minutes) {
        truck.pass(60);
        truck.moving = false;
        truck.pass(60);
        show("2L", STEER);
        show("1L", DRIVE);
        truck.arrive("1L", "2L").pass(minutes);
        show("2L", DRIVE + 5);
        truck.pass(2);
        show("1L", STEER - 4);
        truck.pass(60);

        noMarkNoExchangeNoLeak();
    }

    /** 900 to 715 kPa in ten minutes at the valve, and 250 to 900 in eight. */
    @ParameterizedTest(name = "sensors say {0}")
    @NullSource
    @ValueSource(booleans = false)
    void settingATyreThatWasJustPutOnIsNoLeak(Boolean said) {
        truck.pass(60);
        truck.moving = said;
        show("2L", STEER);
        show("1L", 250);
        truck.arrive("1L", "2L").pass(3);
        for (int minute = 1; minute <= 10; minute++) {
            show("2L", STEER - minute * (STEER - DRIVE) / 10);
            show("1L", Math.min(STEER, 250 + minute * (STEER - 250) / 8));
            truck.wheel("1L").celsius = 30 + minute;
            truck.pass(1);
        }
        noMarkNoExchangeNoLeak();
        truck.wheel("1L").celsius = 30;
        truck.pass(200);
        noMarkNoExchangeNoLeak();
    }

    @Test
    void aTyreThatLosesWhatItWasJustGivenLeaks() {
        truck.pass(60);
        truck.moving = false;
        show("1L", 250);
        truck.arrive("1L").pass(3);
        show("1L", STEER);
        truck.pass(10);
        for (int minute = 1; minute <= 12; minute++) {
            show("1L", STEER - minute * 15);
            truck.pass(1);
        }

        assertThat(kinds()).contains(AlertKind.FAST_LEAK);
    }

    @Test
    void aSlopeThatFollowsIsALeak() {
        truck.pass(60);
        truck.moving = false;
        truck.arrive("1L").pass(65);
        for (int minute = 1; minute <= 240; minute++) {
            show("1L", STEER - minute * 0.4);
            truck.pass(1);
        }

        assertThat(kinds()).contains(AlertKind.SLOW_LEAK);
    }

    @Test
    void drivingOnATyreThatWasPutOnSoftMarksIt() {
        truck.pass(60);
        truck.moving = false;
        show("1L", DRIVE - 10);
        truck.arrive("1L").pass(20);
        assertThat(truck.alerts()).noneMatch(Alert::isRunSoft);

        truck.moving = true;
        truck.pass(10);
        assertThat(truck.at("1L").isRunSoft()).isTrue();
    }

    /** What sits at a wheel after an unrecorded exchange is still told. */
    @Test
    void anExchangeThatNobodyWroteDownIsTold() {
        truck.pass(120);
        truck.moving = false;
        truck.pass(30);
        show("2L", STEER);
        show("1L", DRIVE);
        truck.pass(60);

        assertThat(kinds()).contains(AlertKind.SENSORS_CROSSED);
    }
}
