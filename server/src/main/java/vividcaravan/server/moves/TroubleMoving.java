package vividcaravan.server.moves;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.ClosedOn;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyrePlacing;
import vividcaravan.core.tyres.WhatWent;
import vividcaravan.server.alerts.AlertStore;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.tyres.Trouble;
import vividcaravan.server.tyres.TyreRow;
import vividcaravan.server.writer.Pen;

/** Takes known trouble along with tyres that are moved, and back with those whose move is undone; within a write. */
@Component
class TroubleMoving {

    private final AlertStore alerts;
    private final Clock clock;

    TroubleMoving(AlertStore alerts, Clock clock) {
        this.alerts = alerts;
        this.clock = clock;
    }

    /** Trouble of a tyre that stands at the wheel it goes to, once all have left theirs. */
    record Carried(TyrePlace.AtWheel to, Alert alert, String words) {}

    /**
     * What is open against a tyre ends at the wheel that it leaves, and goes along: to the next wheel, or as a mark.
     *
     * @param went the whole wheel or the tyre alone; null where nobody said
     */
    List<Carried> leave(Pen pen, MovePlan plan, TyrePlacing.Made made, @Nullable WhatWent went, String who) {
        List<Carried> carried = new ArrayList<>();
        if (made.isOffAndOn() || !(made.from() instanceof TyrePlace.AtWheel wheel)) {
            return carried;
        }
        FleetVehicle vehicle = plan.vehicle(wheel);
        for (Alert alert : List.copyOf(vehicle.book().alerts())) {
            if (!wheel.position().equals(alert.position())
                    || !Trouble.goesAlong(alert, went)
                    || !Trouble.stood(alert, plan.at(), clock.millis())) {
                continue;
            }
            if (!Trouble.staysToo(alert, went)) {
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
                mark(pen, made.tyre(), alert, plan.words(wheel));
            }
        }
        return carried;
    }

    /** An alert was closed as its tyre was scrapped or changed: what the next tyre does there is another. */
    void ended(Pen pen, FleetVehicle vehicle, Alert alert, String who) {
        Alert ended =
                vehicle.alert(alert.id()).orElse(alert).by(who, clock.millis()).tyreEnded("The tyre was taken off.");
        vehicle.book().replace(ended);
        vehicle.publishAlerts();
        alerts.save(pen, vehicle, ended);
    }

    /** Marks a tyre that was taken off with what its alert says against it, where that says anything. */
    void mark(Pen pen, long tyre, Alert alert, String where) {
        Trouble.mark(alert, where).ifPresent(why -> {
            TyreRow row = pen.session().get(TyreRow.class, tyre);
            row.mark(alert, why, clock.instant());
            pen.session().update(row);
        });
    }

    void arrive(Pen pen, MovePlan plan, List<Carried> carried, String who) {
        for (Carried one : carried) {
            FleetVehicle vehicle = plan.vehicle(one.to());
            Alert here = vehicle.book().carry(one.alert(), one.to().position(), one.words(), who, plan.at());
            vehicle.publishAlerts();
            alerts.save(pen, vehicle, here);
        }
    }

    /** What ended at a wheel because its tyre left. */
    static List<Alert> leftWith(MovePlan plan, TyrePlacing.Made made, long since) {
        return made.from()
                .asWheel()
                .filter(wheel -> !made.isOffAndOn())
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

    /** The end of a tyre was undone: what was closed with it is open, and at the wheel that alert is its mark. */
    void reopen(Pen pen, FleetVehicle vehicle, long id, long tyre, String who) {
        unmark(pen, tyre);
        vehicle.alert(id)
                .filter(alert -> alert.state() == AlertState.CLOSED && !alert.isClosedWithTyre())
                .ifPresent(alert -> {
                    Alert open = alert.by(who, clock.millis()).reopened("What was said of its tyre was undone.");
                    vehicle.book().replace(open);
                    vehicle.publishAlerts();
                    alerts.save(pen, vehicle, open);
                });
    }

    /** What ended since the tyre left stands again where the tyre did not earn more meanwhile; at the wheel its alert is its mark. */
    void comeBack(Pen pen, MovePlan plan, TyrePlacing.Made made, List<Alert> left, List<Carried> earned, String who) {
        if (made.isOffAndOn() || !(made.from() instanceof TyrePlace.AtWheel wheel)) {
            return;
        }
        FleetVehicle vehicle = plan.vehicle(wheel);
        for (Alert alert : List.copyOf(vehicle.book().alerts())) {
            boolean isOutdone = earned.stream()
                    .anyMatch(one -> one.to().equals(wheel)
                            && one.alert().kind().family() == alert.kind().family()
                            && one.alert().saysMoreThan(alert));
            boolean isOfThisWheel = wheel.position().equals(alert.position()) && alert.isClosedWithTyre();
            if (!isOfThisWheel || left.stream().noneMatch(one -> one.id() == alert.id()) || isOutdone) {
                continue;
            }
            Alert back = alert.by(who, clock.millis()).backWithTyre("The move of its tyre was undone.");
            vehicle.book().replace(back);
            vehicle.publishAlerts();
            alerts.save(pen, vehicle, back);
        }
        boolean isSaidThere = vehicle.book().alerts().stream()
                .anyMatch(alert -> wheel.position().equals(alert.position()) && Trouble.goesAlong(alert));
        if (isSaidThere) {
            unmark(pen, made.tyre());
        }
    }

    /** At a wheel the alert is the mark. */
    private static void unmark(Pen pen, long tyre) {
        TyreRow row = pen.session().get(TyreRow.class, tyre);
        row.unmark();
        pen.session().update(row);
    }

    /** Whether what comes back says nothing that the wheel's own alert does not say. */
    static boolean isOpen(MovePlan plan, Carried carried) {
        return plan.vehicle(carried.to()).book().alerts().stream()
                .anyMatch(alert -> alert.state() != AlertState.CLOSED
                        && !carried.alert().saysMoreThan(alert)
                        && carried.to().position().equals(alert.position())
                        && alert.kind().family() == carried.alert().kind().family());
    }

    /** What a tyre earned at the wheel that it is taken from again goes with it. */
    List<Carried> goBack(Pen pen, MovePlan plan, TyrePlacing.Made made, long movedAt, String who) {
        List<Carried> carried = new ArrayList<>();
        if (made.isOffAndOn() || !(made.to() instanceof TyrePlace.AtWheel wheel)) {
            return carried;
        }
        FleetVehicle vehicle = plan.vehicle(wheel);
        boolean isOwed = vehicle.judgedAgain()
                .filter(again -> again.from().toEpochMilli() <= movedAt)
                .isPresent();
        for (Alert alert : List.copyOf(vehicle.book().alerts())) {
            // What readings raised since is still to be judged again then, and comes out at its own wheel by that.
            boolean isLeftToTheRun = isOwed && alert.kind().family() != AlertFamily.SEEN;
            boolean isOfTheTyre = wheel.position().equals(alert.position())
                    && Trouble.goesAlong(alert)
                    && alert.openedAt() >= movedAt
                    && !isLeftToTheRun;
            if (!isOfTheTyre) {
                continue;
            }
            if (!(made.from() instanceof TyrePlace.AtWheel before)) {
                mark(pen, made.tyre(), alert, plan.words(wheel));
            } else if (Trouble.standsAtNextWheel(alert)) {
                carried.add(new Carried(before, alert, "it came back with its tyre from " + plan.words(wheel)));
            }
            if (!Trouble.staysToo(alert, null)) {
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
