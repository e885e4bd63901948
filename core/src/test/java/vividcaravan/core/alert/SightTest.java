package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import vividcaravan.core.axles.Position;
import vividcaravan.core.driver.ReportCorrection;
import vividcaravan.core.driver.WalkFault;
import vividcaravan.core.driver.WalkPoint;

/** What people saw: one alert for each place, apart from what the readings say there. */
class SightTest {

    private static final Position LEFT = Position.parse("1L");
    private static final long DAY = 24L * 60 * 60 * 1000;
    private static final long NOW = 40 * DAY;

    private final AlertBook book = new AlertBook(new AtomicLong(1)::getAndIncrement);

    private static Sight cut(Urgency urgency) {
        return new Sight(LEFT, urgency, "tansley", "cut, bulge or visible cord");
    }

    @Test
    void standsBesideWhatTheReadingsSayAndIsNotSettledByThem() {
        Alert seen = book.report(cut(Urgency.BEFORE_NEXT_TRIP), NOW);

        for (AlertFamily family : AlertFamily.values()) {
            if (family != AlertFamily.SEEN) {
                book.apply(new Finding.Cleared(LEFT, family, NOW + 1));
                book.apply(new Finding.Proven(LEFT, family, Finding.Proof.FLAT_FOR_TWELVE_HOURS, NOW + DAY));
            }
        }

        assertThat(book.find(seen.id())).contains(seen);
        assertThat(seen.entries().get(0).who()).isEqualTo("tansley");
        assertThat(AlertWords.METRIC.summary(seen, "R402"))
                .isEqualTo("Seen at axle 1 left of R402: cut, bulge or visible cord.");
        assertThat(DepartureTest.of(seen).verdict()).isEqualTo(Departure.Verdict.NOT_YET);
    }

    @Test
    void callsAgainWhereItIsWorseAndOnlyTellsWhereItIsNot() {
        Alert known = book.report(cut(Urgency.BEFORE_NEXT_TRIP), NOW)
                .by("marrable", NOW + 1)
                .acknowledged();
        book.replace(known);

        Alert same = book.report(cut(Urgency.PLAN), NOW + 2);
        Alert worse = book.report(cut(Urgency.STOP_NOW), NOW + 3);

        assertThat(same.id()).isEqualTo(known.id());
        assertThat(same.state()).isEqualTo(AlertState.ACKNOWLEDGED);
        assertThat(same.urgency()).isEqualTo(Urgency.BEFORE_NEXT_TRIP);
        assertThat(worse.id()).isEqualTo(known.id());
        assertThat(worse.state()).isEqualTo(AlertState.NEW);
        assertThat(worse.urgency()).isEqualTo(Urgency.STOP_NOW);
        assertThat(AlertWords.METRIC.advice(worse)).startsWith("Do not move the vehicle. Have a trained person");
    }

    private static Sight saw(Urgency urgency, String words) {
        return new Sight(LEFT, urgency, "tansley", words);
    }

    @Test
    void cannotBeDeferredUnlessItMayWait() {
        Alert tread = book.report(saw(Urgency.BEFORE_NEXT_TRIP, "tread low"), NOW);
        Alert cap = Alert.open(9, saw(Urgency.PLAN, "valve cap missing"), NOW);

        assertThatThrownBy(() -> tread.by("marrable", NOW).shelved("next week", NOW + DAY))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("cannot be deferred");
        assertThat(cap.by("marrable", NOW).shelved("next week", NOW + DAY).state())
                .isEqualTo(AlertState.SHELVED);
    }

    /** What was deferred before that was refused, or by an upgrade, is called back by whatever is seen there. */
    @ParameterizedTest
    @EnumSource(Urgency.class)
    void whateverIsSeenWhereSomethingWasDeferredCallsAnew(Urgency urgency) {
        Alert deferred = book.report(saw(Urgency.PLAN, "valve cap missing"), NOW)
                .by("marrable", NOW)
                .shelved("next week", NOW + DAY);
        book.replace(deferred);

        Alert again = book.report(saw(urgency, "cut, bulge or visible cord"), NOW + 1);

        assertThat(again.state()).isEqualTo(AlertState.NEW);
        assertThat(again.urgency()).isEqualTo(urgency);
        assertThat(again.lastSeen()).contains("cord");
    }

