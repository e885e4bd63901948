package vividcaravan.server.description;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetTables;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleRedescribed;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;

/** Depots: where vehicles live, by which clock and how high. */
@RestController
@RequestMapping("/api/v1/depots")
@PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
@Tag(name = "vehicles")
class DepotsController {

    private static final int LONGEST_NAME = 120;

    private final FleetDirectory fleet;
    private final FleetTables store;
    private final SingleWriter writer;
    private final ApplicationEventPublisher events;

    DepotsController(FleetDirectory fleet, FleetTables store, SingleWriter writer, ApplicationEventPublisher events) {
        this.fleet = fleet;
        this.store = store;
        this.writer = writer;
        this.events = events;
    }

    /** A depot, and how many vehicles live there. */
    record DepotItem(String name, String timeZone, double altitudeM, int vehicles) {}

    /** Every depot, by name. */
    record DepotList(List<DepotItem> items) {}

    @GetMapping
    @Operation(operationId = "listDepots", summary = "The depots")
    DepotList list() {
        return new DepotList(fleet.depots().stream()
                .sorted(Comparator.comparing(DepotDescription::name))
                .map(depot -> new DepotItem(
                        depot.name(),
                        depot.timeZone().getId(),
                        depot.altitudeM(),
                        at(depot.name()).size()))
                .toList());
    }

    private List<FleetVehicle> at(String depot) {
        return fleet.vehicles().stream()
                .filter(vehicle -> depot.equals(vehicle.description().depot()))
                .toList();
    }

    /** A depot, new or changed. */
    record DepotRequest(@Nullable String name, @Nullable String timeZone, @Nullable Double altitudeM) {}

    @PutMapping
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(operationId = "setDepot", summary = "Add a depot, or change the clock and height of one")
    DepotList set(@RequestBody DepotRequest request) {
        DepotDescription depot = checked(request);
        writer.make(view -> Decision.make(pen -> {
            Optional<DepotDescription> before = fleet.depot(depot.name());
            store.storeDepot(pen.session(), depot);
            for (FleetVehicle vehicle : at(depot.name())) {
                vehicle.describe(vehicle.description(), depot);
                events.publishEvent(new VehicleRedescribed(pen, vehicle));
            }
            return Done.by(deed(before, depot));
        }));
        return list();
    }

    private static Deed deed(Optional<DepotDescription> before, DepotDescription depot) {
        return Deed.of(
                        DeedKind.DEPOT_CHANGED,
                        new Thing(Thing.Kind.DEPOT, depot.name(), depot.name()),
                        (before.isPresent() ? "changed depot " : "added depot ") + depot.name())
                .with(
                        "Clock",
                        before.map(was -> was.timeZone().getId()).orElse(null),
                        depot.timeZone().getId())
                .with("Height", "m", before.map(DepotDescription::altitudeM).orElse(null), depot.altitudeM());
    }

    private static DepotDescription checked(DepotRequest request) {
        Faults faults = new Faults();
        String name =
                faults.text("name", request.name(), LONGEST_NAME, "Give the depot a name of 1 to 120 characters.");
        ZoneId zone = zone(request.timeZone(), faults);
        Double altitude = request.altitudeM();
        if (altitude == null || !(altitude >= DepotDescription.LOWEST_M && altitude <= DepotDescription.HIGHEST_M)) {
            faults.add("altitudeM", "Depots lie at -500 to 9000 m, this says " + altitude + ".");
        }
        faults.refuse();
        return new DepotDescription(name, zone, altitude);
    }

    private static @Nullable ZoneId zone(@Nullable String id, Faults faults) {
        Optional<ZoneId> zone = id == null ? Optional.empty() : DepotDescription.zone(id);
        if (zone.isPresent()) {
            return zone.get();
        }
        faults.add("timeZone", "\"" + id + "\" is no time zone; write it like Europe/Dublin.");
        return null;
    }
}
