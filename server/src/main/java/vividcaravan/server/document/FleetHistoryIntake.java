package vividcaravan.server.document;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;
import vividcaravan.core.coupling.Combinations;
import vividcaravan.core.coupling.Coupling;
import vividcaravan.core.coupling.CouplingRefused;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.fitting.FittingTimeline;
import vividcaravan.core.judge.rules.Adjustment;
import vividcaravan.core.tyres.Retorque;
import vividcaravan.core.tyres.Tyre;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyrePlacing;
import vividcaravan.core.tyres.TyreStay;
import vividcaravan.server.alerts.AlertStore;
import vividcaravan.server.fleet.AdjustmentRow;
import vividcaravan.server.fleet.CouplingRow;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetTables;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.fleet.RetorqueRow;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.sensors.FittingChange;
import vividcaravan.server.sensors.SensorPlacing;
import vividcaravan.server.tyres.MoveDistanceRow;
import vividcaravan.server.tyres.MoveRow;
import vividcaravan.server.tyres.MoveStepRow;
import vividcaravan.server.tyres.TreadReadingRow;
import vividcaravan.server.tyres.TyreMark;
import vividcaravan.server.tyres.TyreRepairRow;
import vividcaravan.server.tyres.TyreRow;
import vividcaravan.server.tyres.TyreStayRow;
import vividcaravan.server.tyres.WornTyres;
import vividcaravan.server.writer.Pen;

/** Takes in what was in the past, behind the vehicles of the same document and within the same write. */
@Component
class FleetHistoryIntake {

    private final FleetDirectory fleet;
    private final FleetTables tables;
    private final SensorPlacing placing;
    private final AlertStore alerts;
    private final ApplicationEventPublisher events;
    private final SessionFactory sessions;
    private final WornTyres worn;
    private final Clock clock;

    FleetHistoryIntake(
            FleetDirectory fleet,
            FleetTables tables,
            SensorPlacing placing,
            AlertStore alerts,
            ApplicationEventPublisher events,
            SessionFactory sessions,
            WornTyres worn,
            Clock clock) {
        this.fleet = fleet;
        this.tables = tables;
        this.placing = placing;
        this.alerts = alerts;
        this.events = events;
        this.sessions = sessions;
        this.worn = worn;
        this.clock = clock;
    }

    /** Why the product cannot take a past in, or null if it can: what it knows itself would stand beside it. */
    @Nullable
    String refusal() {
        if (!fleet.vehicles().isEmpty()) {
            return "A past goes only into a product without vehicles, and this one has "
                    + fleet.vehicles().size() + ". Leave \"history\" out to bring the fleet in as it is now.";
        }
        try (StatelessSession session = sessions.openStatelessSession()) {
            boolean hasTyres = session.createSelectionQuery("select count(*) from TyreRow", Long.class)
                            .getSingleResult()
                    > 0;
            return hasTyres
                    ? "A past goes only into a product without tyres. Leave \"history\" out to bring the fleet in as it"
                            + " is now."
                    : null;
        }
    }

    void store(Pen pen, FleetHistory history) {
        storeSensors(pen, history.sensors());
        Map<String, Long> tyres = storeTyres(pen.session(), history.tyres());
        openTroubles(pen, history.tyres());
        storeMoves(pen.session(), history.moves(), tyres);
        storeCouplings(pen.session(), history.couplings());
        storeAdjustments(pen.session(), history.adjustments());
    }

    private long vehicle(String ref) {
        return fleet.existing(ref).id();
    }

    private @Nullable Long sensor(@Nullable String code) {
        return code == null ? null : fleet.sensor(code).orElseThrow().id();
    }

    private void storeSensors(Pen pen, List<FleetHistory.SensorPast> sensors) {
        List<Fitting> stays = new ArrayList<>();
        LinkedHashSet<KnownSensor> involved = new LinkedHashSet<>();
        for (FleetHistory.SensorPast past : sensors) {
            KnownSensor sensor = tables.storeSensor(pen.session(), past.code(), past.mount());
            involved.add(sensor);
            if (past.retiredBecause() != null) {
                placing.outOfUse(pen, sensor, past.retiredBecause());
            }
            for (FleetHistory.SensorStay stay : past.stays()) {
                stays.add(new Fitting(
                        sensor.id(),
                        vehicle(stay.vehicle()),
                        Position.parse(stay.position()),
                        stay.from().toEpochMilli(),
                        stay.to() == null ? Fitting.OPEN : stay.to().toEpochMilli()));
            }
        }
        FittingChange change = new FittingChange(fleet, involved);
        change.become(FittingTimeline.known(stays));
        change.store(pen, events);
    }

