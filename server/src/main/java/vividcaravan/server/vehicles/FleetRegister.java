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
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.LimitOverrides;
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
    private final WheelChanges wheelChanges;

    FleetRegister(
            SingleWriter writer,
            FleetDirectory fleet,
            Ids ids,
            Clock clock,
            ApplicationEventPublisher events,
            WheelChanges wheelChanges) {
        this.wheelChanges = wheelChanges;
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
        FleetDocument document = new FleetDocumentReader(faults, now.plusSeconds(120)).read(json);
        refuseIfFaulty(faults);
        return writer.write(session -> {
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
            redescribed.add(storeVehicle(session, entry));
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
                storeDepot(session, after);
                if (isKnown) {
                    changed.add(entry.name());
                }
            }
        }
        for (FleetDocument.VehicleEntry entry : document.vehicles()) {
            if (entry.depot() != null && fleet.depotId(entry.depot()).isEmpty()) {
                storeDepot(session, DepotDescription.named(entry.depot()));
            }
        }
        return changed;
    }

    private void storeDepot(StatelessSession session, DepotDescription depot) {
        Optional<Long> known = fleet.depotId(depot.name());
        DepotRow row = new DepotRow();
        row.id = known.orElseGet(() -> ids.next("depot"));
        row.name = depot.name();
        row.timeZone = depot.timeZone().getId();
        row.altitudeM = depot.altitudeM();
        if (known.isPresent()) {
            session.update(row);
        } else {
            session.insert(row);
        }
        fleet.put(row.id, depot);
    }

    private VehicleInService storeVehicle(StatelessSession session, FleetDocument.VehicleEntry entry) {
        VehicleDescription description = new VehicleDescription(
                entry.ref(),
                entry.kind(),
                entry.plate(),
                entry.depot(),
                entry.axles().stream().map(FleetRegister::axle).toList(),
                entry.spares(),
                entry.duty() == null ? DutyProfile.GENERAL : entry.duty());
        DepotDescription depot =
                entry.depot() == null ? null : fleet.depot(entry.depot()).orElseThrow();
        Optional<VehicleInService> known = fleet.vehicle(entry.ref());
        VehicleRow row = new VehicleRow();
        row.id = known.map(VehicleInService::id).orElseGet(() -> ids.next("vehicle"));
        row.ref = entry.ref();
        row.kind = entry.kind();
        row.plate = entry.plate();
        row.depotId =
                entry.depot() == null ? null : fleet.depotId(entry.depot()).orElseThrow();
        row.spares = entry.spares();
        row.duty = description.duty();
        if (known.isPresent()) {
            session.update(row);
            session.createMutationQuery("delete from AxleRow where vehicleId = :vehicle")
                    .setParameter("vehicle", row.id)
                    .executeUpdate();
        } else {
            session.insert(row);
        }
        for (int i = 0; i < description.axles().size(); i++) {
            session.insert(AxleRow.of(
                    ids.next("axle"), row.id, i + 1, description.axles().get(i)));
        }
        known.ifPresent(vehicle -> {
            VehicleDescription before = vehicle.description();
            vehicle.describe(description, depot);
            wheelChanges.limitsChanged(session, vehicle, before);
        });
        return known.orElseGet(
                () -> fleet.put(new VehicleInService(row.id, description, depot, () -> ids.next("alert"))));
    }

    private static AxleDescription axle(FleetDocument.AxleEntry entry) {
        return new AxleDescription(
                new Axle(entry.role(), entry.wheels(), entry.liftable()),
                entry.coldPressureKpa(),
                entry.limits() == null ? LimitOverrides.NONE : entry.limits().overrides(),
                Boolean.TRUE.equals(entry.ballasted()),
                Boolean.TRUE.equals(entry.automaticInflation()));
    }

    private int storeFittings(StatelessSession session, FleetDocument document, long now) {
        Set<KnownSensor> involved = new LinkedHashSet<>();
        List<KnownSensor> named = new ArrayList<>();
        for (FleetDocument.VehicleEntry entry : document.vehicles()) {
            VehicleInService vehicle = fleet.vehicle(entry.ref()).orElseThrow();
            involved.addAll(vehicle.everFitted());
            for (FleetDocument.SensorEntry sensor : entry.sensors()) {
                KnownSensor known = storeSensor(session, sensor);
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

    private KnownSensor storeSensor(StatelessSession session, FleetDocument.SensorEntry entry) {
        Optional<KnownSensor> known = fleet.sensor(entry.code());
        if (known.isPresent()) {
            if (entry.mount() != null && !known.get().mount().equals(Optional.of(entry.mount()))) {
                known.get().mountedBy(entry.mount());
                session.createMutationQuery("update SensorRow set mount = :mount where id = :id")
                        .setParameter("mount", entry.mount())
                        .setParameter("id", known.get().id())
                        .executeUpdate();
            }
            return known.get();
        }
        SensorRow row = new SensorRow();
        row.id = ids.next("sensor");
        row.code = entry.code();
        row.mount = entry.mount();
        session.insert(row);
        session.createNativeMutationQuery("delete from stranger where code = :code")
                .setParameter("code", entry.code())
                .executeUpdate();
        return fleet.put(new KnownSensor(row.id, entry.code(), entry.mount()));
    }
}
