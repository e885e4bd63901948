package vividcaravan.server.alerts;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hibernate.StatelessSession;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertEntry;
import vividcaravan.core.axles.Position;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.platform.Ids;
import vividcaravan.server.writer.Pen;

/** Keeps alerts: what the single writer changed goes into its transaction, and is announced once on disk. */
@Component
public class AlertStore {

    private final FleetDirectory fleet;
    private final Ids ids;
    private final Clock clock;
    private final ApplicationEventPublisher events;
    private final Set<Long> stored = new HashSet<>();
    private final Map<Long, Integer> entriesStored = new HashMap<>();
    private final List<AlertChanged> unannounced = new ArrayList<>();
    private int announcedIfAllIsWell;

    AlertStore(FleetDirectory fleet, Ids ids, Clock clock, ApplicationEventPublisher events) {
        this.fleet = fleet;
        this.ids = ids;
        this.clock = clock;
        this.events = events;
    }

    /** Gives every vehicle's book back the latest alert of each wheel and family. */
    public void load(StatelessSession session) {
        ids.load(session, "alert", "change_seq");
        stored.clear();
        entriesStored.clear();
        unannounced.clear();
        restore(
                session,
                session.createSelectionQuery(
                                "from AlertRow a where a.id in (select max(b.id) from AlertRow b"
                                        + " group by b.vehicleId, b.position, b.family) or a.state <> CLOSED",
                                AlertRow.class)
                        .getResultList());
        fleet.vehicles().forEach(FleetVehicle::publishAlerts);
        settled();
    }

    /** The same for some vehicles, whose books are empty; what was not announced since {@link #settled} never will be. */
    public void load(StatelessSession session, Collection<FleetVehicle> vehicles) {
        unannounced.subList(announcedIfAllIsWell, unannounced.size()).clear();
        for (FleetVehicle vehicle : vehicles) {
            restore(
                    session,
                    session.createSelectionQuery(
                                    "from AlertRow a where a.vehicleId = :id and (a.id in (select max(b.id) from"
                                            + " AlertRow b where b.vehicleId = :id group by b.position, b.family)"
                                            + " or a.state <> CLOSED)",
                                    AlertRow.class)
                            .setParameter("id", vehicle.id())
                            .getResultList());
            vehicle.publishAlerts();
        }
    }

    private void restore(StatelessSession session, List<AlertRow> latest) {
        Map<Long, List<AlertEntry>> entries =
                AlertQueries.entries(session, latest.stream().map(row -> row.id).toList());
        for (AlertRow row : latest) {
            List<AlertEntry> own = entries.getOrDefault(row.id, List.of());
            stored.add(row.id);
            entriesStored.put(row.id, own.size());
            fleet.vehicle(row.vehicleId).ifPresent(vehicle -> vehicle.book().restore(row.alert(own)));
        }
    }

    /** What was saved so far stands. */
    public void settled() {
        announcedIfAllIsWell = unannounced.size();
    }

    /** Every alert a wheel ever had, oldest first. */
    public List<Alert> ofWheel(StatelessSession session, long vehicleId, Position position) {
        List<AlertRow> rows = session.createSelectionQuery(
                        "from AlertRow where vehicleId = :vehicle and position = :position order by id", AlertRow.class)
                .setParameter("vehicle", vehicleId)
                .setParameter("position", position.code())
                .getResultList();
        Map<Long, List<AlertEntry>> entries =
                AlertQueries.entries(session, rows.stream().map(row -> row.id).toList());
        rows.forEach(row -> {
            stored.add(row.id);
            entriesStored.put(row.id, entries.getOrDefault(row.id, List.of()).size());
        });
        return rows.stream()
                .map(row -> row.alert(entries.getOrDefault(row.id, List.of())))
                .toList();
    }

    /** Stores an alert as it is now; what is new in its record goes into the logbook. */
    public void save(Pen pen, FleetVehicle vehicle, Alert alert) {
        boolean hasDeed = noteNew(pen, vehicle, alert, alert.entries().size());
        long change = store(pen.session(), vehicle, alert, false);
        if (!hasDeed) {
            // Figures that moved are no deed, so that nobody would learn of them from the logbook.
            unannounced.add(new AlertChanged(alert.id(), change));
        }
    }

    /** The same for what one deed has changed, which is returned and not yet in the book. */
    Deed saveBy(Pen pen, FleetVehicle vehicle, Alert alert) {
        int last = alert.entries().size() - 1;
        noteNew(pen, vehicle, alert, last);
        store(pen.session(), vehicle, alert, false);
        return AlertDeeds.of(vehicle, alert, last);
    }

    /** Stores an alert whose record was written anew. */
    public void saveRewritten(Pen pen, FleetVehicle vehicle, Alert alert) {
        pen.note(Author.JUDGE, AlertDeeds.rewritten(vehicle, alert));
        store(pen.session(), vehicle, alert, true);
    }

    private boolean noteNew(Pen pen, FleetVehicle vehicle, Alert alert, int upTo) {
        int first = entriesStored.getOrDefault(alert.id(), 0);
        for (int number = first; number < upTo; number++) {
            Author author = AlertDeeds.author(alert.entries().get(number), pen.author());
            pen.note(author, AlertDeeds.of(vehicle, alert, number));
        }
        return first < upTo;
    }

    private long store(StatelessSession session, FleetVehicle vehicle, Alert alert, boolean isRewritten) {
        Instant now = clock.instant();
        long seq = ids.next("alert", "change_seq");
        AlertRow row = AlertRow.of(alert, vehicle.id(), seq, now);
        if (stored.add(alert.id())) {
            session.insert(row);
        } else {
            session.update(row);
            if (isRewritten) {
                session.createMutationQuery("delete from AlertEntryRow where alertId = :alert")
                        .setParameter("alert", alert.id())
                        .executeUpdate();
                entriesStored.remove(alert.id());
            }
        }
        int known = entriesStored.getOrDefault(alert.id(), 0);
        for (int number = known; number < alert.entries().size(); number++) {
            session.insert(AlertEntryRow.of(alert.id(), number, alert.entries().get(number)));
        }
        entriesStored.put(alert.id(), alert.entries().size());
        vehicle.publishAlerts();
        return seq;
    }

    /** Tells the rest of the product what changed; called once it is on disk. */
    public void announce() {
        List<AlertChanged> changes = List.copyOf(unannounced);
        unannounced.clear();
        settled();
        changes.forEach(events::publishEvent);
    }
}