    private TyrePlace place(FleetHistory.Place place) {
        return place.vehicle() == null
                ? new TyrePlace.Away(place.kind(), place.name())
                : TyrePlace.wheel(vehicle(place.vehicle()), Position.parse(place.position()));
    }

    private Map<String, Long> storeTyres(StatelessSession session, List<FleetHistory.TyrePast> tyres) {
        Map<String, Long> ids = new HashMap<>();
        for (FleetHistory.TyrePast past : tyres) {
            TyreRow row = new TyreRow();
            row.describe(new Tyre(
                    past.maker(),
                    past.pattern(),
                    past.size(),
                    past.loadIndex(),
                    past.speedSymbol(),
                    past.dateCode(),
                    past.retread(),
                    past.directional()));
            row.note = past.note();
            if (!isAtWheel(past)) {
                row.markedAt = past.markedAt();
                row.markedWords = past.markedBecause();
                row.markedKind = past.markedKind();
                row.markedSeenBy = past.markedSeenBy();
                if (past.trouble() != null && !past.trouble().isEmpty()) {
                    row.markedWith(marks(past.trouble()), past.trouble().get(0).since());
                }
            }
            row.addedAt = past.addedAt();
            row.addedBy = past.addedBy();
            session.insert(row);
            ids.put(past.id(), row.id);
            for (FleetHistory.TyreStayPast stay : past.stays()) {
                session.insert(TyreStayRow.of(new TyreStay(
                        row.id,
                        place(stay.place()),
                        sensor(stay.sensor()),
                        stay.from() == null ? TyreStay.ALWAYS : stay.from().toEpochMilli(),
                        stay.to() == null ? TyreStay.OPEN : stay.to().toEpochMilli())));
            }
            worn.touched();
            past.treads().forEach(tread -> session.insert(row(row.id, tread)));
            past.repairs().forEach(repair -> session.insert(row(row.id, repair)));
        }
        return ids;
    }

    private static List<TyreMark> marks(List<FleetHistory.TroublePast> troubles) {
        return IntStream.range(0, troubles.size())
                .mapToObj(i -> {
                    FleetHistory.TroublePast one = troubles.get(i);
                    return new TyreMark(
                            i + 1,
                            one.kind(),
                            Boolean.TRUE.equals(one.runSoft()),
                            one.since(),
                            one.seenBy(),
                            one.words());
                })
                .toList();
    }

    /** What was open against a tyre at a wheel stands open there: it ends as it would have where it was. */
    private void openTroubles(Pen pen, List<FleetHistory.TyrePast> tyres) {
        for (FleetHistory.TyrePast past : tyres) {
            List<FleetHistory.TroublePast> troubles = troubles(past);
            past.stays().stream()
                    .filter(stay -> stay.to() == null && stay.place().vehicle() != null)
                    .forEach(stay -> troubles.forEach(
                            trouble -> open(pen, fleet.existing(stay.place().vehicle()), stay.place(), trouble)));
        }
    }

    /** A mark alone is of a tyre that lies somewhere; at a wheel an alert stands for it. */
    private static List<FleetHistory.TroublePast> troubles(FleetHistory.TyrePast past) {
        if (past.markedAt() == null || past.trouble() != null) {
            return past.trouble() == null ? List.of() : past.trouble();
        }
        return List.of(new FleetHistory.TroublePast(
                past.markedKind() == null ? AlertKind.UNDER_PRESSURE : past.markedKind(),
                Urgency.STOP_NOW,
                true,
                past.markedAt(),
                past.markedSeenBy(),
                past.markedBecause() == null ? "It came marked." : past.markedBecause()));
    }

    private void open(Pen pen, FleetVehicle vehicle, FleetHistory.Place place, FleetHistory.TroublePast trouble) {
        Position position = Position.parse(place.position());
        if (!vehicle.description().layout().has(position)) {
            return;
        }
        Alert alert = vehicle.book()
                .told(
                        position,
                        trouble.kind(),
                        trouble.urgency(),
                        Boolean.TRUE.equals(trouble.runSoft()),
                        trouble.words(),
                        trouble.seenBy() == null ? "import" : trouble.seenBy(),
                        trouble.since().toEpochMilli());
        vehicle.publishAlerts();
        alerts.save(pen, vehicle, alert);
    }

    private static boolean isAtWheel(FleetHistory.TyrePast past) {
        return past.stays().stream()
                .anyMatch(stay -> stay.to() == null && stay.place().vehicle() != null);
    }

    private static TreadReadingRow row(long tyre, FleetHistory.Tread tread) {
        TreadReadingRow row = new TreadReadingRow();
        row.tyreId = tyre;
        row.readAt = tread.at();
        row.shallowestMm = tread.shallowestMm();
        row.points = tread.pointsMm();
        row.km = tread.km();
        row.who = tread.who();
        return row;
    }

