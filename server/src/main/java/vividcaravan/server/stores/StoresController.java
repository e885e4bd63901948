package vividcaravan.server.stores;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.planning.KitItem;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.TableFile;

/** Stock and kit plans. */
@RestController
@RequestMapping("/api/v1")
@PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
@Tag(name = "stores")
class StoresController {

    private static final int MOST_VEHICLES = 200;
    private static final int MOST_SPARE_PERCENT = 50;
    private static final int USUAL_SPARE_PERCENT = 5;

    private final Store store;
    private final FleetDirectory fleet;

    StoresController(Store store, FleetDirectory fleet) {
        this.store = store;
        this.fleet = fleet;
    }

    /**
     * An item in the store.
     *
     * @param reserved how many of those on hand lie aside for plans
     * @param free how many can still be put aside
     */
    record StockItem(KitItem item, String words, boolean isTool, int onHand, int reserved, int free) {}

    /** Everything a kit may need. */
    record StockList(List<StockItem> items) {}

    @GetMapping("/stock")
    @Operation(operationId = "listStock", summary = "How many of each item lie in the store")
    StockList stock() {
        return new StockList(store.stock().values().stream()
                .map(one -> new StockItem(
                        one.item(), one.item().words(), one.item().isTool(), one.onHand(), one.reserved(), one.free()))
                .toList());
    }

    /** A count. */
    record StockCount(@Nullable Integer onHand) {}

