package vividcaravan.server.fleet;

import static java.util.stream.Collectors.toSet;

import java.time.Duration;
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
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.coupling.Combinations;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.server.platform.Ids;
import vividcaravan.server.platform.Refusal;

/** The fleet in memory. The single writer changes it together with the database; anyone may read. */
@Component
public class FleetDirectory {

    /** For how long couplings that ended are known in memory; one that is said to be older cannot be held against others. */
    public static final Duration COUPLINGS_KNOWN = Duration.ofDays(90);

    /** For how long tyres that came to wheels are known to the judge: as far back as a move may be dated, and a day. */
    public static final Duration ARRIVALS_KNOWN = Duration.ofDays(32);

    private final Ids ids;
    private final Map<Long, FleetVehicle> vehicles = new ConcurrentHashMap<>();
    private final Map<String, FleetVehicle> vehiclesByRef = new ConcurrentHashMap<>();
    private final Map<Long, KnownSensor> sensors = new ConcurrentHashMap<>();
    private final Map<String, KnownSensor> sensorsByCode = new ConcurrentHashMap<>();
    private final Map<String, DepotDescription> depots = new ConcurrentHashMap<>();
    private final Map<String, Long> depotIds = new ConcurrentHashMap<>();
    private final Map<MountKind, SensorMake> makes = new ConcurrentHashMap<>();
    private final WriteMarks marks = new WriteMarks();
    private volatile LimitBook book = LimitBook.DEFAULT;
    private volatile Combinations couplings = Combinations.NONE;

    FleetDirectory(Ids ids) {
        this.ids = ids;
    }

    /** What was touched since {@link #settled}; on the single writer's thread. */
    public Touched touched() {
        Set<FleetVehicle> touched = new LinkedHashSet<>(marks.vehicles());
        Set<KnownSensor> heard = new LinkedHashSet<>(marks.sensors());
        touched.forEach(vehicle -> heard.addAll(vehicle.everFitted()));
        return new Touched(touched, heard, marks.isRegister());
    }

    /**
     * What a write touched.
     *
     * @param sensors those touched, and all that sit or sat on a touched vehicle
     */
    public record Touched(Set<FleetVehicle> vehicles, Set<KnownSensor> sensors, boolean isRegister) {
        public boolean isNothing() {
            return vehicles.isEmpty() && sensors.isEmpty() && !isRegister;
        }
    }

    /** What is touched from now on is touched by another write. */
    public void settled() {
        marks.clear();
    }

    FleetVehicle newVehicle(long id, VehicleDescription description, @Nullable DepotDescription depot) {
        return new FleetVehicle(id, description, depot, () -> ids.next("alert"), this::vented, marks);
    }

    KnownSensor newSensor(long id, String code, @Nullable MountKind mount) {
        return new KnownSensor(id, code, mount, marks);
    }

    /** Looks anew which sensors sit and sat on a vehicle. */
    void seat(FleetVehicle vehicle) {
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
        vehicles.values().forEach(FleetVehicle::heardByOtherSensors);
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

    /** Who was hooked behind whom and when. */
    public Combinations couplings() {
        return couplings;
    }

    /** Takes note of who was hooked behind whom; for the single writer only. */
    public void coupled(Combinations known) {
        marks.touchRegister();
        couplings = known;
    }

    /** The vehicles of the combination that {@code vehicle} is in at {@code at}, from the front; itself alone if in none. */
    public List<FleetVehicle> combination(FleetVehicle vehicle, long at) {
        return couplings.combination(vehicle.id(), at).stream()
                .map(vehicles::get)
                .filter(Objects::nonNull)
                .toList();
    }

    /** Forgets everything, to be read afresh. */
    void empty() {
        vehicles.clear();
        vehiclesByRef.clear();
        sensors.clear();
        sensorsByCode.clear();
    }

    /** Forgets depots and makes, to be read afresh, holds to {@code newBook} and knows of these couplings. */
    void emptyRegister(LimitBook newBook, Combinations known) {
        couplings = known;
        depots.clear();
        depotIds.clear();
        makes.clear();
        book = newBook;
    }

    void put(SensorMake make) {
        makes.put(make.mount(), make);
    }

    /** Forgets under which refs these are known; they are put again under those that they have. */
    void forgetRefs(Set<FleetVehicle> of) {
        vehiclesByRef.values().removeIf(of::contains);
    }

    void forget(FleetVehicle vehicle) {
        vehicles.remove(vehicle.id());
    }

    void forget(KnownSensor sensor) {
        sensors.remove(sensor.id());
        sensorsByCode.remove(sensor.code());
    }

    FleetVehicle put(FleetVehicle vehicle) {
        vehicles.put(vehicle.id(), vehicle);
        vehiclesByRef.put(vehicle.description().ref(), vehicle);
        return vehicle;
    }

    void renamed(FleetVehicle vehicle, String before) {
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
        for (FleetVehicle vehicle : vehiclesOf(sensor.fittings())) {
            vehicle.mark();
            vehicle.sensors().values().removeIf(other -> other == sensor);
        }
        sensor.fittedAs(
                stays.stream().sorted(Comparator.comparingLong(Fitting::from)).toList());
        for (Fitting stay : sensor.fittings()) {
            FleetVehicle vehicle = vehicles.get(stay.vehicle());
            vehicle.mark();
            vehicle.everFitted().add(sensor);
            if (stay.isOpen()) {
                vehicle.sensors().put(stay.position(), sensor);
                vehicle.judge().expect(stay);
            }
        }
    }

    private List<FleetVehicle> vehiclesOf(List<Fitting> stays) {
        return stays.stream()
                .map(stay -> vehicles.get(stay.vehicle()))
                .filter(Objects::nonNull)
                .distinct()
                .toList();
    }

    public Optional<Long> depotId(String name) {
        return Optional.ofNullable(depotIds.get(name));
    }

    public Optional<FleetVehicle> vehicle(String ref) {
        return Optional.ofNullable(vehiclesByRef.get(ref));
    }

    /**
     * The vehicle with this ref.
     *
     * @throws Refusal if there is none
     */
    public FleetVehicle existing(String ref) {
        return vehicle(ref).orElseThrow(() -> unknown(ref));
    }

    static Refusal unknown(String ref) {
        return Refusal.notFound("There is no vehicle \"" + ref + "\".");
    }

    public Optional<FleetVehicle> vehicle(long id) {
        return Optional.ofNullable(vehicles.get(id));
    }

    /** Every vehicle, by ref. */
    public List<FleetVehicle> vehicles() {
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
    public List<Fitting> staysAt(FleetVehicle vehicle, Position position, long from, long to) {
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
