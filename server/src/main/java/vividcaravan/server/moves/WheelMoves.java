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
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.ClosedOn;
import vividcaravan.core.axles.Position;
import vividcaravan.core.tyres.MoveFault;
import vividcaravan.core.tyres.RemovalReason;
import vividcaravan.core.tyres.SensorFate;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyrePlacing;
import vividcaravan.server.alerts.AlertStore;
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
import vividcaravan.server.tyres.TyreRow;
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
    private final AlertStore alerts;
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
            AlertStore alerts,
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
        this.alerts = alerts;
        this.events = events;
        this.clock = clock;
    }

    /** What a move would come to; nothing is stored. */
    MovePreview preview(MoveRequest request) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            View view = View.of(session);
            return look.of(view, planning.plan(view, request));
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
            refuseIfNot(look.of(view, planning.plan(view, request)));
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

    private Done<Long> made(Pen pen, MoveRequest request, String who) {
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
                            request.steps().get(i).reason()));
        }
        if (request.distances() != null) {
            request.distances().forEach(one -> pen.session()
                    .insert(MoveDistanceRow.of(
                            move.id, fleet.existing(one.vehicle()).id(), one.km())));
        }
        List<Carried> carried = new ArrayList<>();
        for (TyrePlacing.Made one : outcome.made()) {
            carried.addAll(leave(pen, plan, one, who));
        }
        store(pen, plan, outcome.after());
        arrive(pen, plan, carried, who);
        loseSensors(pen, outcome.made(), true);
        addRetorques(pen, outcome.made(), move.id, plan.at());
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

    /** Trouble of a tyre that stands at the wheel it goes to, once all have left theirs. */
    private record Carried(TyrePlace.AtWheel to, Alert alert, String words) {}

    /** What is open against a tyre ends at the wheel that it leaves, and goes along: to the next wheel, or as a mark. */
    private List<Carried> leave(Pen pen, MovePlan plan, TyrePlacing.Made made, String who) {
        List<Carried> carried = new ArrayList<>();
        if (!(made.from() instanceof TyrePlace.AtWheel wheel)) {
            return carried;
        }
        FleetVehicle vehicle = plan.vehicle(wheel);
        for (Alert alert : List.copyOf(vehicle.book().alerts())) {
            if (!wheel.position().equals(alert.position()) || !Trouble.goesAlong(alert)) {
                continue;
            }
            if (!Trouble.staysToo(alert)) {
                Alert closed =
                        alert.by(who, clock.millis()).leftWithTyre("The tyre went to " + plan.words(made.to()) + ".");
                vehicle.book().replace(closed);
                vehicle.publishAlerts();
                alerts.save(pen, vehicle, closed);
            }
            if (made.to() instanceof TyrePlace.AtWheel next) {
                if (Trouble.standsAtNextWheel(alert)) {
                    carried.add(new Carried(next, alert, "it came with its tyre from " + plan.words(wheel)));
                }
            } else if (!made.to().isForGood()) {
                Trouble.mark(alert, plan.words(wheel)).ifPresent(mark -> mark(pen, made.tyre(), mark));
            }
        }
        return carried;
    }

    private void mark(Pen pen, long tyre, String why) {
        TyreRow row = pen.session().get(TyreRow.class, tyre);
        row.markedAt = clock.instant();
        row.markedWords = why;
        pen.session().update(row);
    }

    private void arrive(Pen pen, MovePlan plan, List<Carried> carried, String who) {
        for (Carried one : carried) {
            FleetVehicle vehicle = plan.vehicle(one.to());
            Alert here = vehicle.book().carry(one.alert(), one.to().position(), one.words(), who, plan.at());
            vehicle.publishAlerts();
            alerts.save(pen, vehicle, here);
        }
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
                verb + " " + (made.size() == 1 ? "a tyre" : made.size() + " tyres"));
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
                refuseIfNot(look.of(View.of(pen.session()), planning.plan(View.of(pen.session()), again)));
                return made(pen, again, who);
            });
        });
    }

    private void refuseIfNotUndoable(View view, long id) {
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

    private Done<Void> undone(Pen pen, long id, String who) {
        View view = View.of(pen.session());
        MoveRow move = pen.session().get(MoveRow.class, id);
        List<TyrePlacing.Made> made = steps(view, id);
        MovePlan plan = planning.planOf(view, made, move.movedAt);
        move.undoneAt = clock.instant();
        move.undoneBy = who;
        pen.session().update(move);
        List<Alert> left = made.stream()
                .flatMap(one -> leftWith(plan, one, move.madeAt.toEpochMilli()).stream())
                .toList();
        List<Carried> carried = new ArrayList<>();
        made.forEach(one -> carried.addAll(goBack(pen, plan, one, move.movedAt, who)));
        for (TyrePlacing.Made one : made) {
            comeBack(pen, plan, one, left, who);
        }
        arrive(pen, plan, carried.stream().filter(one -> !isOpen(plan, one)).toList(), who);
        loseSensors(pen, made, false);
        store(pen, plan, plan.placing().undone(made, move.movedAt));
        retorques.undone(pen, vehicles(made), id);
        return Done.by(deed(DeedKind.WHEELS_MOVE_UNDONE, "undid the move of", plan, made, id));
    }

    /** What ended at a wheel because its tyre left. */
    private static List<Alert> leftWith(MovePlan plan, TyrePlacing.Made made, long since) {
        return made.from()
                .asWheel()
                .map(wheel -> plan.vehicle(wheel).book().alerts().stream()
                        .filter(alert -> wheel.position().equals(alert.position())
                                && alert.closedAt() != null
                                && alert.closedAt() >= since
                                && alert.closedOn()
                                        .filter(on -> on == ClosedOn.TYRE_LEFT)
                                        .isPresent())
                        .toList())
                .orElse(List.of());
    }

    /** What ended since the tyre left stands again, and so does its mark. */
    private void comeBack(Pen pen, MovePlan plan, TyrePlacing.Made made, List<Alert> left, String who) {
        if (!(made.from() instanceof TyrePlace.AtWheel wheel)) {
            return;
        }
        FleetVehicle vehicle = plan.vehicle(wheel);
        for (Alert alert : List.copyOf(vehicle.book().alerts())) {
            if (left.stream().noneMatch(one -> one.id() == alert.id())) {
                continue;
            }
            Alert back = alert.by(who, clock.millis()).backWithTyre("The move of its tyre was undone.");
            vehicle.book().replace(back);
            vehicle.publishAlerts();
            alerts.save(pen, vehicle, back);
            TyreRow row = pen.session().get(TyreRow.class, made.tyre());
            row.markedAt = null;
            row.markedWords = null;
            pen.session().update(row);
        }
    }

    private static boolean isOpen(MovePlan plan, Carried carried) {
        return plan.vehicle(carried.to()).book().alerts().stream()
                .anyMatch(alert -> alert.state() != AlertState.CLOSED
                        && carried.to().position().equals(alert.position())
                        && alert.kind().family() == carried.alert().kind().family());
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

    /** What a tyre earned at the wheel that it is taken from again goes with it. */
    private List<Carried> goBack(Pen pen, MovePlan plan, TyrePlacing.Made made, long movedAt, String who) {
        List<Carried> carried = new ArrayList<>();
        if (!(made.to() instanceof TyrePlace.AtWheel wheel)) {
            return carried;
        }
        FleetVehicle vehicle = plan.vehicle(wheel);
        for (Alert alert : List.copyOf(vehicle.book().alerts())) {
            boolean isOfTheTyre = wheel.position().equals(alert.position())
                    && Trouble.goesAlong(alert)
                    && alert.openedAt() >= movedAt;
            if (!isOfTheTyre) {
                continue;
            }
            if (!(made.from() instanceof TyrePlace.AtWheel before)) {
                Trouble.mark(alert, plan.words(wheel)).ifPresent(mark -> mark(pen, made.tyre(), mark));
            } else if (Trouble.standsAtNextWheel(alert)) {
                carried.add(new Carried(before, alert, "it came back with its tyre from " + plan.words(wheel)));
            }
            if (!Trouble.staysToo(alert)) {
                Alert closed = alert.by(who, clock.millis())
                        .leftWithTyre("The move was undone: its tyre is " + plan.words(made.from()) + ".");
                vehicle.book().replace(closed);
                vehicle.publishAlerts();
                alerts.save(pen, vehicle, closed);
            }
        }
        return carried;
    }
}
