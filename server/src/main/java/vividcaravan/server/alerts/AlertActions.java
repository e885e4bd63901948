package vividcaravan.server.alerts;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertActs;
import vividcaravan.core.alert.AlertEntry;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertRefused;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.Closure;
import vividcaravan.core.alert.DriverAnswer;
import vividcaravan.core.alert.Outage;
import vividcaravan.core.alert.Sight;
import vividcaravan.core.driver.ReportCorrection;
import vividcaravan.core.driver.WalkPoint;
import vividcaravan.server.access.Account;
import vividcaravan.server.access.Accounts;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Ticking;
import vividcaravan.server.platform.WriteFailed;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.View;

/** What people do to alerts, to one or to many; each stands or is refused by itself. */
@Component
public class AlertActions implements Ticking {

    private static final Logger LOG = LoggerFactory.getLogger(AlertActions.class);

    /**
     * An alert as somebody saw it who wants to change it.
     *
     * @param version how long its record was then; null where that does not matter
     * @param isOfPeople whether only what people did since matters, and not what readings showed
     */
    record Seen(long id, @Nullable Integer version, boolean isOfPeople) {

        /** An alert whose record does not matter. */
        static Seen of(long id) {
            return new Seen(id, null, false);
        }

        /** Whether something came since that somebody has to know first. */
        boolean isOutdated(Alert alert) {
            return version != null && alert.entries().stream().skip(version).anyMatch(this::matters)
                    || version != null && version > alert.entries().size();
        }

        private boolean matters(AlertEntry entry) {
            boolean isOnlySaid =
                    isOfPeople && (entry.who() == null || entry.change().isSaying());
            return !entry.change().isNews() && !isOnlySaid;
        }
    }

    /**
     * What became of an act.
     *
     * @param done the alerts that it changed, by identity
     * @param refused why it was refused, by the alert's identity
     */
    record Outcome(List<Long> done, Map<Long, RuntimeException> refused) {}

    private record Changed(FleetVehicle vehicle, Alert alert) {}

    private final SingleWriter writer;
    private final FleetDirectory fleet;
    private final AlertStore store;
    private final TyreEnd tyres;
    private final Accounts accounts;
    private final Clock clock;

    AlertActions(
            SingleWriter writer,
            FleetDirectory fleet,
            AlertStore store,
            TyreEnd tyres,
            Accounts accounts,
            Clock clock) {
        this.tyres = tyres;
        this.accounts = accounts;
        this.writer = writer;
        this.fleet = fleet;
        this.store = store;
        this.clock = clock;
    }

    @Override
    public List<Tick> ticks() {
        return List.of(new Tick("end-of-shelving", Duration.ZERO, Duration.ofSeconds(20), this::unshelve));
    }

    /**
     * Takes in what somebody saw at a vehicle; each place has one alert of it.
     *
     * @param also what is written down with it, and what there is to tell of that
     * @return these alerts
     */
    public List<Long> report(long vehicleId, List<Sight> seen, Function<Pen, Deed> also) {
        return writer.make(view -> {
            FleetVehicle vehicle = fleet.vehicle(vehicleId)
                    .orElseThrow(() -> Refusal.notFound("This vehicle was taken away meanwhile."));
            return Decision.make(pen -> {
                List<Long> alerts = new ArrayList<>();
                for (Sight sight : seen) {
                    Alert alert = vehicle.book().report(sight, clock.millis());
                    store.save(pen, vehicle, alert);
                    alerts.add(alert.id());
                }
                return new Done<>(alerts, also.apply(pen));
            });
        });
    }

    /** Puts aside what is raised where something is out of service; what may not be put aside stays as it is. */
    public void holdBack(List<Long> alerts, Outage outage) {
        if (!alerts.isEmpty()) {
            change(seen(alerts), alert -> by(alert, outage.by()).shelved(outage.words(), outage.until()));
        }
    }

    /** Brings back, within a write, what was put aside for something that is in service again. */
    public void bringBack(Pen pen, FleetVehicle vehicle, Predicate<Alert> which, String who) {
        for (Alert alert : List.copyOf(vehicle.book().alerts())) {
            if (alert.state() == AlertState.SHELVED && which.test(alert)) {
                Alert back = by(alert, who).calledBack();
                vehicle.book().replace(back);
                vehicle.publishAlerts();
                pen.note(store.saveBy(pen, vehicle, back));
            }
        }
    }