    @Test
    void anotherThingThatStopsTheVehicleIsNotSwallowedByOneThatSomebodyHasSeen() {
        Alert known = book.report(saw(Urgency.STOP_NOW, "wheel nut loose"), NOW)
                .by("marrable", NOW + 1)
                .takenInHand(null);
        book.replace(known);

        Alert same = book.report(saw(Urgency.STOP_NOW, "wheel nut loose"), NOW + 2);
        assertThat(same.state()).isEqualTo(AlertState.IN_HAND);
        Alert another = book.report(saw(Urgency.STOP_NOW, "cut, bulge or visible cord"), NOW + 3);
        assertThat(another.state()).isEqualTo(AlertState.NEW);
        assertThat(another.calledAt()).isEqualTo(NOW + 3);
    }

    @Test
    void aCallForHelpCallsEachTimeThatSomebodyHadSeenTheOneBefore() {
        Sight help = DriverAnswer.HELP.sight(LEFT, "tansley").orElseThrow();
        Alert first = book.report(help, NOW);
        book.replace(first.by("marrable", NOW + 1).acknowledged());

        Alert again = book.report(help, NOW + 2);

        assertThat(first.position()).as("it is about the vehicle").isNull();
        assertThat(first.urgency()).isEqualTo(Urgency.STOP_NOW);
        assertThat(again.state()).isEqualTo(AlertState.NEW);
    }

    @Test
    void whatIsGroupedWithAnotherStandsByItselfAgain() {
        Alert leading = Alert.open(7, saw(Urgency.STOP_NOW, "x"), NOW);
        Alert grouped = book.report(saw(Urgency.BEFORE_NEXT_TRIP, "tread low"), NOW)
                .by("marrable", NOW)
                .countedWith(leading, "with the other");
        book.replace(grouped);

        Alert again = book.report(saw(Urgency.BEFORE_NEXT_TRIP, "tread low"), NOW + 1);

        assertThat(again.handling().sameCauseAs()).isNull();
        assertThat(again.state()).isEqualTo(AlertState.NEW);
    }

    /** Flat, said by a person, weighs as much as what a sensor says. */
    @Test
    void aTyreThatWasSeenFlatCountsAsRunSoftUntilANamedInspection() {
        Alert flat = book.report(
                WalkFault.sights(List.of(new WalkFault(LEFT, WalkPoint.FLAT, null)), "tansley")
                        .get(0),
                NOW);

        assertThat(flat.isRunSoft()).isTrue();
        assertThat(DriverAnswer.FLAT.sight(LEFT, "tansley").orElseThrow().isFlat())
                .isTrue();
        assertThatThrownBy(() -> flat.closed(new Closure("marrable", "pumped up", null, false), NOW + 1))
                .isInstanceOf(AlertRefused.class);
        assertThat(flat.closed(new Closure("marrable", "sound", "R. Tansley", false), NOW + 1)
                        .state())
                .isEqualTo(AlertState.CLOSED);
        assertThat(AlertWords.safetyNotes(flat)).contains(SafetyNote.RUN_SOFT);
    }

    @Test
    void whatIsPressedTwiceWasSaidOnceAndNobodyFillsARecord() {
        Alert alert = Alert.open(1, saw(Urgency.BEFORE_NEXT_TRIP, "tread low"), NOW);
        Alert once = alert.by("tansley", NOW + 1).answered(DriverAnswer.STOPPED);

        assertThat(once.by("tansley", NOW + 2).answered(DriverAnswer.STOPPED)).isSameAs(once);
        Alert full = once;
        for (int i = 0; i < AlertActs.MOST_SAYINGS - 1; i++) {
            full = full.by("tansley", NOW + i * DAY).answered(i % 2 == 0 ? DriverAnswer.HOT : DriverAnswer.STOPPED);
        }
        Alert last = full;
        assertThatThrownBy(() -> last.by("tansley", NOW).answered(DriverAnswer.FINE))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("Call the workshop");
    }

    @Test
    void comesBackWithinADayAsTheSameAlertAndLaterAsAnother() {
        Alert closed = book.report(cut(Urgency.STOP_NOW), NOW)
                .closed(
                        new Closure("marrable", "nothing but dirt", "B. Quill", false, false, Verdict.NOTHING_FOUND),
                        NOW + 1);
        book.replace(closed);

        Alert again = book.report(cut(Urgency.BEFORE_NEXT_TRIP), NOW + DAY / 2);
        book.replace(again.closed(
                new Closure("marrable", "looked at", "B. Quill", false, false, Verdict.NOTHING_FOUND),
                NOW + DAY / 2 + 1));
        Alert later = book.report(cut(Urgency.BEFORE_NEXT_TRIP), NOW + 3 * DAY);

        assertThat(again.id()).isEqualTo(closed.id());
        assertThat(again.state()).isEqualTo(AlertState.NEW);
        assertThat(again.urgency()).isEqualTo(Urgency.BEFORE_NEXT_TRIP);
        assertThat(again.handling().verdict()).isNull();
        assertThat(later.id()).isNotEqualTo(closed.id());
    }

