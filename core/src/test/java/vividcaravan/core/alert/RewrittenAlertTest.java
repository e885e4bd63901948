package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** An alert whose wheel was judged again: what readings say is new, what people did is theirs. */
class RewrittenAlertTest {

    private static final long HOUR = 3_600_000;

    private static Alert opened(long id, AlertKind kind, Urgency urgency, long at) {
        return Alert.open(id, AlertTest.found(kind, urgency, at, false));
    }

    private static final Alert STOOD = opened(7, AlertKind.UNDER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, 2 * HOUR);
    /** That fault as it would have been said had everything arrived in order. */
    private static final Alert JUDGED = opened(-1, AlertKind.UNDER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, HOUR);

    private static Alert handled(UnaryOperator<Alert> act) {
        return act.apply(STOOD).withEvidenceOf(JUDGED);
    }

    @Test
    void keepsItsIdentityAndWhatPeopleDidAndTakesTheFiguresOfTheReadings() {
        Alert after = handled(alert -> alert.by("quill", 3 * HOUR).acknowledged());

        assertThat(after.id()).isEqualTo(7);
        assertThat(after.openedAt()).isEqualTo(2 * HOUR);
        assertThat(after.state()).isEqualTo(AlertState.ACKNOWLEDGED);
        assertThat(after.evidence()).isEqualTo(JUDGED.evidence());
        assertThat(after.entries())
                .extracting(AlertEntry::change)
                .containsExactly(AlertEntry.Change.OPENED, AlertEntry.Change.ACKNOWLEDGED);
        assertThat(after.entries().get(0).at()).isEqualTo(HOUR);
        assertThat(after.canBeTakenBack()).isTrue();
    }

    @Test
    void whatNobodyTouchedIsAsItWasJudged() {
        assertThat(handled(alert -> alert).state()).isEqualTo(AlertState.NEW);
    }

    @Test
    void whatIsInHandStaysInHandAndWhatIsPutAsideStaysAside() {
        assertThat(handled(alert -> alert.by("quill", 3 * HOUR).takenInHand(null))
                        .state())
                .isEqualTo(AlertState.IN_HAND);
        Alert aside = handled(alert -> alert.by("quill", 3 * HOUR).shelved("tomorrow", 9 * HOUR));
        assertThat(aside.state()).isEqualTo(AlertState.SHELVED);
        assertThat(aside.shelvedUntil()).isEqualTo(9 * HOUR);
    }

    @Test
    void whatSomebodyClosedStaysClosed() {
        Alert after = handled(alert -> alert.closed(new Closure("quill", "valve", null, false), 4 * HOUR));

        assertThat(after.state()).isEqualTo(AlertState.CLOSED);
        assertThat(after.closedAt()).isEqualTo(4 * HOUR);
        assertThat(after.closedOn()).contains(ClosedOn.WORD);
    }

    @Test
    void whatReadingsClosedIsAsTheyJudgeNow() {
        Alert proven = STOOD.judged().recovered(3 * HOUR).judged().proven(Finding.Proof.IN_BAND, 4 * HOUR);

        Alert after = proven.withEvidenceOf(JUDGED);

        assertThat(proven.state()).isEqualTo(AlertState.CLOSED);
        assertThat(after.state()).isEqualTo(AlertState.NEW);
        assertThat(after.closedAt()).isNull();
    }

    @Test
    void whatTurnsOutMoreUrgentCallsAgainAndNoActCanBeTakenBack() {
        Alert worse = opened(-1, AlertKind.FAST_LEAK, Urgency.STOP_NOW, HOUR);

        Alert after = STOOD.by("quill", 3 * HOUR).acknowledged().withEvidenceOf(worse);

        assertThat(after.state()).isEqualTo(AlertState.NEW);
        assertThat(after.urgency()).isEqualTo(Urgency.STOP_NOW);
        assertThat(after.canBeTakenBack()).isFalse();
    }

    @Test
    void thatItsTyreLeftIsSaidOnce() {
        Alert left = STOOD.by("quill", 3 * HOUR).leftWithTyre("The tyre went to store.");
        Alert judgedLeft = JUDGED.by("quill", 3 * HOUR).leftWithTyre("The tyre went to store.");

        Alert after = left.withEvidenceOf(judgedLeft);

        assertThat(after.entries())
                .extracting(AlertEntry::change)
                .containsExactly(AlertEntry.Change.OPENED, AlertEntry.Change.TYRE_LEFT);
        assertThat(after.isClosedWithTyre()).isTrue();
    }

    /** Seen at two hours, acknowledged at three: the judge itself had nothing more to say. */
    @ParameterizedTest
    @CsvSource({"1, true", "2, true", "3, false"})
    void saysWhetherTheJudgeSpokeOfItSince(long hours, boolean isJudged) {
        assertThat(STOOD.by("quill", 3 * HOUR).acknowledged().isJudgedAfter(hours * HOUR))
                .isEqualTo(isJudged);
    }

    @Test
    void aRecoveryIsAWordOfTheJudgeToo() {
        Alert back = STOOD.judged().recovered(5 * HOUR).by("quill", 6 * HOUR).noted("seen");

        assertThat(back.isJudgedAfter(5 * HOUR)).isTrue();
        assertThat(back.isJudgedAfter(5 * HOUR + 1)).isFalse();
    }

