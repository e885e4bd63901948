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
        Alert left = soft().leftWithTyre("quill", "The tyre went to the store.", 2_000);

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
        book.replace(first.leftWithTyre("quill", "The tyre went to the store.", 2_000));

        Alert next = book.apply(AlertTest.found(AlertKind.UNDER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, HOUR, false))
                .orElseThrow();

        assertThat(next.id()).isNotEqualTo(first.id());
        assertThat(next.state()).isEqualTo(AlertState.NEW);
        assertThat(next.isRunSoft()).isFalse();
    }

    @Test
    void nobodyOpensItAgainAtTheWheelThatTheTyreHasLeft() {
        Alert left = soft().leftWithTyre("quill", "The tyre went to the store.", 2_000);

        assertThatThrownBy(() -> left.reopened("marrable", "Saw it again.", 3_000))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("left this wheel");
        assertThatThrownBy(() -> left.leftWithTyre("quill", "again", 3_000)).isInstanceOf(AlertRefused.class);
    }

    @Test
    void anUndoneMoveBringsItBackWithItsMark() {
        Alert back = soft().leftWithTyre("quill", "The tyre went to the store.", 2_000)
                .backWithTyre("quill", "The move of its tyre was undone.", 3_000);

        assertThat(back.state()).isEqualTo(AlertState.NEW);
        assertThat(back.isRunSoft()).isTrue();
        assertThatThrownBy(() -> back.closed(new Closure("marrable", "fine", null, false), 4_000))
                .isInstanceOf(AlertRefused.class);
        assertThatThrownBy(() -> soft().backWithTyre("quill", "never left", 3_000))
                .isInstanceOf(AlertRefused.class);
    }

    @Test
    void whatIsNoFaultOfTheTyreStays() {
        Alert silent = Alert.open(1, AlertTest.found(AlertKind.SENSOR_SILENT, Urgency.PLAN, 1_000, false));

        assertThatThrownBy(() -> silent.leftWithTyre("quill", "gone", 2_000)).isInstanceOf(AlertRefused.class);
    }

    @Test
    void aHotWheelEndStaysUnlessTheTyreWasRunSoftAsWell() {
        Alert brake = Alert.open(1, AlertTest.found(AlertKind.HOT_WHEEL_END, Urgency.NEXT_STOP, 1_000, false));
        Alert both = Alert.open(1, AlertTest.found(AlertKind.HOT_WHEEL_END, Urgency.STOP_NOW, 1_000, true));

        assertThat(brake.goesWithTyre()).isFalse();
        assertThat(both.goesWithTyre()).isTrue();
        assertThat(soft().goesWithTyre()).isTrue();
        assertThat(soft().leftWithTyre("quill", "gone", 2_000).goesWithTyre()).isFalse();
    }
}
