package vividcaravan.core.duty;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DutyListTest {

    private static final ZoneId DUBLIN = ZoneId.of("Europe/Dublin");
    private static final Shift NIGHT = new Shift("quill", DayOfWeek.SATURDAY, LocalTime.of(22, 0), LocalTime.of(6, 0));
    private static final Shift DAY = new Shift("marrable", DayOfWeek.SUNDAY, LocalTime.of(6, 0), LocalTime.of(22, 0));

    private static DutyList list(Replacement... replacements) {
        return new DutyList(DUBLIN, List.of(NIGHT, DAY), List.of(replacements));
    }

    @ParameterizedTest
    @CsvSource({
        // Summer time ends in Dublin on 25 October 2026 at 02:00, which is 01:00Z, and begins on 28 March 2027 at
        // 01:00Z.
        "2026-10-24T20:59:59Z, ''",
        "2026-10-24T21:00:00Z, quill", // 22:00 on the wall, summer
        "2026-10-25T00:30:00Z, quill", // 01:30, the first time
        "2026-10-25T01:30:00Z, quill", // 01:30 again
        "2026-10-25T05:59:59Z, quill", // winter now
        "2026-10-25T06:00:00Z, marrable",
        "2027-03-27T22:00:00Z, quill",
        "2027-03-28T04:59:59Z, quill", // 05:59:59 on the wall, summer
        "2027-03-28T05:00:00Z, marrable",
        "2027-03-28T21:00:00Z, ''",
    })
    void shiftsGoByTheClockOnTheWallOverAChangeOfSummerTime(String at, String who) {
        assertThat(String.join(",", list().onDuty(Instant.parse(at)))).isEqualTo(who);
    }

    @Test
    void anEveningToEveningWeekHasNoHoleAndNoOverlapInAYear() {
        List<Shift> week = List.of(DayOfWeek.values()).stream()
                .map(day -> new Shift("p" + day.getValue(), day, LocalTime.of(2, 30), LocalTime.of(2, 30)))
                .toList();
        DutyList duty = new DutyList(DUBLIN, week, List.of());

        for (Instant at = Instant.parse("2026-01-01T00:00:00Z");
                at.isBefore(Instant.parse("2027-01-01T00:00:00Z"));
                at = at.plus(Duration.ofMinutes(15))) {
            assertThat(duty.onDuty(at)).as(at.toString()).hasSize(1);
        }
    }

    @Test
    void somebodyStandsInOnADayAndForTheNightThatBeginsOnIt() {
        Replacement other = new Replacement(LocalDate.of(2026, 11, 28), "quill", "sorrel");
        Replacement nobody = new Replacement(LocalDate.of(2026, 11, 29), "marrable", null);
        Instant night = ZonedDateTime.of(2026, 11, 29, 3, 0, 0, 0, DUBLIN).toInstant();

        assertThat(list(other, nobody).onDuty(night)).containsExactly("sorrel");
        assertThat(list(other, nobody).onDuty(night.plus(Duration.ofHours(6)))).isEmpty();
        assertThat(list(other).onDuty(night.plus(Duration.ofDays(7)))).containsExactly("quill");
    }

    @Test
    void whoIsOnDutyIsCalledInTurnAndThenAllManagers() {
        Escalation steps = Escalation.of(List.of("quill", "sorrel"), List.of("marrable", "quill", "wren"), 300_000);

        assertThat(steps.steps()).containsExactly(List.of("quill"), List.of("sorrel"), List.of("marrable", "wren"));
        assertThat(steps.due(Set.of(), 0, 1_000).people()).containsExactly("quill");
        assertThat(steps.due(Set.of("quill"), 1_000, 300_999).people()).isEmpty();
        assertThat(steps.due(Set.of("quill"), 1_000, 301_000).people()).containsExactly("sorrel");
        assertThat(steps.due(Set.of("quill", "sorrel"), 1_000, 301_000).people())
                .containsExactly("marrable", "wren");
    }

    @Test
    void theCallGoesOnOverTheEndOfAShiftAndAHandoverAndSkipsNobody() {
        List<String> managers = List.of("marrable");
        // Quill was called; the shift ends and nobody follows: the managers are next.
        assertThat(Escalation.of(List.of(), managers, 60_000)
                        .due(Set.of("quill"), 0, 60_000)
                        .people())
                .containsExactly("marrable");
        // Quill was called; sorrel has taken over, and is the first of the list now: she is called and not skipped.
        assertThat(Escalation.of(List.of("sorrel"), managers, 60_000)
                        .due(Set.of("quill"), 0, 60_000)
                        .people())
                .containsExactly("sorrel");
        // The new one of two on duty was called before: the other is next.
        assertThat(Escalation.of(List.of("sorrel", "finch"), managers, 60_000)
                        .due(Set.of("quill", "sorrel"), 0, 60_000)
                        .people())
                .containsExactly("finch");
    }

    @ParameterizedTest
    @CsvSource({"300000, 899999, false", "300000, 900000, true", "1800000, 900000, false", "1800000, 1800000, true"})
    void itBeginsAgainSomeTimeAfterTheLastWithThoseWhoAreOnDutyThen(long wait, long after, boolean begins) {
        Escalation.Call call = Escalation.of(List.of("sorrel"), List.of("marrable"), wait)
                .due(Set.of("quill", "sorrel", "marrable"), 0, after);

        assertThat(call.beginsAnew()).isEqualTo(begins);
        assertThat(call.people()).isEqualTo(begins ? List.of("sorrel") : List.of());
    }

    /** However people come and go: nobody waits longer than a wait and a quarter of an hour for the next call. */
    @Property(seed = "20261201", tries = 200)
    void itNeverEndsWhileNobodyAcknowledges(
            @ForAll @Size(max = 3) List<@IntRange(min = 0, max = 5) Integer> onDuty,
            @ForAll @Size(min = 1, max = 3) List<@IntRange(min = 0, max = 5) Integer> managers,
            @ForAll @Size(max = 6) Set<@IntRange(min = 0, max = 5) Integer> called,
            @ForAll @LongRange(min = 60_000, max = 3_600_000) long wait) {
        Escalation steps = Escalation.of(names(onDuty), names(managers), wait);

        assertThat(steps.due(Set.copyOf(names(List.copyOf(called))), 0, wait + Escalation.BEGINS_AGAIN_MILLIS)
                        .people())
                .isNotEmpty();
    }

    private static List<String> names(List<Integer> numbers) {
        return numbers.stream().distinct().map(number -> "person " + number).toList();
    }

    @Test
    void whereNobodyIsOnDutyAllManagersAreCalledAtOnce() {
        Escalation steps = Escalation.of(List.of(), List.of("marrable", "wren"), 300_000);

        assertThat(steps.steps()).containsExactly(List.of("marrable", "wren"));
        assertThat(Escalation.of(List.of("quill"), List.of("quill"), 1).steps()).containsExactly(List.of("quill"));
    }
}
