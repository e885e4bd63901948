package vividcaravan.server.fleet;

import java.sql.PreparedStatement;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.hibernate.StatelessSession;
import org.hibernate.query.MutationQuery;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.Pen;

/** Writes vehicles, depots and sensors to the database and into the fleet in memory; on the single writer's thread. */
@Component
public class FleetTables {

    private final FleetDirectory fleet;
    private final ApplicationEventPublisher events;

    FleetTables(FleetDirectory fleet, ApplicationEventPublisher events) {
        this.fleet = fleet;
        this.events = events;
    }

    /**
     * What was found right under {@code book} may be wrong under another.
     *
     * @throws Refusal if the fleet holds to another by now
     */
    public void refuseIfLimitsChangedSince(LimitBook book) {
        if (!fleet.book().equals(book)) {
            throw Refusal.conflict(
                    "The fleet's limits were changed just now; nothing of this was stored. Send it again.");
        }
    }

    /**
     * Stores a description, and its depot where that is new.
     *
     * @param known the vehicle that gets it, or null for a new one
     * @param begins the state of a new vehicle; one that is known stays in its own
     */
    public FleetVehicle store(
            Pen pen, @Nullable FleetVehicle known, VehicleDescription description, VehicleState begins) {
        StatelessSession session = pen.session();
        String depotName = description.depot();
        if (depotName != null && fleet.depotId(depotName).isEmpty()) {
            storeDepot(session, DepotDescription.named(depotName));
        }
        VehicleRow row = row(description);
        row.id = known == null ? 0 : known.id();
        row.state = known == null ? begins : known.state();
        row.stateReason = known == null ? null : known.stateReason().orElse(null);
        row.revision = known == null ? 1 : known.revision() + 1;
        if (known == null) {
            session.insert(row);
        } else {
            session.update(row);
        }
        if (known != null) {
            deleteAxles(session, row.id);
        }
        storeAxles(session, row.id, description);
        DepotDescription depot =
                depotName == null ? null : fleet.depot(depotName).orElseThrow();
        FleetVehicle vehicle = known == null
                ? fleet.put(fleet.newVehicle(row.id, description, depot))
                : redescribe(pen, known, description, depot);
        vehicle.stands(row.state, row.stateReason, row.revision);
        return vehicle;
    }

    private FleetVehicle redescribe(Pen pen, FleetVehicle vehicle, VehicleDescription after, DepotDescription depot) {
        VehicleDescription before = vehicle.description();
        vehicle.describe(after, depot);
        events.publishEvent(new DescriptionReplaced(pen, vehicle, before));
        if (!before.ref().equals(after.ref())) {
            fleet.renamed(vehicle, before.ref());
        }
        return vehicle;
    }

    private VehicleRow row(VehicleDescription description) {
        VehicleRow row = new VehicleRow();
        row.ref = description.ref();
        row.kind = description.kind();
        row.plate = description.plate();
        row.depotId = description.depot() == null
                ? null
                : fleet.depotId(description.depot()).orElseThrow();
        row.spares = description.spares();
        row.duty = description.duty();
        row.useNow = description.use();
        return row;
    }

    /** Stores the fleet's policy, or, with a kin, a template; none if {@code limits} is null or empty. */
    public void storeLevel(StatelessSession session, LimitBook.@Nullable Kin kin, @Nullable LimitOverrides limits) {
        String which = kin == null ? "kind is null" : "kind = :kind and role = :role";
        MutationQuery delete = session.createMutationQuery("delete from LimitLevelRow where " + which);
        if (kin != null) {
            delete.setParameter("kind", kin.kind()).setParameter("role", kin.role());
        }
        delete.executeUpdate();
        if (limits != null && !limits.isEmpty()) {
            session.insert(LimitLevelRow.of(kin, limits));
        }
    }

    /** Lets a vehicle take on other limits. */
    public void holdTo(Pen pen, FleetVehicle vehicle, VehicleDescription after, boolean isAxleChanged) {
        StatelessSession session = pen.session();
        if (isAxleChanged) {
            deleteAxles(session, vehicle.id());
            storeAxles(session, vehicle.id(), after);
            session.createMutationQuery("update VehicleRow set revision = revision + 1 where id = :id")
                    .setParameter("id", vehicle.id())
                    .executeUpdate();
            vehicle.stands(vehicle.state(), vehicle.stateReason().orElse(null), vehicle.revision() + 1);
        }
        redescribe(pen, vehicle, after, vehicle.depot().orElse(null));
    }

    private static void deleteAxles(StatelessSession session, long vehicleId) {
        session.createMutationQuery("delete from AxleRow where vehicleId = :vehicle")
                .setParameter("vehicle", vehicleId)
                .executeUpdate();
    }

    private void storeAxles(StatelessSession session, long vehicleId, VehicleDescription description) {
        for (int i = 0; i < description.axles().size(); i++) {
            session.insert(AxleRow.of(vehicleId, i + 1, description.axles().get(i)));
        }
    }

    /** Stores where a vehicle stands. */
    public void storeState(
            StatelessSession session, FleetVehicle vehicle, VehicleState state, @Nullable String reason) {
        session.createMutationQuery("update VehicleRow set state = :state, stateReason = :reason where id = :id")
                .setParameter("state", state)
                .setParameter("reason", reason)
                .setParameter("id", vehicle.id())
                .executeUpdate();
        vehicle.stands(state, reason, vehicle.revision());
    }

    /** Stores a depot, new or changed. */
    public void storeDepot(StatelessSession session, DepotDescription depot) {
        Optional<Long> known = fleet.depotId(depot.name());
        DepotRow row = new DepotRow();
        row.id = known.orElse(0L);
        row.name = depot.name();
        row.timeZone = depot.timeZone().getId();
        row.altitudeM = depot.altitudeM();
        row.phone = depot.phone();
        if (known.isPresent()) {
            session.update(row);
        } else {
            session.insert(row);
        }
        fleet.put(row.id, depot);
    }

    /** The sensor with this code; made ours if it is not, and held as {@code mount} says if that is not null. */
    public KnownSensor storeSensor(StatelessSession session, String code, @Nullable MountKind mount) {
        Optional<KnownSensor> known = fleet.sensor(code);
        if (known.isPresent()) {
            if (mount != null && !known.get().mount().equals(Optional.of(mount))) {
                known.get().mountedBy(mount);
                session.createMutationQuery("update SensorRow set mount = :mount where id = :id")
                        .setParameter("mount", mount)
                        .setParameter("id", known.get().id())
                        .executeUpdate();
            }
            return known.get();
        }
        SensorRow row = new SensorRow();
        row.code = code;
        row.mount = mount;
        session.insert(row);
        return fleet.put(fleet.newSensor(row.id, code, mount));
    }

    /** Writes what was last heard of some sensors. */
    public void saveHeard(StatelessSession session, List<KnownSensor> heard) {
        session.doWork(connection -> {
            try (PreparedStatement update = connection.prepareStatement(
                    "update sensor set newest_reading = ?, newest_judged_at = ?, clock_wrong_at = ? where id = ?")) {
                for (KnownSensor sensor : heard) {
                    update.setBytes(1, sensor.newest() == null ? null : ReadingBytes.write(sensor.newest()));
                    update.setObject(2, sensor.newestJudgedAt() == Long.MIN_VALUE ? null : sensor.newestJudgedAt());
                    update.setObject(
                            3,
                            sensor.clockWrongAt() == null
                                    ? null
                                    : sensor.clockWrongAt().atOffset(ZoneOffset.UTC));
                    update.setLong(4, sensor.id());
                    update.addBatch();
                }
                update.executeBatch();
            }
        });
    }
}
