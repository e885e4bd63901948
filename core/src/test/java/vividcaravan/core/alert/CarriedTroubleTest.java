package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import vividcaravan.core.axles.Position;

/** What a tyre brings along stands at its next wheel until proof, and swallows nothing that stands there. */
class CarriedTroubleTest {

    private static final Position FROM = Position.parse("2L");
    private static final Position TO = Position.parse("1L");
    private static final long AT = 1_700_000_000_000L;
    private static final long HOUR = 3_600_000;

    private final AlertBook book = new AlertBook(new AtomicLong()::incrementAndGet);

    private static Alert found(AlertKind kind, Urgency urgency, Position position, boolean isRunSoft) {
        return Alert.told(position, kind, urgency, isRunSoft, "found there", "judge", AT);
    }

    private Alert carry(Alert before) {
        return book.carry(before, TO, "it came from LM-31 2L", "quill", AT + HOUR);
    }

    @ParameterizedTest
    @EnumSource(AlertKind.class)
    void everythingThatIsToldWithoutFiguresHasItsWords(AlertKind kind) {
        for (Urgency urgency : Urgency.values()) {
            for (boolean isRunSoft : new boolean[] {false, true}) {
                Alert told = book.told(TO, kind, urgency, isRunSoft, "it came with the fleet", "quill", AT);
                assertThatCode(() -> {
                            assertThat(AlertWords.METRIC.summary(told, "LM-31")).isNotBlank();
                            assertThat(AlertWords.METRIC.advice(told)).isNotBlank();
                            AlertWords.METRIC.reasons(told);
                            AlertWords.METRIC.causes(told);
                            AlertWords.safetyNotes(told);
                        })
                        .as("%s %s %s", kind, urgency, isRunSoft)
                        .doesNotThrowAnyException();
                book.replace(told.withdrawn("next", AT));
            }
        }
    }

    @Test
    void aLeakIsProvenClosedAtTheNextWheelAsItWouldHaveBeenWhereItWas() {
        carry(found(AlertKind.SLOW_LEAK, Urgency.BEFORE_NEXT_TRIP, FROM, false));

        book.apply(new Finding.Cleared(TO, AlertFamily.TYRE, AT + 2 * HOUR));
        book.apply(new Finding.Proven(TO, AlertFamily.TYRE, Finding.Proof.IN_BAND, AT + 2 * HOUR));
        assertThat(book.alerts()).singleElement().extracting(Alert::state).isEqualTo(AlertState.RECOVERED);

        book.apply(new Finding.Proven(TO, AlertFamily.TYRE, Finding.Proof.FLAT_FOR_TWELVE_HOURS, AT + 20 * HOUR));
        assertThat(book.alerts()).singleElement().extracting(Alert::state).isEqualTo(AlertState.CLOSED);
    }

    @Test
    void whatWasRunSoftIsNotProvenByReadings() {
        carry(found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, FROM, true));

        book.apply(new Finding.Cleared(TO, AlertFamily.TYRE, AT + 2 * HOUR));
        book.apply(new Finding.Proven(TO, AlertFamily.TYRE, Finding.Proof.FLAT_FOR_TWELVE_HOURS, AT + 20 * HOUR));

        assertThat(book.alerts()).singleElement().extracting(Alert::state).isEqualTo(AlertState.RECOVERED);
    }

    @ParameterizedTest(name = "{0} {1} stands, {2} {3} comes: {4} {5}")
    @CsvSource({
        "HOT_WHEEL_END, STOP_NOW, SLOW_LEAK, BEFORE_NEXT_TRIP, HOT_WHEEL_END, STOP_NOW",
        "HOT_WHEEL_END, NEXT_STOP, FAST_LEAK, STOP_NOW, FAST_LEAK, STOP_NOW",
        "REPORTED_FAULT, PLAN, REPORTED_FAULT, STOP_NOW, REPORTED_FAULT, STOP_NOW",
        "REPORTED_FAULT, STOP_NOW, REPORTED_FAULT, BEFORE_NEXT_TRIP, REPORTED_FAULT, STOP_NOW"
    })
    void neitherSwallowsTheOther(
            AlertKind stands, Urgency urgency, AlertKind comes, Urgency its, AlertKind kind, Urgency both) {
        Alert standing = book.told(TO, stands, urgency, false, "stood here", "tansley", AT);
        book.replace(standing.by("quill", AT).acknowledged());

        Alert after = carry(Alert.told(FROM, comes, its, true, "cord showing", "tansley", AT));

        assertThat(after.id()).isEqualTo(standing.id());
        assertThat(after.kind()).isEqualTo(kind);
        assertThat(after.urgency()).isEqualTo(both);
        assertThat(after.isRunSoft()).isTrue();
        assertThat(after.state()).as("it calls anew").isEqualTo(AlertState.NEW);
        if (kind == AlertKind.REPORTED_FAULT) {
            assertThat(after.hasSeen("stood here")).isTrue();
            assertThat(after.hasSeen("cord showing")).isTrue();
        }
    }

    @ParameterizedTest(name = "{0} h after it was opened: {1}, run soft {2}")
    @CsvSource({"0, PLAN, false", "1.9, PLAN, false", "2, STOP_NOW, true", "9, STOP_NOW, true"})
    void anAlertIsWhatItWasThen(double hours, Urgency urgency, boolean isRunSoft) {
        book.apply(AlertTest.found(AlertKind.SLOW_LEAK, Urgency.PLAN, AT, false));
        book.apply(AlertTest.found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, AT + 2 * HOUR, true));
        Alert now = book.alerts().iterator().next();

        Alert then = now.asOf(AT + Math.round(hours * HOUR));

        assertThat(now.isRunSoft()).isTrue();
        assertThat(then.urgency()).isEqualTo(urgency);
        assertThat(then.isRunSoft()).isEqualTo(isRunSoft);
        assertThat(then.id()).isEqualTo(now.id());
    }

    @Test
    void whatAClosedAlertWasIsOver() {
        Alert closed = book.told(TO, AlertKind.SLOW_LEAK, Urgency.STOP_NOW, false, "stood here", "tansley", AT)
                .withdrawn("was nothing", AT);
        book.replace(closed);

        Alert after = carry(found(AlertKind.SLOW_LEAK, Urgency.PLAN, FROM, false));

        assertThat(after.id()).isNotEqualTo(closed.id());
        assertThat(after.urgency()).isEqualTo(Urgency.PLAN);
    }
}
