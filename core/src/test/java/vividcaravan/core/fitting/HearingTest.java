package vividcaravan.core.fitting;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** When sensors sleep and wake is common practice. */
class HearingTest {

    private static final long NOW = 1_000_000_000_000L;

    private static Long ago(String minutes) {
        return Objects.equals(minutes, "never") ? null : NOW - Math.round(Double.parseDouble(minutes) * 60_000);
    }

    @ParameterizedTest(name = "heard {0} min ago, taken {1}, the others {2}, may rest {3}: {4}")
    @CsvSource({
        "1,     60, 1 1 1,           false, HEARD",
        "6,     60, 1 1 1,           false, HEARD", // six minutes are still well
        "6.1,   60, 1 1 1,           false, SILENT",
        "30,    60, 1 1 30,          false, SILENT", // two of three talk
        "30,    60, 1 30 30,         false, ASLEEP", // one was woken by hand
        "30,    60, 1 30,            false, ASLEEP", // half is not most
        "30,    60, 30 30 30,        false, ASLEEP",
        "30,    60, never never 1 1, false, ASLEEP",
        "30,    60, 1 1 1,           true,  ASLEEP", // a lifted axle rests while the others run
        "never, 60, 1 1 1,           false, SILENT",
        "never, 2,  1 1 1,           false, NOT_YET", // a new tyre may take six minutes
        "never, 60, 30 30,           false, NOT_YET",
        "never, 60, 1 1 1,           true,  NOT_YET",
    })
    void tellsSleepFromSilence(String heard, long taken, String others, boolean mayRest, Hearing hearing) {
        List<Long> othersAt = Arrays.asList(
                Arrays.stream(others.split(" ")).map(HearingTest::ago).toArray(Long[]::new));

        assertThat(Hearing.of(ago(heard), NOW - taken * 60_000, othersAt, mayRest, NOW))
                .isEqualTo(hearing);
    }

    @Test
    void theOnlySensorOfAVehicleIsNeverSilent() {
        assertThat(Hearing.of(null, 0, List.of(), false, NOW)).isEqualTo(Hearing.NOT_YET);
        assertThat(Hearing.of(0L, 0, List.of(), false, NOW)).isEqualTo(Hearing.ASLEEP);
    }
}
