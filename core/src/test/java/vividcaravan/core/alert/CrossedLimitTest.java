package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.limits.LimitName;

class CrossedLimitTest {

    @ParameterizedTest
    @CsvSource({
        "UNDER_PRESSURE, STOP_NOW, LOW_CRITICAL_PCT",
        "UNDER_PRESSURE, BEFORE_NEXT_TRIP, LOW_PCT",
        "OVER_PRESSURE, BEFORE_NEXT_TRIP, HIGH_PCT",
        "HOT_TYRE, STOP_NOW, TEMPERATURE_CRITICAL_C",
        "HOT_TYRE, NEXT_STOP, TEMPERATURE_C",
        "WEATHER_LOW, PLAN, LOW_PCT"
    })
    void whatALimitDecidesIsCountedForThatLimit(AlertKind kind, Urgency urgency, LimitName limit) {
        assertThat(CrossedLimit.of(kind, urgency)).contains(limit);
    }

    @ParameterizedTest
    @CsvSource({"SLOW_LEAK", "FAST_LEAK", "HOT_WHEEL_END", "SENSOR_SILENT", "REPORTED_FAULT"})
    void whatNoLimitDecidesIsCountedForNone(AlertKind kind) {
        assertThat(CrossedLimit.of(kind, Urgency.STOP_NOW)).isEmpty();
    }
}
