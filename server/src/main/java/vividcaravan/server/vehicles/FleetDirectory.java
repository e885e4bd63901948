package vividcaravan.server.vehicles;

import java.sql.PreparedStatement;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.Adjustment;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.server.platform.Ids;
import vividcaravan.server.platform.Refusal;

/** The fleet in memory. The single writer changes it together with the database; anyone may read. */
@Component
public class FleetDirectory {

    private final Ids ids;
    private final Map<Long, VehicleInService> vehicles = new ConcurrentHashMap<>();
    private final Map<String, VehicleInService> vehiclesByRef = new ConcurrentHashMap<>();
    private final Map<Long, KnownSensor> sensors = new ConcurrentHashMap<>();
    private final Map<String, KnownSensor> sensorsByCode = new ConcurrentHashMap<>();
    private final Map<String, DepotDescription> depots = new ConcurrentHashMap<>();
    private final Map<String, Long> depotIds = new ConcurrentHashMap<>();
    private final Map<MountKind, SensorMake> makes = new ConcurrentHashMap<>();
    private volatile LimitBook book = LimitBook.DEFAULT;

    FleetDirectory(Ids ids) {
        this.ids = ids;
    }

    /** Reads the fleet afresh from the database. */
    public void load(StatelessSession session) {
        for (String table : List.of(
                "depot",
                "vehicle",
                "axle",
                "sensor",
                "fitting",
                "alert",
                "alert_entry",
                "adjustment",
                "limit_change",
                "limit_level")) {
            ids.load(session, table, "id");
        }
        vehicles.clear();
        vehiclesByRef.clear();
        sensors.clear();
        sensorsByCode.clear();
        depots.clear();
        depotIds.clear();
        makes.clear();
        all(session, SensorMakeRow.class).forEach(row -> madeAs(new SensorMake(row.mount, row.vented, row.rangeKpa)));
        Map<Long, DepotDescription> depotsById = new HashMap<>();
        for (DepotRow row : all(session, DepotRow.class)) {
            put(row.id, row.description());
            depotsById.put(row.id, row.description());
        }
        book = book(all(session, LimitLevelRow.class));
        Map<Long, List<AxleRow>> axles = new HashMap<>();
        all(session, AxleRow.class).forEach(row -> axles.computeIfAbsent(row.vehicleId, id -> new ArrayList<>())
                .add(row));
        for (VehicleRow row : all(session, VehicleRow.class)) {
            List<AxleDescription> described = axles.get(row.id).stream()
                    .sorted(Comparator.comparingInt(axle -> axle.number))
                    .map(AxleRow::description)
                    .toList();
            DepotDescription depot = row.depotId == null ? null : depotsById.get(row.depotId);
            VehicleInService vehicle = put(new VehicleInService(
                    row.id,
                    new VehicleDescription(
                            row.ref,
                            row.kind,
                            row.plate,
                            depot == null ? null : depot.name(),
                            described,
                            row.spares,
                            row.duty,
                            row.useNow,
                            book),
                    depot,
                    () -> ids.next("alert")));
            vehicle.stands(row.state, row.stateReason, row.revision);
        }
        Map<Long, List<Adjustment>> adjustments = new HashMap<>();
        all(session, AdjustmentRow.class).forEach(row -> adjustments
                .computeIfAbsent(row.vehicleId, id -> new ArrayList<>())
                .add(row.adjustment()));
        adjustments.forEach((id, known) -> vehicles.get(id).adjusted(known));
        Map<Long, List<Fitting>> stays = new HashMap<>();
        for (FittingRow row : all(session, FittingRow.class)) {
            stays.computeIfAbsent(row.sensorId, id -> new ArrayList<>()).add(row.fitting());
        }
        for (SensorRow row : all(session, SensorRow.class)) {
            KnownSensor sensor = new KnownSensor(row.id, row.code, row.mount);
            sensor.retired(row.retiredBecause);
            if (row.newestReading != null) {
                sensor.heard(ReadingBytes.read(row.newestReading));
            }
            if (row.newestJudgedAt != null) {
                sensor.judgedUpTo(row.newestJudgedAt);
            }
            sensor.clockWrong(row.clockWrongAt);
            sensor.takeTouched();
            put(sensor);
            fitted(sensor, stays.getOrDefault(row.id, List.of()));
        }
    }

    private static LimitBook book(List<LimitLevelRow> rows) {
        LimitPolicy policy = LimitPolicy.DEFAULT;
        Map<LimitBook.Kin, LimitOverrides> templates = new HashMap<>();
        for (LimitLevelRow row : rows) {
            if (row.isPolicy()) {
                policy = row.limits().over(LimitPolicy.DEFAULT);
            } else {
                templates.put(row.kin(), row.limits());
            }
        }
        return new LimitBook(policy, templates);
    }

