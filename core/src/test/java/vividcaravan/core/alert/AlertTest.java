package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

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
                new EvidenceBuilder(at)
                        .measured(700.0, 690.0, 24.0)
                        .target(800.0)
                        .limits(720.0, null)
                        .compensated(true)
                        .runSoft(isRunSoft)
                        .build());
    }

    private static Alert low() {
        return Alert.open(1, found(AlertKind.UNDER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, 1_000, false));
    }

    @Test
    void growsInUrgencyAndNeverShrinksWhileTheFaultLasts() {
        Alert grown = low().judged().raised(found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 2_000, true));

        Alert after = grown.judged().raised(found(AlertKind.UNDER_PRESSURE, Urgency.NEXT_STOP, 3_000, false));

        assertThat(after.urgency()).isEqualTo(Urgency.STOP_NOW);
        assertThat(after.isRunSoft()).isTrue();
        assertThat(after.lastSeenAt()).isEqualTo(3_000);
        assertThat(after.entries()).hasSize(2);
    }

    @Test
    void atEqualUrgencyTheKindThatSaysMoreIsKept() {
        Alert stop = low().judged().raised(found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 2_000, false));

        Alert leak = stop.judged().raised(found(AlertKind.FAST_LEAK, Urgency.STOP_NOW, 3_000, false));
        Alert back = leak.judged().raised(found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 4_000, false));

        assertThat(leak.kind()).isEqualTo(AlertKind.FAST_LEAK);
        assertThat(back.kind()).isEqualTo(AlertKind.FAST_LEAK);
    }

    @Test
    void callsAgainWhenItGrowsAfterSomebodyHasSeenIt() {
        Alert seen = low().by("quill", 1_500).acknowledged();

        Alert grown = seen.judged().raised(found(AlertKind.UNDER_PRESSURE, Urgency.NEXT_STOP, 2_000, false));

        assertThat(grown.state()).isEqualTo(AlertState.NEW);
    }

    @Test
    void comesOutOfItsShelfWhenItGrows() {
        Alert shelved = low().by("marrable", 1_500).shelved("workshop on Monday", 9_500);

        assertThat(shelved.judged()
                        .raised(found(AlertKind.UNDER_PRESSURE, Urgency.NEXT_STOP, 2_000, false))
                        .state())
                .isEqualTo(AlertState.NEW);
    }

    @Test
    void stopNowCannotBePutAside() {
        Alert stop = Alert.open(1, found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 1_000, true));

        assertThatThrownBy(() -> stop.by("marrable", 2_000).shelved("later", 9_000))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("Stop now");
    }

    @Test
    void puttingAsideNeedsAReason() {
        assertThatThrownBy(() -> low().by("marrable", 2_000).shelved(" ", 9_000))
                .isInstanceOf(AlertRefused.class);
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

        Alert same = closed.judged().raised(found(AlertKind.UNDER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, 3_000, false));
        Alert worse = closed.judged().raised(found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 3_000, false));

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

        assertThatThrownBy(() -> alert.by("quill", 9_000).acknowledged())
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("cannot become acknowledged");
    }

    private static Alert in(AlertState state) {
        Alert alert = low();
        return switch (state) {
            case NEW -> alert;
            case ACKNOWLEDGED -> alert.by("quill", 2_000).acknowledged();
            case IN_HAND -> alert.by("quill", 2_000).takenInHand("job 12");
            case RECOVERED -> alert.judged().recovered(2_000);
            case SHELVED -> alert.by("quill", 2_000).shelved("Monday", 9_000);
            case CLOSED -> alert.closed(new Closure("quill", "filled", null, false), 2_000);
        };
    }

    @Test
    void proofClosesOnlyWhatHasRecovered() {
        assertThat(low().judged().proven(Finding.Proof.IN_BAND, 2_000).state()).isEqualTo(AlertState.NEW);
        assertThat(low().judged()
                        .recovered(2_000)
                        .judged()
                        .proven(Finding.Proof.IN_BAND, 3_000)
                        .state())
                .isEqualTo(AlertState.CLOSED);
    }

    @Test
    void aDayAfterItWasLastSeenAFaultIsAnother() {
        Alert closed = low().judged().recovered(2_000).judged().proven(Finding.Proof.IN_BAND, 3_000);

        assertThat(closed.isContinuedAt(2_000 + Alert.RETURN_WINDOW_MILLIS)).isTrue();
        assertThat(closed.isContinuedAt(2_001 + Alert.RETURN_WINDOW_MILLIS)).isFalse();
        assertThat(low().isContinuedAt(Long.MAX_VALUE)).isTrue();
    }

    @Test
    void whatIsPutAsideCallsAgainWhenItsTimeIsOver() {
        Alert shelved = low().by("marrable", 1_500).shelved("workshop on Monday", 9_500);

        assertThat(shelved.unshelved(9_499)).isSameAs(shelved);
        Alert back = shelved.unshelved(9_500);
        assertThat(back.state()).isEqualTo(AlertState.NEW);
        assertThat(back.shelvedUntil()).isNull();
        assertThat(back.entries().get(back.entries().size() - 1).change()).isEqualTo(AlertEntry.Change.UNSHELVED);
    }

    @ParameterizedTest
    @ValueSource(longs = {1_500, 1_499, 0, 1_501 + 30L * 24 * 60 * 60 * 1000})
    void puttingAsideNeedsAnEndWithinThirtyDays(long until) {
        assertThatThrownBy(() -> low().by("marrable", 1_500).shelved("later", until))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("thirty days");
    }

    @ParameterizedTest
    @EnumSource(DriverAnswer.class)
    void whatADriverSaysStandsInTheRecordAndSettlesNothing(DriverAnswer answer) {
        Alert answered = low().by("tansley", 1_500).answered(answer);

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
        Alert answered = low().by("tansley", 1_500)
                .answered(DriverAnswer.STOPPED)
                .by("quill", 1_600)
                .noted("on my way")
                .by("tansley", 1_700)
                .answered(DriverAnswer.FLAT)
                .by("quill", 1_800)
                .noted("seen");
        assertThat(answered.lastAnswer().map(AlertEntry::note)).contains("looked: it is flat");
        assertThat(low().lastAnswer()).isEmpty();

        Alert closed = answered.closed(new Closure("quill", "valve", null, false), 2_000);
        assertThatThrownBy(() -> closed.by("tansley", 2_100).answered(DriverAnswer.HELP))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("call the workshop");
    }

    @Test
    void aNoteStandsInTheRecordAndChangesNothingElse() {
        Alert noted = low().by("tansley", 1_500).noted(" a nail, I can see it ");

        assertThat(noted.state()).isEqualTo(low().state());
        assertThat(noted.entries().get(1).note()).isEqualTo("a nail, I can see it");
        assertThatThrownBy(() -> low().by("tansley", 1_500).noted("  ")).isInstanceOf(AlertRefused.class);
    }
}
