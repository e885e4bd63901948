package vividcaravan.server.targets;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.planning.LoadRating;
import vividcaravan.core.planning.LoadTable;
import vividcaravan.core.planning.RatedTable;
import vividcaravan.core.planning.TargetProposal;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.server.platform.AtMost;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Rounded;

/** Load tables, and the targets that follow from them. */
@RestController
@RequestMapping("/api/v1")
@PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
@Tag(name = "vehicles")
class LoadTablesController {

    private final LoadTables tables;

    LoadTablesController(LoadTables tables) {
        this.tables = tables;
    }

    /** A tyre maker's table for one size. */
    record LoadTableItem(
            String id,
            String tyreSize,
            String source,
            @Nullable Integer speedKmh,
            Instant enteredAt,
            String enteredBy,
            List<LoadTableRowItem> rows) {}

    /** What one tyre carries at a cold pressure; {@code twinKg} is null where the maker gives none. */
    record LoadTableRowItem(double kpa, double singleKg, @Nullable Double twinKg) {}

    /** Every table, by size. */
    record LoadTableList(List<LoadTableItem> items) {}

    @GetMapping("/load-tables")
    @Operation(operationId = "listLoadTables", summary = "Tyre makers' load tables, by size")
    LoadTableList list() {
        return new LoadTableList(tables.all().stream()
                .map(kept -> new LoadTableItem(
                        Long.toString(kept.id()),
                        kept.tyreSize(),
                        kept.source(),
                        kept.speedKmh(),
                        Instant.ofEpochMilli(kept.enteredAt()),
                        kept.enteredBy(),
                        kept.table().rows().stream()
                                .map(row -> new LoadTableRowItem(row.kpa(), row.singleKg(), row.twinKg()))
                                .toList()))
                .toList());
    }

    /**
     * A table as it was pasted.
     *
     * @param rows CSV: pressure, load of a single tyre, load of one of a twin; a row each
     * @param pressureUnit kPa unless said otherwise
     * @param loadUnit kg unless said otherwise
     */
    record LoadTableRequest(
            @Nullable String tyreSize,
            @Nullable String source,
            @Nullable Integer speedKmh,
            @AtMost(100_000) @Nullable String rows,
            @Nullable PressureUnit pressureUnit,
            LoadTableText.@Nullable LoadUnit loadUnit) {}

    @PostMapping("/load-tables")
    @ResponseStatus(HttpStatus.CREATED)
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(
            operationId = "enterLoadTable",
            summary = "Enter the load table of a tyre size and a speed; an earlier one of the same gives way")
    LoadTableList enter(@RequestBody LoadTableRequest request, Principal who) {
        LoadTable table = LoadTableText.read(
                request.rows() == null ? "" : request.rows(),
                request.pressureUnit() == null ? PressureUnit.KPA : request.pressureUnit(),
                request.loadUnit() == null ? LoadTableText.LoadUnit.KG : request.loadUnit());
        tables.put(request.tyreSize(), request.source(), request.speedKmh(), table, who.getName());
        return list();
    }

    @DeleteMapping("/load-tables/{id}")
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(operationId = "removeLoadTable", summary = "Forget a load table")
    LoadTableList remove(@PathVariable String id) {
        tables.remove(QueryParameters.id("table", id));
        return list();
    }

    /**
     * A weighed axle.
     *
     * @param tyreSize finds the table
     * @param speedKmh how fast the vehicle goes at this pressure; without it, whatever the road brings
     * @param loadIndex of the single tyre, for the estimate
     * @param loadIndexTwin of one tyre of a twin, for the estimate
     * @param referenceKpa the pressure beside the load on the sidewall, kPa, for the estimate
     * @param maxPressureKpa highest cold pressure of tyre, rim and valve, kPa
     */
    record WeighedAxle(
            @Nullable Double axleLoadKg,
            @Nullable WheelArrangement wheels,
            @Nullable String tyreSize,
            @Nullable Integer speedKmh,
            @Nullable Integer loadIndex,
            @Nullable Integer loadIndexTwin,
            @Nullable Double referenceKpa,
            @Nullable Double maxPressureKpa) {}

    /**
     * A target that a load asks for.
     *
     * @param kpa null if there is none to propose
     */
    record ProposedTarget(TargetProposal.Base base, @Nullable Double kpa, double loadPerTyreKg, String words) {}

    @PostMapping("/target-proposals")
    @Operation(
            operationId = "proposeTarget",
            summary = "The cold target that a weighed axle load asks for; stores nothing")
    ProposedTarget propose(@RequestBody WeighedAxle axle) {
        if (axle.axleLoadKg() == null || !TargetProposal.isAxleLoad(axle.axleLoadKg())) {
            throw Refusal.badRequest(
                    "axleLoadKg", "An axle carries 50 to 40000 kg, this says " + axle.axleLoadKg() + ".");
        }
        LoadRating rating = new LoadRating(axle.loadIndex(), axle.loadIndexTwin(), axle.referenceKpa());
        if (!rating.faults().isEmpty()) {
            throw Refusal.badRequest("loadIndex", String.join(" ", rating.faults()));
        }
        TargetProposal proposal = TargetProposal.of(
                axle.axleLoadKg(),
                axle.wheels() == null ? WheelArrangement.SINGLE : axle.wheels(),
                RatedTable.of(tables.find(axle.tyreSize()), axle.speedKmh()),
                rating,
                axle.maxPressureKpa());
        return new ProposedTarget(
                proposal.base(), Rounded.tenth(proposal.kpa()), proposal.loadPerTyreKg(), proposal.words());
    }
}
