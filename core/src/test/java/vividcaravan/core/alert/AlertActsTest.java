package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What people do to an alert, in every state it may be in, and how that is taken back. */
class AlertActsTest {

    private static final Closure MENDED = new Closure("quill", "valve changed", null, false, Verdict.RIGHT);

    private static Finding.Raised found(long at, Urgency urgency, boolean isRunSoft) {
        return AlertTest.found(AlertKind.UNDER_PRESSURE, urgency, at, isRunSoft);
    }

    private static Alert fresh(long id, Urgency urgency) {
        return Alert.open(id, found(1_000, urgency, false));
    }

    private static Alert in(AlertState state) {
        Alert alert = fresh(7, Urgency.BEFORE_NEXT_TRIP);
        return switch (state) {
            case NEW -> alert;
            case ACKNOWLEDGED -> alert.acknowledged("quill", 2_000);
            case IN_HAND -> alert.takenInHand("quill", "job 12", 2_000);
            case RECOVERED -> alert.recovered(2_000);
            case SHELVED -> alert.shelved("quill", "Monday", 9_000, 2_000);
            case CLOSED -> alert.closed(MENDED, 2_000);
        };
    }

    private static final Map<String, UnaryOperator<Alert>> ACTS = new LinkedHashMap<>();

    static {
        ACTS.put("acknowledge", alert -> alert.acknowledged("quill", 3_000));
        ACTS.put("take in hand", alert -> alert.takenInHand("quill", null, 3_000));
        ACTS.put("put aside", alert -> alert.shelved("quill", "Monday", 9_500, 3_000));
        ACTS.put("give", alert -> alert.assigned("marrable", "sorrel", "for C. Sorrel", 3_000));
        ACTS.put(
                "count with", alert -> alert.countedWith("quill", fresh(8, Urgency.STOP_NOW), "with GX-05 2LO", 3_000));
        ACTS.put("raise job", alert -> alert.withJob("quill", null, 3_000));
        ACTS.put("close", alert -> alert.closed(MENDED, 3_000));
        ACTS.put("open again", alert -> alert.reopened("quill", "it hisses still", 3_000));
    }

    static Stream<Arguments> everyActInEveryState() {
        return ACTS.keySet().stream()
                .flatMap(act -> Stream.of(AlertState.values()).map(state -> Arguments.of(act, state)));
    }

    @ParameterizedTest
    @MethodSource("everyActInEveryState")
    void anActMovesAsIsAllowedOrIsRefusedAndCanBeTakenBack(String act, AlertState state) {
        Alert before = in(state);
        Alert after;
        try {
            after = ACTS.get(act).apply(before);
        } catch (AlertRefused refused) {
            assertThat(refused.getMessage()).isNotBlank();
            return;
        }
        assertThat(after.state() == state || state.allows(after.state())).isTrue();
        assertThat(after.entries()).hasSize(before.entries().size() + 1);

        Alert back = after.takenBack("marrable", 4_000);

        assertThat(back.state()).isEqualTo(before.state());
        assertThat(back.closedAt()).isEqualTo(before.closedAt());
        assertThat(back.shelvedUntil()).isEqualTo(before.shelvedUntil());
        assertThat(back.handling().assignee()).isEqualTo(before.handling().assignee());
        assertThat(back.handling().sameCauseAs()).isEqualTo(before.handling().sameCauseAs());
        assertThat(back.entries()).hasSize(after.entries().size() + 1).containsAll(after.entries());
        assertThatThrownBy(() -> back.takenBack("marrable", 5_000))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("nothing to take back");
    }

    @ParameterizedTest
    @EnumSource(AlertState.class)
    void onlyWhatIsClosedIsOpenedAgainAndOnlyWhatIsOpenIsGiven(AlertState state) {
        boolean isOpen = state != AlertState.CLOSED;
        assertThat(isDone("open again", state)).isEqualTo(!isOpen);
        assertThat(isDone("give", state)).isEqualTo(isOpen);
        assertThat(isDone("count with", state)).isEqualTo(isOpen);
    }

    private static boolean isDone(String act, AlertState state) {
        try {
            ACTS.get(act).apply(in(state));
            return true;
        } catch (AlertRefused refused) {
            return false;
        }
    }

    @Test
    void wordsInBetweenLeaveAnActToBeTakenBackAndEvidenceDoesNot() {
        Alert seen = fresh(7, Urgency.BEFORE_NEXT_TRIP).acknowledged("quill", 2_000);

        assertThat(seen.noted("quill", "by the gate", 2_100)
                        .answered("tansley", DriverAnswer.STOPPED, 2_200)
                        .takenBack("quill", 2_300)
                        .state())
                .isEqualTo(AlertState.NEW);
        assertThat(seen.raised(found(2_100, Urgency.STOP_NOW, false)).canBeTakenBack())
                .isFalse();
        assertThat(seen.recovered(2_100).canBeTakenBack()).isFalse();
    }

    @Test
    void whatWentWhileItWasClosedIsBackInBandOnceTheClosingIsTakenBack() {
        Alert closed = fresh(7, Urgency.BEFORE_NEXT_TRIP)
                .takenInHand("quill", null, 2_000)
                .closed(MENDED, 3_000);

        Alert back = closed.recovered(3_500).takenBack("quill", 4_000);

        assertThat(back.state()).isEqualTo(AlertState.RECOVERED);
        assertThat(back.proven(Finding.Proof.IN_BAND, 5_000).closedOn()).contains(ClosedOn.READINGS);
    }

