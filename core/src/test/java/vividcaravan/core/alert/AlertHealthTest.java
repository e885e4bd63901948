package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Figures after IEC 62682 / ISA-18.2, from memory: a flood begins above ten in ten minutes and ends below five. */
class AlertHealthTest {

    private static final long MINUTE = 60_000;
    private static final long HOUR = 60 * MINUTE;
    private static final long DAY = 24 * HOUR;
    private static final long WEEK = 7 * DAY;

    private static Alert opened(long id, long at, Urgency urgency) {
        return Alert.open(id, AlertTest.found(AlertKind.UNDER_PRESSURE, urgency, at, false));
    }

    @ParameterizedTest
    @CsvSource({
        // calls, seconds between them, minutes of flood
        "10, 1, 0", // ten are none
        "11, 60, 0", // the first leaves as the eleventh comes
        "11, 0, 10", // all at once: until all have left together
        "20, 0, 10",
    })
    void aFloodBeginsAboveTenInTenMinutes(int calls, int seconds, long minutes) {
        long[] at =
                IntStream.range(0, calls).mapToLong(i -> i * 1_000L * seconds).toArray();

        assertThat(Flood.millis(at, 0, DAY)).isEqualTo(minutes * MINUTE);
    }

    @Test
    void aFloodEndsBelowFiveAndOnlyItsPartInTheTimeCounts() {
        // One every half minute for ten minutes: the eleventh comes at 5:00, and at 9:30 + 10 min - 4 * 0:30 four are
        // left.
        long[] at = LongStream.range(0, 20).map(i -> i * 30_000).toArray();
        long begin = 5 * MINUTE;
        long end = 17 * MINUTE + 30_000;

        assertThat(Flood.millis(at, 0, DAY)).isEqualTo(end - begin);
        assertThat(Flood.millis(at, 10 * MINUTE, 12 * MINUTE)).isEqualTo(2 * MINUTE);
        assertThat(Flood.millis(at, DAY, 2 * DAY)).isZero();
        assertThat(Flood.millis(new long[0], 0, DAY)).isZero();
    }

    @Test
    void sixAnHourAreAboutAHundredAndFiftyADay() {
        List<Alert> alerts = LongStream.range(0, 144)
                .mapToObj(i -> opened(i, i * 10 * MINUTE, Urgency.PLAN))
                .toList();

        AlertHealth day = AlertHealth.of(alerts, 0, DAY);

        assertThat(day.calls()).isEqualTo(144);
        assertThat(day.perHour()).isEqualTo(AlertHealth.FINE_PER_HOUR, within(1e-9));
        assertThat(day.floodShare()).isZero();
    }

    @Test
    void timesAreTheMiddleOnesOfThoseToWhomItHappened() {
        Alert quick = opened(1, 0, Urgency.STOP_NOW)
                .by("quill", MINUTE)
                .acknowledged()
                .by("quill", 5 * MINUTE)
                .takenInHand(null)
                .judged()
                .recovered(2 * HOUR)
                .judged()
                .proven(Finding.Proof.IN_BAND, 3 * HOUR);
        Alert slow = opened(2, 0, Urgency.NEXT_STOP)
                .by("quill", HOUR)
                .acknowledged()
                .closed(new Closure("quill", "looked", null, false, false, Verdict.NOTHING_FOUND), 6 * HOUR);
        Alert unseen = opened(3, 0, Urgency.PLAN);
        Alert answered =
                opened(4, 0, Urgency.NEXT_STOP).by("tansley", 10 * MINUTE).answered(DriverAnswer.FLAT);

        AlertHealth week = AlertHealth.of(List.of(quick, slow, unseen, answered), 0, WEEK);

        assertThat(week.acknowledgedMillis()).isEqualTo(MINUTE);
        assertThat(week.actedMillis()).isEqualTo(5 * MINUTE);
        assertThat(week.provenMillis()).isEqualTo(3 * HOUR);
        assertThat(week.closed()).isEqualTo(Map.of(ClosedOn.READINGS, 1, ClosedOn.WORD, 1));
        assertThat(week.verdicts()).isEqualTo(Map.of(Verdict.NOTHING_FOUND, 1));
        assertThat(week.byUrgency()).isEqualTo(Map.of(Urgency.STOP_NOW, 1, Urgency.NEXT_STOP, 2, Urgency.PLAN, 1));
        assertThat(week.standing()).isEqualTo(2);
    }

    @Test
    void whatCallsThreeTimesInAMinuteChatters() {
        Alert alert = opened(1, 0, Urgency.PLAN);
        for (int i = 1; i <= 2; i++) {
            alert = alert.judged()
                    .recovered(i * 20_000L - 10_000)
                    .judged()
                    .raised(AlertTest.found(AlertKind.UNDER_PRESSURE, Urgency.PLAN, i * 20_000L, false));
        }

        assertThat(AlertHealth.of(List.of(alert), 0, DAY).chattering()).isEqualTo(1);
        assertThat(AlertHealth.of(List.of(alert), 0, DAY).calls()).isEqualTo(3);
        assertThat(AlertHealth.of(List.of(opened(1, 0, Urgency.PLAN)), 0, DAY).chattering())
                .isZero();
    }

