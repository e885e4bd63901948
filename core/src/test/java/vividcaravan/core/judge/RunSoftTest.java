package vividcaravan.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static vividcaravan.core.judge.JudgedWheel.TARGET;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.AlertRefused;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.core.alert.Closure;
import vividcaravan.core.alert.Departure;
import vividcaravan.core.alert.SafetyNote;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.VehicleRules;
import vividcaravan.core.limits.Basis;
import vividcaravan.core.limits.LimitName;
import vividcaravan.core.limits.LimitPolicy;

/** The 80 % rule [29 CFR 1910.177(f), from memory], and what is closed while a tyre goes on to lose air. */
class RunSoftTest {

    private static JudgedWheel wheel(Basis basis, double low, double second) {
        return new JudgedWheel("2LO", new LimitPolicy(basis, low, second, 25, 70, 85), VehicleKind.RIGID_TRUCK, TARGET)
                .onTheRoad();
    }

    /** Readings once a minute that say what the vehicle does. */
    private static void say(JudgedWheel wheel, int count, double kpa, double celsius, Boolean moving) {
        for (int i = 0; i < count; i++) {
            wheel.now += JudgedWheel.MINUTE;
            wheel.take(new Reading(wheel.now, kpa, celsius, null, null, moving));
        }
    }

    /** 800 kPa at 0 °C are 866 at 20 °C: what is right by the summer's reference is 8 % low, and 770 kPa 11 %. */
    @Test
    void withTheReferenceMovedDownATyreIsToHaveMoreAir() {
        LimitPolicy winter = LimitPolicy.DEFAULT.with(LimitName.REFERENCE_C, 0.0);
        JudgedWheel right = new JudgedWheel("2LO", winter, VehicleKind.RIGID_TRUCK, TARGET).steady(8, TARGET, 20);
        JudgedWheel low = new JudgedWheel("2LO", winter, VehicleKind.RIGID_TRUCK, TARGET).steady(8, 770, 20);

        assertThat(right.alerts()).isEmpty();
        assertThat(low.alert().kind()).isEqualTo(AlertKind.UNDER_PRESSURE);
        assertThat(low.alert().evidence().targetKpa()).isCloseTo(866, within(0.1));
    }

    @ParameterizedTest(name = "{0}, limits {1} and {2} %")
    @CsvSource({
        "COMPENSATED, 10, 20",
        "COMPENSATED, 10, 35",
        "COMPENSATED, 25, 40",
        "GAUGE, 10, 20",
        "GAUGE, 20, 30",
        "GAUGE, 25, 35",
        "GAUGE, 40, 60"
    })
    void marksATyreThatRanAtAFifthLessWhateverThePolicyGoesBy(Basis basis, double low, double second) {
        // 742 kPa on the gauge at 67.5 °C are 624 at 20 °C, 22 % below target.
        JudgedWheel wheel = wheel(basis, low, second).steady(4, 742, 67.5);

        assertThat(wheel.alert().isRunSoft()).isTrue();
        assertThat(wheel.alert().urgency()).isIn(Urgency.NEXT_STOP, Urgency.STOP_NOW);
        assertThat(AlertWords.safetyNotes(wheel.alert())).contains(SafetyNote.RUN_SOFT);
    }

    @ParameterizedTest
    @EnumSource(Basis.class)
    void stopsAtTheSecondLimitOfThePressureAtTwentyDegreesOnEveryBasis(Basis basis) {
        JudgedWheel wheel = wheel(basis, 10, 20).steady(4, 742, 67.5);

        assertThat(wheel.alert().urgency()).isEqualTo(Urgency.STOP_NOW);
    }

    @Test
    void standingColdMarksNothingAndDrivingAtItDoes() {
        // All the air of 800 kPa at 20 °C shows 628 at −36 °C: a fifth low on the gauge and nothing at 20 °C.
        JudgedWheel standing = wheel(Basis.COMPENSATED, 10, 20);
        say(standing, 300, 627, -36, false);
        JudgedWheel driven = wheel(Basis.COMPENSATED, 10, 20);
        say(driven, 300, 627, -36, false);
        say(driven, 1, 627, -36, true);
        driven.now += 5 * 60 * JudgedWheel.MINUTE;
        say(driven, 9, 627, -36, true);
        assertThat(driven.alerts()).as("the first metres").noneMatch(Alert::isRunSoft);
        say(driven, 4, 627, -36, true);

        assertThat(standing.alerts()).noneMatch(Alert::isRunSoft);
        assertThat(driven.alerts()).anyMatch(Alert::isRunSoft);
    }

