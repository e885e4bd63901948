package vividcaravan.server.history;

import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.platform.Rounded;

/**
 * Sums hours of a wheel up to what is asked for: the hours themselves, or days. A day is made of the UTC hours that
 * begin in it, by the depot's clock; a sensor that was changed in it begins a day of its own.
 */
final class WheelSummaries {

    private final @Nullable ZoneId daysBy;
    private final List<WheelReadings.Item> items = new ArrayList<>();
    private @Nullable Span open;

    /** @param daysBy the clock that days are told by, null for hours */
    WheelSummaries(@Nullable ZoneId daysBy) {
        this.daysBy = daysBy;
    }

    /** The next hour, in order of time. */
    void take(KnownSensor sensor, HourSummary hour) {
        Instant start = Instant.ofEpochMilli(hour.hour() * BlockStore.HOUR_MILLIS);
        Instant beginning = daysBy == null
                ? start
                : start.atZone(daysBy).truncatedTo(ChronoUnit.DAYS).toInstant();
        if (open != null && open.isFor(sensor.code(), beginning)) {
            open = new Span(sensor.code(), beginning, open.sum().plus(hour));
            return;
        }
        finish();
        open = new Span(sensor.code(), beginning, hour);
    }

    /** What was summed up, oldest first. */
    List<WheelReadings.Item> items() {
        finish();
        return items;
    }

    private void finish() {
        if (open != null) {
            items.add(open.item());
            open = null;
        }
    }

    /** An hour or a day of one sensor, being summed up. */
    private record Span(String sensor, Instant beginning, HourSummary sum) {

        boolean isFor(String code, Instant start) {
            return sensor.equals(code) && beginning.equals(start);
        }

        WheelReadings.Item item() {
            int count = sum.count();
            return new WheelReadings.Item(
                    sensor,
                    beginning,
                    Rounded.tenth(sum.gauge().mean(count)),
                    Rounded.tenth(sum.at20().mean(count)),
                    Rounded.tenth(sum.celsius().mean(count)),
                    null,
                    null,
                    null,
                    null,
                    new WheelReadings.Summary(
                            count,
                            Rounded.tenth(sum.gauge().lowest()),
                            Rounded.tenth(sum.gauge().highest()),
                            Rounded.tenth(sum.at20().lowest()),
                            Rounded.tenth(sum.at20().highest()),
                            Rounded.tenth(sum.celsius().lowest()),
                            Rounded.tenth(sum.celsius().highest())));
        }
    }
}
