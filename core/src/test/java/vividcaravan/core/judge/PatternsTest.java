package vividcaravan.core.judge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertEntry;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.LimitPolicy;

/** What readings mean that no single limit tells: the trade's patterns [common practice], on a truck made of physics. */
class PatternsTest {

    private final TruckOnTheRoad truck = TruckOnTheRoad.withSensorsInside();

    private static Set<String> said(TruckOnTheRoad truck) {
        return truck.alerts().stream()
                .map(alert -> (alert.position() == null ? "vehicle" : alert.position()) + " " + alert.kind())
                .collect(Collectors.toSet());
    }

    private static Alert the(TruckOnTheRoad truck, AlertKind kind) {
        return truck.alerts().stream()
                .filter(alert -> alert.kind() == kind)
                .findFirst()
                .orElseThrow();
    }

    @Nested
    class ColdWeather {

        /** 800 kPa set at 20 °C are 708 at −10 °C on the gauge, 11.5 % low [gas law]. */
        @Test
        void coldGaugesUnderTheLimitAreOneNoteForTheVehicleAndOverWithTheWarmth() {
            truck.drive(3).rest(10);
            truck.airC = -14;
            truck.rest(6).drive(1);

            assertThat(said(truck)).containsExactly("vehicle WEATHER_LOW");
            Alert note = the(truck, AlertKind.WEATHER_LOW);
            assertThat(note.urgency()).isEqualTo(Urgency.PLAN);
            assertThat(note.evidence().pressureKpa()).isLessThan(0.9 * TruckOnTheRoad.TARGET);
            assertThat(note.evidence().pressureAt20Kpa()).isGreaterThan(0.9 * TruckOnTheRoad.TARGET);

            truck.airC = 12;
            truck.rest(10).drive(1);
            assertThat(the(truck, AlertKind.WEATHER_LOW).state()).isEqualTo(AlertState.CLOSED);
        }

        @Test
        void aSecondColdMorningIsTheSameNote() {
            truck.drive(3);
            for (int day = 0; day < 3; day++) {
                truck.airC = -14;
                truck.rest(9).drive(1);
            }

            assertThat(truck.alerts()).hasSize(1);
            assertThat(the(truck, AlertKind.WEATHER_LOW).entries()).hasSize(1);
        }

        /** The 80 % rule uses the lower of the cold gauge and the pressure at 20 °C. */
        @Test
        void aWheelAFifthLowOnItsColdGaugeIsSpokenOfByItself() {
            truck.tyre("1R").kpaAt20 = 740;
            truck.drive(3).rest(10);
            truck.airC = -18;
            truck.rest(6).drive(0.5);

            assertThat(truck.tyre("1R").kpaAt20).isGreaterThan(0.9 * TruckOnTheRoad.TARGET);
            assertThat(said(truck)).contains("vehicle WEATHER_LOW", "1R UNDER_PRESSURE");
            Alert low = the(truck, AlertKind.UNDER_PRESSURE);
            assertThat(low.urgency()).isEqualTo(Urgency.NEXT_STOP);
            assertThat(low.isRunSoft())
                    .as("the first metres of a cold morning mark nothing")
                    .isFalse();
        }

        /** At −12 °C, ten minutes on, 720 kPa at 20 °C are 631 on the gauge: 78.9 % [gas law]. */
        @Test
        void aWheelStillAFifthLowOnTheGaugeAfterTenMinutesWasRunSoft() {
            truck.tyre("1R").kpaAt20 = 722;
            truck.drive(3).rest(10);
            truck.airC = -18;
            truck.rest(6).drive(0.5);

            assertThat(the(truck, AlertKind.UNDER_PRESSURE).isRunSoft()).isTrue();
        }

