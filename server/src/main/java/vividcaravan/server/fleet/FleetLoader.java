package vividcaravan.server.fleet;

import static java.util.stream.Collectors.groupingBy;
import static java.util.stream.Collectors.mapping;
import static java.util.stream.Collectors.toList;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Outage;
import vividcaravan.core.coupling.Combinations;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.rules.Adjustment;
import vividcaravan.core.judge.rules.TyreArrival;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.core.tyres.Retorque;
import vividcaravan.server.platform.Ids;

/** Reads the fleet from its tables, whole or what was touched; on the single writer's thread. */
@Component
public class FleetLoader {

    private final FleetDirectory fleet;
    private final Ids ids;
    private final Clock clock;

    FleetLoader(FleetDirectory fleet, Ids ids, Clock clock) {
        this.clock = clock;
        this.fleet = fleet;
        this.ids = ids;
    }

    /** Reads the fleet afresh from the database. */
    public void load(StatelessSession session) {
        ids.load(session, "alert", "id");
        fleet.empty();
        loadRegister(session);
        loadVehicles(all(session, VehicleRow.class), Rows.all(session, arrivalsKnownSince()));
        loadSensors(all(session, SensorRow.class), all(session, FittingRow.class));
    }

    /** Reads afresh what was touched; what the database does not know is forgotten. */
    public void load(StatelessSession session, FleetDirectory.Touched touched) {
        if (touched.isRegister()) {
            loadRegister(session);
        }
        List<VehicleRow> vehicleRows = new ArrayList<>();
        fleet.forgetRefs(touched.vehicles());
        for (FleetVehicle vehicle : touched.vehicles()) {
            VehicleRow row = session.get(VehicleRow.class, vehicle.id());
            if (row == null) {
                fleet.forget(vehicle);
            } else {
                vehicleRows.add(row);
            }
        }
        List<SensorRow> sensorRows = new ArrayList<>();
        List<FittingRow> stays = new ArrayList<>();
        for (KnownSensor sensor : touched.sensors()) {
            SensorRow row = session.get(SensorRow.class, sensor.id());
            if (row == null) {
                fleet.forget(sensor);
            } else {
                sensorRows.add(row);
                stays.addAll(Rows.of(session, FittingRow.class, "sensorId", sensor.id()));
            }
        }
        for (VehicleRow row : vehicleRows) {
            loadVehicles(List.of(row), Rows.of(session, row.id, arrivalsKnownSince()));
        }
        loadSensors(sensorRows, stays);
        touched.vehicles().stream()
                .filter(vehicle -> fleet.vehicle(vehicle.id()).isPresent())
                .forEach(fleet::seat);
    }

    /** Rows that belong to vehicles. */
    private record Rows(
            List<AxleRow> axles,
            List<AdjustmentRow> adjustments,
            List<OutageRow> outages,
            List<RetorqueRow> retorques) {

        private static final String OPEN_OR_LATE = "doneAt is null and isDropped = false or offAt >= :since";

        static Rows all(StatelessSession session, long since) {
            return new Rows(
                    FleetLoader.all(session, AxleRow.class),
                    FleetLoader.all(session, AdjustmentRow.class),
                    FleetLoader.all(session, OutageRow.class),
                    session.createSelectionQuery("from RetorqueRow where " + OPEN_OR_LATE, RetorqueRow.class)
                            .setParameter("since", since)
                            .getResultList());
        }

        static Rows of(StatelessSession session, long vehicle, long since) {
            return new Rows(
                    of(session, AxleRow.class, "vehicleId", vehicle),
                    of(session, AdjustmentRow.class, "vehicleId", vehicle),
                    of(session, OutageRow.class, "vehicleId", vehicle),
                    session.createSelectionQuery(
                                    "from RetorqueRow where vehicleId = :vehicle and (" + OPEN_OR_LATE + ")",
                                    RetorqueRow.class)
                            .setParameter("vehicle", vehicle)
                            .setParameter("since", since)
                            .getResultList());
        }

        static <T> List<T> of(StatelessSession session, Class<T> rows, String owner, long id) {
            return session.createSelectionQuery("from " + rows.getSimpleName() + " where " + owner + " = :id", rows)
                    .setParameter("id", id)
                    .getResultList();
        }
    }

