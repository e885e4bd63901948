package vividcaravan.server.document;

import static java.util.stream.Collectors.groupingBy;
import static java.util.stream.Collectors.toCollection;
import static java.util.stream.Collectors.toSet;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.tyres.Tyre;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyrePlacing;
import vividcaravan.core.tyres.TyreStay;
import vividcaravan.server.fleet.AdjustmentRow;
import vividcaravan.server.fleet.CouplingRow;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.fleet.RetorqueRow;
import vividcaravan.server.tyres.MoveDistanceRow;
import vividcaravan.server.tyres.MoveRow;
import vividcaravan.server.tyres.MoveStepRow;
import vividcaravan.server.tyres.TreadReadingRow;
import vividcaravan.server.tyres.Trouble;
import vividcaravan.server.tyres.TyreMark;
import vividcaravan.server.tyres.TyreRepairRow;
import vividcaravan.server.tyres.TyreRow;
import vividcaravan.server.tyres.TyreStayRow;
import vividcaravan.server.tyres.TyreTables;

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

    /** A name as it stood where the act was done. */
    private static @Nullable String own(@Nullable String who) {
        return who == null || !who.endsWith(FleetHistoryReader.IMPORTED)
                ? who
                : who.substring(0, who.length() - FleetHistoryReader.IMPORTED.length());
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
        List<FleetHistory.TyrePast> past = all(session, TyreRow.class, "id").stream()
                .map(row -> tyre(
                        row,
                        stays.getOrDefault(row.id, List.of()),
                        treads.getOrDefault(row.id, List.of()),
                        repairs.getOrDefault(row.id, List.of())))
                .collect(toCollection(ArrayList::new));
        past.addAll(takenForGranted(stays.values()));
        return past;
    }

    /** Tyres of which nothing was written down, and against which something is open. */
    private List<FleetHistory.TyrePast> takenForGranted(Collection<List<TyreStayRow>> written) {
        Set<TyrePlace> known = written.stream()
                .flatMap(List::stream)
                .map(row -> row.stay().place())
                .collect(toSet());
        List<FleetHistory.TyrePast> past = new ArrayList<>();
        for (FleetVehicle vehicle : fleet.vehicles()) {
            for (Position position : vehicle.description().layout().positions()) {
                TyrePlace.AtWheel wheel = TyrePlace.wheel(vehicle.id(), position);
                if (!known.contains(wheel) && !troubles(vehicle, position).isEmpty()) {
                    TyreRow row = new TyreRow();
                    row.describe(TyreTables.assumed(vehicle, position));
                    row.addedAt = troubles(vehicle, position).get(0).since();
                    TyreStayRow stay = TyreStayRow.of(new TyreStay(0, wheel, null, TyreStay.ALWAYS, TyreStay.OPEN));
                    String id = vehicle.description().ref() + " " + position.code();
                    past.add(tyre(id, row, List.of(stay), List.of(), List.of()));
                }
            }
        }
        return past;
    }

    private List<FleetHistory.TroublePast> troubles(List<TyreStayRow> stays) {
        return stays.stream()
                .map(TyreStayRow::stay)
                .filter(TyreStay::isOpen)
                .flatMap(stay -> stay.place().asWheel().stream())
                .flatMap(wheel -> fleet
                        .vehicle(wheel.vehicle())
                        .map(vehicle -> troubles(vehicle, wheel.position()))
                        .orElse(List.of())
                        .stream())
                .toList();
    }

    /** At a wheel it would stop the vehicle at the next safe stop. */
    private static FleetHistory.TroublePast trouble(TyreMark mark) {
        return new FleetHistory.TroublePast(
                mark.kind(),
                Urgency.NEXT_STOP,
                mark.isRunSoft() ? true : null,
                mark.since(),
                own(mark.seenBy()),
                mark.words());
    }

    private static List<FleetHistory.TroublePast> troubles(FleetVehicle vehicle, Position position) {
        return Trouble.against(vehicle, position).stream()
                .map(alert -> new FleetHistory.TroublePast(
                        alert.kind(),
                        alert.urgency(),
                        alert.isRunSoft() ? true : null,
                        Instant.ofEpochMilli(alert.openedAt()),
                        own(alert.lastSeenBy().orElse(null)),
                        Trouble.words(alert)))
                .sorted(Comparator.comparing(FleetHistory.TroublePast::since))
                .toList();
    }

    private FleetHistory.TyrePast tyre(
            TyreRow row, List<TyreStayRow> stays, List<TreadReadingRow> treads, List<TyreRepairRow> repairs) {
        return tyre(Long.toString(row.id), row, stays, treads, repairs);
    }

    private FleetHistory.TyrePast tyre(
            String id,
            TyreRow row,
            List<TyreStayRow> stays,
            List<TreadReadingRow> treads,
            List<TyreRepairRow> repairs) {
        Tyre tyre = row.tyre();
        List<FleetHistory.TroublePast> trouble = Stream.concat(
                        troubles(stays).stream(), row.troubles().stream().map(FleetHistoryExport::trouble))
                .toList();
        return new FleetHistory.TyrePast(
                id,
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
                row.markedKind,
                own(row.markedSeenBy),
                trouble.isEmpty() ? null : trouble,
                row.addedAt,
                own(row.addedBy),
                stays.stream().map(TyreStayRow::stay).map(this::stay).toList(),
                treads.stream()
                        .map(read -> new FleetHistory.Tread(
                                read.readAt, read.shallowestMm, read.points, read.km, own(read.who)))
                        .toList(),
                repairs.stream()
                        .map(one -> new FleetHistory.Repair(one.repairedAt, one.what, one.repairer, own(one.who)))
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
                        own(row.madeBy),
                        row.note,
                        row.undoneAt,
                        own(row.undoneBy),
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
                own(row.doneBy),
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
                own(row.begunBy),
                row.endedSource,
                own(row.endedBy));
    }

    private FleetHistory.Adjusted adjusted(AdjustmentRow row) {
        return new FleetHistory.Adjusted(
                ref(row.vehicleId),
                row.position,
                Instant.ofEpochMilli(row.at),
                row.beforeKpa,
                row.afterKpa,
                own(row.who),
                row.note);
    }
}