    /** Nobody said that it moves: what to do is as if it did, and a mark needs more than that. */
    @ParameterizedTest(name = "at 20 °C and then at {0} °C within the hour: marked {1}")
    @CsvSource({"20, false", "27, false", "29, true", "58, true"})
    void whereNoSensorSaysThatItMovesWarmthIsTheEvidence(double celsius, boolean isMarked) {
        JudgedWheel wheel = new JudgedWheel(
                "2LO", LimitPolicy.DEFAULT.with(LimitName.LOW_CRITICAL_PCT, 30.0), VehicleKind.RIGID_TRUCK, TARGET);
        say(wheel, 20, 630, 20, null);
        assertThat(wheel.alert().urgency()).isEqualTo(Urgency.NEXT_STOP);
        assertThat(wheel.alert().isRunSoft()).isFalse();

        say(wheel, 10, (630 + 101.325) * (celsius + 273.15) / 293.15 - 101.325, celsius, null);

        assertThat(wheel.alert().isRunSoft()).isEqualTo(isMarked);
    }

    @Test
    void aTyreThatJustStoppedWasDrivenAtWhatItShows() {
        JudgedWheel wheel = wheel(Basis.COMPENSATED, 10, 20);
        say(wheel, 5, 800, 20, true);
        say(wheel, 4, 600, 20, false);

        assertThat(wheel.alerts()).anyMatch(Alert::isRunSoft);
    }

    @Test
    void aHigherTargetMarksNothingByItself() {
        TruckOnTheRoad truck = TruckOnTheRoad.withSensorsInside();
        truck.drive(1);
        truck.withTarget(TARGET * 1.3).drive(0.5);
        assertThat(truck.alerts()).isNotEmpty().noneMatch(Alert::isRunSoft);

        truck.tyres().forEach(tyre -> tyre.kpaAt20 = TARGET * 1.3);
        truck.drive(3);
        assertThat(truck.alerts()).noneMatch(Alert::isRunSoft);
    }

    @Test
    void aTyreWhoseTargetWasRaisedIsToBeFilledUntilItIsDrivenAtThat() {
        VehicleRules low = JudgedWheel.rules(LimitPolicy.DEFAULT, VehicleKind.FARM_TRACTOR, 100);
        VehicleRules high = JudgedWheel.rules(LimitPolicy.DEFAULT, VehicleKind.FARM_TRACTOR, 160);
        VehicleJudge judge = new VehicleJudge(low);
        Position position = Position.parse("1L");
        Fitting stay = new Fitting(1, 1, position, 0, Fitting.OPEN);
        judge.judge(stay, null, new Reading(0, 100, 20, null, null, false), found -> {});
        assertThat(judge.isToBeFilled(position)).isFalse();

        judge.holdTo(high);
        assertThat(judge.isToBeFilled(position)).as("at once").isTrue();
        judge.holdTo(low);
        assertThat(judge.isToBeFilled(position)).as("taken back").isFalse();
        judge.holdTo(high);
        judge.judge(stay, null, new Reading(2 * 3_600_000L, 100, 20, null, null, false), found -> {});
        judge.judge(stay, null, new Reading(9 * 3_600_000L, 100, 20, null, null, false), found -> {});
        assertThat(judge.isToBeFilled(position)).as("it stood").isTrue();
        judge.judge(stay, null, new Reading(10 * 3_600_000L, 100, 20, null, null, true), found -> {});
        assertThat(judge.isToBeFilled(position)).as("it was driven so").isFalse();
    }

    @Test
    void whoeverDrivesOnAtAHigherTargetWithoutFillingIsMarked() {
        TruckOnTheRoad truck = TruckOnTheRoad.withSensorsInside();
        truck.drive(1);
        truck.withTarget(TARGET * 1.3).drive(2);

        assertThat(truck.alerts()).anyMatch(Alert::isRunSoft);
    }

    @Test
    void aClosedAlertReturnsWhenTheTyreGoesOnToGoFlat() {
        JudgedWheel wheel = JudgedWheel.drive().onTheRoad().readings(800, 800, 780, 750, 720, 710, 710);
        assertThat(wheel.alert().kind()).isEqualTo(AlertKind.FAST_LEAK);
        wheel.book().replace(wheel.alert().closed(new Closure("quill", "will look at it", null, false), wheel.now));

        for (double kpa = 705; kpa > 350; kpa -= 5) {
            wheel.readings(kpa);
        }

        assertThat(wheel.alert().state()).isEqualTo(AlertState.NEW);
        assertThat(wheel.alert().isRunSoft()).isTrue();
        assertThat(Departure.of(new Departure.Facts(
                                List.copyOf(wheel.alerts()),
                                List.of(),
                                List.of(),
                                List.of(),
                                List.of(),
                                java.util.Set.of()))
                        .verdict())
                .isEqualTo(Departure.Verdict.NOT_YET);
    }