    /** What the fleet holds to. */
    public LimitBook book() {
        return book;
    }

    /** What the fleet's sensors of a mount are. */
    public SensorMake make(MountKind mount) {
        return makes.getOrDefault(mount, SensorMake.unknown(mount));
    }

    void madeAs(SensorMake make) {
        makes.put(make.mount(), make);
    }

    void holdTo(LimitBook newBook) {
        book = newBook;
    }

    private static <T> List<T> all(StatelessSession session, Class<T> rows) {
        return session.createSelectionQuery("from " + rows.getSimpleName(), rows)
                .getResultList();
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

    VehicleInService put(VehicleInService vehicle) {
        vehicles.put(vehicle.id(), vehicle);
        vehiclesByRef.put(vehicle.description().ref(), vehicle);
        return vehicle;
    }

    void renamed(VehicleInService vehicle, String before) {
        vehiclesByRef.remove(before, vehicle);
        vehiclesByRef.put(vehicle.description().ref(), vehicle);
    }

    KnownSensor put(KnownSensor sensor) {
        sensors.put(sensor.id(), sensor);
        sensorsByCode.put(sensor.code(), sensor);
        return sensor;
    }

    void put(long id, DepotDescription depot) {
        depots.put(depot.name(), depot);
        depotIds.put(depot.name(), id);
    }

    /** Takes note of a sensor's stays, here and at the vehicles it sits or sat on. */
    void fitted(KnownSensor sensor, List<Fitting> stays) {
        for (VehicleInService vehicle : vehiclesOf(sensor.fittings())) {
            vehicle.sensors().values().removeIf(other -> other == sensor);
        }
        sensor.fittedAs(
                stays.stream().sorted(Comparator.comparingLong(Fitting::from)).toList());
        for (Fitting stay : sensor.fittings()) {
            VehicleInService vehicle = vehicles.get(stay.vehicle());
            vehicle.everFitted().add(sensor);
            if (stay.isOpen()) {
                vehicle.sensors().put(stay.position(), sensor);
                vehicle.judge().expect(stay);
            }
        }
    }

    private List<VehicleInService> vehiclesOf(List<Fitting> stays) {
        return stays.stream()
                .map(stay -> vehicles.get(stay.vehicle()))
                .distinct()
                .toList();
    }

    Optional<Long> depotId(String name) {
        return Optional.ofNullable(depotIds.get(name));
    }

    public Optional<VehicleInService> vehicle(String ref) {
        return Optional.ofNullable(vehiclesByRef.get(ref));
    }

    /**
     * The vehicle with this ref.
     *
     * @throws Refusal if there is none
     */
    public VehicleInService existing(String ref) {
        return vehicle(ref).orElseThrow(() -> unknown(ref));
    }

    static Refusal unknown(String ref) {
        return Refusal.notFound("There is no vehicle \"" + ref + "\".");
    }

    public Optional<VehicleInService> vehicle(long id) {
        return Optional.ofNullable(vehicles.get(id));
    }

    /** Every vehicle, by ref. */
    public List<VehicleInService> vehicles() {
        return vehicles.values().stream()
                .sorted(Comparator.comparing(vehicle -> vehicle.description().ref()))
                .toList();
    }

    public Optional<KnownSensor> sensor(String code) {
        return Optional.ofNullable(sensorsByCode.get(code));
    }

    public Optional<KnownSensor> sensor(long id) {
        return Optional.ofNullable(sensors.get(id));
    }

    /** Every sensor. */
    public Collection<KnownSensor> sensors() {
        return sensors.values();
    }

    public Optional<DepotDescription> depot(String name) {
        return Optional.ofNullable(depots.get(name));
    }

    /** Every depot, by name. */
    public List<DepotDescription> depots() {
        return depots.values().stream()
                .sorted(Comparator.comparing(DepotDescription::name))
                .toList();
    }

    /** Every stay at a wheel that touches the time from {@code from} to {@code to}, oldest first. */
    public List<Fitting> staysAt(VehicleInService vehicle, Position position, long from, long to) {
        return vehicle.everFitted().stream()
                .flatMap(sensor -> sensor.fittings().stream())
                .filter(stay -> stay.vehicle() == vehicle.id()
                        && stay.position().equals(position)
                        && stay.from() < to
                        && from < stay.to())
                .sorted(Comparator.comparingLong(Fitting::from))
                .toList();
    }
}
