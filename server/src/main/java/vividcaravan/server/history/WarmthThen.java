package vividcaravan.server.history;

import java.util.OptionalDouble;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.server.fleet.FleetVehicle;

/** How warm a tyre was at a moment, by the reading of its sensor that is nearest to it. */
@Component
public class WarmthThen {

    private static final long NEAR_MILLIS = 60L * 60 * 1000;

    private final WheelHistory history;

    WarmthThen(WheelHistory history) {
        this.history = history;
    }

    /**
     * How warm a tyre was, °C; empty where its sensor did not speak within an hour of that.
     *
     * @param at epoch milliseconds
     */
    public OptionalDouble celsius(FleetVehicle vehicle, Position wheel, long at) {
        double[] celsius = {Double.NaN};
        long[] distance = {Long.MAX_VALUE};
        history.each(
                vehicle,
                wheel,
                at - NEAR_MILLIS,
                at + NEAR_MILLIS,
                (sensor, reading) -> {
                    if (reading.isMeasurement() && Math.abs(reading.at() - at) < distance[0]) {
                        distance[0] = Math.abs(reading.at() - at);
                        celsius[0] = reading.temperatureC();
                    }
                },
                () -> false);
        return Double.isNaN(celsius[0]) ? OptionalDouble.empty() : OptionalDouble.of(celsius[0]);
    }
}