        /** 800 kPa at 20 °C are 641 at −31 °C, a fifth less [gas law]: all of it the weather's. */
        @Test
        void aDeepColdMorningIsOneNoteBeforeTheNextTripThatSaysWhatToAddWhere() {
            truck.drive(3).rest(10);
            truck.airC = -36;
            truck.moving = false;
            truck.runningRiseC = 0;
            truck.rest(8).drive(0.5);

            assertThat(said(truck)).containsExactly("vehicle WEATHER_LOW");
            Alert note = the(truck, AlertKind.WEATHER_LOW);
            assertThat(note.urgency()).isEqualTo(Urgency.BEFORE_NEXT_TRIP);
            assertThat(note.evidence().shortfalls()).hasSize(6).allSatisfy(lack -> assertThat(lack.kpa())
                    .isBetween(150.0, 200.0));
            assertThat(AlertWords.METRIC.advice(note))
                    .contains("at 1L")
                    .contains("at 2RO")
                    .contains("while they are cold");
        }

        @Test
        void aWheelThatIsLowerThanTheWeatherExplainsIsSpokenOfOnTheSameMorning() {
            truck.tyre("1R").kpaAt20 = 700;
            truck.drive(3).rest(10);
            truck.airC = -36;
            truck.moving = false;
            truck.runningRiseC = 0;
            truck.rest(8).drive(0.5);

            assertThat(said(truck)).containsExactlyInAnyOrder("vehicle WEATHER_LOW", "1R UNDER_PRESSURE");
            assertThat(the(truck, AlertKind.WEATHER_LOW).evidence().shortfalls())
                    .extracting(lack -> lack.position().code())
                    .doesNotContain("1R")
                    .hasSize(5);
            assertThat(the(truck, AlertKind.UNDER_PRESSURE).urgency()).isEqualTo(Urgency.NEXT_STOP);
        }

        @Test
        void oneWheelAFifthLowInTheColdAloneIsANoteToo() {
            truck.tyre("1R").kpaAt20 = 745;
            truck.tyres().stream()
                    .filter(tyre -> !tyre.position.code().equals("1R"))
                    .forEach(tyre -> tyre.kpaAt20 = 830);
            truck.drive(3).rest(10);
            truck.airC = -22;
            truck.moving = false;
            truck.runningRiseC = 0;
            truck.rest(8).drive(0.5);

            assertThat(said(truck)).containsExactly("vehicle WEATHER_LOW");
            assertThat(the(truck, AlertKind.WEATHER_LOW).evidence().shortfalls())
                    .extracting(lack -> lack.position().code())
                    .containsExactly("1R");
        }

        @Test
        void aTruckThatSaysItStoodAllNightIsColdWithoutEverFallingSilent() {
            truck.drive(3);
            truck.moving = false;
            truck.airC = -14;
            truck.runningRiseC = 0;
            truck.drive(8);

            assertThat(said(truck)).containsExactly("vehicle WEATHER_LOW");
        }
    }

    @Nested
    class Heat {

        /** A brake that holds both ends: the siblings of a hot twin are mostly hot themselves. */
        @Test
        void anAxleOfWhichBothEndsAreHotIsFoundAgainstTheOtherAxleOncePerEnd() {
            truck.drive(3);
            for (String hot : new String[] {"2LO", "2LI", "2RI", "2RO"}) {
                truck.tyre(hot).hotterBy = 30;
            }
            truck.drive(1.5);

            Set<String> ends = truck.alerts().stream()
                    .filter(alert -> alert.kind() == AlertKind.HOT_WHEEL_END)
                    .map(alert -> alert.position().side().name())
                    .collect(Collectors.toSet());
            assertThat(ends).containsExactlyInAnyOrder("LEFT", "RIGHT");
            assertThat(truck.alerts()).hasSize(2);
        }

        @Test
        void bothTyresOfATwinPairHotAreOneFault() {
            truck.drive(3);
            truck.tyre("2LO").hotterBy = 34;
            truck.tyre("2LI").hotterBy = 30;
            truck.drive(1.2);

            assertThat(said(truck)).containsExactly("2LO HOT_WHEEL_END");
            assertThat(the(truck, AlertKind.HOT_WHEEL_END).evidence().others().mateC())
                    .isGreaterThan(50);
        }

