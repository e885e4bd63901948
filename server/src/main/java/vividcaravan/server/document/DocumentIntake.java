package vividcaravan.server.document;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicLong;
import org.hibernate.StatelessSession;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetTables;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.fleet.VehicleDescription;
import vividcaravan.server.fleet.VehicleRedescribed;
import vividcaravan.server.fleet.VehicleState;
import vividcaravan.server.fleet.VehicleStateChanged;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Progress;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.sensors.FittingChange;
import vividcaravan.server.writer.Change;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;

/** Where the fleet's description is changed: a fleet document goes in whole or not at all. */
@Component
public class DocumentIntake {

    private final SingleWriter writer;
    private final FleetDirectory fleet;
    private final Clock clock;
    private final ApplicationEventPublisher events;
    private final FleetTables vehicles;
    private final Progress progress;
    private final FleetHistoryIntake past;

    DocumentIntake(
            SingleWriter writer,
            FleetDirectory fleet,
            Clock clock,
            ApplicationEventPublisher events,
            FleetTables vehicles,
            Progress progress,
            FleetHistoryIntake past) {
        this.past = past;
        this.progress = progress;
        this.vehicles = vehicles;
        this.writer = writer;
        this.fleet = fleet;
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
        return writer.make(taking(json));
    }

    /** The taking in of a document, whose own faults were looked for. */
    public Change<Imported> taking(JsonNode json) {
        Checked checked = check(json);
        return view -> {
            vehicles.refuseIfLimitsChangedSince(checked.book());
            Faults faults = new Faults();
            checkAgainstFleet(checked.document(), faults);
            refuseIfFaulty(faults);
            return Decision.make(pen -> store(pen, checked.document(), checked.at()));
        };
    }

    /** A document that has no fault by itself, under a book. */
    private record Checked(FleetDocument document, LimitBook book, Instant at) {}

    private Checked check(JsonNode json) {
        Faults faults = new Faults();
        Instant now = clock.instant();
        LimitBook book = fleet.book();
        FleetDocument document = new FleetDocumentReader(faults, now.plusSeconds(120), book).read(json);
        refuseIfFaulty(faults);
        return new Checked(document, book, now);
    }

    private static void refuseIfFaulty(Faults faults) {
        faults.refuse(all -> "The document has " + (all.size() == 1 ? "one fault" : all.size() + " faults")
                + "; nothing was changed. Mend it and send it again.");
    }

    private void checkAgainstFleet(FleetDocument document, Faults faults) {
        String refusal = document.history() == null ? null : past.refusal();
        if (refusal != null) {
            faults.add("$.history", refusal);
        }
        Set<Long> updated = new HashSet<>();
        for (FleetDocument.VehicleEntry entry : document.vehicles()) {
            fleet.vehicle(entry.ref()).ifPresent(vehicle -> updated.add(vehicle.id()));
        }
        for (int v = 0; v < document.vehicles().size(); v++) {
            FleetDocument.VehicleEntry entry = document.vehicles().get(v);
            String path = "$.vehicles[" + v + "]";
            if (document.onExisting() == null && fleet.vehicle(entry.ref()).isPresent()) {
                faults.add(
                        path + ".ref",
                        "The vehicle \"" + entry.ref() + "\" exists. Say \"onExisting\": \"update\" to change it.");
            }
            fleet.vehicle(entry.ref())
                    .map(FleetVehicle::state)
                    .filter(state -> entry.state() != null && entry.state() != state && !state.mayBecome(entry.state()))
                    .ifPresent(state -> faults.add(
                            path + ".state",
                            "\"" + entry.ref() + "\" is " + state.words() + " and cannot be "
                                    + entry.state().words() + " from there."));
            for (int s = 0; s < sensors(entry).size(); s++) {
                String code = sensors(entry).get(s).code();
                Optional<Fitting> elsewhere = fleet.sensor(code)
                        .flatMap(sensor -> sensor.fittingAt(Fitting.OPEN - 1))
                        .filter(stay -> !updated.contains(stay.vehicle()));
                if (elsewhere.isPresent()) {
                    FleetVehicle other =
                            fleet.vehicle(elsewhere.get().vehicle()).orElseThrow();
                    faults.add(
                            path + ".sensors[" + s + "].code",
                            "The sensor " + code + " sits at " + elsewhere.get().position() + " of "
                                    + other.description().ref() + ". Take it off there first.");
                }
            }
        }
    }

