package vividcaravan.server.ingest;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ReadingTimeTest {

    @Property(seed = "20261120")
    void agreesWithTheJdk(@ForAll @LongRange(min = 0, max = 4_102_444_800_000L) long millis) throws ReadingFault {
        Instant at = Instant.ofEpochMilli(millis);
        String inMillis =
                DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HH:mm:ss.SSS'Z'").format(at.atOffset(ZoneOffset.UTC));

        assertThat(ReadingTime.parse(at.toString())).isEqualTo(millis);
        assertThat(ReadingTime.parse(inMillis)).isEqualTo(millis);
        assertThat(ReadingTime.parse(at.atOffset(ZoneOffset.ofHours(5)).toString()))
                .isEqualTo(millis);
    }

    @ParameterizedTest
    @CsvSource({
        // RFC 3339 section 5.6 allows a space and lower case.
        "2026-11-20 06:31:07Z, 2026-11-20T06:31:07Z",
        "2026-11-20t06:31:07z, 2026-11-20T06:31:07Z",
        "2026-11-20T06:31:07.123456789Z, 2026-11-20T06:31:07.123Z",
        "2024-02-29T23:59:59Z, 2024-02-29T23:59:59Z",
        "2026-11-20T00:00:00-02:00, 2026-11-20T02:00:00Z",
    })
    void readsWhatTheStandardAllows(String text, Instant at) throws ReadingFault {
        assertThat(ReadingTime.parse(text)).isEqualTo(at.toEpochMilli());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "", "2026-11-20", "2026-11-20T06:31:07", "2026-02-29T00:00:00Z", "2026-13-01T00:00:00Z",
                "2026-11-20T24:00:01Z", "2026-11-20T06:60:07Z", "2026-1-1T00:00:00Z", "20261120T063107Z", "now",
                "２０２６-11-20T06:31:07Z", "2026-11-20T06:31:07.+1Z", "+1000000000-01-01T00:00:00Z"
            })
    void refusesWhatIsNoTime(String text) {
        assertThatThrownBy(() -> ReadingTime.parse(text)).isInstanceOf(ReadingFault.class);
    }
}