        /** Against its axle, not only against the vehicle: drive wheels may run 10 °C cooler than those that steer. */
        @Test
        void aWheelEndIsHeldAgainstTheOtherEndOfItsAxleToo() {
            truck.tyre("1L").hotterBy = -9;
            truck.tyre("1R").hotterBy = -9;
            truck.drive(3);
            truck.tyre("1R").hotterBy = 15;
            truck.drive(3);

            assertThat(said(truck)).containsExactly("1R HOT_WHEEL_END");
        }

        @Test
        void aSensorThatStaysCoolBesideHotWheelsIsNotInItsTyre() {
            truck.runningRiseC = 34;
            truck.drive(3);
            truck.tyre("2RO").isLoose = true;
            truck.drive(2);

            assertThat(said(truck)).containsExactly("2RO SENSORS_CROSSED");
            assertThat(the(truck, AlertKind.SENSORS_CROSSED).evidence().other()).isNull();
            truck.rest(8).drive(2);
            assertThat(the(truck, AlertKind.SENSORS_CROSSED).state()).isEqualTo(AlertState.NEW);
            truck.tyre("2RO").isLoose = false;
            truck.drive(3);
            assertThat(the(truck, AlertKind.SENSORS_CROSSED).state()).isEqualTo(AlertState.CLOSED);
        }

        /** 95 °C at the rim and 60 °C in the air make the pressure at 20 °C read 10.7 % low [gas law]. */
        @Test
        void aRimThatTheBrakeWarmedDoesNotMakeATightTyreLow() {
            truck.drive(3);
            truck.tyre("1L").hotterBy = 10;
            truck.tyre("1L").rimC = 33;
            truck.drive(2);

            assertThat(truck.alerts()).noneMatch(alert -> alert.kind() == AlertKind.UNDER_PRESSURE);
            assertThat(said(truck)).anyMatch(text -> text.equals("1L HOT_WHEEL_END"));
        }
    }

    @Nested
    class AirLines {

        @Test
        void aRecordedFillingIsTheNewStartAndALeakAfterItIsFound() {
            truck.drive(4);
            truck.tyre("2LO").kpaAt20 += 30;
            truck.record("2LO").drive(3);
            assertThat(truck.alerts()).isEmpty();

            truck.tyre("2LO").lossPerHour = 11;
            truck.drive(5);
            assertThat(said(truck)).containsExactly("2LO SLOW_LEAK");
        }

        @Test
        void lettingAirOutOnRecordIsNoFastLeak() {
            truck.drive(2);
            truck.record("1L", 860.0, 770.0);
            truck.tyre("1L").lossPerHour = 1_800;
            truck.drive(0.05);
            truck.tyre("1L").lossPerHour = 0;
            truck.drive(1);

            assertThat(truck.alerts()).noneMatch(alert -> alert.kind() == AlertKind.FAST_LEAK);
        }

        @Test
        void airThatWasLetInAtOneWheelAndSeenAtAnotherCrossesTheTwo() {
            truck.tyre("2LO").believedAt = "2LI";
            truck.tyre("2LI").believedAt = "2LO";
            truck.drive(3);
            truck.tyre("2LO").kpaAt20 += 32;
            truck.record("2LO").drive(0.5);

            assertThat(said(truck)).containsExactly("2LO SENSORS_CROSSED");
            Alert crossed = the(truck, AlertKind.SENSORS_CROSSED);
            assertThat(crossed.evidence().other()).isEqualTo(Position.parse("2LI"));
            assertThat(crossed.urgency()).isEqualTo(Urgency.BEFORE_NEXT_TRIP);
        }

        @Test
        void airThatShowsWhereItWasLetInProvesThePlace() {
            truck.drive(3);
            truck.tyre("2LO").kpaAt20 += 32;
            truck.record("2LO").drive(0.5);

            assertThat(truck.alerts()).isEmpty();
        }

