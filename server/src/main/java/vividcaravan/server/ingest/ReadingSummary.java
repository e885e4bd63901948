package vividcaravan.server.ingest;

import java.time.Instant;
import java.util.DoubleSummaryStatistics;
import java.util.Optional;

/** Mean and range of one sensor's readings within an hour or a day. */
final class ReadingSummary {

    private final String sensor;
    private final Instant beginning;
    private final DoubleSummaryStatistics raw = new DoubleSummaryStatistics();
    private final DoubleSummaryStatistics at20 = new DoubleSummaryStatistics();
    private final DoubleSummaryStatistics celsius = new DoubleSummaryStatistics();

    ReadingSummary(String sensor, Instant beginning) {
        this.sensor = sensor;
        this.beginning = beginning;
    }

    boolean isFor(String code, Instant start) {
        return sensor.equals(code) && beginning.equals(start);
    }

    void add(WheelReadings.Item item) {
        if (item.pressureAt20Kpa() != null) {
            raw.accept(item.pressureKpa());
            at20.accept(item.pressureAt20Kpa());
            celsius.accept(item.temperatureC());
        }
    }

    /** The summary; empty if there was no measurement. */
    Optional<WheelReadings.Item> item() {
        if (raw.getCount() == 0) {
            return Optional.empty();
        }
        return Optional.of(new WheelReadings.Item(
                sensor,
                beginning,
                round(raw.getAverage()),
                round(at20.getAverage()),
                round(celsius.getAverage()),
                null,
                null,
                null,
                new WheelReadings.Summary(
                        (int) raw.getCount(),
                        raw.getMin(),
                        raw.getMax(),
                        round(at20.getMin()),
                        round(at20.getMax()),
                        celsius.getMin(),
                        celsius.getMax())));
    }

    private static double round(double value) {
        return Math.round(value * 1000) / 1000.0;
    }
}