    @Test
    void whatRanSoftSaysMoreThanAnyUrgency() {
        Alert stop = opened(1, AlertKind.FAST_LEAK, Urgency.STOP_NOW, HOUR);
        Alert soft = Alert.open(2, AlertTest.found(AlertKind.UNDER_PRESSURE, Urgency.NEXT_STOP, HOUR, true));

        assertThat(stop.saysMoreThan(STOOD)).isTrue();
        assertThat(STOOD.saysMoreThan(stop)).isFalse();
        assertThat(STOOD.saysMoreThan(STOOD)).isFalse();
        assertThat(soft.saysMoreThan(stop)).isTrue();
        assertThat(soft.saysMoreThan(soft)).isFalse();
    }

    @Test
    void saysWhoSawIt() {
        Alert report =
                Alert.open(1, new Sight(STOOD.position(), Urgency.STOP_NOW, "tansley", "cord can be seen"), HOUR);

        assertThat(report.lastSeenBy()).contains("tansley");
        assertThat(report.by("quill", 2 * HOUR).acknowledged().lastSeenBy()).contains("tansley");
        assertThat(STOOD.by("quill", 2 * HOUR).noted("a note").lastSeenBy()).isEmpty();
    }

    /** What the record of a job and of an instruction says. */
    @Test
    void aJobIsOpenUntilItIsEndedTakenBackOrOvertaken() {
        Alert job = STOOD.by("quill", 3 * HOUR).withJob(null);
        Alert ended = job.by("quill", 4 * HOUR).jobEnded("new valve");

        assertThat(List.of(STOOD.hasJob(), job.hasJob(), ended.hasJob())).containsExactly(false, true, false);
        assertThat(job.by("quill", 4 * HOUR).takenBack().hasJob()).isFalse();
        assertThat(job.by("quill", 4 * HOUR).noted("waits").hasJob()).isTrue();
        Alert reopened = job.closed(new Closure("quill", "done", null, false), 5 * HOUR)
                .by("quill", 6 * HOUR)
                .reopened("leaks again");
        assertThat(reopened.hasJob()).isFalse();
        Alert closingTakenBack = job.closed(new Closure("quill", "done", null, false), 5 * HOUR)
                .by("quill", 6 * HOUR)
                .takenBack();
        assertThat(closingTakenBack.hasJob()).isTrue();
        assertThat(ended.isRepairedByName()).isTrue();
        assertThat(job.isRepairedByName()).isFalse();
        Alert worse =
                ended.judged().raised(AlertTest.found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 6 * HOUR, false));
        assertThat(worse.isRepairedByName()).as("it called again since").isFalse();
    }

    @Test
    void anInstructionIsReadOnceByEachDriver() {
        Alert told = STOOD.by("marrable", 3 * HOUR).instructed("tansley, by text");
        Alert read = told.by("tansley", 4 * HOUR).read();

        assertThat(STOOD.by("tansley", 3 * HOUR).read()).as("nothing was told").isEqualTo(STOOD);
        assertThat(read.entries()).hasSize(told.entries().size() + 1);
        assertThat(read.by("tansley", 5 * HOUR).read()).isEqualTo(read);
        assertThat(read.by("finch", 5 * HOUR).read().entries())
                .hasSize(read.entries().size() + 1);
        Alert again = read.by("marrable", 6 * HOUR).instructed("tansley, by text");
        assertThat(again.by("tansley", 7 * HOUR).read()).isNotEqualTo(again);
        assertThat(told.state()).as("who tells them has seen it").isEqualTo(AlertState.ACKNOWLEDGED);
    }

    @Test
    void somebodyIsCalledOnlyForWhatNobodyHasSeen() {
        Alert called = STOOD.by(AlertActs.DUTY_LIST, 3 * HOUR).escalated("marrable, by text");
        Alert seen = STOOD.by("quill", 3 * HOUR).acknowledged();

        assertThat(called.state()).isEqualTo(AlertState.NEW);
        assertThat(called.entries().get(1).note()).isEqualTo("marrable, by text");
        assertThatThrownBy(() -> seen.by(AlertActs.DUTY_LIST, 4 * HOUR).escalated("marrable"))
                .isInstanceOf(AlertRefused.class);
        Alert closed = seen.closed(new Closure("quill", "valve", null, false), 5 * HOUR);
        assertThatThrownBy(() -> closed.by("marrable", 6 * HOUR).instructed("tansley"))
                .isInstanceOf(AlertRefused.class);
    }

    @Test
    void theEndOfItsTyreStandsBeforeTheActThatEndedIt() {
        Alert scrapped = STOOD.closed(new Closure("quill", "cord inside", null, true), 5 * HOUR);

        Alert ended = scrapped.by("quill", 5 * HOUR).tyreEnded("The tyre was taken off.");

        assertThat(ended.entries())
                .extracting(AlertEntry::change)
                .containsExactly(AlertEntry.Change.OPENED, AlertEntry.Change.TYRE_LEFT, AlertEntry.Change.CLOSED);
        assertThat(ended.isContinuedAt(5 * HOUR + 1))
                .as("another tyre is another alert")
                .isFalse();
    }
}