        /** 7 kPa is two degrees of warming; it proves nothing. */
        @Test
        void tooLittleAirProvesNothing() {
            truck.drive(3);
            truck.tyre("2LI").kpaAt20 += 9;
            truck.record("2LO").drive(0.5);

            assertThat(truck.alerts()).isEmpty();
        }

        @Test
        void aRoundInWhichOneWheelWasNotWrittenDownCrossesNothing() {
            truck.drive(3);
            truck.tyre("1L").kpaAt20 += 32;
            truck.tyre("1R").kpaAt20 += 32;
            truck.tyre("2LI").kpaAt20 += 32;
            truck.record("1L").record("1R").drive(0.5);

            assertThat(truck.alerts()).noneMatch(alert -> alert.kind() == AlertKind.SENSORS_CROSSED);
        }

        @Test
        void aSystemThatKeepsPumpingAgainstALeakIsCalledThat() {
            truck.inflatingItself().drive(4);
            truck.tyre("2RI").lossPerHour = 14;
            for (int pump = 0; pump < 4; pump++) {
                truck.drive(2);
                truck.tyre("2RI").kpaAt20 += 28;
            }
            truck.drive(0.3);

            assertThat(said(truck)).containsExactly("2RI SLOW_LEAK");
        }

        @Test
        void anotherTargetIsNoLeakAndNoFilling() {
            truck.drive(4);
            truck.withTarget(835).drive(4);
            truck.withTarget(790).drive(4);

            assertThat(truck.alerts()).isEmpty();
        }
    }

    @Nested
    class Silence {

        @Test
        void aVehicleThatGoesQuietWhileItMovesHasLostItsReceiver() {
            truck.drive(2).rest(0.2).tick(15);
            assertThat(truck.alerts()).isEmpty();

            truck.rest(0.1).tick(15);
            Alert alert = the(truck, AlertKind.RECEIVER_SILENT);
            assertThat(alert.position()).isNull();
            assertThat(alert.openedAt()).isEqualTo(truck.now);

            truck.tick(15).rest(1).tick(15);
            assertThat(truck.alerts()).hasSize(1);
            truck.drive(0.1);
            assertThat(the(truck, AlertKind.RECEIVER_SILENT).state()).isEqualTo(AlertState.CLOSED);
        }

        @Test
        void aBacklogTakesTheSilenceOfAReceiverBack() {
            truck.drive(2);
            long heardUntil = truck.now;
            truck.rest(1).tick(15);
            // What it had measured meanwhile comes now.
            truck.now = heardUntil;
            truck.drive(1);

            Alert alert = the(truck, AlertKind.RECEIVER_SILENT);
            assertThat(alert.state()).isEqualTo(AlertState.CLOSED);
            assertThat(alert.entries()).extracting(AlertEntry::change).contains(AlertEntry.Change.WITHDRAWN);
        }

        @Test
        void aVehicleThatStoppedOrNeverSaidWhetherItMovesHasNot() {
            truck.drive(1);
            truck.moving = false;
            truck.drive(0.1).rest(3).tick(15);
            assertThat(truck.alerts()).isEmpty();

            TruckOnTheRoad mute = TruckOnTheRoad.withSensorsInside();
            mute.moving = null;
            mute.drive(1).rest(3).tick(15);
            assertThat(mute.alerts()).isEmpty();
        }

        @Test
        void aSensorThatNeverSpokeSinceItWasFittedIsSilentToo() {
            TruckOnTheRoad fitted = TruckOnTheRoad.withSensorsInside().expectAll();
            fitted.tyre("2RI").isQuiet = true;
            fitted.drive(0.5);

            assertThat(said(fitted)).containsExactly("2RI SENSOR_SILENT");
            assertThat(the(fitted, AlertKind.SENSOR_SILENT).evidence().lastHeardAt())
                    .isNull();
        }

