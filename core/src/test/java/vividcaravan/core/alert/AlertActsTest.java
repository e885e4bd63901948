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

    private static final Closure MENDED = new Closure("quill", "valve changed", null, false, false, Verdict.RIGHT);

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
            case ACKNOWLEDGED -> alert.by("quill", 2_000).acknowledged();
            case IN_HAND -> alert.by("quill", 2_000).takenInHand("job 12");
            case RECOVERED -> alert.judged().recovered(2_000);
            case SHELVED -> alert.by("quill", 2_000).shelved("Monday", 9_000);
            case CLOSED -> alert.closed(MENDED, 2_000);
        };
    }

    private static final Map<String, UnaryOperator<Alert>> ACTS = new LinkedHashMap<>();

    static {
        ACTS.put("acknowledge", alert -> alert.by("quill", 3_000).acknowledged());
        ACTS.put("take in hand", alert -> alert.by("quill", 3_000).takenInHand(null));
        ACTS.put("put aside", alert -> alert.by("quill", 3_000).shelved("Monday", 9_500));
        ACTS.put("give", alert -> alert.by("marrable", 3_000).assigned("sorrel", "for C. Sorrel"));
        ACTS.put("count with", alert -> alert.by("quill", 3_000)
                .countedWith(fresh(8, Urgency.STOP_NOW), "with GX-05 2LO"));
        ACTS.put("raise job", alert -> alert.by("quill", 3_000).withJob(null));
        ACTS.put("close", alert -> alert.closed(MENDED, 3_000));
        ACTS.put("open again", alert -> alert.by("quill", 3_000).reopened("it hisses still"));
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

        Alert back = after.by("marrable", 4_000).takenBack();

        assertThat(back.state()).isEqualTo(before.state());
        assertThat(back.closedAt()).isEqualTo(before.closedAt());
        assertThat(back.shelvedUntil()).isEqualTo(before.shelvedUntil());
        assertThat(back.handling().assignee()).isEqualTo(before.handling().assignee());
        assertThat(back.handling().sameCauseAs()).isEqualTo(before.handling().sameCauseAs());
        assertThat(back.entries()).hasSize(after.entries().size() + 1).containsAll(after.entries());
        assertThatThrownBy(() -> back.by("marrable", 5_000).takenBack())
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
        Alert seen = fresh(7, Urgency.BEFORE_NEXT_TRIP).by("quill", 2_000).acknowledged();

        assertThat(seen.by("quill", 2_100)
                        .noted("by the gate")
                        .by("tansley", 2_200)
                        .answered(DriverAnswer.STOPPED)
                        .by("quill", 2_300)
                        .takenBack()
                        .state())
                .isEqualTo(AlertState.NEW);
        assertThat(seen.judged().raised(found(2_100, Urgency.STOP_NOW, false)).canBeTakenBack())
                .isFalse();
        assertThat(seen.judged().recovered(2_100).canBeTakenBack()).isFalse();
    }

    @Test
    void whatWentWhileItWasClosedIsBackInBandOnceTheClosingIsTakenBack() {
        Alert closed = fresh(7, Urgency.BEFORE_NEXT_TRIP)
                .by("quill", 2_000)
                .takenInHand(null)
                .closed(MENDED, 3_000);

        Alert back = closed.judged().recovered(3_500).by("quill", 4_000).takenBack();

        assertThat(back.state()).isEqualTo(AlertState.RECOVERED);
        assertThat(back.judged().proven(Finding.Proof.IN_BAND, 5_000).closedOn())
                .contains(ClosedOn.READINGS);
    }

    @Test
    void whoeverTakesItInHandHasItAndGivingItAwayChangesThat() {
        Alert inHand = fresh(7, Urgency.NEXT_STOP).by("quill", 2_000).takenInHand(null);
        assertThat(inHand.handling().assignee()).isEqualTo("quill");

        Alert given = inHand.by("marrable", 3_000).assigned("sorrel", "for C. Sorrel");
        assertThat(given.handling().assignee()).isEqualTo("sorrel");
        assertThat(given.state()).isEqualTo(AlertState.IN_HAND);
        assertThatThrownBy(() -> given.by("marrable", 3_100).assigned("sorrel", "for C. Sorrel"))
                .isInstanceOf(AlertRefused.class);
    }

    @Test
    void aJobIsRaisedOnceAndItsEndProvesNothing() {
        Alert raised = fresh(7, Urgency.NEXT_STOP).by("quill", 2_000).withJob(null);
        assertThat(raised.state()).isEqualTo(AlertState.IN_HAND);
        assertThat(raised.hasJob()).isTrue();
        assertThatThrownBy(() -> raised.by("quill", 2_100).withJob(null)).isInstanceOf(AlertRefused.class);
        assertThatThrownBy(() -> raised.by("quill", 2_100).jobEnded(" "))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("what was found");

        Alert done = raised.by("quill", 3_000).jobEnded("valve core changed");
        assertThat(done.hasJob()).isFalse();
        assertThat(done.state()).isEqualTo(AlertState.IN_HAND);
        assertThatThrownBy(() -> done.by("quill", 3_100).jobEnded("again")).isInstanceOf(AlertRefused.class);
        assertThat(done.by("quill", 4_000).withJob(null).hasJob()).isTrue();
        assertThat(raised.by("quill", 2_500)
                        .noted("bay 2")
                        .by("quill", 2_600)
                        .takenBack()
                        .hasJob())
                .isFalse();
        assertThat(raised.closed(MENDED, 5_000).hasJob()).isFalse();
    }

    @Test
    void photographsStandInTheRecordAndThereIsAnEndToThem() {
        Alert alert = fresh(7, Urgency.NEXT_STOP).by("quill", 2_000).acknowledged();
        for (int i = 0; i < AlertActs.MOST_PHOTOS; i++) {
            alert = alert.by("tansley", 3_000).photographed();
        }
        Alert full = alert;

        assertThat(full.state()).isEqualTo(AlertState.ACKNOWLEDGED);
        assertThat(full.canBeTakenBack()).isTrue();
        assertThat(full.entries().get(full.entries().size() - 1).note())
                .isEqualTo(Integer.toString(AlertActs.MOST_PHOTOS));
        assertThatThrownBy(() -> full.by("tansley", 3_000).photographed()).isInstanceOf(AlertRefused.class);
        assertThatThrownBy(() -> in(AlertState.CLOSED).by("tansley", 3_000).photographed())
                .isInstanceOf(AlertRefused.class);
    }

    @Test
    void nothingStandsBehindWhatSaysLess() {
        Alert urgent = fresh(7, Urgency.STOP_NOW);
        Alert lesser = fresh(8, Urgency.NEXT_STOP);

        assertThatThrownBy(() -> urgent.by("quill", 2_000).countedWith(lesser, "with GX-05"))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("Count that one with this");
        assertThatThrownBy(() -> urgent.by("quill", 2_000).countedWith(urgent, "with itself"))
                .isInstanceOf(AlertRefused.class);
        Alert behind = lesser.by("quill", 2_000).countedWith(urgent, "with GX-05 1L");
        assertThatThrownBy(() -> fresh(9, Urgency.PLAN).by("quill", 2_100).countedWith(behind, "with GX-05 2L"))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("itself counted with another");
    }

    @Test
    void whatGrowsBehindAnotherCallsByItself() {
        Alert behind = fresh(8, Urgency.BEFORE_NEXT_TRIP)
                .by("quill", 2_000)
                .countedWith(fresh(7, Urgency.NEXT_STOP), "with GX-05 1L");
        assertThat(behind.handling().sameCauseAs()).isEqualTo(7L);

        Alert grown = behind.judged().raised(found(2_500, Urgency.NEXT_STOP, false));

        assertThat(grown.state()).isEqualTo(AlertState.NEW);
        assertThat(grown.handling().sameCauseAs()).isNull();
        assertThat(behind.by("quill", 2_600).standingAlone().handling().sameCauseAs())
                .isNull();
    }

    @Test
    void itIsKeptOnWhatAnAlertWasClosedAndWhetherItWasRight() {
        Alert byWord = fresh(7, Urgency.BEFORE_NEXT_TRIP).closed(MENDED, 2_000);
        assertThat(byWord.closedOn()).contains(ClosedOn.WORD);
        assertThat(byWord.handling().verdict()).isEqualTo(Verdict.RIGHT);
        assertThat(byWord.by("quill", 3_000)
                        .reopened("it hisses still")
                        .handling()
                        .verdict())
                .isNull();
        assertThat(byWord.by("quill", 3_000).reopened("it hisses still").closedOn())
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
                .by("marrable", 3_000)
                .reopened("bulge at the sidewall");

        assertThat(again.state()).isEqualTo(AlertState.NEW);
        assertThatThrownBy(() -> again.closed(MENDED, 4_000))
                .isInstanceOf(AlertRefused.class)
                .hasMessageContaining("inspection");
    }
}
