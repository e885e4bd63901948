package vividcaravan.server.history;

import java.util.function.Consumer;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.server.fleet.FleetVehicle;

/** Hour by hour what was heard of a wheel, from its summaries, which are kept for good. */
@Component
public class WheelHours {

    private static final long HOUR_MILLIS = 60L * 60 * 1000;

    private final WheelHistory history;

    WheelHours(WheelHistory history) {
        this.history = history;
    }

    /**
     * An hour of a wheel.
     *
     * @param at its first reading, epoch milliseconds
     * @param meanAt20Kpa kPa gauge
     * @param highestC °C
     */
    public record Hour(long at, double meanAt20Kpa, double highestC) {}

    /**
     * Whether the sensors of a wheel said in an hour that it stood, and never that it turned; false where they said neither, or where
     * the readings of that hour are not kept any more.
     */
    public boolean isParked(FleetVehicle vehicle, Position wheel, Hour hour) {
        boolean[] stood = {false};
        boolean[] turned = {false};
        history.each(
                vehicle,
                wheel,
                hour.at(),
                hour.at() + HOUR_MILLIS,
                (sensor, reading) -> {
                    stood[0] |= Boolean.FALSE.equals(reading.moving());
                    turned[0] |= Boolean.TRUE.equals(reading.moving());
                },
                () -> turned[0]);
        return stood[0] && !turned[0];
    }

    /**
     * Passes them on, oldest first; an hour is split where the sensor changed.
     *
     * @param from epoch milliseconds, inclusive
     * @param to epoch milliseconds, exclusive
     */
    public void each(FleetVehicle vehicle, Position wheel, long from, long to, Consumer<Hour> sink) {
        history.eachHour(
                vehicle,
                wheel,
                from,
                to,
                (sensor, hour) -> sink.accept(new Hour(
                        hour.firstAt(),
                        hour.at20().mean(hour.count()),
                        hour.celsius().highest())));
    }
}
