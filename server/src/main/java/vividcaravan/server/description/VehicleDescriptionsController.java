package vividcaravan.server.description;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import vividcaravan.core.axles.StartingLayout;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.limits.VehicleUse;
import vividcaravan.server.document.FleetDocument;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.VehicleState;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.platform.Refusal;

/** What vehicles look like, written down by people. */
@RestController
@RequestMapping("/api/v1")
@Tag(name = "vehicles")
class VehicleDescriptionsController {

    private final Describing descriptions;
    private final VehicleBatches batches;
    private final FleetDirectory fleet;
    private final VisibleFleet visible;

    VehicleDescriptionsController(
            Describing descriptions, VehicleBatches batches, FleetDirectory fleet, VisibleFleet visible) {
        this.batches = batches;
        this.descriptions = descriptions;
        this.fleet = fleet;
        this.visible = visible;
    }

    /** A vehicle to start a description from; its pressures are to be checked against the placard. */
    record Layout(String name, String words, VehicleKind kind, List<FleetDocument.AxleEntry> axles) {}

    /** What there is to start from, and what depots there are. */
    record LayoutList(List<Layout> items, List<String> depots) {}

    @GetMapping("/vehicle-layouts")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "listLayouts", summary = "Layouts to start the description of a vehicle from")
    LayoutList layouts() {
        return new LayoutList(
                Arrays.stream(StartingLayout.values())
                        .map(layout -> new Layout(
                                layout.name(),
                                layout.words(),
                                layout.kind(),
                                layout.axles().stream()
                                        .map(FleetDocument.AxleEntry::starting)
                                        .toList()))
                        .toList(),
                fleet.depots().stream().map(DepotDescription::name).toList());
    }

    @PostMapping("/vehicles")
    @ResponseStatus(HttpStatus.CREATED)
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(operationId = "describeVehicle", summary = "Describe a new vehicle; it is not in service by that")
    DescribedVehicle describe(
            @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            required = true,
                            content = @Content(schema = @Schema(implementation = FleetDocument.VehicleEntry.class)))
                    @RequestBody
                    JsonNode vehicle) {
        return DescribedVehicle.of(
                descriptions.create(List.of(descriptions.check(vehicle, true))).get(0));
    }

    /**
     * Many vehicles alike.
     *
     * @param vehicle what each of them looks like; its ref does not count
     * @param rows CSV with ref, plate and depot, a line each
     * @param isPreview whether nothing is to be stored
     */
    record BatchRequest(FleetDocument.@Nullable VehicleEntry vehicle, @Nullable String rows, boolean isPreview) {}

    @PostMapping("/vehicle-batches")
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(operationId = "describeVehicles", summary = "Describe many vehicles alike from a list, all or none")
    VehicleBatch describeMany(
            @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            required = true,
                            content = @Content(schema = @Schema(implementation = BatchRequest.class)))
                    @RequestBody
                    JsonNode request) {
        String rows = request.path("rows").asString("");
        boolean isPreview = request.path("isPreview").asBoolean(true);
        return batches.take(request.path("vehicle"), rows, isPreview);
    }

    @GetMapping("/vehicles/{ref}/description")
    @Operation(operationId = "getDescription", summary = "What a vehicle looks like, and the revision of that")
    DescribedVehicle description(@PathVariable String ref) {
        return DescribedVehicle.of(visible.existing(ref));
    }

    @PutMapping("/vehicles/{ref}/description")
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(
            operationId = "changeDescription",
            summary = "Change what a vehicle looks like; sensors at wheels that are no more are taken off")
    DescribedVehicle change(
            @PathVariable String ref,
            @RequestParam(required = false) @Nullable Integer revision,
            @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            required = true,
                            content = @Content(schema = @Schema(implementation = FleetDocument.VehicleEntry.class)))
                    @RequestBody
                    JsonNode vehicle) {
        if (revision == null) {
            throw Refusal.badRequest("revision", "Say which revision of the description this change was made from.");
        }
        return DescribedVehicle.of(descriptions.change(ref, revision, descriptions.check(vehicle, false)));
    }

    /** How a vehicle is used from now on. */
    record UseRequest(@Nullable VehicleUse use) {}

    @PutMapping("/vehicles/{ref}/use")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "useVehicle", summary = "Say how it is used: road, field, unladen, lift axles up")
    DescribedVehicle use(@PathVariable String ref, @RequestBody UseRequest request) {
        if (request.use() == null) {
            throw Refusal.badRequest("use", "Say how it is used: ROAD, FIELD, UNLADEN or LIFT_UP.");
        }
        return DescribedVehicle.of(descriptions.use(ref, request.use()));
    }

    /**
     * Where a vehicle stands from now on.
     *
     * @param until when it comes back into service by itself; where it is left out, when somebody says so
     */
    record StateRequest(@Nullable VehicleState state, @Nullable String reason, @Nullable Instant until) {}

    @PutMapping("/vehicles/{ref}/state")
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(operationId = "putInState", summary = "Take a vehicle out of service with a reason, or back into it")
    DescribedVehicle state(@PathVariable String ref, @RequestBody StateRequest request) {
        if (request.state() == null) {
            throw Refusal.badRequest("state", "Say IN_SERVICE or OUT_OF_SERVICE.");
        }
        return DescribedVehicle.of(descriptions.state(ref, request.state(), request.reason(), request.until()));
    }
}
