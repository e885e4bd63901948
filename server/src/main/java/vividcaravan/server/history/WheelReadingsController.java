package vividcaravan.server.history;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Rounded;
import vividcaravan.server.platform.VividProperties;

/** Readings out: what the sensors that sat at a wheel said, whichever they were. */
@RestController
@RequestMapping("/api/v1/vehicles/{ref}/wheels/{position}/readings")
@Tag(name = "readings")
class WheelReadingsController {

    private static final int MOST = 10_000;
    private static final Set<String> RESOLUTIONS = Set.of("raw", "hour", "day");

    private final VisibleFleet fleet;
    private final WheelHistory history;
    private final Clock clock;
    private final Duration retention;

    WheelReadingsController(VisibleFleet fleet, WheelHistory history, Clock clock, VividProperties properties) {
        this.fleet = fleet;
        this.history = history;
        this.clock = clock;
        this.retention = Duration.ofDays(properties.retentionDays());
    }

    @GetMapping
    @Operation(operationId = "listWheelReadings", summary = "Readings of a wheel, oldest first")
    WheelReadings list(
            @PathVariable String ref,
            @PathVariable String position,
            @RequestParam(required = false) @Nullable String from,
            @RequestParam(required = false) @Nullable String to,
            @RequestParam(required = false) @Nullable String limit,
            @RequestParam(required = false) @Nullable String resolution,
            @RequestParam(required = false) @Nullable String cursor) {
        FleetVehicle vehicle = fleet.existing(ref);
        Position wheel = vehicle.existing(position);
        if (resolution != null && !RESOLUTIONS.contains(resolution)) {
            throw Refusal.badRequest("resolution", "resolution must be raw, hour or day, was \"" + resolution + "\".");
        }
        Instant start = QueryParameters.time("from", from);
        Instant end = QueryParameters.time("to", to);
        int most = QueryParameters.limit(limit, 1_000, MOST);
        Instant now = clock.instant();
        boolean isRaw = resolution == null || resolution.equals("raw");
        // Nothing is kept beyond the retention and nothing is taken from the future, so looking farther finds nothing.
        Instant oldest = isRaw ? now.minus(retention).minus(Duration.ofDays(1)) : Instant.EPOCH;
        Cursor begin = cursor == null ? null : Cursor.read(cursor);
        long first = begin != null
                ? begin.at()
                : bounded(start == null ? now.minus(retention) : start, oldest, now)
                        .toEpochMilli();
        first = Math.max(first, fleet.since(vehicle));
        long last =
                bounded(end == null ? now.plusSeconds(180) : end, oldest, now).toEpochMilli();
        if (end != null && start != null && end.isBefore(start)) {
            throw Refusal.badRequest("to", "\"to\" is before \"from\".");
        }
        return isRaw
                ? raw(vehicle, wheel, first, last, most)
                : summaries(vehicle, wheel, first, last, most, begin == null ? 0 : begin.given(), resolution);
    }

    private static Instant bounded(Instant time, Instant oldest, Instant now) {
        Instant newest = now.plusSeconds(180);
        return time.isBefore(oldest) ? oldest : time.isAfter(newest) ? newest : time;
    }

    private WheelReadings raw(FleetVehicle vehicle, Position wheel, long from, long to, int most) {
        Doubtful doubtful = new Doubtful(vehicle.rulesAt(wheel).limits().targetKpa());
        history.each(vehicle, wheel, from - Doubtful.LOOK_BACK_MILLIS, from, doubtful::take, () -> false);
        List<Found> found = new ArrayList<>();
        history.each(
                vehicle,
                wheel,
                from,
                to,
                (sensor, reading) -> {
                    doubtful.take(sensor, reading);
                    found.add(new Found(sensor, reading));
                },
                () -> found.size() > most);
        List<WheelReadings.Item> items = found.stream()
                .limit(most)
                .map(one -> item(one.sensor(), one.reading(), vehicle, doubtful.is(one.sensor(), one.reading())))
                .toList();
        String next = found.size() <= most
                ? null
                : new Cursor(found.get(most).reading().at(), 0).text();
        return new WheelReadings(items, next);
    }

    /** A reading that was kept. */
    private record Found(KnownSensor sensor, Reading reading) {}

    private static WheelReadings.Item item(
            KnownSensor sensor, Reading reading, FleetVehicle vehicle, boolean isDoubtful) {
        double at20 = vehicle.compensation(sensor).compensateKpa(reading.pressureKpa(), reading.temperatureC());
        return new WheelReadings.Item(
                sensor.code(),
                Instant.ofEpochMilli(reading.at()),
                orNull(reading.pressureKpa()),
                Rounded.tenth((Double) at20),
                orNull(reading.temperatureC()),
                reading.batteryMv(),
                reading.rssiDbm(),
                reading.moving(),
                isDoubtful ? true : null,
                null);
    }

    /** What was said stays as it was said; what is computed of it is rounded. */
    private static @Nullable Double orNull(double said) {
        return Double.isNaN(said) ? null : said;
    }

    private WheelReadings summaries(
            FleetVehicle vehicle, Position wheel, long from, long to, int most, int given, String resolution) {
        ZoneId zone = vehicle.depot().map(DepotDescription::timeZone).orElse(ZoneOffset.UTC);
        WheelSummaries summaries = new WheelSummaries(resolution.equals("day") ? zone : null);
        history.eachHour(vehicle, wheel, from, to, summaries::take);
        List<WheelReadings.Item> items = summaries.items();
        List<WheelReadings.Item> left = items.subList(Math.min(given, items.size()), items.size());
        if (left.size() <= most) {
            return new WheelReadings(left, null);
        }
        List<WheelReadings.Item> page = left.subList(0, most);
        Instant next = left.get(most).at();
        // An hour or a day in which the sensor was changed has two, and a page may end between them.
        int givenOfNext = (int) items.subList(0, Math.min(given, items.size()) + most).stream()
                .filter(item -> item.at().equals(next))
                .count();
        return new WheelReadings(page, new Cursor(next.toEpochMilli(), givenOfNext).text());
    }

    /**
     * Where a page begins.
     *
     * @param at time of its first item, epoch milliseconds
     * @param given how many items of that time were given already
     */
    private record Cursor(long at, int given) {

        String text() {
            return Base64.getUrlEncoder()
                    .withoutPadding()
                    .encodeToString(("t" + at + "." + given).getBytes(StandardCharsets.UTF_8));
        }

        static Cursor read(String text) {
            try {
                String[] parts = new String(Base64.getUrlDecoder().decode(text), StandardCharsets.UTF_8)
                        .substring(1)
                        .split("\\.", 2);
                return new Cursor(
                        Long.parseLong(parts[0]), parts.length < 2 ? 0 : Math.max(0, Integer.parseInt(parts[1])));
            } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
                throw Refusal.badRequest("cursor", "This cursor was not given by the server. Begin again without one.");
            }
        }
    }
}
