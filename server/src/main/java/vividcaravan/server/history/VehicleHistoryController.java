package vividcaravan.server.history;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.TemperatureUnit;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.TableFile;

/** The pressures of a whole vehicle over some time: day by day to be handed over, and every reading as a table. */
@RestController
@RequestMapping("/api/v1/vehicles/{ref}")
@Tag(name = "readings")
class VehicleHistoryController {

    private static final int MOST_DAYS = 366;
    private static final Duration LONGEST_TABLE = Duration.ofDays(92);

    private final VisibleFleet fleet;
    private final WheelHistory history;
    private final Clock clock;

    VehicleHistoryController(VisibleFleet fleet, WheelHistory history, Clock clock) {
        this.fleet = fleet;
        this.history = history;
        this.clock = clock;
    }

    /**
     * A wheel day by day.
     *
     * @param targetKpa the target now, at 20 °C
     * @param lowKpa the first limit now
     * @param lowCriticalKpa the second
     * @param days means and ranges, oldest first; a day on which the sensor was changed has two
     */
    record WheelDays(
            String position, double targetKpa, double lowKpa, double lowCriticalKpa, List<WheelReadings.Item> days) {}

    /** Days are by the clock of the depot. */
    record VehicleDays(String vehicle, Instant from, Instant to, String timeZone, List<WheelDays> wheels) {}

    @GetMapping("/history")
    @Operation(operationId = "getVehicleHistory", summary = "The pressures of a vehicle day by day, wheel by wheel")
    VehicleDays days(@PathVariable String ref, @RequestParam(required = false) @Nullable String days) {
        FleetVehicle vehicle = fleet.existing(ref);
        int count = QueryParameters.number("days", days, 30, MOST_DAYS);
        ZoneId zone = vehicle.depot().map(DepotDescription::timeZone).orElse(ZoneOffset.UTC);
        Instant to = clock.instant();
        Instant from = to.atZone(zone)
                .truncatedTo(ChronoUnit.DAYS)
                .minusDays(count - 1L)
                .toInstant();
        List<WheelDays> wheels = new ArrayList<>();
        for (Position position : vehicle.description().layout().positions()) {
            if (!position.isSpare()) {
                WheelSummaries summaries = new WheelSummaries(zone);
                history.eachHour(
                        vehicle,
                        position,
                        Math.max(from.toEpochMilli(), fleet.since(vehicle)),
                        to.plusSeconds(180).toEpochMilli(),
                        summaries::take);
                AxleLimits limits = vehicle.rulesAt(position).limits();
                wheels.add(new WheelDays(
                        position.code(),
                        limits.targetKpa(),
                        limits.lowKpa(),
                        limits.lowCriticalKpa(),
                        summaries.items()));
            }
        }
        return new VehicleDays(vehicle.description().ref(), from, to, zone.getId(), wheels);
    }

    @GetMapping("/readings")
    @Operation(
            operationId = "getVehicleReadings",
            summary = "Every reading of a vehicle as a table (CSV), wheel by wheel, of three months at most")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "text/csv", schema = @Schema(type = "string")))
    void readings(
            @PathVariable String ref,
            @RequestParam(required = false) @Nullable String from,
            @RequestParam(required = false) @Nullable String to,
            @RequestParam(defaultValue = "KPA") PressureUnit pressure,
            @RequestParam(defaultValue = "CELSIUS") TemperatureUnit temperature,
            HttpServletResponse response)
            throws IOException {
        FleetVehicle vehicle = fleet.existing(ref);
        Instant end = QueryParameters.time("to", to);
        Instant last = end == null ? clock.instant().plusSeconds(180) : end;
        Instant begin = QueryParameters.time("from", from);
        Instant first = begin == null ? last.minus(Duration.ofDays(30)) : begin;
        if (first.isAfter(last) || first.plus(LONGEST_TABLE).isBefore(last)) {
            throw Refusal.badRequest("from", "Say a time of 92 days at most that begins before it ends.");
        }
        try (TableFile out = TableFile.to(response, "readings.csv")) {
            // Headed so that the table can be taken in again.
            out.row(
                    "Position",
                    "Sensor code",
                    "Time",
                    "Pressure",
                    "Pressure at 20 °C",
                    "Temperature",
                    "Cell voltage in mV",
                    "Signal in dBm",
                    "Moving");
            for (Position position : vehicle.description().layout().positions()) {
                history.each(
                        vehicle,
                        position,
                        Math.max(first.toEpochMilli(), fleet.since(vehicle)),
                        last.toEpochMilli(),
                        (sensor, reading) -> print(out, vehicle, position, sensor, reading, pressure, temperature),
                        () -> false);
            }
        } catch (UncheckedIOException e) {
            // Whoever asked has gone.
            throw e.getCause();
        }
    }

    private static void print(
            TableFile out,
            FleetVehicle vehicle,
            Position position,
            KnownSensor sensor,
            Reading reading,
            PressureUnit unit,
            TemperatureUnit degrees) {
        try {
            out.row(
                    position.code(),
                    sensor.code(),
                    Instant.ofEpochMilli(reading.at()),
                    shown(unit, reading.pressureKpa()),
                    shown(
                            unit,
                            vehicle.compensation(sensor).compensateKpa(reading.pressureKpa(), reading.temperatureC())),
                    Double.isNaN(reading.temperatureC())
                            ? null
                            : Math.round(degrees.fromCelsius(reading.temperatureC()) * 1_000) / 1_000.0,
                    reading.batteryMv(),
                    reading.rssiDbm(),
                    reading.moving());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static @Nullable Double shown(PressureUnit unit, double kpa) {
        return Double.isNaN(kpa) ? null : (Double) (Math.round(unit.fromKpa(kpa) * 1_000) / 1_000.0);
    }
}