    /** Brings back what was put aside for something that is in service again. */
    public void bringBack(List<Long> alerts, String who) {
        if (!alerts.isEmpty()) {
            change(seen(alerts), alert -> by(alert, who).calledBack());
        }
    }

    private static List<Seen> seen(List<Long> alerts) {
        return alerts.stream().map(Seen::of).toList();
    }

    void note(long id, String who, String note) {
        change(id, alert -> by(alert, who).noted(note));
    }

    /**
     * Notes that a driver was told what to do.
     *
     * @param words whom, and how it was sent
     * @param also what is written down with it, and what there is to tell of that
     */
    public void instruct(long id, String who, String words, Function<Pen, List<Deed>> also) {
        List<Seen> one = List.of(Seen.of(id));
        only(writer.make(view -> decide(view, one, alert -> by(alert, who).instructed(words), also)));
    }

    /**
     * Notes that somebody was called since nobody had acknowledged an alert.
     *
     * @param words whom, and how
     * @param also what is written down with it, and what there is to tell of that
     */
    public void escalate(long id, String words, Function<Pen, List<Deed>> also) {
        List<Seen> one = List.of(Seen.of(id));
        only(writer.make(
                Author.SCHEDULE,
                view -> decide(
                        view, one, alert -> by(alert, AlertActs.DUTY_LIST).escalated(words), also)));
    }

    /** Notes that a driver has the instruction before their eyes. */
    public void read(long id, String who) {
        change(id, alert -> by(alert, who).read());
    }

    /**
     * Notes that a driver sent a photograph.
     *
     * @param also keeps it
     */
    public void photograph(long id, String who, Function<Pen, List<Deed>> also) {
        List<Seen> one = List.of(Seen.of(id));
        only(writer.make(view -> decide(view, one, alert -> by(alert, who).photographed(), also)));
    }

    /** Notes what a driver says of an alert; smoke, a flat tyre and a call for help are a fault of their own as well. */
    public void answer(long id, String who, DriverAnswer answer) {
        List<Seen> one = List.of(Seen.of(id));
        only(writer.make(view -> {
            Changed standing = standing(view, one.get(0));
            return decide(view, one, alert -> by(alert, who).answered(answer), pen -> {
                answer.sight(standing.alert.position(), who).ifPresent(sight -> {
                    Alert reported = standing.vehicle.book().report(sight, clock.millis());
                    standing.vehicle.publishAlerts();
                    store.save(pen, standing.vehicle, reported);
                });
                return List.of();
            });
        }));
    }

    Outcome acknowledge(List<Seen> alerts, String who) {
        return change(alerts, alert -> by(alert, who).acknowledged());
    }

    Outcome takeInHand(List<Seen> alerts, String who, @Nullable String note) {
        return change(alerts, alert -> by(alert, who).takenInHand(note));
    }

    Outcome shelve(List<Seen> alerts, String who, @Nullable String reason, long until) {
        return change(alerts, alert -> by(alert, who).shelved(reason, until));
    }

    Outcome close(List<Seen> alerts, Closure closure) {
        TyreEnd.Fate fate = new TyreEnd.Fate(closure.isScrapped(), closure.isTyreChanged(), closure.isInspected());
        return ending(alerts, alert -> alert.closed(closure, clock.millis()), fate, closure.who());
    }

    /**
     * Puts right what people reported: it stands at the wheel that is meant, and calls anew there.
     *
     * @param wheel code of the wheel; null where the place was right
     * @param point what is wrong; null where that was right
     */
    Outcome correct(List<Seen> alerts, @Nullable String wheel, @Nullable WalkPoint point, String who) {
        Map<Long, Sight> meant = new LinkedHashMap<>();
        return writer.make(view -> decide(
                view,
                alerts,
                alert -> {
                    FleetVehicle vehicle = vehicleOf(view, alert);
                    Sight sight =
                            new ReportCorrection(wheel == null ? null : vehicle.existing(wheel), point, who).of(alert);
                    meant.put(alert.id(), sight);
                    return by(alert, who).corrected("It is " + place(sight) + ": " + sight.words() + ".");
                },
                (pen, changed) -> changed.stream()
                        .map(one -> stands(pen, one, meant.get(one.alert.id()), who))
                        .toList()));
    }

    private static String place(Sight sight) {
        return sight.position() == null ? "the whole vehicle" : sight.position().code();
    }

