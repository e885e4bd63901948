package vividcaravan.core.judge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.alert.Departure;

class WheelConditionTest {

    private static final long NOW = 1_700_000_000_000L;

    private static Long minutesAgo(Double minutes) {
        return minutes == null ? null : NOW - Math.round(minutes * 60_000);
    }

    @ParameterizedTest(name = "wheel heard {0} min ago, vehicle {1} min ago, judged {2}, spare {3}: {4}")
    @CsvSource({
        // Sensors sleep 5 to 10 minutes after stopping; all report within 5 minutes of a start [common practice].
        "0,    0,   OK,           false, OK",
        "9,    9,   OK,           false, OK",
        "11,   11,  OK,           false, ASLEEP",
        "600,  600, OK,           false, ASLEEP",
        "600,  600, LOW_CRITICAL, false, LOW_CRITICAL", // an old fault does not go to sleep
        "11,   0,   OK,           false, ASLEEP", // perhaps it only wakes late
        "14,   1,   OK,           false, SILENT",
        "600,  1,   OK,           false, SILENT",
        "600,  1,   OK,           true,  ASLEEP", // a spare sleeps while its siblings talk
        ",     1,   OK,           false, SILENT",
        ",     ,    OK,           false, ASLEEP",
        ",     600, OK,           false, ASLEEP",
    })
    void tellsSilentFromAsleep(
            Double wheelMinutes, Double vehicleMinutes, WheelCondition judged, boolean isSpare, WheelCondition seen) {
        assertThat(WheelCondition.seenAt(NOW, judged, minutesAgo(wheelMinutes), minutesAgo(vehicleMinutes), isSpare))
                .isEqualTo(seen);
    }

    @ParameterizedTest(name = "{0}, ever heard {1}: {2}")
    @CsvSource({
        "OK, true, ",
        "LOW_CRITICAL, true, ",
        "ASLEEP, true, ",
        "ASLEEP, false, NEVER_HEARD",
        "OK, false, NEVER_HEARD",
        "NO_SENSOR, false, NO_SENSOR",
        "SILENT, true, SILENT",
        "FAULT, true, FAULT",
    })
    void saysWhyAWheelIsNotWatched(WheelCondition condition, boolean isHeard, Departure.Blind why) {
        assertThat(condition.blind(isHeard)).isEqualTo(Optional.ofNullable(why));
    }
}
