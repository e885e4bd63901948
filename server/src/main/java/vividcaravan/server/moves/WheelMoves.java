package vividcaravan.server.moves;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.tyres.MoveFault;
import vividcaravan.core.tyres.RemovalReason;
import vividcaravan.core.tyres.SensorFate;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyrePlacing;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.sensors.FittingChange;
import vividcaravan.server.sensors.SensorPlacing;
import vividcaravan.server.tyres.MoveDistanceRow;
import vividcaravan.server.tyres.MoveRow;
import vividcaravan.server.tyres.MoveStepRow;
import vividcaravan.server.tyres.TyreTables;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.View;

/** Moves wheels as one permutation, stored all or nothing, and undoes that. */
@Service
public class WheelMoves {

    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final FleetDirectory fleet;
    private final TyreTables tables;
    private final MovePlanning planning;
    private final MoveLook look;
    private final Retorques retorques;
    private final SensorPlacing placing;
    private final TroubleMoving trouble;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    WheelMoves(
            SessionFactory sessions,
            SingleWriter writer,
            FleetDirectory fleet,
            TyreTables tables,
            MovePlanning planning,
            MoveLook look,
            Retorques retorques,
            SensorPlacing placing,
            TroubleMoving trouble,
            ApplicationEventPublisher events,
            Clock clock) {
        this.sessions = sessions;
        this.writer = writer;
        this.fleet = fleet;
        this.tables = tables;
        this.planning = planning;
        this.look = look;
        this.retorques = retorques;
        this.placing = placing;
        this.trouble = trouble;
        this.events = events;
        this.clock = clock;
    }

