package vividcaravan.server.duty;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Each day has one hour of the digest, the days on which the clocks change too. */
class DigestHourTest {

    @ParameterizedTest
    @CsvSource({
        "2027-03-28, Europe/Berlin, 2, 01:00Z", // left out: it is three then
        "2027-03-28, Europe/Berlin, 3, 01:00Z",
        "2027-10-31, Europe/Berlin, 2, 00:00Z", // comes twice: the first
        "2027-03-28, Europe/Dublin, 1, 01:00Z",
        "2027-01-15, Pacific/Auckland, 6, 17:00Z",
        "2027-06-15, America/St_Johns, 6, 08:30Z",
    })
    void comesOnceADay(LocalDate day, ZoneId zone, int hour, String from) {
        Instant begin = day.atStartOfDay(zone).toInstant();
        Instant end = day.plusDays(1).atStartOfDay(zone).toInstant();
        long minutes = Duration.between(begin, end).toMinutes();

        long[] due = IntStream.range(0, (int) minutes)
                .filter(minute -> Digests.isDue(begin.plusSeconds(minute * 60L), hour, zone))
                .mapToLong(minute -> begin.plusSeconds(minute * 60L).getEpochSecond())
                .toArray();

        assertThat(due).hasSize(60);
        assertThat(Instant.ofEpochSecond(due[0]).toString()).contains("T" + from.replace("Z", ""));
    }
}
