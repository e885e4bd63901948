package vividcaravan.server.picture;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.alert.Departure;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleSnapshot;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.fleet.WheelStates;
import vividcaravan.server.walks.LatestWalks;

/** Who may leave, depot by depot, for the gate: with a token of its own that lets see nothing else. */
@RestController
@RequestMapping("/api/v1/departures")
@Tag(name = "vehicles")
class DeparturesController {

    private final VisibleFleet fleet;
    private final FleetDirectory directory;
    private final Departures departures;
    private final LatestWalks walks;
    private final Clock clock;

    DeparturesController(
            VisibleFleet fleet, FleetDirectory directory, Departures departures, LatestWalks walks, Clock clock) {
        this.departures = departures;
        this.directory = directory;
        this.fleet = fleet;
        this.walks = walks;
        this.clock = clock;
    }

    /**
     * A vehicle and whether it may leave.
     *
     * @param pulls refs of what hangs behind it, from the front; what speaks against them speaks against it
     * @param behind ref of the vehicle that it hangs behind, or null
     * @param walkedAt when its driver said today to have walked round it, or null
     */
    record DepartureLine(
            String ref,
            @Nullable String plate,
            VehicleKind kind,
            Departure.Verdict verdict,
            List<String> reasons,
            List<String> pulls,
            @Nullable String behind,
            @Nullable Instant walkedAt) {}

    /**
     * A depot; its name is null for vehicles that have none.
     *
     * @param vehicles who may not leave first
     */
    record DepotDepartures(@Nullable String depot, List<DepartureLine> vehicles) {}

    /**
     * @param at when it was so
     * @param depots the names of all depots with vehicles, whichever was asked for
     */
    record DepartureList(Instant at, List<String> depots, List<DepotDepartures> items) {}

    @GetMapping
    @Operation(operationId = "listDepartures", summary = "Which vehicles may leave, and which not and why, by depot")
    DepartureList list(@RequestParam(required = false) @Nullable String depot) {
        Instant now = clock.instant();
        Map<String, List<DepartureLine>> byDepot = new TreeMap<>();
        List<FleetVehicle> worstFirst = fleet.vehicles().stream()
                .sorted(Comparator.comparing(DeparturesController::worst)
                        .thenComparing(vehicle -> vehicle.description().ref()))
                .toList();
        for (FleetVehicle vehicle : worstFirst) {
            VehicleSnapshot snapshot = vehicle.snapshot();
            String own = snapshot.description().depot();
            Departure departure = departures.of(vehicle, snapshot, WheelStates.of(vehicle, snapshot, now), now);
            byDepot.computeIfAbsent(own == null ? "" : own, name -> new ArrayList<>())
                    .add(new DepartureLine(
                            snapshot.description().ref(),
                            snapshot.description().plate(),
                            snapshot.description().kind(),
                            departure.verdict(),
                            departure.reasons(),
                            pulls(vehicle, now),
                            behind(vehicle, now),
                            walks.ofToday(vehicle).map(LatestWalks.Walk::at).orElse(null)));
        }
        List<DepotDepartures> items = byDepot.entrySet().stream()
                .filter(one -> depot == null || depot.equals(one.getKey()))
                .map(one -> new DepotDepartures(
                        one.getKey().isEmpty() ? null : one.getKey(),
                        one.getValue().stream()
                                .sorted(Comparator.comparing(DepartureLine::verdict)
                                        .reversed())
                                .toList()))
                .toList();
        return new DepartureList(
                now, byDepot.keySet().stream().filter(name -> !name.isEmpty()).toList(), items);
    }

    private List<String> pulls(FleetVehicle vehicle, Instant now) {
        List<FleetVehicle> combination = directory.combination(vehicle, now.toEpochMilli());
        return combination.subList(combination.indexOf(vehicle) + 1, combination.size()).stream()
                .map(one -> one.description().ref())
                .toList();
    }

    private @Nullable String behind(FleetVehicle vehicle, Instant now) {
        return directory
                .couplings()
                .before(vehicle.id(), now.toEpochMilli())
                .flatMap(coupling -> directory.vehicle(coupling.puller()))
                .map(one -> one.description().ref())
                .orElse(null);
    }

    /** What it calls for most urgently; least where nothing is open. */
    private static int worst(FleetVehicle vehicle) {
        return VehicleStanding.open(vehicle).stream()
                .findFirst()
                .map(alert -> alert.urgency().ordinal())
                .orElse(Integer.MAX_VALUE);
    }
}