    /** What a move would come to; nothing is stored. */
    MovePreview preview(MoveRequest request) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            View view = View.of(session);
            return look.of(view, planning.plan(view, request), request);
        }
    }

    /**
     * Makes a move.
     *
     * @return its identity
     * @throws Refusal if anything about it is refused; nothing is stored then
     */
    public long make(MoveRequest request, String who) {
        return writer.make(view -> {
            refuseIfNot(look.of(view, planning.plan(view, request), request));
            return Decision.make(pen -> made(pen, request, who));
        });
    }

    private static void refuseIfNot(MovePreview preview) {
        if (preview.canBeMade()) {
            return;
        }
        List<Refusal.Fault> faults = new ArrayList<>();
        for (int i = 0; i < preview.steps().size(); i++) {
            String field = "steps[" + i + "]";
            preview.steps().get(i).said().stream()
                    .filter(MovePreview.MoveWord::isRefusal)
                    .forEach(said -> faults.add(new Refusal.Fault(field, said.words())));
        }
        preview.axles().stream()
                .filter(MovePreview.MoveWord::isRefusal)
                .forEach(said -> faults.add(new Refusal.Fault("steps", said.words())));
        throw Refusal.conflict("These wheels cannot be moved so; nothing was stored.", faults);
    }

    /** Makes a move within a write. */
    Done<Long> made(Pen pen, MoveRequest request, String who) {
        Instant now = clock.instant();
        MovePlan sketch = planning.plan(View.of(pen.session()), request);
        sketch.assumedMoved().forEach(wheel -> tables.assume(pen, wheel, now));
        // The time is fixed now: what was "now" when it was looked at must not be a later one.
        MovePlan plan = planning.plan(
                View.of(pen.session()),
                new MoveRequest(
                        Instant.ofEpochMilli(sketch.at()), request.note(), request.steps(), request.distances()));
        TyrePlacing.Outcome outcome = plan.outcome();
        MoveRow move = new MoveRow();
        move.movedAt = plan.at();
        move.madeAt = now;
        move.madeBy = who;
        move.note = request.note() == null || request.note().isBlank()
                ? null
                : request.note().strip();
        pen.session().insert(move);
        for (int i = 0; i < outcome.made().size(); i++) {
            pen.session()
                    .insert(MoveStepRow.of(
                            move.id,
                            i,
                            outcome.made().get(i),
                            request.steps().get(i).reason(),
                            request.steps().get(i).went()));
        }
        if (request.distances() != null) {
            request.distances().forEach(one -> pen.session()
                    .insert(MoveDistanceRow.of(
                            move.id, fleet.existing(one.vehicle()).id(), one.km())));
        }
        List<TroubleMoving.Carried> carried = new ArrayList<>();
        for (int i = 0; i < outcome.made().size(); i++) {
            carried.addAll(trouble.leave(
                    pen, plan, outcome.made().get(i), request.steps().get(i).went(), who));
        }
        // Before the wheels are judged again: what the tyres show now is what was done.
        addRetorques(pen, outcome.made(), move.id, plan.at());
        store(pen, plan, outcome.after());
        trouble.arrive(pen, plan, carried, who);
        loseSensors(pen, outcome.made(), true);
        Deed deed = deed(DeedKind.WHEELS_MOVED, "moved", plan, outcome.made(), move.id);
        for (int i = 0; i < outcome.made().size(); i++) {
            RemovalReason reason = request.steps().get(i).reason();
            deed = deed.with("Why it came off", null, reason == null ? null : reason.words());
        }
        if (request.distances() != null) {
            for (MoveRequest.VehicleDistance one : request.distances()) {
                deed = deed.with("Distance of " + one.vehicle(), "km", null, one.km());
            }
        }
        return new Done<>(move.id, deed);
    }

    /** Scraps the tyre of a wheel within a write; its sensor stays, and watches what comes there. */
    Done<Long> scrapped(Pen pen, TyrePlace.AtWheel wheel, long tyre, String who) {
        TyrePlace.Away away = new TyrePlace.Away(TyrePlace.Kind.SCRAPPED, null);
        MovePlan plan = planning.planOf(
                View.of(pen.session()),
                List.of(new TyrePlacing.Made(tyre, wheel, away, null, SensorFate.STAYS)),
                clock.millis());
        Long sensor =
                plan.placing().sensorAt(wheel, plan.at()).map(Fitting::sensor).orElse(null);
        TyrePlacing.Made one = new TyrePlacing.Made(tyre, wheel, away, sensor, SensorFate.STAYS);
        MoveRow move = new MoveRow();
        move.movedAt = plan.at();
        move.madeAt = clock.instant();
        move.madeBy = who;
        pen.session().insert(move);
        pen.session().insert(MoveStepRow.of(move.id, 0, one, null, null));
        trouble.leave(pen, plan, one, null, who);
        store(pen, plan, plan.placing().withTyreAway(one, plan.at()));
        addRetorques(pen, List.of(one), move.id, plan.at());
        return new Done<>(move.id, deed(DeedKind.WHEELS_MOVED, "moved", plan, List.of(one), move.id));
    }

    /** A wheel was off and came on again within a write: its nuts are due. */
    Done<Long> offAndOn(Pen pen, TyrePlace.AtWheel wheel, long tyre, String who) {
        TyrePlacing.Made one = new TyrePlacing.Made(tyre, wheel, wheel, null, SensorFate.TRAVELS);
        MovePlan plan = planning.planOf(View.of(pen.session()), List.of(one), clock.millis());
        MoveRow move = new MoveRow();
        move.movedAt = plan.at();
        move.madeAt = clock.instant();
        move.madeBy = who;
        pen.session().insert(move);
        pen.session().insert(MoveStepRow.of(move.id, 0, one, null, null));
        addRetorques(pen, List.of(one), move.id, plan.at());
        return new Done<>(move.id, deed(DeedKind.WHEELS_MOVED, "moved", plan, List.of(one), move.id));
    }

    private void store(Pen pen, MovePlan plan, TyrePlacing after) {
        tables.store(pen, plan.placing().tyres(), after.tyres());
        FittingChange change =
                new FittingChange(fleet, new LinkedHashSet<>(plan.sensors().values()));
        change.become(after.sensors());
        change.store(pen, events);
    }

    private void loseSensors(Pen pen, List<TyrePlacing.Made> made, boolean isLost) {
        for (TyrePlacing.Made one : made) {
            if (one.fate() == SensorFate.LOST && one.sensor() != null) {
                KnownSensor sensor = fleet.sensor(one.sensor()).orElseThrow();
                placing.outOfUse(pen, sensor, isLost ? "lost or scrapped with its tyre" : null);
            }
        }
    }

    private void addRetorques(Pen pen, List<TyrePlacing.Made> made, long move, long at) {
        Map<Long, Set<Position>> on = new HashMap<>();
        Map<Long, Set<Position>> off = new HashMap<>();
        for (TyrePlacing.Made one : made) {
            one.from().asWheel().ifPresent(wheel -> off.computeIfAbsent(wheel.vehicle(), id -> new LinkedHashSet<>())
                    .add(wheel.position()));
        }
        for (TyrePlacing.Made one : made) {
            one.to().asWheel().filter(wheel -> !wheel.position().isSpare()).ifPresent(wheel -> {
                on.computeIfAbsent(wheel.vehicle(), id -> new LinkedHashSet<>()).add(wheel.position());
                off.computeIfPresent(wheel.vehicle(), (vehicle, wheels) -> {
                    wheels.remove(wheel.position());
                    return wheels;
                });
            });
        }
        off.forEach((vehicle, wheels) ->
                retorques.takenOff(pen, fleet.vehicle(vehicle).orElseThrow(), wheels, move));
        on.forEach(
                (vehicle, wheels) -> retorques.putOn(pen, fleet.vehicle(vehicle).orElseThrow(), wheels, move, at));
    }

    private static Deed deed(DeedKind kind, String verb, MovePlan plan, List<TyrePlacing.Made> made, long move) {
        Deed deed = Deed.of(
                kind,
                new Thing(Thing.Kind.MOVE, Long.toString(move), "wheel move " + move),
                made.stream().allMatch(TyrePlacing.Made::isOffAndOn)
                        ? verb + " " + (made.size() == 1 ? "a wheel" : made.size() + " wheels") + " off and on again"
                        : verb + " " + (made.size() == 1 ? "a tyre" : made.size() + " tyres"));
        for (TyrePlacing.Made one : made) {
            for (TyrePlace place : List.of(one.from(), one.to())) {
                if (place instanceof TyrePlace.AtWheel wheel) {
                    deed = deed.at(wheel.vehicle(), wheel.position().code());
                }
            }
            deed = deed.with("Tyre " + one.tyre(), plan.words(one.from()), plan.words(one.to()));
        }
        return deed;
    }

    /**
     * Undoes a move, as if it had not been.
     *
     * @throws Refusal if there is none, it is undone, or something was moved since
     */
    void undo(long id, String who) {
        writer.make(view -> {
            refuseIfNotUndoable(view, id);
            return Decision.make(pen -> undone(pen, id, who));
        });
    }

    /**
     * Says that a move was made at another time.
     *
     * @return the identity under which it stands now
     */
    long correct(long id, Instant at, String who) {
        return writer.make(view -> {
            refuseIfNotUndoable(view, id);
            return Decision.make(pen -> {
                Done<Void> undone = undone(pen, id, who);
                pen.note(undone.deed());
                MoveRow move = pen.session().get(MoveRow.class, id);
                MoveRequest again = planning.again(
                        stepRows(View.of(pen.session()), id),
                        MoveDistanceRow.of(View.of(pen.session()), List.of(id)).getOrDefault(id, List.of()),
                        at,
                        move.note);
                refuseIfNot(look.of(View.of(pen.session()), planning.plan(View.of(pen.session()), again), again));
                return made(pen, again, who);
            });
        });
    }

    /**
     * @throws Refusal if there is no such move, it is undone, or something was moved since
     */
    void refuseIfNotUndoable(View view, long id) {
        MoveRow move = view.get(MoveRow.class, id);
        if (move == null) {
            throw Refusal.notFound("There is no wheel move " + id + ".");
        }
        if (move.undoneAt != null) {
            throw Refusal.conflict("This move is undone already.");
        }
        List<TyrePlacing.Made> made = steps(view, id);
        List<MoveFault> faults = new ArrayList<>(
                planning.planOf(view, made, move.movedAt).placing().faultsOfUndoing(made, move.movedAt));
        for (int i = 0; i < made.size(); i++) {
            if (made.get(i).from() instanceof TyrePlace.AtWheel wheel && !isThere(wheel)) {
                String ref = fleet.vehicle(wheel.vehicle())
                        .orElseThrow()
                        .description()
                        .ref();
                faults.add(new MoveFault(
                        i, ref + " has no wheel " + wheel.position().code() + " any more."));
            }
        }
        if (!faults.isEmpty()) {
            throw Refusal.conflict(
                    "This move cannot be undone; nothing was changed.",
                    faults.stream()
                            .map(fault -> new Refusal.Fault("steps[" + fault.move() + "]", fault.message()))
                            .toList());
        }
    }

    private boolean isThere(TyrePlace.AtWheel wheel) {
        return fleet.vehicle(wheel.vehicle())
                .orElseThrow()
                .description()
                .layout()
                .has(wheel.position());
    }

    private static List<TyrePlacing.Made> steps(View view, long id) {
        return stepRows(view, id).stream().map(MoveStepRow::made).toList();
    }

    private static List<MoveStepRow> stepRows(View view, long id) {
        return MoveStepRow.of(view, List.of(id)).getOrDefault(id, List.of());
    }

    /** Undoes a move within a write. */
    Done<Void> undone(Pen pen, long id, String who) {
        View view = View.of(pen.session());
        MoveRow move = pen.session().get(MoveRow.class, id);
        List<TyrePlacing.Made> made = steps(view, id);
        MovePlan plan = planning.planOf(view, made, move.movedAt);
        move.undoneAt = clock.instant();
        move.undoneBy = who;
        pen.session().update(move);
        List<Alert> left = made.stream()
                .flatMap(one -> TroubleMoving.leftWith(plan, one, move.madeAt.toEpochMilli()).stream())
                .toList();
        List<TroubleMoving.Carried> carried = new ArrayList<>();
        made.forEach(one -> carried.addAll(trouble.goBack(pen, plan, one, move.movedAt, who)));
        for (TyrePlacing.Made one : made) {
            trouble.comeBack(pen, plan, one, left, carried, who);
        }
        trouble.arrive(
                pen,
                plan,
                carried.stream().filter(one -> !TroubleMoving.isOpen(plan, one)).toList(),
                who);
        loseSensors(pen, made, false);
        retorques.undone(pen, vehicles(made), id);
        store(pen, plan, plan.placing().undone(made, move.movedAt));
        if (move.alertId != null) {
            undoEnd(pen, plan, made, move.alertId, who);
        }
        return Done.by(deed(DeedKind.WHEELS_MOVE_UNDONE, "undid the move of", plan, made, id));
    }

    /** What was closed with the end of a tyre is open again, and the tyre that was taken for granted after it never was. */
    private void undoEnd(Pen pen, MovePlan plan, List<TyrePlacing.Made> made, long alert, String who) {
        made.forEach(one -> one.from()
                .asWheel()
                .ifPresent(wheel -> trouble.reopen(pen, plan.vehicle(wheel), alert, one.tyre(), who)));
        made.stream().filter(one -> one.from().asWheel().isEmpty()).forEach(one -> tables.forgetWhere(pen, one.tyre()));
    }

    private Set<FleetVehicle> vehicles(List<TyrePlacing.Made> made) {
        Set<FleetVehicle> vehicles = new LinkedHashSet<>();
        for (TyrePlacing.Made one : made) {
            for (TyrePlace place : List.of(one.from(), one.to())) {
                place.asWheel().flatMap(wheel -> fleet.vehicle(wheel.vehicle())).ifPresent(vehicles::add);
            }
        }
        return vehicles;
    }
}
