package vividcaravan.server.moves;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.tyres.SensorFate;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyreStay;
import vividcaravan.core.tyres.TyreTimeline;
import vividcaravan.server.alerts.TyreEnd;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.moves.MoveRequest.PlaceRequest;
import vividcaravan.server.moves.MoveRequest.StepRequest;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.tyres.MoveRow;
import vividcaravan.server.tyres.TyreRow;
import vividcaravan.server.tyres.TyreStayRow;
import vividcaravan.server.tyres.TyreTables;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.View;

/**
 * A tyre that was scrapped or changed, as its alert says, ends at its wheel: it is moved away, and with another in its place what
 * was known of it is not known of that. The sensor stays at the wheel and goes on to watch it.
 */
@Component
class EndOfTyre implements TyreEnd {

    private static final String STANDING = "from MoveRow where alertId = :alert and undoneAt is null order by id desc";

    private final TyreTables tables;
    private final WheelMoves moves;
    private final TroubleMoving trouble;
    private final Clock clock;

    EndOfTyre(TyreTables tables, WheelMoves moves, TroubleMoving trouble, Clock clock) {
        this.tables = tables;
        this.moves = moves;
        this.trouble = trouble;
        this.clock = clock;
    }

    @Override
    public void refuseIfNotEndable(View view, FleetVehicle vehicle, Alert alert) {
        TyrePlace.AtWheel wheel = TyrePlace.wheel(vehicle.id(), alert.position());
        boolean isMovedAhead = tables.staysOn(view, vehicle.id()).stream()
                .anyMatch(stay -> stay.place().equals(wheel)
                        && (stay.from() > clock.millis() || !stay.isOpen() && stay.to() > clock.millis()));
        if (isMovedAhead) {
            throw Refusal.conflict("The tyre at " + alert.position().code()
                    + " is moved at a time that is still to come. Do this in some minutes.");
        }
    }

    @Override
    public Optional<Deed> end(Pen pen, FleetVehicle vehicle, Alert alert, Fate fate, String who) {
        TyrePlace.AtWheel wheel = TyrePlace.wheel(vehicle.id(), alert.position());
        Optional<Long> tyre = tyreAt(pen, wheel);
        if (tyre.isEmpty()) {
            return Optional.empty();
        }
        if (!fate.isEnd() && wheel.position().isSpare()) {
            return Optional.empty();
        }
        Done<Long> moved = fate.isChanged()
                ? moves.made(pen, exchange(pen, vehicle, wheel, fate), who)
                : fate.isScrapped()
                        ? moves.scrapped(pen, wheel, tyre.get(), who)
                        : moves.offAndOn(pen, wheel, tyre.get(), who);
        MoveRow move = pen.session().get(MoveRow.class, moved.result());
        move.alertId = alert.id();
        pen.session().update(move);
        if (fate.isChanged() && !fate.isScrapped() && !fate.isInspected() && alert.state() == AlertState.CLOSED) {
            trouble.mark(
                    pen,
                    tyre.get(),
                    alert,
                    vehicle.description().ref() + " " + alert.position().code());
        }
        if (fate.isEnd() && alert.state() == AlertState.CLOSED) {
            trouble.ended(pen, vehicle, alert, who);
        }
        return Optional.of(moved.deed());
    }

    /** The tyre that stands at a wheel; what was taken for granted gets a row. */
    private Optional<Long> tyreAt(Pen pen, TyrePlace.AtWheel wheel) {
        TyreTimeline known = tables.timeline(View.of(pen.session()), Set.of(), Set.of(wheel.vehicle()));
        if (known.stays().stream().noneMatch(stay -> stay.place().equals(wheel))) {
            return Optional.of(tables.assume(pen, wheel, clock.instant()).id);
        }
        return known.at(wheel, clock.millis()).map(TyreStay::tyre);
    }

    /** Another tyre, of which nothing is known but that it is as its axle is described, for the one that stands there. */
    private MoveRequest exchange(Pen pen, FleetVehicle vehicle, TyrePlace.AtWheel wheel, Fate fate) {
        Instant now = clock.instant();
        TyreRow next = new TyreRow();
        next.describe(TyreTables.assumed(vehicle, wheel.position()));
        next.addedAt = now;
        pen.session().insert(next);
        TyrePlace store = new TyrePlace.Away(TyrePlace.Kind.STORE, null);
        pen.session().insert(TyreStayRow.of(new TyreStay(next.id, store, null, now.toEpochMilli() - 1, TyreStay.OPEN)));
        String ref = vehicle.description().ref();
        String code = wheel.position().code();
        TyrePlace.Kind away = fate.isScrapped() ? TyrePlace.Kind.SCRAPPED : TyrePlace.Kind.STORE;
        return new MoveRequest(
                now,
                null,
                List.of(
                        new StepRequest(
                                ref,
                                code,
                                null,
                                new PlaceRequest(null, null, away, null),
                                SensorFate.STAYS,
                                null,
                                null),
                        new StepRequest(
                                null,
                                null,
                                Long.toString(next.id),
                                new PlaceRequest(ref, code, null, null),
                                null,
                                null,
                                null)),
                null);
    }

    @Override
    public void refuseIfNotUndoable(View view, long alert) {
        standing(view, alert).ifPresent(move -> moves.refuseIfNotUndoable(view, move.id));
    }

    @Override
    public Optional<Deed> undo(Pen pen, long alert, String who) {
        return standing(View.of(pen.session()), alert)
                .map(move -> moves.undone(pen, move.id, who).deed());
    }

    private static Optional<MoveRow> standing(View view, long alert) {
        return view
                .select(STANDING, MoveRow.class)
                .setParameter("alert", alert)
                .setMaxResults(1)
                .getResultList()
                .stream()
                .findFirst();
    }
}