    private static TyreRepairRow row(long tyre, FleetHistory.Repair repair) {
        TyreRepairRow row = new TyreRepairRow();
        row.tyreId = tyre;
        row.repairedAt = repair.at();
        row.what = repair.what();
        row.repairer = repair.repairer();
        row.who = repair.who();
        return row;
    }

    private void storeMoves(StatelessSession session, List<FleetHistory.MovePast> moves, Map<String, Long> tyres) {
        Map<Long, List<Retorque>> open = new HashMap<>();
        for (FleetHistory.MovePast past : moves) {
            MoveRow move = new MoveRow();
            move.movedAt = past.at().toEpochMilli();
            move.madeAt = past.madeAt();
            move.madeBy = past.madeBy();
            move.note = past.note();
            move.undoneAt = past.undoneAt();
            move.undoneBy = past.undoneBy();
            session.insert(move);
            for (int i = 0; i < past.steps().size(); i++) {
                FleetHistory.Step step = past.steps().get(i);
                TyrePlacing.Made made = new TyrePlacing.Made(
                        tyres.get(step.tyre()),
                        place(step.from()),
                        place(step.to()),
                        sensor(step.sensor()),
                        step.fate());
                session.insert(MoveStepRow.of(move.id, i, made, step.reason(), null));
            }
            if (past.distances() != null) {
                past.distances()
                        .forEach(one -> session.insert(MoveDistanceRow.of(move.id, vehicle(one.vehicle()), one.km())));
            }
            for (FleetHistory.Nuts nuts : past.nuts()) {
                RetorqueRow row = row(move.id, nuts);
                session.insert(row);
                if (row.doneAt == null && !row.isDropped) {
                    open.computeIfAbsent(row.vehicleId, id -> new ArrayList<>()).add(row.retorque());
                }
            }
        }
        open.forEach((vehicle, list) -> fleet.vehicle(vehicle).orElseThrow().toRetorque(list));
    }

    private RetorqueRow row(long move, FleetHistory.Nuts nuts) {
        RetorqueRow row = new RetorqueRow();
        row.vehicleId = vehicle(nuts.vehicle());
        row.position = nuts.position();
        row.moveId = move;
        row.offAt = nuts.offAt().toEpochMilli();
        row.dueAt = nuts.dueAt().toEpochMilli();
        row.km = nuts.km();
        row.doneAt = nuts.doneAt();
        row.doneBy = nuts.doneBy();
        row.torqueNm = nuts.torqueNm();
        row.isDropped = Boolean.TRUE.equals(nuts.dropped());
        return row;
    }

    private void storeCouplings(StatelessSession session, List<FleetHistory.CouplingPast> couplings) {
        Instant known = clock.instant().minus(FleetDirectory.COUPLINGS_KNOWN);
        Combinations.Builder combinations = new Combinations.Builder();
        for (FleetHistory.CouplingPast past : couplings) {
            CouplingRow row = new CouplingRow();
            row.pulledId = vehicle(past.pulled());
            row.pullerId = vehicle(past.puller());
            row.fromAt = past.from().toEpochMilli();
            row.toAt = past.to() == null ? null : past.to().toEpochMilli();
            row.source = past.source();
            row.begunBy = past.begunBy();
            row.endedSource = past.endedSource();
            row.endedBy = past.endedBy();
            session.insert(row);
            if (past.to() == null || past.to().isAfter(known)) {
                add(combinations, row.coupling(), past);
            }
        }
        fleet.coupled(combinations.build());
    }

    private void storeAdjustments(StatelessSession session, List<FleetHistory.Adjusted> adjustments) {
        Map<Long, List<Adjustment>> known = new HashMap<>();
        for (FleetHistory.Adjusted past : adjustments) {
            AdjustmentRow row = new AdjustmentRow();
            row.vehicleId = vehicle(past.vehicle());
            row.position = past.position();
            row.at = past.at().toEpochMilli();
            row.beforeKpa = past.beforeKpa();
            row.afterKpa = past.afterKpa();
            row.who = past.who();
            row.note = past.note();
            session.insert(row);
            known.computeIfAbsent(row.vehicleId, id -> new ArrayList<>()).add(row.adjustment());
        }
        known.forEach((vehicle, list) -> fleet.vehicle(vehicle).orElseThrow().adjusted(list));
    }

    private static void add(Combinations.Builder combinations, Coupling coupling, FleetHistory.CouplingPast past) {
        try {
            combinations.add(coupling);
        } catch (CouplingRefused e) {
            throw Refusal.badRequest(
                    "$.history.couplings",
                    "\"" + past.pulled() + "\" behind \"" + past.puller() + "\": "
                            + e.fault().words());
        }
    }
}
