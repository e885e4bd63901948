package vividcaravan.core.alert;

import java.util.Optional;
import vividcaravan.core.limits.LimitName;

/** Which limit of an axle an alert comes from, so that people see which limits call most. */
public final class CrossedLimit {

    private CrossedLimit() {}

    /**
     * The limit that an alert of {@code kind} and {@code urgency} says was crossed.
     *
     * @return empty where no limit of an axle decides: leaks, sensors, and what people saw
     */
    public static Optional<LimitName> of(AlertKind kind, Urgency urgency) {
        boolean isStop = urgency == Urgency.STOP_NOW;
        return switch (kind) {
            case UNDER_PRESSURE -> Optional.of(isStop ? LimitName.LOW_CRITICAL_PCT : LimitName.LOW_PCT);
            case OVER_PRESSURE -> Optional.of(LimitName.HIGH_PCT);
            case HOT_TYRE -> Optional.of(isStop ? LimitName.TEMPERATURE_CRITICAL_C : LimitName.TEMPERATURE_C);
            case WEATHER_LOW -> Optional.of(LimitName.LOW_PCT);
            case FAST_LEAK,
                    SLOW_LEAK,
                    HOT_WHEEL_END,
                    TWIN_MISMATCH,
                    SENSOR_FAULT,
                    SENSOR_SILENT,
                    SENSOR_BATTERY,
                    SENSORS_CROSSED,
                    RECEIVER_SILENT,
                    REPORTED_FAULT -> Optional.empty();
        };
    }
}