    @ParameterizedTest(name = "closed at {0} kPa, then at {1}: {2}")
    @CsvSource({"715, 704, CLOSED", "715, 690, NEW", "700, 690, CLOSED", "700, 676, NEW", "690, 681, CLOSED"})
    void whatWasClosedReturnsOnceThreePercentOfTargetMoreIsGone(double closedAt, double later, AlertState state) {
        JudgedWheel wheel = JudgedWheel.drive();
        // So slowly that it is no fast leak, and down to what people see when they close it.
        for (double kpa = 720; kpa >= closedAt; kpa -= 1) {
            wheel.after(30, kpa, 20).after(1, kpa, 20).after(1, kpa, 20);
        }
        Alert shown = wheel.alert()
                .showing(wheel.alert().evidence().measuring(wheel.now, closedAt, closedAt, 20, null, null));
        wheel.book().replace(shown.closed(new Closure("quill", "known", null, false), wheel.now));

        for (double kpa = closedAt - 1; kpa >= later; kpa -= 1) {
            wheel.after(30, kpa, 20).after(1, kpa, 20).after(1, kpa, 20);
        }

        AlertState expected = wheel.alert().urgency().isMoreUrgentThan(shown.urgency()) ? AlertState.NEW : state;
        assertThat(wheel.alert().state()).isEqualTo(expected);
    }

    @Test
    void whatWasPutAsideReturnsWhenItGetsWorse() {
        JudgedWheel wheel = JudgedWheel.drive().steady(4, 715, 20);
        wheel.book().replace(wheel.alert().by("quill", wheel.now).shelved("tonight", wheel.now + 9_000_000));
        wheel.steady(4, 710, 20);
        assertThat(wheel.alert().state()).isEqualTo(AlertState.SHELVED);

        wheel.after(60, 690, 20).steady(4, 690, 20);

        assertThat(wheel.alert().state()).isEqualTo(AlertState.NEW);
    }

    @Test
    void aTyreRunSoftIsNeverPutAsideAndNeverBecomesALesserAlertByFilling() {
        JudgedWheel wheel = wheel(Basis.COMPENSATED, 10, 20).steady(4, 600, 20);
        assertThat(wheel.alert().urgency()).isEqualTo(Urgency.STOP_NOW);

        wheel.after(30, 950, 20).steady(30, 1010, 20);

        Alert filled = wheel.alert();
        assertThat(filled.urgency()).isEqualTo(Urgency.STOP_NOW);
        assertThat(filled.kind()).isEqualTo(AlertKind.UNDER_PRESSURE);
        assertThat(AlertWords.METRIC.summary(filled, "GX-05"))
                .contains("was run at 80 %")
                .contains("not show that it is sound");
        assertThat(AlertWords.METRIC.advice(filled)).startsWith("Do not inflate this tyre on the vehicle.");
        assertThat(AlertWords.safetyNotes(filled)).contains(SafetyNote.RUN_SOFT);
    }

    @Test
    void aSoftTyreOnAnEasyPolicyCannotBePutAside() {
        JudgedWheel wheel = wheel(Basis.COMPENSATED, 10, 35).steady(4, 620, 20);
        assertThat(wheel.alert().urgency()).isEqualTo(Urgency.NEXT_STOP);

        assertThatThrownBy(() -> wheel.alert().by("quill", wheel.now).shelved("tonight", wheel.now + 9_000_000))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("80 %");
    }

    @Test
    void theMarkBelongsToTheTyreAndNotToItsSuccessor() {
        JudgedWheel wheel = wheel(Basis.COMPENSATED, 10, 20).steady(4, 600, 20);
        wheel.after(60, 800, 20).steady(10, 800, 20);
        wheel.book().replace(wheel.alert().closed(new Closure("quill", "new tyre", null, true), wheel.now));

        wheel.after(60, 710, 20).steady(5, 710, 20);

        assertThat(wheel.alert().state()).isEqualTo(AlertState.NEW);
        assertThat(wheel.alert().isRunSoft()).isFalse();
        assertThat(wheel.alert().urgency()).isEqualTo(Urgency.BEFORE_NEXT_TRIP);
    }
}