    @Test
    void isToldOncePerPlaceAsUrgentlyAsTheWorstThere() {
        List<Sight> sights = WalkFault.sights(
                List.of(
                        new WalkFault(LEFT, WalkPoint.VALVE, null),
                        new WalkFault(null, WalkPoint.OTHER, " mud flap gone "),
                        new WalkFault(LEFT, WalkPoint.NUTS, "two of ten")),
                "tansley");

        assertThat(sights)
                .containsExactly(
                        new Sight(
                                LEFT,
                                Urgency.STOP_NOW,
                                "tansley",
                                "valve damaged or its cap missing; wheel nut loose, missing or with a trail of rust"
                                        + " (“two of ten”)"),
                        new Sight(null, Urgency.BEFORE_NEXT_TRIP, "tansley", "something else (“mud flap gone”)"));
    }

    /** What a person saw is taken away by a named inspection, by another tyre, or with the tyre, and by nobody's word. */
    @ParameterizedTest
    @EnumSource(WalkPoint.class)
    void isClosedByANamedInspectionUnlessItMayWait(WalkPoint point) {
        Alert seen = Alert.open(1, saw(point.urgency(), point.words()), NOW);
        Closure word = new Closure("marrable", "looks well", null, false);
        Closure blank = new Closure("marrable", "looks well", " ", false);

        if (point.urgency() == Urgency.PLAN) {
            assertThat(seen.closed(word, NOW + 1).closedOn()).contains(ClosedOn.WORD);
            return;
        }
        for (Closure none : List.of(word, blank)) {
            assertThatThrownBy(() -> seen.closed(none, NOW + 1))
                    .isInstanceOf(AlertRefused.class)
                    .hasMessageContaining("say who inspected it");
        }
        for (Closure settling : List.of(
                new Closure("marrable", "dirt", "B. Quill", false),
                new Closure("marrable", "cut through", null, true),
                new Closure("marrable", "cut through", null, false, true, null))) {
            assertThat(seen.closed(settling, NOW + 1).closedOn()).contains(ClosedOn.INSPECTION);
        }
    }

    /** What is of the tyre leaves with it; nuts, twins and valves are of the wheel. */
    @ParameterizedTest
    @EnumSource(WalkPoint.class)
    void whatIsOfTheTyreIsKnown(WalkPoint point) {
        assertThat(point.isOfTyre())
                .isEqualTo(List.of(WalkPoint.FLAT, WalkPoint.DAMAGE, WalkPoint.AIR, WalkPoint.TREAD)
                        .contains(point));
    }

    @Test
    void aCallForHelpIsOverWhenSomebodySaysSo() {
        Alert help = Alert.open(1, DriverAnswer.HELP.sight(LEFT, "tansley").orElseThrow(), NOW);

        assertThat(help.closed(new Closure("marrable", "breakdown service is there", null, false), NOW + 1)
                        .closedOn())
                .contains(ClosedOn.WORD);
    }

    private static final Position RIGHT = Position.parse("1R");

    private static Sight corrected(Alert report, Position position, WalkPoint point) {
        return new ReportCorrection(position, point, "quill").of(report);
    }

    @ParameterizedTest
    @EnumSource(WalkPoint.class)
    void aReportOfAnotherWheelStandsThereAsItWas(WalkPoint point) {
        Alert report = Alert.open(
                1,
                WalkFault.sights(List.of(new WalkFault(LEFT, point, "by the kerb")), "tansley")
                        .get(0),
                NOW);

        Sight meant = corrected(report, RIGHT, null);

        assertThat(meant.position()).isEqualTo(RIGHT);
        assertThat(meant.urgency()).isEqualTo(point.urgency());
        assertThat(meant.words()).isEqualTo(point.words() + " (“by the kerb”)");
        assertThat(meant.isFlat()).isEqualTo(point == WalkPoint.FLAT);
        assertThat(meant.who()).isEqualTo("quill");
        assertThat(report.by("quill", NOW + 1).corrected("It is 1R.").closedOn())
                .contains(ClosedOn.CORRECTION);
    }

