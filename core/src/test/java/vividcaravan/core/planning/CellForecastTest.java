package vividcaravan.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.axles.MountKind;

/** When cells end, and which visits change them. */
class CellForecastTest {

    private static final long NOW = Instant.parse("2026-11-20T06:00:00Z").toEpochMilli();
    private static final double UNKNOWN = Double.NaN;
    private static final ZoneId DUBLIN = ZoneId.of("Europe/Dublin");

    private static long yearsAgo(double years) {
        return NOW - Math.round(years * 365.25 * 24 * 3_600_000);
    }

    private static double years(long from, long to) {
        return (to - from) / (365.25 * 24 * 3_600_000);
    }

    /** Common practice: sealed kinds live 5 years always on, 5 to 8 years where movement wakes them. */
    @Test
    void sealedCellsLiveAsCommonPracticeSays() {
        CellForecast alwaysOn = CellForecast.of(MountKind.STRAP, NOW, UNKNOWN, UNKNOWN, 1_440, NOW);
        CellForecast byMovement = CellForecast.of(MountKind.STRAP, NOW, UNKNOWN, UNKNOWN, 300, NOW);

        assertThat(years(NOW, alwaysOn.likely())).isBetween(4.9, 5.1);
        assertThat(years(NOW, byMovement.earliest())).isGreaterThanOrEqualTo(5);
        assertThat(years(NOW, byMovement.latest())).isBetween(7.9, 8.1);
        assertThat(CellForecast.of(MountKind.CAP, NOW, UNKNOWN, UNKNOWN, 300, NOW)
                        .latest())
                .isLessThan(alwaysOn.earliest());
    }

    /** Common practice: a coin cell is at its end below 2.5 V. */
    @Test
    void aWeakOneIsAtItsEnd() {
        CellForecast weak = CellForecast.of(MountKind.CAP, yearsAgo(0.1), 2_480, UNKNOWN, 300, NOW);

        assertThat(weak.latest()).isEqualTo(NOW);
    }

    @Test
    void aFallGivesTheDay() {
        CellForecast falling = CellForecast.of(MountKind.STRAP, yearsAgo(4), 2_740, 40, 300, NOW);

        assertThat(Duration.ofMillis(falling.likely() - NOW).toDays()).isBetween(180L, 185L);
        assertThat(falling.basis()).contains("40 mV");
        assertThat(falling.earliest()).isLessThan(falling.likely());
        assertThat(falling.latest()).isGreaterThan(falling.likely());
    }

    @Test
    void aFullVoltageIsBetterEvidenceThanTheCalendar() {
        CellForecast old = CellForecast.of(MountKind.CAP, yearsAgo(6), 2_990, 1, 300, NOW);

        assertThat(Duration.ofMillis(old.earliest() - NOW).toDays()).isBetween(85L, 95L);
    }

    @Test
    void anOldOneThatSaysNothingIsDueNow() {
        assertThat(CellForecast.of(MountKind.CAP, yearsAgo(6), UNKNOWN, UNKNOWN, UNKNOWN, NOW)
                        .earliest())
                .isEqualTo(NOW);
    }

    @Property(tries = 300)
    void isAlwaysARangeThatHasNotPassed(
            @ForAll @DoubleRange(min = 2_000, max = 3_300) double mv,
            @ForAll @DoubleRange(min = -50, max = 300) double perMonth,
            @ForAll @DoubleRange(min = 0, max = 5_000) double perDay,
            @ForAll @IntRange(max = 12) int age,
            @ForAll MountKind mount) {
        CellForecast forecast = CellForecast.of(mount, yearsAgo(age), mv, perMonth, perDay, NOW);

        assertThat(forecast.earliest()).isBetween(NOW, forecast.likely());
        assertThat(forecast.likely()).isLessThanOrEqualTo(forecast.latest());
    }

    private static CellVisit.Due<String> due(String cell, String day) {
        long at = LocalDate.parse(day).atStartOfDay(DUBLIN).toInstant().toEpochMilli();
        return new CellVisit.Due<>(cell, new CellForecast(at, at, at, ""));
    }

