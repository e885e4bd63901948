package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import vividcaravan.core.axles.Position;
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
                .closed(new Closure("marrable", "nothing but dirt", null, false, Verdict.NOTHING_FOUND), NOW + 1);
        book.replace(closed);

        Alert again = book.report(cut(Urgency.BEFORE_NEXT_TRIP), NOW + DAY / 2);
        book.replace(again.closed(
                new Closure("marrable", "looked at", null, false, Verdict.NOTHING_FOUND), NOW + DAY / 2 + 1));
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
}