    private long arrivalsKnownSince() {
        return clock.millis() - FleetDirectory.ARRIVALS_KNOWN.toMillis();
    }

    private void loadRegister(StatelessSession session) {
        fleet.emptyRegister(
                book(all(session, LimitLevelRow.class)),
                Combinations.of(
                        lately(session).stream().map(CouplingRow::coupling).toList()));
        all(session, SensorMakeRow.class)
                .forEach(row -> fleet.put(new SensorMake(row.mount, row.vented, row.rangeKpa)));
        all(session, DepotRow.class).forEach(row -> fleet.put(row.id, row.description()));
    }

    /** Couplings that last or ended lately; what is older is read where somebody asks for it. */
    private List<CouplingRow> lately(StatelessSession session) {
        return session.createSelectionQuery("from CouplingRow where toAt is null or toAt >= :since", CouplingRow.class)
                .setParameter("since", clock.millis() - FleetDirectory.COUPLINGS_KNOWN.toMillis())
                .getResultList();
    }

    private void loadVehicles(List<VehicleRow> rows, Rows owned) {
        Map<Long, DepotDescription> depotsById = new HashMap<>();
        fleet.depots()
                .forEach(depot -> depotsById.put(fleet.depotId(depot.name()).orElseThrow(), depot));
        Map<Long, List<AxleRow>> axles = owned.axles().stream().collect(groupingBy(row -> row.vehicleId));
        Map<Long, List<Adjustment>> adjustments = owned.adjustments().stream()
                .collect(groupingBy(row -> row.vehicleId, mapping(AdjustmentRow::adjustment, toList())));
        Map<Long, List<Outage>> outages = owned.outages().stream()
                .filter(row -> row.endedAt == null)
                .collect(groupingBy(row -> row.vehicleId, mapping(OutageRow::outage, toList())));
        Map<Long, List<Retorque>> retorques = owned.retorques().stream()
                .filter(row -> row.doneAt == null && !row.isDropped)
                .collect(groupingBy(row -> row.vehicleId, mapping(RetorqueRow::retorque, toList())));
        Map<Long, List<TyreArrival>> arrivals = owned.retorques().stream()
                .filter(RetorqueRow::hasBeenOff)
                .collect(groupingBy(row -> row.vehicleId, mapping(RetorqueRow::arrival, toList())));
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
                    fleet.book());
            FleetVehicle vehicle = fleet.vehicle(row.id).orElseGet(() -> fleet.newVehicle(row.id, description, depot));
            vehicle.beginAnew(
                    description,
                    depot,
                    adjustments.getOrDefault(row.id, List.of()),
                    arrivals.getOrDefault(row.id, List.of()),
                    outages.getOrDefault(row.id, List.of()),
                    retorques.getOrDefault(row.id, List.of()));
            vehicle.stands(row.state, row.stateReason, row.revision);
            fleet.put(vehicle);
        }
    }

    private void loadSensors(List<SensorRow> rows, List<FittingRow> fittings) {
        Map<Long, List<Fitting>> stays =
                fittings.stream().collect(groupingBy(row -> row.sensorId, mapping(FittingRow::fitting, toList())));
        for (SensorRow row : rows) {
            KnownSensor sensor =
                    fleet.sensor(row.id).orElseGet(() -> fleet.put(fleet.newSensor(row.id, row.code, row.mount)));
            sensor.beginAnew(
                    row.mount,
                    row.retiredBecause,
                    row.newestReading == null ? null : ReadingBytes.read(row.newestReading),
                    row.newestJudgedAt,
                    row.clockWrongAt);
            fleet.fitted(sensor, stays.getOrDefault(row.id, List.of()));
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

    private static <T> List<T> all(StatelessSession session, Class<T> rows) {
        return session.createSelectionQuery("from " + rows.getSimpleName(), rows)
                .getResultList();
    }
}