    @Test
    void oneVisitDoesAllThatEndWithinHalfAYear() {
        List<CellVisit<String>> visits = CellVisit.plan(
                List.of(due("c", "2028-05-01"), due("b", "2027-08-10"), due("a", "2027-06-01")),
                LocalDate.parse("2026-11-20"),
                DUBLIN);

        assertThat(visits).hasSize(2);
        assertThat(visits.get(0).on()).isEqualTo("2027-06-01");
        assertThat(visits.get(0).cells()).extracting(CellVisit.Due::cell).containsExactly("a", "b");
        assertThat(visits.get(1).cells()).extracting(CellVisit.Due::cell).containsExactly("c");
    }

    @Test
    void whatWouldEndInTheColdIsDoneBeforeIt() {
        CellVisit<String> visit = CellVisit.plan(List.of(due("a", "2028-01-15")), LocalDate.parse("2026-11-20"), DUBLIN)
                .get(0);

        assertThat(visit.on()).isEqualTo("2027-10-31");
        assertThat(visit.isBeforeCold()).isTrue();
    }

    @Test
    void inTheColdAlreadyItIsDoneAtOnce() {
        LocalDate today = LocalDate.parse("2026-11-20");

        assertThat(CellVisit.plan(List.of(due("a", "2027-01-15")), today, DUBLIN)
                        .get(0)
                        .on())
                .isEqualTo(today);
        assertThat(CellVisit.plan(List.of(due("a", "2026-08-01")), today, DUBLIN)
                        .get(0)
                        .on())
                .isEqualTo(today);
    }

    @Test
    void southOfTheEquatorItIsColdInJuly() {
        LocalDate july = LocalDate.parse("2027-07-10");

        for (String southern :
                List.of("Australia/Sydney", "Australia/Brisbane", "Africa/Johannesburg", "America/Lima")) {
            assertThat(CellVisit.beforeCold(july, ZoneId.of(southern)))
                    .as(southern)
                    .isEqualTo("2027-04-30");
        }
        assertThat(CellVisit.beforeCold(july, DUBLIN)).isEqualTo(july);
    }

    /** Worked by hand from the rules: 5 to 8 years by how often it speaks, a third of that to either side. */
    @ParameterizedTest
    @CsvSource({
        "STRAP, 1200, 5, 5, 6",
        "STRAP, 500, 7, 8, 8",
        "STRAP, 850, 5.5, 6.5, 7.5",
        "STRAP, NaN, 5.5, 6.5, 7.5",
        "CAP, 1200, 1.5, 1.5, 2",
        "CAP, 500, 2.5, 3, 3",
        "CAP, 850, 1.75, 2.25, 2.75",
    })
    void aCellsAgeGivesARange(MountKind mount, double readings, double earliest, double likely, double latest) {
        CellForecast forecast = CellForecast.of(mount, NOW, UNKNOWN, UNKNOWN, readings, NOW);

        assertThat(years(NOW, forecast.earliest())).isCloseTo(earliest, within(0.01));
        assertThat(years(NOW, forecast.likely())).isCloseTo(likely, within(0.01));
        assertThat(years(NOW, forecast.latest())).isCloseTo(latest, within(0.01));
    }

    private static double months(CellForecast forecast) {
        return (forecast.likely() - NOW) / (365.25 / 12 * 24 * 3_600_000);
    }

    /** 2.5 V is the end, 2.8 V is flat; from there nine months; a fall below 8 mV a month is noise [our judgement]. */
    @ParameterizedTest
    @CsvSource({"2500, 0, 0", "2500.1, 0, 0", "2650, 0, 4.5", "2650, 7.9, 4.5", "2650, 8, 18.75", "2799, 0, 8.97"})
    void aCellsVoltageGivesTheMonths(double mv, double fall, double expected) {
        CellForecast forecast = CellForecast.of(MountKind.STRAP, yearsAgo(1), mv, fall, 300, NOW);

        assertThat(months(forecast)).isCloseTo(expected, within(0.1));
    }

    @Test
    void aFullCellGoesByItsAge() {
        CellForecast full = CellForecast.of(MountKind.STRAP, yearsAgo(1), 2_800, 0, 300, NOW);

        assertThat(full.basis()).contains("its age");
    }

    @Test
    void whatComesFirstCounts() {
        CellForecast old = CellForecast.of(MountKind.CAP, yearsAgo(2.9), 2_790, 0, 300, NOW);

        assertThat(old.basis()).contains("its age");
        assertThat(old.earliest()).as("not in the past").isEqualTo(NOW);
    }
}