        /** The first values of a new tyre take up to six minutes of driving [common practice]. */
        @Test
        void aSensorThatIsNewIsWaitedForWhileTheVehicleDrivesAndNotWhileItStands() {
            truck.drive(2);
            truck.moving = false;
            truck.fitAnew("2RI").isQuiet = true;
            truck.drive(1);
            assertThat(truck.alerts()).as("it stands, and the new one sleeps").isEmpty();

            truck.rest(8);
            truck.moving = true;
            truck.drive(6.0 / 60);
            assertThat(truck.alerts()).as("six minutes of driving").isEmpty();
            truck.drive(0.25);
            assertThat(said(truck)).containsExactly("2RI SENSOR_SILENT");
        }

        /** A trailer of one axle has no third wheel: one of two is enough to miss the other where the vehicle is said to move. */
        @ParameterizedTest
        @CsvSource({"true, true", "false, false", ", false"})
        void oneOfTwoWheelsIsMissedByTheOtherWhileItIsSaidToMove(Boolean moving, boolean isNamed) {
            Rig trailer = new Rig(
                    VehicleKind.DRAWBAR_TRAILER,
                    MountKind.STRAP,
                    DutyProfile.GENERAL,
                    LimitPolicy.DEFAULT,
                    0,
                    new Axle(AxleRole.TRAILER, WheelArrangement.SINGLE, false));
            trailer.moving = moving;
            trailer.pass(30);
            trailer.wheel("1L").isQuiet = true;
            trailer.pass(130);

            assertThat(trailer.said().stream().anyMatch(said -> said.startsWith("1L SENSOR_SILENT")))
                    .isEqualTo(isNamed);
        }

        @Test
        void oneThatChattersAloneThroughTheNightMakesNobodySilent() {
            truck.drive(2);
            truck.tyres().forEach(tyre -> tyre.isQuiet = !tyre.position.code().equals("2RO"));
            truck.drive(8);
            truck.tyres().forEach(tyre -> tyre.isQuiet = false);
            truck.drive(1);

            assertThat(truck.alerts()).isEmpty();
        }

        /** UN Regulation 141 (from memory): a fault of the system is shown within ten minutes of driving. */
        @Test
        void aSilentSensorIsNamedWithinTenMinutesOrSo() {
            truck.drive(2);
            long since = truck.now;
            truck.tyre("2LO").isQuiet = true;
            truck.drive(1);

            assertThat(the(truck, AlertKind.SENSOR_SILENT).openedAt() - since)
                    .isLessThanOrEqualTo(10 * 60_000L + 20_000);
        }
    }

    @Nested
    class Rest {

        @Test
        void aVehicleThatReturnsAfterWeeksHavingBreathedALittleIsLeftAlone() {
            truck.drive(3);
            truck.rest(24 * 21);
            // One to two per cent a month go through any tyre [common practice].
            truck.tyres().forEach(tyre -> tyre.kpaAt20 *= 0.985);
            truck.drive(6);

            assertThat(truck.alerts()).isEmpty();
        }

        @Test
        void whatATyreLostWhileItStoodUncoupledIsSaidOnceItGoesOnLosingIt() {
            truck.drive(6);
            truck.tyre("2RO").lossPerHour = 6;
            truck.rest(10);
            long woke = truck.now;
            truck.drive(2);

            Alert leak = the(truck, AlertKind.SLOW_LEAK);
            assertThat(leak.openedAt() - woke).isLessThan(90 * 60_000L);
            assertThat(leak.evidence().lossKpaPerHour()).isBetween(4.0, 8.0);
        }
    }

    @Nested
    class Duty {

        /** Twins on long haul: a fifth low is for the next safe stop, three tenths for now [our judgement]. */
        @ParameterizedTest
        @CsvSource({"GENERAL, 0.78, STOP_NOW", "LONG_HAUL, 0.78, NEXT_STOP", "LONG_HAUL, 0.69, STOP_NOW"})
        void twinsOnLongHaulMayLeanOnTheirMates(DutyProfile duty, double share, Urgency urgency) {
            truck.tyre("2LO").kpaAt20 = share * TruckOnTheRoad.TARGET;
            truck.onDuty(duty).drive(1);

            assertThat(truck.alerts()).hasSize(1);
            assertThat(truck.alerts().iterator().next().urgency()).isEqualTo(urgency);
        }