    @Test
    void whoeverTakesItInHandHasItAndGivingItAwayChangesThat() {
        Alert inHand = fresh(7, Urgency.NEXT_STOP).takenInHand("quill", null, 2_000);
        assertThat(inHand.handling().assignee()).isEqualTo("quill");

        Alert given = inHand.assigned("marrable", "sorrel", "for C. Sorrel", 3_000);
        assertThat(given.handling().assignee()).isEqualTo("sorrel");
        assertThat(given.state()).isEqualTo(AlertState.IN_HAND);
        assertThatThrownBy(() -> given.assigned("marrable", "sorrel", "for C. Sorrel", 3_100))
                .isInstanceOf(AlertRefused.class);
    }

    @Test
    void aJobIsRaisedOnceAndItsEndProvesNothing() {
        Alert raised = fresh(7, Urgency.NEXT_STOP).withJob("quill", null, 2_000);
        assertThat(raised.state()).isEqualTo(AlertState.IN_HAND);
        assertThat(raised.hasJob()).isTrue();
        assertThatThrownBy(() -> raised.withJob("quill", null, 2_100)).isInstanceOf(AlertRefused.class);
        assertThatThrownBy(() -> raised.jobEnded("quill", " ", 2_100))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("what was found");

        Alert done = raised.jobEnded("quill", "valve core changed", 3_000);
        assertThat(done.hasJob()).isFalse();
        assertThat(done.state()).isEqualTo(AlertState.IN_HAND);
        assertThatThrownBy(() -> done.jobEnded("quill", "again", 3_100)).isInstanceOf(AlertRefused.class);
        assertThat(done.withJob("quill", null, 4_000).hasJob()).isTrue();
        assertThat(raised.noted("quill", "bay 2", 2_500)
                        .takenBack("quill", 2_600)
                        .hasJob())
                .isFalse();
        assertThat(raised.closed(MENDED, 5_000).hasJob()).isFalse();
    }

    @Test
    void photographsStandInTheRecordAndThereIsAnEndToThem() {
        Alert alert = fresh(7, Urgency.NEXT_STOP).acknowledged("quill", 2_000);
        for (int i = 0; i < Alert.MOST_PHOTOS; i++) {
            alert = alert.photographed("tansley", 3_000);
        }
        Alert full = alert;

        assertThat(full.state()).isEqualTo(AlertState.ACKNOWLEDGED);
        assertThat(full.canBeTakenBack()).isTrue();
        assertThat(full.entries().get(full.entries().size() - 1).note()).isEqualTo(Integer.toString(Alert.MOST_PHOTOS));
        assertThatThrownBy(() -> full.photographed("tansley", 3_000)).isInstanceOf(AlertRefused.class);
        assertThatThrownBy(() -> in(AlertState.CLOSED).photographed("tansley", 3_000))
                .isInstanceOf(AlertRefused.class);
    }

    @Test
    void nothingStandsBehindWhatSaysLess() {
        Alert urgent = fresh(7, Urgency.STOP_NOW);
        Alert lesser = fresh(8, Urgency.NEXT_STOP);

        assertThatThrownBy(() -> urgent.countedWith("quill", lesser, "with GX-05", 2_000))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("Count that one with this");
        assertThatThrownBy(() -> urgent.countedWith("quill", urgent, "with itself", 2_000))
                .isInstanceOf(AlertRefused.class);
        Alert behind = lesser.countedWith("quill", urgent, "with GX-05 1L", 2_000);
        assertThatThrownBy(() -> fresh(9, Urgency.PLAN).countedWith("quill", behind, "with GX-05 2L", 2_100))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("itself counted with another");
    }

    @Test
    void whatGrowsBehindAnotherCallsByItself() {
        Alert behind = fresh(8, Urgency.BEFORE_NEXT_TRIP)
                .countedWith("quill", fresh(7, Urgency.NEXT_STOP), "with GX-05 1L", 2_000);
        assertThat(behind.handling().sameCauseAs()).isEqualTo(7L);

        Alert grown = behind.raised(found(2_500, Urgency.NEXT_STOP, false));

        assertThat(grown.state()).isEqualTo(AlertState.NEW);
        assertThat(grown.handling().sameCauseAs()).isNull();
        assertThat(behind.standingAlone("quill", 2_600).handling().sameCauseAs())
                .isNull();
    }

    @Test
    void itIsKeptOnWhatAnAlertWasClosedAndWhetherItWasRight() {
        Alert byWord = fresh(7, Urgency.BEFORE_NEXT_TRIP).closed(MENDED, 2_000);
        assertThat(byWord.closedOn()).contains(ClosedOn.WORD);
        assertThat(byWord.handling().verdict()).isEqualTo(Verdict.RIGHT);
        assertThat(byWord.reopened("quill", "it hisses still", 3_000).handling().verdict())
                .isNull();
        assertThat(byWord.reopened("quill", "it hisses still", 3_000).closedOn())
                .isEmpty();

        Alert soft = Alert.open(8, found(1_000, Urgency.STOP_NOW, true));
        assertThat(soft.closed(new Closure("quill", "sound inside", "B. Quill", false), 2_000)
                        .closedOn())
                .contains(ClosedOn.INSPECTION);
        assertThat(fresh(9, Urgency.PLAN).withdrawn("it was not silent", 2_000).closedOn())
                .contains(ClosedOn.WITHDRAWN);
    }

    @Test
    void aTyreRunSoftStaysSoWhenItIsOpenedAgain() {
        Alert again = Alert.open(8, found(1_000, Urgency.STOP_NOW, true))
                .closed(new Closure("quill", "sound inside", "B. Quill", false), 2_000)
                .reopened("marrable", "bulge at the sidewall", 3_000);

        assertThat(again.state()).isEqualTo(AlertState.NEW);
        assertThatThrownBy(() -> again.closed(MENDED, 4_000))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("inspection");
    }
}