    /** A report stands where it is meant, beside what stands there. */
    private Deed stands(Pen pen, Changed corrected, Sight sight, String who) {
        FleetVehicle vehicle = corrected.vehicle;
        long now = clock.millis();
        String words = ReportCorrection.words(corrected.alert);
        Alert here = vehicle.book().carry(Alert.open(0, sight, now), sight.position(), words, who, now);
        vehicle.publishAlerts();
        return store.saveBy(pen, vehicle, here);
    }

    Outcome reopen(List<Seen> alerts, String who, @Nullable String reason) {
        return undoing(alerts, alert -> by(alert, who).reopened(reason), who);
    }

    Outcome raiseJob(List<Seen> alerts, String who, @Nullable String note) {
        return change(alerts, alert -> by(alert, who).withJob(note));
    }

    Outcome endJob(List<Seen> alerts, String who, @Nullable String note, boolean isTyreChanged) {
        TyreEnd.Fate fate = new TyreEnd.Fate(false, isTyreChanged, false);
        return ending(alerts, alert -> by(alert, who).jobEnded(note), fate, who);
    }

    Outcome takeBack(List<Seen> alerts, String who) {
        return undoing(alerts, alert -> by(alert, who).takenBack(), who);
    }

    /** An act with which something is said of the tyre: that ends it at its wheel, once for each wheel. */
    private Outcome ending(List<Seen> alerts, UnaryOperator<Alert> how, TyreEnd.Fate fate, String who) {
        if (!fate.wasOff()) {
            return change(alerts, how);
        }
        return writer.make(view ->
                decide(view, alerts, alert -> how.apply(refusedWithoutTyre(view, alert, fate)), (pen, changed) -> {
                    Map<List<Object>, Changed> byWheel = new LinkedHashMap<>();
                    changed.stream()
                            .filter(one -> isOfTyre(one.alert, fate))
                            .forEach(one -> byWheel.putIfAbsent(List.of(one.vehicle.id(), one.alert.position()), one));
                    return byWheel.values().stream()
                            .flatMap(one -> tyres.end(pen, one.vehicle, one.alert, fate, who).stream())
                            .toList();
                }));
    }

    /** An inspection may close what is about no wheel too; then no wheel was off. */
    private static boolean isOfTyre(Alert alert, TyreEnd.Fate fate) {
        boolean isSaidOfTyre =
                alert.kind().family() == AlertFamily.TYRE || alert.kind().family() == AlertFamily.SEEN;
        return fate.isEnd() || alert.position() != null && isSaidOfTyre;
    }

    private Alert refusedWithoutTyre(View view, Alert alert, TyreEnd.Fate fate) {
        if (!fate.isEnd()) {
            return alert;
        }
        if (alert.position() == null) {
            throw new AlertRefused("This alert is about no one wheel, so no tyre of it was scrapped or changed.");
        }
        tyres.refuseIfNotEndable(view, vehicleOf(view, alert), alert);
        return alert;
    }

    /** An act that takes back another takes back what was said of the tyre with that. */
    private Outcome undoing(List<Seen> alerts, UnaryOperator<Alert> how, String who) {
        return writer.make(view -> decide(
                view,
                alerts,
                alert -> {
                    Alert after = how.apply(alert);
                    tyres.refuseIfNotUndoable(view, alert.id());
                    return after;
                },
                (pen, changed) -> changed.stream()
                        .flatMap(one -> tyres.undo(pen, one.alert.id(), who).stream())
                        .toList()));
    }

    Outcome standAlone(List<Seen> alerts, String who) {
        return change(alerts, alert -> by(alert, who).standingAlone());
    }

    /**
     * @param whom user name, or null for nobody in particular
     * @param name what they are called
     */
    Outcome assign(List<Seen> alerts, String who, @Nullable String whom, @Nullable String name) {
        String words = whom == null ? "for nobody in particular" : "for " + name;
        return change(alerts, alert -> by(alert, who).assigned(whom, words));
    }

    /** Counts alerts with another, which stands for all of them. */
    Outcome countWith(List<Seen> alerts, String who, long leading) {
        return writer.make(view -> {
            Changed other = standing(view, Seen.of(leading));
            String place = other.alert.position() == null
                    ? other.vehicle.description().ref()
                    : other.vehicle.description().ref() + " "
                            + other.alert.position().code();
            String words = "with " + place + ", " + other.alert.kind().words();
            return decide(view, alerts, alert -> by(alert, who).countedWith(other.alert, words));
        });
    }