        @ParameterizedTest
        @CsvSource({"GENERAL, 17, false", "FARM_ROAD, 17, true", "FARM_ROAD, 12, false"})
        void theGapThatCallsForAStopIsTheDutys(DutyProfile duty, double hotterBy, boolean isHot) {
            truck.onDuty(duty).drive(3);
            truck.tyre("1R").hotterBy = hotterBy;
            truck.drive(2);

            assertThat(said(truck).contains("1R HOT_WHEEL_END")).isEqualTo(isHot);
        }

        /** A sensor at the rim of a city bus may show what would be too hot in the air [our judgement]. */
        @Test
        void aSensorAtTheRimOfACityBusIsAllowedMore() {
            TruckOnTheRoad inside = new TruckOnTheRoad(MountKind.VALVE, false);
            for (TruckOnTheRoad bus : new TruckOnTheRoad[] {truck, inside}) {
                bus.onDuty(DutyProfile.CITY_BUS);
                bus.airC = 30;
                bus.runningRiseC = 52;
                bus.drive(5);
            }

            assertThat(truck.alerts()).noneMatch(alert -> alert.kind() == AlertKind.HOT_TYRE);
            assertThat(inside.alerts()).anyMatch(alert -> alert.kind() == AlertKind.HOT_TYRE);

            truck.runningRiseC = 62;
            truck.drive(3);
            assertThat(the(truck, AlertKind.HOT_TYRE).evidence().limitC()).isEqualTo(85);
        }
    }

    @Nested
    class WhereTheGasLawFails {

        /** Little air beside the liquid: its gauge answers to warmth more than the law says. */
        @Test
        void ballastedTyresAreJudgedOnTheGaugeAndOnEachOther() {
            truck.ballasted().drive(6);
            assertThat(truck.alerts()).isEmpty();

            truck.tyre("2RO").lossPerHour = 12;
            truck.drive(6);
            assertThat(said(truck)).containsExactly("2RO SLOW_LEAK");
        }
    }

    /** All filled to the same warm figure: each is off by something else from what it had, and none leaks. */
    @Test
    void wheelsThatWereAllSetLowerAreNotAccusedOneAfterTheOther() {
        truck.drive(8).rest(9);
        truck.tyres().forEach(tyre -> tyre.kpaAt20 = 740);
        truck.drive(0.02).rest(0.9);
        for (int leg = 0; leg < 9; leg++) {
            truck.drive(1.2).rest(0.3);
        }

        assertThat(truck.alerts()).noneMatch(alert -> alert.kind() == AlertKind.SLOW_LEAK);
    }

    @ParameterizedTest
    @EnumSource(
            value = MountKind.class,
            names = {"VALVE", "CAP"})
    void allLowTogetherAtTwentyDegreesAfterAServiceIsNoWeather(MountKind mount) {
        TruckOnTheRoad serviced = new TruckOnTheRoad(mount, false);
        serviced.drive(3);
        // Filled to 800 kPa at 52.5 °C, which is 710 at 20 °C [gas law].
        serviced.tyres().forEach(tyre -> tyre.kpaAt20 = 710);
        serviced.rest(10).drive(2);

        assertThat(said(serviced))
                .containsExactlyInAnyOrder(
                        "1L UNDER_PRESSURE",
                        "1R UNDER_PRESSURE",
                        "2LO UNDER_PRESSURE",
                        "2LI UNDER_PRESSURE",
                        "2RI UNDER_PRESSURE",
                        "2RO UNDER_PRESSURE");
        // The first to wake has nobody to compare with.
        assertThat(serviced.alerts())
                .filteredOn(alert -> alert.evidence().others().count() > 2)
                .isNotEmpty()
                .allSatisfy(alert ->
                        assertThat(alert.evidence().others().deviation()).isLessThan(-0.08));
    }
}
