package vividcaravan.server.history;

import java.util.function.Consumer;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.server.fleet.FleetVehicle;

/** Hour by hour what was heard of a wheel, from its summaries, which are kept for good. */
@Component
public class WheelHours {

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