    @Test
    void whatCausesMostStandsFirst() {
        List<Alert> alerts = List.of(
                opened(1, 0, Urgency.PLAN), opened(2, HOUR, Urgency.PLAN), opened(3, 2 * DAY, Urgency.STOP_NOW));

        assertThat(AlertHealth.worst(alerts, 0, WEEK, 10, Alert::urgency))
                .containsExactly(Map.entry(Urgency.PLAN, 2), Map.entry(Urgency.STOP_NOW, 1));
        assertThat(AlertHealth.worst(alerts, 0, DAY, 1, Alert::urgency)).containsExactly(Map.entry(Urgency.PLAN, 2));
    }

    @Test
    void aQuietWeekHasFiguresToo() {
        AlertHealth quiet = AlertHealth.of(List.of(), 0, WEEK);

        assertThat(quiet.perHour()).isZero();
        assertThat(quiet.acknowledgedMillis()).isNull();
        assertThat(quiet.standing()).isZero();
    }

    private static AlertHealth health(Alert... alerts) {
        return AlertHealth.of(List.of(alerts), DAY, 2 * DAY);
    }

    /** The beginning belongs to the time that is looked at, its end to the next. */
    @ParameterizedTest
    @CsvSource({"86399999, 0", "86400000, 1", "172799999, 1", "172800000, 0"})
    void aTimeBeginsWithItsFirstMomentAndEndsBeforeTheNext(long at, int counted) {
        Alert alert = opened(1, at, Urgency.PLAN);

        assertThat(health(alert).calls()).isEqualTo(counted);
        assertThat(health(alert).byUrgency()).hasSize(counted);
        assertThat(AlertHealth.worst(List.of(alert), DAY, 2 * DAY, 5, Alert::urgency))
                .hasSize(counted);
        Alert closed = opened(1, 0, Urgency.PLAN).closed(new Closure("quill", "valve", null, false), at);
        assertThat(health(closed).closed()).hasSize(counted);
    }

    @ParameterizedTest
    @CsvSource({"20000, 20000, 19999, true", "20000, 20000, 20000, false"})
    void threeCallsWithinLessThanAMinuteChatter(long first, long second, long third, boolean chatters) {
        Alert alert = opened(1, DAY + first, Urgency.PLAN);
        alert = again(alert, DAY + first + second);
        alert = again(alert, DAY + first + second + third + 20_000);

        assertThat(health(alert).chattering()).isEqualTo(chatters ? 1 : 0);
    }

    private static Alert again(Alert alert, long at) {
        return alert.judged()
                .recovered(at - 1)
                .judged()
                .raised(AlertTest.found(AlertKind.UNDER_PRESSURE, Urgency.PLAN, at, false));
    }

    @Test
    void callsOfAnotherTimeDoNotMakeItChatter() {
        Alert alert = again(again(opened(1, DAY - 20_000, Urgency.PLAN), DAY), DAY + 20_000);

        assertThat(health(alert).chattering()).isZero();
    }

    @Test
    void whatStandsLongerThanADayAtTheEndStands() {
        Alert older = opened(1, DAY - 1, Urgency.PLAN);
        Alert ofADay = opened(2, DAY, Urgency.PLAN);
        Alert closedBefore = opened(3, 0, Urgency.PLAN).closed(new Closure("quill", "x", null, false), 2 * DAY - 1);
        Alert closedThen = opened(4, 0, Urgency.PLAN).closed(new Closure("quill", "x", null, false), 2 * DAY);

        assertThat(health(older).standing()).isOne();
        assertThat(health(ofADay).standing()).isZero();
        assertThat(health(closedBefore).standing()).isZero();
        assertThat(health(closedThen).standing()).isOne();
    }

    @Test
    void anInspectionIsAProofAndAnEmptyTimeHasNone() {
        Alert soft = Alert.open(1, AlertTest.found(AlertKind.UNDER_PRESSURE, Urgency.NEXT_STOP, DAY, true));
        Alert inspected = soft.closed(new Closure("quill", "sound", "B. Quill", false), DAY + HOUR);
        Alert word = opened(2, DAY, Urgency.PLAN).closed(new Closure("quill", "sound", null, false), DAY + HOUR);

        assertThat(health(inspected).provenMillis()).isEqualTo(HOUR);
        assertThat(health(word).provenMillis()).isNull();
        assertThat(health().acknowledgedMillis()).isNull();
        assertThat(health().perHour()).isZero();
    }

    @Test
    void aPersonsActThatIsDatedBeforeTheAlertTookNoTime() {
        Alert early = opened(1, DAY + HOUR, Urgency.PLAN).by("quill", DAY).acknowledged();

        assertThat(health(early).acknowledgedMillis()).isZero();
    }
}