    /** What was put aside comes back by itself. */
    void unshelve() {
        long now = clock.millis();
        for (FleetVehicle vehicle : fleet.vehicles()) {
            for (Alert alert : vehicle.openAlerts()) {
                if (alert.state() == AlertState.SHELVED && alert.shelvedUntil() <= now) {
                    unshelve(alert, now);
                }
            }
        }
    }

    /** One that cannot be taken up again just now waits for the next time; the others do not wait for it. */
    private void unshelve(Alert alert, long now) {
        try {
            change(alert.id(), shelved -> shelved.unshelved(now));
        } catch (Refusal | AlertRefused | WriteFailed e) {
            LOG.info("Alert {} stays shelved for now: {}", alert.id(), e.getMessage());
        }
    }

    private void change(long id, UnaryOperator<Alert> how) {
        only(change(List.of(Seen.of(id)), how));
    }

    /** What is refused to the only one is refused. */
    static void only(Outcome outcome) {
        outcome.refused.values().forEach(refusal -> {
            throw refusal;
        });
    }

    private Outcome change(List<Seen> alerts, UnaryOperator<Alert> how) {
        return writer.make(view -> decide(view, alerts, how));
    }

    private Decision<Outcome> decide(View view, List<Seen> alerts, UnaryOperator<Alert> how) {
        return decide(view, alerts, how, pen -> List.of());
    }

    private Decision<Outcome> decide(
            View view, List<Seen> alerts, UnaryOperator<Alert> how, Function<Pen, List<Deed>> also) {
        return decide(view, alerts, how, (pen, changed) -> also.apply(pen));
    }

    private Decision<Outcome> decide(
            View view,
            List<Seen> alerts,
            UnaryOperator<Alert> how,
            BiFunction<Pen, Collection<Changed>, List<Deed>> also) {
        Map<Long, Changed> changed = new LinkedHashMap<>();
        Map<Long, RuntimeException> refused = new LinkedHashMap<>();
        for (Seen seen : alerts) {
            try {
                Changed standing = standing(view, seen);
                // What people see is what they decide on: what gets worse from here on calls again.
                Alert after = how.apply(standing.vehicle.asItIsNow(standing.alert));
                if (after.entries().size() != standing.alert.entries().size()) {
                    changed.put(seen.id(), new Changed(standing.vehicle, after));
                }
            } catch (AlertRefused | Refusal e) {
                refused.put(seen.id(), e);
            }
        }
        Outcome outcome = new Outcome(List.copyOf(changed.keySet()), refused);
        if (changed.isEmpty()) {
            return Decision.nothing(outcome);
        }
        return Decision.make(pen -> {
            List<Deed> deeds = new ArrayList<>();
            changed.values().forEach(one -> {
                one.vehicle.book().replace(one.alert);
                deeds.add(store.saveBy(pen, one.vehicle, one.alert));
            });
            deeds.addAll(also.apply(pen, changed.values()));
            deeds.subList(1, deeds.size()).forEach(pen::note);
            return new Done<>(outcome, deeds.get(0));
        });
    }

    private String name(String userName) {
        return accounts.find(userName).map(Account::displayName).orElse(userName);
    }

    private Changed standing(View view, Seen seen) {
        AlertRow row = view.get(AlertRow.class, seen.id());
        if (row == null) {
            throw Refusal.notFound("There is no alert " + seen.id() + ".");
        }
        FleetVehicle vehicle = fleet.vehicle(row.vehicleId).orElseThrow();
        Alert alert = vehicle.alert(seen.id())
                .orElseThrow(() -> Refusal.conflict("This alert is closed; a newer one stands in its place."));
        if (seen.isOutdated(alert)) {
            throw Refusal.conflict("Something came in between: " + AlertDeeds.lastWords(alert, this::name)
                    + ". Look at it as it is now, and decide again.");
        }
        return new Changed(vehicle, alert);
    }

    private FleetVehicle vehicleOf(View view, Alert alert) {
        return fleet.vehicle(view.get(AlertRow.class, alert.id()).vehicleId).orElseThrow();
    }

    private AlertActs by(Alert alert, String who) {
        return alert.by(who, clock.millis());
    }
}