    @PutMapping("/stock/{item}")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "countStock", summary = "Say how many of an item there are, after counting")
    StockList count(@PathVariable KitItem item, @RequestBody StockCount count) {
        if (count.onHand() == null) {
            throw Refusal.badRequest("onHand", "Say how many there are.");
        }
        store.count(item, count.onHand());
        return stock();
    }

    /**
     * What to plan.
     *
     * @param preference mounts, the most wanted first
     * @param tyresComeOff whether tyres are dismounted; true unless said otherwise
     * @param sparePercent sensors to spare, percent; 5 unless said otherwise
     * @param isPreview whether nothing is to be kept; true unless said otherwise
     */
    record KitPlanRequest(
            @Nullable List<String> vehicles,
            @Nullable List<MountKind> preference,
            @Nullable Boolean tyresComeOff,
            @Nullable Integer sparePercent,
            @Nullable Boolean isPreview) {}

    /**
     * One line of the pick list.
     *
     * @param reserved how many lie aside for this plan, or were handed out for it
     * @param free how many others can be put aside
     * @param missing how many have to be bought or borrowed
     */
    record PickLine(KitItem item, String words, boolean isTool, int needed, int reserved, int free, int missing) {}

    /**
     * A plan with its pick list.
     *
     * @param id null for one that is not kept
     */
    record KitPlanItem(
            @Nullable String id,
            KitPlanState state,
            @Nullable Instant madeAt,
            @Nullable String madeBy,
            @Nullable Instant changedAt,
            @Nullable String changedBy,
            List<String> vehicles,
            List<MountKind> preference,
            boolean tyresComeOff,
            int sparePercent,
            List<KitSheet.WheelChoice> wheels,
            List<PickLine> lines,
            List<String> notes,
            long minutes) {}

    @PostMapping("/kit-plans")
    @ResponseStatus(HttpStatus.CREATED)
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(
            operationId = "planKit",
            summary = "Plan what it takes to equip some vehicles, and keep the plan if asked")
    KitPlanItem plan(@RequestBody KitPlanRequest request, Principal who) {
        KitPlanWish wish = wish(request);
        List<FleetVehicle> chosen = chosen(request.vehicles());
        KitSheet sheet = KitSheet.planned(chosen, wish);
        return Boolean.FALSE.equals(request.isPreview())
                ? item(store.keep(sheet, who.getName()))
                : item(null, KitPlanState.PLANNED, sheet);
    }

    private static KitPlanWish wish(KitPlanRequest request) {
        List<MountKind> preference = request.preference();
        if (preference == null || preference.isEmpty() || preference.contains(null)) {
            throw Refusal.badRequest("preference", "Choose at least one mount.");
        }
        int spare = request.sparePercent() == null ? USUAL_SPARE_PERCENT : request.sparePercent();
        Faults faults = new Faults();
        faults.within(
                "sparePercent",
                (double) spare,
                0,
                MOST_SPARE_PERCENT,
                "0 to " + MOST_SPARE_PERCENT + " percent are to spare");
        faults.refuse();
        return new KitPlanWish(
                preference.stream().distinct().toList(), !Boolean.FALSE.equals(request.tyresComeOff()), spare);
    }

    private List<FleetVehicle> chosen(@Nullable List<String> refs) {
        if (refs == null || refs.isEmpty() || refs.size() > MOST_VEHICLES || refs.contains(null)) {
            throw Refusal.badRequest("vehicles", "Choose 1 to " + MOST_VEHICLES + " vehicles.");
        }
        return refs.stream().distinct().map(fleet::existing).toList();
    }

    private KitPlanItem item(KeptPlan plan) {
        return item(plan, plan.state(), plan.sheet());
    }

    private KitPlanItem item(@Nullable KeptPlan kept, KitPlanState state, KitSheet sheet) {
        Map<KitItem, Store.Stocked> stock = store.stock();
        return new KitPlanItem(
                kept == null ? null : Long.toString(kept.id()),
                state,
                kept == null ? null : Instant.ofEpochMilli(kept.madeAt()),
                kept == null ? null : kept.madeBy(),
                kept == null ? null : Instant.ofEpochMilli(kept.changedAt()),
                kept == null ? null : kept.changedBy(),
                sheet.vehicles(),
                sheet.preference(),
                sheet.tyresComeOff(),
                sheet.sparePercent(),
                sheet.wheels(),
                sheet.needs().stream()
                        .map(need -> line(need, stock.get(need.item()), state))
                        .toList(),
                sheet.notes(),
                sheet.minutes());
    }

    private static PickLine line(KitSheet.Need need, Store.Stocked stocked, KitPlanState state) {
        int free = state == KitPlanState.HANDED_OUT ? 0 : stocked.free();
        return new PickLine(
                need.item(),
                need.item().words(),
                need.item().isTool(),
                need.needed(),
                need.reserved(),
                free,
                need.missing(free));
    }

    /** A plan in a line. */
    record KitPlanLine(
            String id, KitPlanState state, Instant madeAt, String madeBy, List<String> vehicles, int sensors) {}

    /** The plans, the newest first. */
    record KitPlanList(List<KitPlanLine> items) {}

    @GetMapping("/kit-plans")
    @Operation(operationId = "listKitPlans", summary = "The plans that were kept, the newest first")
    KitPlanList plans() {
        return new KitPlanList(store.plans().stream()
                .map(plan -> new KitPlanLine(
                        Long.toString(plan.id()),
                        plan.state(),
                        Instant.ofEpochMilli(plan.madeAt()),
                        plan.madeBy(),
                        plan.sheet().vehicles(),
                        (int) plan.sheet().wheels().stream()
                                .filter(wheel -> wheel.sensor() != null)
                                .count()))
                .toList());
    }

    @GetMapping("/kit-plans/{id}")
    @Operation(operationId = "getKitPlan", summary = "A plan with its pick list against the store as it is now")
    KitPlanItem get(@PathVariable String id) {
        return item(store.plan(number(id)));
    }

    private static long number(String id) {
        return QueryParameters.id("plan", id);
    }

    @PostMapping("/kit-plans/{id}/reserve")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "reserveKit", summary = "Put aside what is free of what the plan needs")
    KitPlanItem reserve(@PathVariable String id, Principal who) {
        return item(store.reserve(number(id), who.getName()));
    }

    @PostMapping("/kit-plans/{id}/release")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "releaseKit", summary = "Let go of what lies aside for the plan")
    KitPlanItem release(@PathVariable String id, Principal who) {
        return item(store.release(number(id), who.getName()));
    }

    @PostMapping("/kit-plans/{id}/hand-out")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "handOutKit", summary = "Hand out what lies aside; it is no longer in the store")
    KitPlanItem handOut(@PathVariable String id, Principal who) {
        return item(store.handOut(number(id), who.getName()));
    }

    @GetMapping(path = "/kit-plans/{id}/pick-list.csv", produces = "text/csv")
    @Operation(operationId = "exportPickList", summary = "The pick list as CSV")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "text/csv", schema = @Schema(type = "string")))
    void csv(@PathVariable String id, HttpServletResponse response) throws IOException {
        KitPlanItem plan = get(id);
        try (TableFile out = TableFile.to(response, "pick-list-" + plan.id() + ".csv")) {
            out.row("item", "name", "needed", "reserved", "free", "missing");
            for (PickLine line : plan.lines()) {
                out.row(line.item(), line.words(), line.needed(), line.reserved(), line.free(), line.missing());
            }
        }
    }
}
