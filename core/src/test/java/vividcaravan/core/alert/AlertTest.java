package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.core.axles.Position;

class AlertTest {

    private static final Position WHEEL = Position.parse("2LO");

    static Finding.Raised found(AlertKind kind, Urgency urgency, long at, boolean isRunSoft) {
        return new Finding.Raised(
                WHEEL,
                kind,
                urgency,
                new Evidence(
                        at,
                        700.0,
                        690.0,
                        24.0,
                        800.0,
                        720.0,
                        null,
                        true,
                        null,
                        null,
                        isRunSoft,
                        false,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        Others.NONE,
                        List.of(),
                        0,
                        null,
                        null));
    }

    private static Alert low() {
        return Alert.open(1, found(AlertKind.UNDER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, 1_000, false));
    }

    @Test
    void growsInUrgencyAndNeverShrinksWhileTheFaultLasts() {
        Alert grown = low().raised(found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 2_000, true));

        Alert after = grown.raised(found(AlertKind.UNDER_PRESSURE, Urgency.NEXT_STOP, 3_000, false));

        assertThat(after.urgency()).isEqualTo(Urgency.STOP_NOW);
        assertThat(after.isRunSoft()).isTrue();
        assertThat(after.lastSeenAt()).isEqualTo(3_000);
        assertThat(after.entries()).hasSize(2);
    }

    @Test
    void atEqualUrgencyTheKindThatSaysMoreIsKept() {
        Alert stop = low().raised(found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 2_000, false));

        Alert leak = stop.raised(found(AlertKind.FAST_LEAK, Urgency.STOP_NOW, 3_000, false));
        Alert back = leak.raised(found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 4_000, false));

        assertThat(leak.kind()).isEqualTo(AlertKind.FAST_LEAK);
        assertThat(back.kind()).isEqualTo(AlertKind.FAST_LEAK);
    }

    @Test
    void callsAgainWhenItGrowsAfterSomebodyHasSeenIt() {
        Alert seen = low().acknowledged("quill", 1_500);

        Alert grown = seen.raised(found(AlertKind.UNDER_PRESSURE, Urgency.NEXT_STOP, 2_000, false));

        assertThat(grown.state()).isEqualTo(AlertState.NEW);
    }

    @Test
    void comesOutOfItsShelfWhenItGrows() {
        Alert shelved = low().shelved("marrable", "workshop on Monday", 9_500, 1_500);

        assertThat(shelved.raised(found(AlertKind.UNDER_PRESSURE, Urgency.NEXT_STOP, 2_000, false))
                        .state())
                .isEqualTo(AlertState.NEW);
    }

    @Test
    void stopNowCannotBePutAside() {
        Alert stop = Alert.open(1, found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 1_000, true));

        assertThatThrownBy(() -> stop.shelved("marrable", "later", 9_000, 2_000))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("Stop now");
    }

    @Test
    void puttingAsideNeedsAReason() {
        assertThatThrownBy(() -> low().shelved("marrable", " ", 9_000, 2_000)).isInstanceOf(AlertRefused.class);
    }

    @Test
    void closingNeedsAReasonAndAName() {
        assertThatThrownBy(() -> new Closure("quill", " ", null, false)).isInstanceOf(AlertRefused.class);
        assertThatThrownBy(() -> new Closure("", "filled", null, false)).isInstanceOf(AlertRefused.class);
    }

    @Test
    void aTyreThatWasRunSoftIsClosedOnlyByInspectionOrScrapping() {
        Alert soft = Alert.open(1, found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 1_000, true));

        assertThatThrownBy(() -> soft.closed(new Closure("quill", "filled it", null, false), 2_000))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("inspection");
        assertThat(soft.closed(new Closure("quill", "sound inside", "B. Quill", false), 2_000)
                        .state())
                .isEqualTo(AlertState.CLOSED);
        assertThat(soft.closed(new Closure("quill", "sidewall gone", null, true), 2_000)
                        .entries())
                .last()
                .extracting(AlertEntry::note)
                .asString()
                .contains("Tyre scrapped");
    }

    @Test
    void closedByHandWhileTheFaultLastsItReturnsOnlyWhenItGrows() {
        Alert closed = low().closed(new Closure("quill", "known, driven to the workshop", null, false), 2_000);

        Alert same = closed.raised(found(AlertKind.UNDER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, 3_000, false));
        Alert worse = closed.raised(found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 3_000, false));

        assertThat(same.state()).isEqualTo(AlertState.CLOSED);
        assertThat(worse.state()).isEqualTo(AlertState.NEW);
        assertThat(worse.closedAt()).isNull();
    }

    @ParameterizedTest
    @EnumSource(
            value = AlertState.class,
            names = {"ACKNOWLEDGED", "IN_HAND", "RECOVERED", "SHELVED", "CLOSED"})
    void onlyWhatIsNewCanBeAcknowledged(AlertState state) {
        Alert alert = in(state);

        assertThatThrownBy(() -> alert.acknowledged("quill", 9_000))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("cannot become acknowledged");
    }

    private static Alert in(AlertState state) {
        Alert alert = low();
        return switch (state) {
            case NEW -> alert;
            case ACKNOWLEDGED -> alert.acknowledged("quill", 2_000);
            case IN_HAND -> alert.takenInHand("quill", "job 12", 2_000);
            case RECOVERED -> alert.recovered(2_000);
            case SHELVED -> alert.shelved("quill", "Monday", 9_000, 2_000);
            case CLOSED -> alert.closed(new Closure("quill", "filled", null, false), 2_000);
        };
    }

    @Test
    void proofClosesOnlyWhatHasRecovered() {
        assertThat(low().proven(Finding.Proof.IN_BAND, 2_000).state()).isEqualTo(AlertState.NEW);
        assertThat(low().recovered(2_000).proven(Finding.Proof.IN_BAND, 3_000).state())
                .isEqualTo(AlertState.CLOSED);
    }

    @Test
    void aDayAfterItWasLastSeenAFaultIsAnother() {
        Alert closed = low().recovered(2_000).proven(Finding.Proof.IN_BAND, 3_000);

        assertThat(closed.isContinuedAt(2_000 + Alert.RETURN_WINDOW_MILLIS)).isTrue();
        assertThat(closed.isContinuedAt(2_001 + Alert.RETURN_WINDOW_MILLIS)).isFalse();
        assertThat(low().isContinuedAt(Long.MAX_VALUE)).isTrue();
    }

    @Test
    void whatIsPutAsideCallsAgainWhenItsTimeIsOver() {
        Alert shelved = low().shelved("marrable", "workshop on Monday", 9_500, 1_500);

        assertThat(shelved.unshelved(9_499)).isSameAs(shelved);
        Alert back = shelved.unshelved(9_500);
        assertThat(back.state()).isEqualTo(AlertState.NEW);
        assertThat(back.shelvedUntil()).isNull();
        assertThat(back.entries().get(back.entries().size() - 1).change()).isEqualTo(AlertEntry.Change.UNSHELVED);
    }

    @ParameterizedTest
    @ValueSource(longs = {1_500, 1_499, 0, 1_501 + 30L * 24 * 60 * 60 * 1000})
    void puttingAsideNeedsAnEndWithinThirtyDays(long until) {
        assertThatThrownBy(() -> low().shelved("marrable", "later", until, 1_500))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("thirty days");
    }

    @ParameterizedTest
    @EnumSource(DriverAnswer.class)
    void whatADriverSaysStandsInTheRecordAndSettlesNothing(DriverAnswer answer) {
        Alert answered = low().answered("tansley", answer, 1_500);

        assertThat(answered.state()).isEqualTo(low().state());
        assertThat(answered.urgency()).isEqualTo(low().urgency());
        AlertEntry said = answered.lastAnswer().orElseThrow();
        assertThat(said.who()).isEqualTo("tansley");
        assertThat(said.note()).isEqualTo(answer.words());
        assertThat(DriverAnswer.isUrgent(said.note()))
                .isEqualTo(answer == DriverAnswer.HELP || answer == DriverAnswer.SMOKE);
    }

    @Test
    void theLastAnswerCountsUntilTheAlertComesBack() {
        Alert answered = low().answered("tansley", DriverAnswer.STOPPED, 1_500)
                .noted("quill", "on my way", 1_600)
                .answered("tansley", DriverAnswer.FLAT, 1_700)
                .noted("quill", "seen", 1_800);
        assertThat(answered.lastAnswer().map(AlertEntry::note)).contains("looked: it is flat");
        assertThat(low().lastAnswer()).isEmpty();

        Alert closed = answered.closed(new Closure("quill", "valve", null, false), 2_000);
        assertThatThrownBy(() -> closed.answered("tansley", DriverAnswer.HELP, 2_100))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("call the workshop");
    }

    @Test
    void aNoteStandsInTheRecordAndChangesNothingElse() {
        Alert noted = low().noted("tansley", " a nail, I can see it ", 1_500);

        assertThat(noted.state()).isEqualTo(low().state());
        assertThat(noted.entries().get(1).note()).isEqualTo("a nail, I can see it");
        assertThatThrownBy(() -> low().noted("tansley", "  ", 1_500)).isInstanceOf(AlertRefused.class);
    }
}
