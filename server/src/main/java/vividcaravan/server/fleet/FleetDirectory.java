package vividcaravan.server.fleet;

import static java.util.stream.Collectors.groupingBy;
import static java.util.stream.Collectors.mapping;
import static java.util.stream.Collectors.toList;
import static java.util.stream.Collectors.toSet;

import java.sql.PreparedStatement;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
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
    private final WriteMarks marks = new WriteMarks();
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
        loadRegister(session);
        loadVehicles(all(session, VehicleRow.class), Rows.all(session));
        loadSensors(all(session, SensorRow.class), all(session, FittingRow.class));
    }

    /** What was touched since {@link #settled}; on the single writer's thread. */
    public Touched touched() {
        Set<VehicleInService> touched = new LinkedHashSet<>(marks.vehicles());
        Set<KnownSensor> heard = new LinkedHashSet<>(marks.sensors());
        touched.forEach(vehicle -> heard.addAll(vehicle.everFitted()));
        return new Touched(touched, heard, marks.isRegister());
    }

    /**
     * What a write touched.
     *
     * @param sensors those touched, and all that sit or sat on a touched vehicle
     */
    public record Touched(Set<VehicleInService> vehicles, Set<KnownSensor> sensors, boolean isRegister) {
        public boolean isNothing() {
            return vehicles.isEmpty() && sensors.isEmpty() && !isRegister;
        }
    }

    /** What is touched from now on is touched by another write. */
    public void settled() {
        marks.clear();
    }

    /** Reads afresh what was touched; what the database does not know is forgotten. */
    public void load(StatelessSession session, Touched touched) {
        if (touched.isRegister()) {
            loadRegister(session);
        }
        List<VehicleRow> vehicleRows = new ArrayList<>();
        vehiclesByRef.values().removeIf(touched.vehicles()::contains);
        for (VehicleInService vehicle : touched.vehicles()) {
            VehicleRow row = session.get(VehicleRow.class, vehicle.id());
            if (row == null) {
                vehicles.remove(vehicle.id());
            } else {
                vehicleRows.add(row);
            }
        }
        List<SensorRow> sensorRows = new ArrayList<>();
        List<FittingRow> stays = new ArrayList<>();
        for (KnownSensor sensor : touched.sensors()) {
            SensorRow row = session.get(SensorRow.class, sensor.id());
            if (row == null) {
                sensors.remove(sensor.id());
                sensorsByCode.remove(sensor.code());
            } else {
                sensorRows.add(row);
                stays.addAll(Rows.of(session, FittingRow.class, "sensorId", sensor.id()));
            }
        }
        for (VehicleRow row : vehicleRows) {
            loadVehicles(List.of(row), Rows.of(session, row.id));
        }
        loadSensors(sensorRows, stays);
        touched.vehicles().stream()
                .filter(vehicle -> vehicles.containsKey(vehicle.id()))
                .forEach(this::seat);
    }

    /** Rows that belong to vehicles. */
    private record Rows(List<AxleRow> axles, List<AdjustmentRow> adjustments) {

        static Rows all(StatelessSession session) {
            return new Rows(
                    FleetDirectory.all(session, AxleRow.class), FleetDirectory.all(session, AdjustmentRow.class));
        }

        static Rows of(StatelessSession session, long vehicle) {
            return new Rows(
                    of(session, AxleRow.class, "vehicleId", vehicle),
                    of(session, AdjustmentRow.class, "vehicleId", vehicle));
        }

        static <T> List<T> of(StatelessSession session, Class<T> rows, String owner, long id) {
            return session.createSelectionQuery("from " + rows.getSimpleName() + " where " + owner + " = :id", rows)
                    .setParameter("id", id)
                    .getResultList();
        }
    }

    private void loadRegister(StatelessSession session) {
        depots.clear();
        depotIds.clear();
        makes.clear();
        all(session, SensorMakeRow.class)
                .forEach(row -> makes.put(row.mount, new SensorMake(row.mount, row.vented, row.rangeKpa)));
        all(session, DepotRow.class).forEach(row -> put(row.id, row.description()));
        book = book(all(session, LimitLevelRow.class));
    }

    private void loadVehicles(List<VehicleRow> rows, Rows owned) {
        Map<Long, DepotDescription> depotsById = new HashMap<>();
        depotIds.forEach((name, id) -> depotsById.put(id, depots.get(name)));
        Map<Long, List<AxleRow>> axles = owned.axles().stream().collect(groupingBy(row -> row.vehicleId));
        Map<Long, List<Adjustment>> adjustments = owned.adjustments().stream()
                .collect(groupingBy(row -> row.vehicleId, mapping(AdjustmentRow::adjustment, toList())));
        for (VehicleRow row : rows) {
            List<AxleDescription> described = axles.get(row.id).stream()
                    .sorted(Comparator.comparingInt(axle -> axle.number))
                    .map(AxleRow::description)
                    .toList();
            DepotDescription depot = row.depotId == null ? null : depotsById.get(row.depotId);
            VehicleDescription description = new VehicleDescription(
                    row.ref,
                    row.kind,
                    row.plate,
                    depot == null ? null : depot.name(),
                    described,
                    row.spares,
                    row.duty,
                    row.useNow,
                    book);
            VehicleInService vehicle = vehicles.get(row.id);
            if (vehicle == null) {
                vehicle = newVehicle(row.id, description, depot);
            }
            vehicle.beginAnew(description, depot, adjustments.getOrDefault(row.id, List.of()));
            vehicle.stands(row.state, row.stateReason, row.revision);
            put(vehicle);
        }
    }

    VehicleInService newVehicle(long id, VehicleDescription description, @Nullable DepotDescription depot) {
        return new VehicleInService(id, description, depot, () -> ids.next("alert"), this::vented, marks);
    }

    KnownSensor newSensor(long id, String code, @Nullable MountKind mount) {
        return new KnownSensor(id, code, mount, marks);
    }

    private void loadSensors(List<SensorRow> rows, List<FittingRow> fittings) {
        Map<Long, List<Fitting>> stays =
                fittings.stream().collect(groupingBy(row -> row.sensorId, mapping(FittingRow::fitting, toList())));
        for (SensorRow row : rows) {
            KnownSensor sensor = sensors.get(row.id);
            if (sensor == null) {
                sensor = put(newSensor(row.id, row.code, row.mount));
            }
            sensor.beginAnew(
                    row.mount,
                    row.retiredBecause,
                    row.newestReading == null ? null : ReadingBytes.read(row.newestReading),
                    row.newestJudgedAt,
                    row.clockWrongAt);
            fitted(sensor, stays.getOrDefault(row.id, List.of()));
        }
    }

    /** Looks anew which sensors sit and sat on a vehicle. */
    private void seat(VehicleInService vehicle) {
        Map<Position, KnownSensor> now = new HashMap<>();
        Set<KnownSensor> ever = new HashSet<>();
        for (KnownSensor sensor : sensors.values()) {
            for (Fitting stay : sensor.fittings()) {
                if (stay.vehicle() == vehicle.id()) {
                    ever.add(sensor);
                    if (stay.isOpen()) {
                        now.put(stay.position(), sensor);
                    }
                }
            }
        }
        vehicle.sitsWith(now, ever);
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

    public void madeAs(SensorMake make) {
        marks.touchRegister();
        makes.put(make.mount(), make);
        vehicles.values().forEach(VehicleInService::heardByOtherSensors);
    }

    private Set<MountKind> vented() {
        return makes.values().stream()
                .filter(SensorMake::isVented)
                .map(SensorMake::mount)
                .collect(toSet());
    }

    public void holdTo(LimitBook newBook) {
        marks.touchRegister();
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
        marks.touchRegister();
        depots.put(depot.name(), depot);
        depotIds.put(depot.name(), id);
    }

    /** Takes note of a sensor's stays, here and at the vehicles it sits or sat on. */
    public void fitted(KnownSensor sensor, List<Fitting> stays) {
        for (VehicleInService vehicle : vehiclesOf(sensor.fittings())) {
            vehicle.mark();
            vehicle.sensors().values().removeIf(other -> other == sensor);
        }
        sensor.fittedAs(
                stays.stream().sorted(Comparator.comparingLong(Fitting::from)).toList());
        for (Fitting stay : sensor.fittings()) {
            VehicleInService vehicle = vehicles.get(stay.vehicle());
            vehicle.mark();
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
                .filter(Objects::nonNull)
                .distinct()
                .toList();
    }

    public Optional<Long> depotId(String name) {
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
