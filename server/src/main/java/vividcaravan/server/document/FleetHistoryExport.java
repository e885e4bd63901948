package vividcaravan.server.document;

import static java.util.stream.Collectors.groupingBy;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.tyres.Tyre;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyrePlacing;
import vividcaravan.core.tyres.TyreStay;
import vividcaravan.server.fleet.AdjustmentRow;
import vividcaravan.server.fleet.CouplingRow;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.fleet.RetorqueRow;
import vividcaravan.server.tyres.MoveDistanceRow;
import vividcaravan.server.tyres.MoveRow;
import vividcaravan.server.tyres.MoveStepRow;
import vividcaravan.server.tyres.TreadReadingRow;
import vividcaravan.server.tyres.TyreRepairRow;
import vividcaravan.server.tyres.TyreRow;
import vividcaravan.server.tyres.TyreStayRow;

/** Writes what was in the past. */
@Component
class FleetHistoryExport {

    private final SessionFactory sessions;
    private final FleetDirectory fleet;

    FleetHistoryExport(SessionFactory sessions, FleetDirectory fleet) {
        this.sessions = sessions;
        this.fleet = fleet;
    }

    FleetHistory history() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return new FleetHistory(
                    fleet.sensors().stream()
                            .sorted(Comparator.comparing(KnownSensor::code))
                            .map(this::sensor)
                            .toList(),
                    tyres(session),
                    moves(session),
                    all(session, CouplingRow.class, "fromAt, id").stream()
                            .map(this::coupling)
                            .toList(),
                    all(session, AdjustmentRow.class, "at, id").stream()
                            .map(this::adjusted)
                            .toList());
        }
    }

    private static <T> List<T> all(StatelessSession session, Class<T> rows, String order) {
        return session.createSelectionQuery("from " + rows.getSimpleName() + " order by " + order, rows)
                .getResultList();
    }

    private FleetHistory.SensorPast sensor(KnownSensor sensor) {
        MountKind mount = sensor.mount().orElse(null);
        return new FleetHistory.SensorPast(
                sensor.code(),
                mount,
                sensor.retiredBecause().orElse(null),
                sensor.fittings().stream()
                        .map(stay -> new FleetHistory.SensorStay(
                                ref(stay.vehicle()),
                                stay.position().code(),
                                Instant.ofEpochMilli(stay.from()),
                                end(stay.to(), Fitting.OPEN)))
                        .toList());
    }

    private static @Nullable Instant end(long to, long open) {
        return to == open ? null : Instant.ofEpochMilli(to);
    }

    private String ref(long vehicle) {
        return fleet.vehicle(vehicle).orElseThrow().description().ref();
    }

    private @Nullable String code(@Nullable Long sensor) {
        return Optional.ofNullable(sensor)
                .flatMap(fleet::sensor)
                .map(KnownSensor::code)
                .orElse(null);
    }

    private FleetHistory.Place place(TyrePlace place) {
        if (place instanceof TyrePlace.AtWheel wheel) {
            return new FleetHistory.Place(ref(wheel.vehicle()), wheel.position().code(), null, null);
        }
        TyrePlace.Away away = (TyrePlace.Away) place;
        return new FleetHistory.Place(null, null, away.kind(), away.name());
    }

    private List<FleetHistory.TyrePast> tyres(StatelessSession session) {
        Map<Long, List<TyreStayRow>> stays =
                all(session, TyreStayRow.class, "fromAt, id").stream().collect(groupingBy(row -> row.tyreId));
        Map<Long, List<TreadReadingRow>> treads =
                all(session, TreadReadingRow.class, "readAt, id").stream().collect(groupingBy(row -> row.tyreId));
        Map<Long, List<TyreRepairRow>> repairs =
                all(session, TyreRepairRow.class, "repairedAt, id").stream().collect(groupingBy(row -> row.tyreId));
        return all(session, TyreRow.class, "id").stream()
                .map(row -> tyre(
                        row,
                        stays.getOrDefault(row.id, List.of()),
                        treads.getOrDefault(row.id, List.of()),
                        repairs.getOrDefault(row.id, List.of())))
                .toList();
    }

    private FleetHistory.TyrePast tyre(
            TyreRow row, List<TyreStayRow> stays, List<TreadReadingRow> treads, List<TyreRepairRow> repairs) {
        Tyre tyre = row.tyre();
        return new FleetHistory.TyrePast(
                Long.toString(row.id),
                tyre.maker(),
                tyre.pattern(),
                tyre.size(),
                tyre.loadIndex(),
                tyre.speedSymbol(),
                tyre.dateCode(),
                tyre.isRetread(),
                tyre.isDirectional(),
                row.note,
                row.markedAt,
                row.markedWords,
                row.addedAt,
                row.addedBy,
                stays.stream().map(TyreStayRow::stay).map(this::stay).toList(),
                treads.stream()
                        .map(read ->
                                new FleetHistory.Tread(read.readAt, read.shallowestMm, read.points, read.km, read.who))
                        .toList(),
                repairs.stream()
                        .map(one -> new FleetHistory.Repair(one.repairedAt, one.what, one.repairer, one.who))
                        .toList());
    }

    private FleetHistory.TyreStayPast stay(TyreStay stay) {
        return new FleetHistory.TyreStayPast(
                place(stay.place()),
                code(stay.sensor()),
                stay.from() == TyreStay.ALWAYS ? null : Instant.ofEpochMilli(stay.from()),
                end(stay.to(), TyreStay.OPEN));
    }

    private List<FleetHistory.MovePast> moves(StatelessSession session) {
        Map<Long, List<MoveStepRow>> steps =
                all(session, MoveStepRow.class, "moveId, number").stream().collect(groupingBy(row -> row.moveId));
        Map<Long, List<RetorqueRow>> nuts =
                all(session, RetorqueRow.class, "id").stream().collect(groupingBy(row -> row.moveId));
        Map<Long, List<MoveDistanceRow>> distances =
                all(session, MoveDistanceRow.class, "id").stream().collect(groupingBy(row -> row.moveId));
        return all(session, MoveRow.class, "id").stream()
                .map(row -> new FleetHistory.MovePast(
                        Instant.ofEpochMilli(row.movedAt),
                        row.madeAt,
                        row.madeBy,
                        row.note,
                        row.undoneAt,
                        row.undoneBy,
                        steps.getOrDefault(row.id, List.of()).stream()
                                .map(this::step)
                                .toList(),
                        nuts.getOrDefault(row.id, List.of()).stream()
                                .map(this::nuts)
                                .toList(),
                        Optional.ofNullable(distances.get(row.id))
                                .map(told -> told.stream()
                                        .map(one -> new FleetHistory.Distance(ref(one.vehicleId), one.km))
                                        .toList())
                                .orElse(null)))
                .toList();
    }

    private FleetHistory.Step step(MoveStepRow row) {
        TyrePlacing.Made made = row.made();
        return new FleetHistory.Step(
                Long.toString(made.tyre()),
                place(made.from()),
                place(made.to()),
                code(made.sensor()),
                made.fate(),
                row.reason);
    }

    private FleetHistory.Nuts nuts(RetorqueRow row) {
        return new FleetHistory.Nuts(
                ref(row.vehicleId),
                row.position,
                Instant.ofEpochMilli(row.offAt),
                Instant.ofEpochMilli(row.dueAt),
                row.km,
                row.doneAt,
                row.doneBy,
                row.torqueNm,
                row.isDropped ? true : null);
    }

    private FleetHistory.CouplingPast coupling(CouplingRow row) {
        return new FleetHistory.CouplingPast(
                ref(row.pulledId),
                ref(row.pullerId),
                Instant.ofEpochMilli(row.fromAt),
                row.toAt == null ? null : Instant.ofEpochMilli(row.toAt),
                row.source,
                row.begunBy,
                row.endedSource,
                row.endedBy);
    }

    private FleetHistory.Adjusted adjusted(AdjustmentRow row) {
        return new FleetHistory.Adjusted(
                ref(row.vehicleId),
                row.position,
                Instant.ofEpochMilli(row.at),
                row.beforeKpa,
                row.afterKpa,
                row.who,
                row.note);
    }
}
