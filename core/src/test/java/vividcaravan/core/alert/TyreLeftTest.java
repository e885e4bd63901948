package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;

/** A tyre goes elsewhere: what was open against it ends at its wheel, and comes back with it. */
class TyreLeftTest {

    private static final long HOUR = 60L * 60 * 1000;

    private static Alert soft() {
        return Alert.open(1, AlertTest.found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 1_000, true));
    }

    @Test
    void itEndsEvenThatOfATyreRunSoftAndSaysOnWhat() {
        Alert left = soft().by("quill", 2_000).leftWithTyre("The tyre went to the store.");

        assertThat(left.state()).isEqualTo(AlertState.CLOSED);
        assertThat(left.closedOn()).contains(ClosedOn.TYRE_LEFT);
        assertThat(left.isRunSoft()).isTrue();
    }

    @Test
    void whatTheNextTyreDoesIsAnotherAlertHoweverSoonAndHoweverMild() {
        AtomicLong ids = new AtomicLong();
        AlertBook book = new AlertBook(ids::incrementAndGet);
        Alert first = book.apply(AlertTest.found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 1_000, true))
                .orElseThrow();
        book.replace(first.by("quill", 2_000).leftWithTyre("The tyre went to the store."));

        Alert next = book.apply(AlertTest.found(AlertKind.UNDER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, HOUR, false))
                .orElseThrow();

        assertThat(next.id()).isNotEqualTo(first.id());
        assertThat(next.state()).isEqualTo(AlertState.NEW);
        assertThat(next.isRunSoft()).isFalse();
    }

    @Test
    void nobodyOpensItAgainAtTheWheelThatTheTyreHasLeft() {
        Alert left = soft().by("quill", 2_000).leftWithTyre("The tyre went to the store.");

        assertThatThrownBy(() -> left.by("marrable", 3_000).reopened("Saw it again."))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("left this wheel");
        assertThatThrownBy(() -> left.by("quill", 3_000).leftWithTyre("again")).isInstanceOf(AlertRefused.class);
    }

    @Test
    void anUndoneMoveBringsItBackWithItsMark() {
        Alert back = soft().by("quill", 2_000)
                .leftWithTyre("The tyre went to the store.")
                .by("quill", 3_000)
                .backWithTyre("The move of its tyre was undone.");

        assertThat(back.state()).isEqualTo(AlertState.NEW);
        assertThat(back.isRunSoft()).isTrue();
        assertThatThrownBy(() -> back.closed(new Closure("marrable", "fine", null, false), 4_000))
                .isInstanceOf(AlertRefused.class);
        assertThatThrownBy(() -> soft().by("quill", 3_000).backWithTyre("never left"))
                .isInstanceOf(AlertRefused.class);
    }

    @Test
    void whatIsNoFaultOfTheTyreStays() {
        Alert silent = Alert.open(1, AlertTest.found(AlertKind.SENSOR_SILENT, Urgency.PLAN, 1_000, false));

        assertThatThrownBy(() -> silent.by("quill", 2_000).leftWithTyre("gone")).isInstanceOf(AlertRefused.class);
    }

    @Test
    void aHotWheelEndStaysUnlessTheTyreWasRunSoftAsWell() {
        Alert brake = Alert.open(1, AlertTest.found(AlertKind.HOT_WHEEL_END, Urgency.NEXT_STOP, 1_000, false));
        Alert both = Alert.open(1, AlertTest.found(AlertKind.HOT_WHEEL_END, Urgency.STOP_NOW, 1_000, true));

        assertThat(brake.goesWithTyre()).isFalse();
        assertThat(both.goesWithTyre()).isTrue();
        assertThat(soft().goesWithTyre()).isTrue();
        assertThat(soft().by("quill", 2_000).leftWithTyre("gone").goesWithTyre())
                .isFalse();
    }
}