    private Done<Imported> store(Pen pen, FleetDocument document, Instant now) {
        Set<String> changedDepots = storeDepots(pen.session(), document);
        AtomicLong done = new AtomicLong();
        long all = document.vehicles().size();
        return progress.during(
                "the fleet document",
                Progress.Unit.VEHICLES,
                done::get,
                all,
                () -> store(pen, document, now, changedDepots, done));
    }

    private Done<Imported> store(
            Pen pen, FleetDocument document, Instant now, Set<String> changedDepots, AtomicLong done) {
        StatelessSession session = pen.session();
        List<VehicleRedescribed> redescribed = new ArrayList<>();
        ImportDeed deed = new ImportDeed(document.depots().size());
        for (FleetDocument.VehicleEntry entry : document.vehicles()) {
            FleetVehicle known = fleet.vehicle(entry.ref()).orElse(null);
            VehicleDescription before = known == null ? null : known.description();
            FleetVehicle vehicle = vehicles.store(
                    pen,
                    known,
                    entry.description(fleet.book(), before),
                    entry.state() == null ? VehicleState.IN_SERVICE : entry.state());
            redescribed.add(VehicleRedescribed.from(before, pen, vehicle, now.toEpochMilli()));
            deed.took(vehicle, before);
            if (known != null && entry.state() != null && entry.state() != vehicle.state()) {
                vehicles.storeState(session, vehicle, entry.state(), null);
                events.publishEvent(new VehicleStateChanged(pen, vehicle));
            }
            done.incrementAndGet();
        }
        for (FleetVehicle vehicle : fleet.vehicles()) {
            String depot = vehicle.description().depot();
            if (depot != null && changedDepots.contains(depot)) {
                vehicle.describe(vehicle.description(), fleet.depot(depot).orElseThrow());
                redescribed.add(VehicleRedescribed.withSameWheels(pen, vehicle));
            }
        }
        redescribed.forEach(events::publishEvent);
        int sensors = storeFittings(pen, document, now.toEpochMilli());
        if (document.history() != null) {
            past.store(pen, document.history());
        }
        return new Done<>(new Imported(document.vehicles().size(), sensors), deed.with(sensors, document.history()));
    }

    private static List<FleetDocument.SensorEntry> sensors(FleetDocument.VehicleEntry entry) {
        return entry.sensors() == null ? List.of() : entry.sensors();
    }

    private Set<String> storeDepots(StatelessSession session, FleetDocument document) {
        Set<String> changed = new HashSet<>();
        for (FleetDocument.DepotEntry entry : document.depots()) {
            DepotDescription before = fleet.depot(entry.name()).orElse(DepotDescription.named(entry.name()));
            DepotDescription after = new DepotDescription(
                    entry.name(),
                    entry.timeZone() == null ? before.timeZone() : ZoneId.of(entry.timeZone()),
                    entry.altitudeM() == null ? before.altitudeM() : entry.altitudeM(),
                    entry.phone() == null ? before.phone() : entry.phone());
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

    private int storeFittings(Pen pen, FleetDocument document, long now) {
        Set<KnownSensor> involved = new LinkedHashSet<>();
        List<KnownSensor> named = new ArrayList<>();
        for (FleetDocument.VehicleEntry entry : document.vehicles()) {
            FleetVehicle vehicle = fleet.vehicle(entry.ref()).orElseThrow();
            involved.addAll(vehicle.everFitted());
            for (FleetDocument.SensorEntry sensor : sensors(entry)) {
                KnownSensor known = vehicles.storeSensor(pen.session(), sensor.code(), sensor.mount());
                named.add(known);
                involved.add(known);
            }
        }
        FittingChange change = new FittingChange(fleet, involved);
        Set<KnownSensor> stays = new HashSet<>(named);
        for (FleetDocument.VehicleEntry entry : document.vehicles()) {
            FleetVehicle vehicle = fleet.vehicle(entry.ref()).orElseThrow();
            vehicle.sensors().forEach((position, sensor) -> {
                // What is not said does not change, but for a wheel that is no more.
                boolean isNamed =
                        entry.sensors() == null ? vehicle.description().layout().has(position) : stays.contains(sensor);
                if (!isNamed) {
                    change.remove(sensor, now);
                }
            });
        }
        int next = 0;
        for (FleetDocument.VehicleEntry entry : document.vehicles()) {
            long vehicle = fleet.vehicle(entry.ref()).orElseThrow().id();
            for (FleetDocument.SensorEntry sensor : sensors(entry)) {
                Long at = sensor.fittedAt() == null ? null : sensor.fittedAt().toEpochMilli();
                change.fit(named.get(next++), vehicle, Position.parse(sensor.position()), at, now);
            }
        }
        change.store(pen, events);
        return named.size();
    }
}
