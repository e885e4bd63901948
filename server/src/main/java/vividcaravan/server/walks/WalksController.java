package vividcaravan.server.walks;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.Position;
import vividcaravan.core.driver.WalkFault;
import vividcaravan.core.driver.WalkPoint;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleState;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.platform.AtMost;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Refusal;

/** The walk round before the first trip: what the sensors do not see. */
@RestController
@RequestMapping("/api/v1/vehicles/{ref}/walks")
@PreAuthorize("hasRole('DRIVER')")
@Tag(name = "vehicles")
class WalksController {

    private static final int MOST_FAULTS = 40;
    /** All that can be wrong at a wheel has to fit into one line of an alert's record. */
    private static final int LONGEST_WORDS = 200;

    private final VisibleFleet visible;
    private final Walks walks;

    WalksController(VisibleFleet visible, Walks walks) {
        this.visible = visible;
        this.walks = walks;
    }

    /**
     * A fault that was found.
     *
     * @param position the wheel; the whole vehicle where it is left out
     * @param words what the driver says of it
     */
    record WalkFaultRequest(
            @Nullable String position, @Nullable WalkPoint point, @AtMost(LONGEST_WORDS) @Nullable String words) {}

    /**
     * A walk round the vehicle.
     *
     * @param faults what was found; an empty list says that all is well
     */
    record WalkRequest(@AtMost(MOST_FAULTS) @Nullable List<WalkFaultRequest> faults) {}

    /**
     * @param alerts those that what was found has raised or added to, one for each place
     */
    record WalkKept(List<String> alerts) {}

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(
            operationId = "walkRound",
            summary = "Say as the driver that the vehicle was walked round, and what was found")
    WalkKept walk(@PathVariable String ref, @RequestBody WalkRequest request, Principal who) {
        FleetVehicle vehicle = visible.existing(ref);
        if (vehicle.snapshot().state() != VehicleState.IN_SERVICE) {
            throw Refusal.conflict(ref + " is not in service, so that nobody would see this. Call the workshop.");
        }
        List<WalkFault> faults = checked(vehicle, request);
        return new WalkKept(walks.walked(vehicle, faults, who.getName()).stream()
                .map(id -> Long.toString(id))
                .toList());
    }

    private static List<WalkFault> checked(FleetVehicle vehicle, WalkRequest request) {
        if (request.faults() == null) {
            throw Refusal.badRequest("faults", "Say what was found; an empty list where nothing was.");
        }
        Faults wrong = new Faults();
        Set<List<Object>> seen = new HashSet<>();
        List<WalkFault> faults = new ArrayList<>();
        for (int i = 0; i < request.faults().size(); i++) {
            WalkFaultRequest fault = request.faults().get(i);
            String field = "faults[" + i + "]";
            if (fault == null || fault.point() == null) {
                wrong.add(field + ".point", "Say what is wrong there.");
                continue;
            }
            Position position = fault.position() == null ? null : vehicle.existing(fault.position());
            String place = position == null ? "" : position.code();
            if (!seen.add(List.of(place, fault.point()))) {
                wrong.add(field, "This fault is named twice at one place; say it once.");
            }
            faults.add(new WalkFault(position, fault.point(), fault.words()));
        }
        wrong.refuse();
        return faults;
    }
}
