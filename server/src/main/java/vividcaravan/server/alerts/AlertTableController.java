package vividcaravan.server.alerts;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.TemperatureUnit;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.ReaderUnits;
import vividcaravan.server.platform.TableFile;

/** Alerts as a table, for whoever reckons with them elsewhere. */
@RestController
@RequestMapping("/api/v1")
@Tag(name = "alerts")
class AlertTableController {

    private static final int PORTION = 1_000;

    private final AlertQueries queries;
    private final ReaderUnits units;

    AlertTableController(AlertQueries queries, ReaderUnits units) {
        this.queries = queries;
        this.units = units;
    }

    @GetMapping("/alerts.csv")
    @Operation(
            operationId = "exportAlerts",
            summary = "Alerts, open and closed, as a table (CSV), the one opened last first")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "text/csv", schema = @Schema(type = "string")))
    void table(
            @RequestParam(required = false) @Nullable String vehicle,
            @RequestParam(required = false) @Nullable String since,
            @RequestParam(defaultValue = "KPA") PressureUnit pressure,
            @RequestParam(defaultValue = "CELSIUS") TemperatureUnit temperature,
            HttpServletResponse response)
            throws IOException {
        // What is refused is refused before the first byte is on its way.
        AlertPage page = page(vehicle, since, null);
        try (TableFile out = TableFile.to(response, "alerts.csv")) {
            out.row(
                    "Alert",
                    "Vehicle",
                    "Position",
                    "What",
                    "Instruction",
                    "State",
                    "Opened",
                    "Changed",
                    "Closed",
                    "Closed on",
                    "Verdict",
                    "Given to",
                    "Counted with",
                    "Gauge in " + pressure.symbol(),
                    "Gauge at 20 °C in " + pressure.symbol(),
                    "Temperature in " + temperature.symbol(),
                    "Summary");
            while (page != null) {
                for (AlertItem alert : page.items()) {
                    print(out, alert, pressure, temperature);
                }
                page = page.nextCursor() == null ? null : page(vehicle, since, page.nextCursor());
            }
        }
    }

    private AlertPage page(@Nullable String vehicle, @Nullable String since, @Nullable String cursor) {
        return queries.page(
                "all",
                vehicle,
                QueryParameters.time("since", since),
                PORTION,
                cursor,
                AlertOrder.NEWEST,
                units.words());
    }

    private static void print(TableFile out, AlertItem alert, PressureUnit pressure, TemperatureUnit temperature)
            throws IOException {
        out.row(
                alert.id(),
                alert.vehicle(),
                alert.position(),
                alert.kind().words(),
                alert.urgency().words(),
                alert.state().words(),
                alert.openedAt(),
                alert.updatedAt(),
                alert.closedAt(),
                alert.closedOn() == null ? null : alert.closedOn().words(),
                alert.verdict() == null ? null : alert.verdict().words(),
                alert.assignee(),
                alert.sameCauseAs(),
                alert.pressureKpa() == null ? null : rounded(pressure.fromKpa(alert.pressureKpa())),
                alert.pressureAt20Kpa() == null ? null : rounded(pressure.fromKpa(alert.pressureAt20Kpa())),
                alert.temperatureC() == null ? null : rounded(temperature.fromCelsius(alert.temperatureC())),
                alert.summary());
    }

    private static double rounded(double value) {
        return Math.round(value * 1_000) / 1_000.0;
    }
}
