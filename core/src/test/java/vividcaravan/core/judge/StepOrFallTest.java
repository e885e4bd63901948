package vividcaravan.core.judge;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.LimitPolicy;

/**
 * Air that was let out is there at one reading and not at the next, and then the level stays; a hole goes on [common
 * practice]. Nobody lets air out while driving.
 */
class StepOrFallTest {

    private final Rig truck = new Rig(
            VehicleKind.RIGID_TRUCK,
            MountKind.STRAP,
            DutyProfile.GENERAL,
            LimitPolicy.DEFAULT,
            0,
            new Axle(AxleRole.STEER, WheelArrangement.SINGLE, false),
            new Axle(AxleRole.DRIVE, WheelArrangement.TWIN, false));

    private boolean isFastLeakSaid() {
        return truck.book().alerts().stream()
                .flatMap(alert -> alert.entries().stream())
                .anyMatch(entry -> entry.kind() == AlertKind.FAST_LEAK);
    }

    @ParameterizedTest(name = "moving {0}, {1} % within a minute, then it stays: fast leak {2}")
    @CsvSource({
        "false, 9, false",
        "false, 12, false",
        "false, 18, false",
        ", 9, false",
        ", 15, false",
        "true, 9, true",
        "true, 15, true",
        // Below the second limit it is spoken of at once, whatever it was.
        "false, 35, true",
        ", 100, true",
    })
    void aLevelThatStaysIsNoFallWhereItMayHaveBeenLetOut(Boolean moving, double percent, boolean isFast) {
        truck.moving = moving;
        truck.pass(30);

        truck.wheel("1L").kpaAt20 = Rig.TARGET * (1 - percent / 100);
        truck.pass(8);

        assertThat(isFastLeakSaid()).as(truck.said().toString()).isEqualTo(isFast);
        assertThat(truck.said().isEmpty()).as("below its limit it is spoken of").isEqualTo(percent < 10 && !isFast);
    }

    @ParameterizedTest(name = "moving {0}, {1} % a minute")
    @CsvSource({"false, 3", "false, 5", "false, 8", ", 3", ", 8", "true, 3"})
    void aHoleIsSpokenOfWithinThreeReadings(Boolean moving, double percentPerMinute) {
        truck.moving = moving;
        truck.pass(30);

        for (int minute = 1; minute <= 3; minute++) {
            truck.wheel("1L").kpaAt20 = Rig.TARGET * (1 - minute * percentPerMinute / 100);
            truck.pass(1);
        }

        assertThat(isFastLeakSaid()).as(truck.said().toString()).isTrue();
    }

    @Test
    void aValveThatStayedOpenAfterAirWasLetOutIsAHole() {
        truck.moving = false;
        truck.pass(30);
        truck.wheel("1L").kpaAt20 = 0.91 * Rig.TARGET;
        truck.pass(2);
        assertThat(isFastLeakSaid()).isFalse();

        for (int minute = 1; minute <= 4; minute++) {
            truck.wheel("1L").kpaAt20 -= 0.012 * Rig.TARGET;
            truck.pass(1);
        }

        assertThat(isFastLeakSaid()).as(truck.said().toString()).isTrue();
    }

    /** Several readings within one minute, of a sensor that does not say whether it moves. */
    @ParameterizedTest(name = "{0} % a minute, read every {1} s")
    @CsvSource({"3, 10", "8, 10", "20, 10", "3, 20", "8, 20", "12, 30"})
    void aHoleIsSpokenOfHoweverOftenItIsRead(double percentPerMinute, double everySeconds) {
        JudgedWheel wheel = JudgedWheel.drive().readings(800, 800, 800, 800);
        double minutes = 0;
        // At 3 % a minute eight per cent take 2 min 40 s.
        while (minutes < 3) {
            minutes += everySeconds / 60;
            wheel.after(everySeconds / 60, 800 * (1 - minutes * percentPerMinute / 100), 20);
        }

        assertThat(wheel.alerts().stream()
                        .flatMap(alert -> alert.entries().stream())
                        .anyMatch(entry -> entry.kind() == AlertKind.FAST_LEAK))
                .isTrue();
    }
}
