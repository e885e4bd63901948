package vividcaravan.server.vehicles;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.hibernate.StatelessSession;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.server.platform.Ids;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.SingleWriter;

/** Where the fleet's description is changed: a fleet document goes in whole or not at all. */
@Component
public class FleetRegister {

    private final SingleWriter writer;
    private final FleetDirectory fleet;
    private final Ids ids;
    private final Clock clock;
    private final ApplicationEventPublisher events;
    private final VehicleStore vehicles;

    FleetRegister(
            SingleWriter writer,
            FleetDirectory fleet,
            Ids ids,
            Clock clock,
            ApplicationEventPublisher events,
            VehicleStore vehicles) {
        this.vehicles = vehicles;
        this.writer = writer;
        this.fleet = fleet;
        this.ids = ids;
        this.clock = clock;
        this.events = events;
    }

    /** How much a document brought. */
    public record Imported(int vehicles, int sensors) {}

    /**
     * Takes in a fleet document.
     *
     * @throws Refusal with every fault and its JSON path, if there is one; nothing is changed then
     */
    public Imported take(JsonNode json) {
        List<Refusal.Fault> faults = new ArrayList<>();
        Instant now = clock.instant();
        LimitBook book = fleet.book();
        FleetDocument document = new FleetDocumentReader(faults, now.plusSeconds(120), book).read(json);
        refuseIfFaulty(faults);
        return writer.write(session -> {
            vehicles.refuseIfLimitsChangedSince(book);
            checkAgainstFleet(document, faults);
            refuseIfFaulty(faults);
            return store(session, document, now);
        });
    }

    private static void refuseIfFaulty(List<Refusal.Fault> faults) {
        if (!faults.isEmpty()) {
            String count = faults.size() == 1 ? "one fault" : faults.size() + " faults";
            throw Refusal.badRequest(
                    "The document has " + count + "; nothing was changed. Mend it and send it again.", faults);
        }
    }

    private void checkAgainstFleet(FleetDocument document, List<Refusal.Fault> faults) {
        Set<Long> updated = new HashSet<>();
        for (FleetDocument.VehicleEntry entry : document.vehicles()) {
            fleet.vehicle(entry.ref()).ifPresent(vehicle -> updated.add(vehicle.id()));
        }
        for (int v = 0; v < document.vehicles().size(); v++) {
            FleetDocument.VehicleEntry entry = document.vehicles().get(v);
            String path = "$.vehicles[" + v + "]";
            if (document.onExisting() == null && fleet.vehicle(entry.ref()).isPresent()) {
                faults.add(new Refusal.Fault(
                        path + ".ref",
                        "The vehicle \"" + entry.ref() + "\" exists. Say \"onExisting\": \"update\" to change it."));
            }
            for (int s = 0; s < entry.sensors().size(); s++) {
                String code = entry.sensors().get(s).code();
                Optional<Fitting> elsewhere = fleet.sensor(code)
                        .flatMap(sensor -> sensor.fittingAt(Fitting.OPEN - 1))
                        .filter(stay -> !updated.contains(stay.vehicle()));
                if (elsewhere.isPresent()) {
                    VehicleInService other =
                            fleet.vehicle(elsewhere.get().vehicle()).orElseThrow();
                    faults.add(new Refusal.Fault(
                            path + ".sensors[" + s + "].code",
                            "The sensor " + code + " sits at " + elsewhere.get().position() + " of "
                                    + other.description().ref() + ". Take it off there first."));
                }
            }
        }
    }

    private Imported store(StatelessSession session, FleetDocument document, Instant now) {
        Set<String> changedDepots = storeDepots(session, document);
        List<VehicleInService> redescribed = new ArrayList<>();
        for (FleetDocument.VehicleEntry entry : document.vehicles()) {
            redescribed.add(
                    vehicles.store(session, fleet.vehicle(entry.ref()).orElse(null), entry, VehicleState.IN_SERVICE));
        }
        for (VehicleInService vehicle : fleet.vehicles()) {
            String depot = vehicle.description().depot();
            if (depot != null && changedDepots.contains(depot)) {
                vehicle.describe(vehicle.description(), fleet.depot(depot).orElseThrow());
                redescribed.add(vehicle);
            }
        }
        redescribed.forEach(vehicle -> events.publishEvent(new VehicleRedescribed(session, vehicle)));
        int sensors = storeFittings(session, document, now.toEpochMilli());
        return new Imported(document.vehicles().size(), sensors);
    }

    private Set<String> storeDepots(StatelessSession session, FleetDocument document) {
        Set<String> changed = new HashSet<>();
        for (FleetDocument.DepotEntry entry : document.depots()) {
            DepotDescription before = fleet.depot(entry.name()).orElse(DepotDescription.named(entry.name()));
            DepotDescription after = new DepotDescription(
                    entry.name(),
                    entry.timeZone() == null ? before.timeZone() : ZoneId.of(entry.timeZone()),
                    entry.altitudeM() == null ? before.altitudeM() : entry.altitudeM());
            boolean isKnown = fleet.depotId(entry.name()).isPresent();
            if (!isKnown || !after.equals(before)) {
                vehicles.storeDepot(session, after);
                if (isKnown) {
                    changed.add(entry.name());
                }
            }
        }
        for (FleetDocument.VehicleEntry entry : document.vehicles()) {
            if (entry.depot() != null && fleet.depotId(entry.depot()).isEmpty()) {
                vehicles.storeDepot(session, DepotDescription.named(entry.depot()));
            }
        }
        return changed;
    }

    private int storeFittings(StatelessSession session, FleetDocument document, long now) {
        Set<KnownSensor> involved = new LinkedHashSet<>();
        List<KnownSensor> named = new ArrayList<>();
        for (FleetDocument.VehicleEntry entry : document.vehicles()) {
            VehicleInService vehicle = fleet.vehicle(entry.ref()).orElseThrow();
            involved.addAll(vehicle.everFitted());
            for (FleetDocument.SensorEntry sensor : entry.sensors()) {
                KnownSensor known = vehicles.storeSensor(session, sensor.code(), sensor.mount());
                named.add(known);
                involved.add(known);
            }
        }
        FittingChange change = new FittingChange(fleet, involved);
        Set<KnownSensor> stays = new HashSet<>(named);
        for (FleetDocument.VehicleEntry entry : document.vehicles()) {
            for (KnownSensor sensor :
                    fleet.vehicle(entry.ref()).orElseThrow().sensors().values()) {
                if (!stays.contains(sensor)) {
                    change.remove(sensor, now);
                }
            }
        }
        int next = 0;
        for (FleetDocument.VehicleEntry entry : document.vehicles()) {
            long vehicle = fleet.vehicle(entry.ref()).orElseThrow().id();
            for (FleetDocument.SensorEntry sensor : entry.sensors()) {
                Long at = sensor.fittedAt() == null ? null : sensor.fittedAt().toEpochMilli();
                change.fit(named.get(next++), vehicle, Position.parse(sensor.position()), at, now);
            }
        }
        change.store(session, ids, events);
        return named.size();
    }
}
