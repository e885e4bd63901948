package vividcaravan.server.due;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.planning.CellForecast;
import vividcaravan.core.planning.CellVisit;
import vividcaravan.server.platform.TableFile;

/** When sensors' cells end, as visits that change them. */
@RestController
@RequestMapping("/api/v1")
@PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
@Tag(name = "due work")
class BatteriesController {

    private final Batteries batteries;

    BatteriesController(Batteries batteries) {
        this.batteries = batteries;
    }

    /**
     * A sensor whose cell is changed at a visit.
     *
     * @param warmMv what its cell gives when warm, mV; null where it never said so warm
     * @param readingsPerDay how often it speaks; null while that is not known
     * @param earliest when it may end
     * @param likely when it most likely ends
     * @param latest when it has ended at the latest
     * @param basis what that follows from
     */
    record CellItem(
            String sensor,
            String vehicle,
            String position,
            @Nullable MountKind mount,
            @Nullable Integer warmMv,
            @Nullable Integer readingsPerDay,
            Instant earliest,
            Instant likely,
            Instant latest,
            String basis) {}

    /**
     * A visit that changes all cells of a depot that end around the same time.
     *
     * @param on the day by which it is to be made
     * @param isBeforeCold whether it was brought forward, before weak cells sag in the cold
     */
    record VisitItem(@Nullable String depot, LocalDate on, boolean isBeforeCold, List<CellItem> cells) {}

    /** The next first. */
    record VisitList(List<VisitItem> items) {}

    @GetMapping("/battery-visits")
    @Operation(
            operationId = "listBatteryVisits",
            summary = "When sensors' cells end, as visits that change them, by depot")
    VisitList list() {
        return new VisitList(batteries.visits().stream()
                .map(visit -> new VisitItem(
                        visit.depot(),
                        visit.plan().on(),
                        visit.plan().isBeforeCold(),
                        visit.plan().cells().stream()
                                .map(BatteriesController::item)
                                .toList()))
                .toList());
    }

    private static CellItem item(CellVisit.Due<Batteries.Fitted> due) {
        Batteries.Fitted fitted = due.cell();
        CellForecast forecast = due.forecast();
        return new CellItem(
                fitted.sensor().code(),
                fitted.vehicle().description().ref(),
                fitted.position().code(),
                fitted.sensor().mount().orElse(null),
                whole(fitted.cell().warmMv()),
                whole(fitted.cell().readingsPerDay()),
                Instant.ofEpochMilli(forecast.earliest()),
                Instant.ofEpochMilli(forecast.likely()),
                Instant.ofEpochMilli(forecast.latest()),
                forecast.basis());
    }

    private static @Nullable Integer whole(double value) {
        return Double.isNaN(value) ? null : Integer.valueOf((int) Math.round(value));
    }

    @GetMapping(path = "/battery-visits.csv", produces = "text/csv")
    @Operation(operationId = "exportBatteryVisits", summary = "The same as a table, a line a sensor")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "text/csv", schema = @Schema(type = "string")))
    void csv(HttpServletResponse response) throws IOException {
        VisitList visits = list();
        try (TableFile out = TableFile.to(response, "batteries.csv")) {
            out.row(
                    "visit by",
                    "depot",
                    "vehicle",
                    "position",
                    "sensor",
                    "warm mV",
                    "earliest",
                    "likely",
                    "latest",
                    "why");
            for (VisitItem visit : visits.items()) {
                for (CellItem cell : visit.cells()) {
                    out.row(
                            visit.on(),
                            visit.depot(),
                            cell.vehicle(),
                            cell.position(),
                            cell.sensor(),
                            cell.warmMv(),
                            cell.earliest(),
                            cell.likely(),
                            cell.latest(),
                            cell.basis());
                }
            }
        }
    }
}
