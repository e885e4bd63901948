package vividcaravan.server.description;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetTables;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleRedescribed;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;

/** The depots, and what a change of one means for the vehicles that live there. */
@Component
class Depots {

    private final FleetDirectory fleet;
    private final FleetTables store;
    private final SingleWriter writer;
    private final ApplicationEventPublisher events;

    Depots(FleetDirectory fleet, FleetTables store, SingleWriter writer, ApplicationEventPublisher events) {
        this.fleet = fleet;
        this.store = store;
        this.writer = writer;
        this.events = events;
    }

    List<DepotDescription> byName() {
        return fleet.depots().stream()
                .sorted(Comparator.comparing(DepotDescription::name))
                .toList();
    }

    List<FleetVehicle> vehiclesOf(String depot) {
        return fleet.vehicles().stream()
                .filter(vehicle -> depot.equals(vehicle.description().depot()))
                .toList();
    }

    /** Adds a depot, or changes one: its vehicles are judged by the new clock and height from then on. */
    void set(DepotDescription depot) {
        writer.make(view -> Decision.make(pen -> {
            Optional<DepotDescription> before = fleet.depot(depot.name());
            store.storeDepot(pen.session(), depot);
            for (FleetVehicle vehicle : vehiclesOf(depot.name())) {
                vehicle.describe(vehicle.description(), depot);
                events.publishEvent(VehicleRedescribed.withSameWheels(pen, vehicle));
            }
            return Done.by(deed(before, depot));
        }));
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
                .with("Height", "m", before.map(DepotDescription::altitudeM).orElse(null), depot.altitudeM())
                .with("Telephone", before.map(DepotDescription::phone).orElse(null), depot.phone());
    }
}
