package vividcaravan.server.history;

import java.util.function.BiConsumer;
import java.util.function.BooleanSupplier;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;

/** What the sensors that sat at a wheel said while they sat there. */
@Component
class WheelHistory {

    private final FleetDirectory fleet;
    private final BlockStore blocks;
    private final SummaryStore summaries;

    WheelHistory(FleetDirectory fleet, BlockStore blocks, SummaryStore summaries) {
        this.fleet = fleet;
        this.blocks = blocks;
        this.summaries = summaries;
    }

    /**
     * Passes on the readings of a wheel, oldest first, until {@code isEnough} says so.
     *
     * @param from epoch milliseconds, inclusive
     * @param to epoch milliseconds, exclusive
     */
    void each(
            FleetVehicle vehicle,
            Position wheel,
            long from,
            long to,
            BiConsumer<KnownSensor, Reading> sink,
            BooleanSupplier isEnough) {
        for (Fitting stay : fleet.staysAt(vehicle, wheel, from, to)) {
            KnownSensor sensor = fleet.sensor(stay.sensor()).orElseThrow();
            blocks.read(
                    stay.sensor(),
                    Math.max(from, stay.from()),
                    Math.min(to, stay.to()),
                    entry -> sink.accept(sensor, entry.reading()),
                    isEnough);
        }
    }

    /**
     * Passes on the summaries of a wheel's hours, oldest first; an hour is split where the sensor changed.
     *
     * @param from epoch milliseconds, inclusive
     * @param to epoch milliseconds, exclusive
     */
    void eachHour(FleetVehicle vehicle, Position wheel, long from, long to, BiConsumer<KnownSensor, HourSummary> sink) {
        for (Fitting stay : fleet.staysAt(vehicle, wheel, from, to)) {
            KnownSensor sensor = fleet.sensor(stay.sensor()).orElseThrow();
            summaries.read(
                    sensor,
                    Math.max(from, stay.from()),
                    Math.min(to, stay.to()),
                    summary -> sink.accept(sensor, summary));
        }
    }
}
