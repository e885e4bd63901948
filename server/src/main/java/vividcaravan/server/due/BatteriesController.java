package vividcaravan.server.due;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.planning.CellForecast;
import vividcaravan.core.planning.CellVisit;
import vividcaravan.server.platform.HarmlessCell;

/** When sensors' cells end, as visits that change them. */
@RestController
@RequestMapping("/api/v1")
@PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
@Tag(name = "due work")
class BatteriesController {

    private static final MediaType CSV = MediaType.parseMediaType("text/csv;charset=UTF-8");

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
    ResponseEntity<String> csv() throws IOException {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            csv.printRecord(
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
            for (VisitItem visit : list().items()) {
                for (CellItem cell : visit.cells()) {
                    csv.printRecord(
                            visit.on(),
                            HarmlessCell.of(visit.depot()),
                            HarmlessCell.of(cell.vehicle()),
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
        return ResponseEntity.ok()
                .contentType(CSV)
                .header("Content-Disposition", "attachment; filename=\"batteries.csv\"")
                .body(text.toString());
    }
}