    @Test
    void aReportOfSomethingElseSaysThat() {
        Alert report = Alert.open(1, saw(Urgency.STOP_NOW, WalkPoint.NUTS.words()), NOW);

        Sight meant = corrected(report, null, WalkPoint.VALVE);

        assertThat(meant.position()).isEqualTo(LEFT);
        assertThat(meant.words()).isEqualTo(WalkPoint.VALVE.words());
    }

    /** Or two words would do what only an inspection may: correct it to a missing cap, then close that. */
    @ParameterizedTest
    @EnumSource(value = WalkPoint.class, mode = EnumSource.Mode.EXCLUDE, names = "NUTS")
    void whatIsCorrectedToSomethingLesserIsAsUrgentAsItWasAndHasToBeInspected(WalkPoint point) {
        Alert report = Alert.open(1, saw(Urgency.STOP_NOW, WalkPoint.NUTS.words()), NOW);

        Alert meant = Alert.open(2, corrected(report, RIGHT, point), NOW + 1);

        assertThat(meant.urgency()).isEqualTo(Urgency.STOP_NOW);
        assertThatThrownBy(() -> meant.closed(new Closure("marrable", "only a cap", null, false), NOW + 2))
                .isInstanceOf(AlertRefused.class);
    }

    @Test
    void whatStandsAtTheOtherWheelIsNotSwallowed() {
        Alert there = book.report(new Sight(RIGHT, Urgency.PLAN, "tansley", "valve cap missing"), NOW);
        book.replace(there.by("marrable", NOW + 1).acknowledged());
        Alert report = book.report(cut(Urgency.STOP_NOW), NOW);

        Alert meant = Alert.open(0, corrected(report, RIGHT, null), NOW + 2);
        Alert both = book.carry(meant, RIGHT, ReportCorrection.words(report), "quill", NOW + 2);

        assertThat(both.id()).isEqualTo(there.id());
        assertThat(both.state()).isEqualTo(AlertState.NEW);
        assertThat(both.urgency()).isEqualTo(Urgency.STOP_NOW);
        assertThat(both.lastSeen())
                .isEqualTo("valve cap missing; cut, bulge or visible cord (corrected: it was reported at 1L)");
    }

    @Test
    void aCorrectionTakesNothingAway() {
        Alert flat = Alert.open(
                1,
                WalkFault.sights(List.of(new WalkFault(LEFT, WalkPoint.FLAT, null)), "tansley")
                        .get(0),
                NOW);
        Alert two = Alert.open(
                2,
                WalkFault.sights(
                                List.of(
                                        new WalkFault(LEFT, WalkPoint.NUTS, null),
                                        new WalkFault(LEFT, WalkPoint.DAMAGE, null)),
                                "tansley")
                        .get(0),
                NOW);
        Alert read = Alert.told(LEFT, AlertKind.SLOW_LEAK, Urgency.NEXT_STOP, false, "leaks", null, NOW);
        Alert closed = flat.closed(new Closure("marrable", "sound", "B. Quill", false), NOW + 1);

        assertThatThrownBy(() -> corrected(flat, RIGHT, WalkPoint.VALVE)).hasMessageContaining("named inspection");
        assertThatThrownBy(() -> corrected(two, null, WalkPoint.VALVE)).hasMessageContaining("More than one thing");
        assertThat(corrected(two, RIGHT, null).urgency()).isEqualTo(Urgency.STOP_NOW);
        assertThatThrownBy(() -> corrected(flat, LEFT, null)).hasMessageContaining("says so already");
        assertThatThrownBy(() -> corrected(flat, null, WalkPoint.FLAT)).hasMessageContaining("says so already");
        assertThatThrownBy(() -> corrected(read, RIGHT, null)).hasMessageContaining("the readings did");
        assertThatThrownBy(() -> read.by("quill", NOW).corrected("1R")).hasMessageContaining("the readings did");
        assertThatThrownBy(() -> closed.by("quill", NOW + 2).corrected("1R")).isInstanceOf(AlertRefused.class);
    }

    /** Correcting it back is the undo: the words of the first correction do not pile up. */
    @Test
    void aCorrectionIsUndoneByAnother() {
        Alert report = book.report(cut(Urgency.STOP_NOW), NOW);
        Alert there = book.carry(
                Alert.open(0, corrected(report, RIGHT, null), NOW + 1),
                RIGHT,
                ReportCorrection.words(report),
                "quill",
                NOW + 1);

        Sight back = corrected(there, LEFT, null);

        assertThat(back.words()).isEqualTo(report.lastSeen());
        assertThat(back.urgency()).isEqualTo(report.urgency());
    }
}
