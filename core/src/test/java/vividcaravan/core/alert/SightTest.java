package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
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
        return new Sight(LEFT, urgency, "tansley", "cut, bulge or cord to be seen");
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
                .isEqualTo("Seen at axle 1 left of R402: cut, bulge or cord to be seen.");
        assertThat(Departure.of(List.of(seen), List.of()).verdict()).isEqualTo(Departure.Verdict.NOT_YET);
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
