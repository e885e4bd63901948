package vividcaravan.server.fleet;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.WheelCondition;

/**
 * A wheel at a glance. The values are the newest of the sensor that sits there now, and as old as {@code at} says.
 *
 * @param sensor the sensor's code, or null where there is none
 * @param deviation of the pressure at 20 °C from target: −0.1 is ten per cent under
 * @param urgency of the wheel's most urgent open alert, or null
 * @param isClockWrong whether the sensor last sent times from the future
 */
public record WheelState(
        Position position,
        WheelCondition condition,
        @Nullable String sensor,
        @Nullable Instant at,
        @Nullable Double pressureKpa,
        @Nullable Double pressureAt20Kpa,
        @Nullable Double temperatureC,
        @Nullable Double deviation,
        @Nullable Integer batteryMv,
        @Nullable Urgency urgency,
        boolean isClockWrong) {}
