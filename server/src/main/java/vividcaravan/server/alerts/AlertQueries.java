package vividcaravan.server.alerts;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.LongPredicate;
import java.util.stream.Stream;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.hibernate.query.SelectionQuery;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertEntry;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.core.alert.DriverAnswer;
import vividcaravan.core.axles.Position;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.fleet.WheelLimits;
import vividcaravan.server.platform.Rounded;

/** Reads alerts from the database, as far as whoever asks may see their vehicles. */
@Component
public class AlertQueries {

    private static final int ENTRY_QUERY = 1_000;

    private static final int HOURS = 12;
    private static final int HOURS_OF_DAYS = 72;
    private static final int HOURS_OF_WEEKS = 504;

    private final SessionFactory sessions;
    private final FleetDirectory fleet;
    private final VisibleFleet visible;
    private final Alongside alongside;

    AlertQueries(SessionFactory sessions, FleetDirectory fleet, VisibleFleet visible, Alongside alongside) {
        this.alongside = alongside;
        this.sessions = sessions;
        this.fleet = fleet;
        this.visible = visible;
    }

    private List<String> reasons(Alert alert, FleetVehicle vehicle, AlertWords words) {
        return Stream.concat(words.reasons(alert).stream(), alongside.of(vehicle, alert, words).stream())
                .toList();
    }

    static Map<Long, List<AlertEntry>> entries(StatelessSession session, List<Long> alertIds) {
        Map<Long, List<AlertEntry>> entries = new HashMap<>();
        for (int from = 0; from < alertIds.size(); from += ENTRY_QUERY) {
            List<Long> some = alertIds.subList(from, Math.min(from + ENTRY_QUERY, alertIds.size()));
            session.createSelectionQuery(
                            "from AlertEntryRow where alertId in (:ids) order by alertId, number", AlertEntryRow.class)
                    .setParameterList("ids", some)
                    .getResultList()
                    .forEach(row -> entries.computeIfAbsent(row.alertId, id -> new ArrayList<>())
                            .add(row.entry()));
        }
        return entries;
    }

    /**
     * Some alerts.
     *
     * @param order the one opened last first, or the most urgent first
     * @param state {@code open}, {@code closed} or {@code all}
     * @param vehicle a vehicle's ref, or null for all that are in service
     * @param since only those changed at or after this time, or null
     * @param limit how many at most
     * @param cursor where to go on, from an earlier page, or null
     */
    AlertPage page(
            String state, String vehicle, Instant since, int limit, String cursor, AlertOrder order, AlertWords words) {
        StringBuilder where = new StringBuilder("where 1 = 1");
        Map<String, Object> parameters = new HashMap<>();
        if (state.equals("open")) {
            where.append(" and a.state <> CLOSED");
        } else if (state.equals("closed")) {
            where.append(" and a.state = CLOSED");
        }
        if (vehicle != null) {
            where.append(" and a.vehicleId = :vehicle");
            parameters.put("vehicle", visible.existing(vehicle).id());
        } else {
            LongPredicate sees = visible.sees();
            List<Long> untold = fleet.vehicles().stream()
                    .filter(one -> !one.isTold() || !sees.test(one.id()))
                    .map(FleetVehicle::id)
                    .toList();
            if (!untold.isEmpty()) {
                where.append(" and a.vehicleId not in (:untold)");
                parameters.put("untold", untold);
            }
        }
        if (since != null) {
            where.append(" and a.updatedAt >= :since");
            parameters.put("since", since);
        }
        if (cursor != null) {
            order.after(cursor, where, parameters);
        }
        try (StatelessSession session = sessions.openStatelessSession()) {
            SelectionQuery<AlertRow> query =
                    session.createSelectionQuery("from AlertRow a " + where + order.clause(), AlertRow.class);
            parameters.forEach(query::setParameter);
            List<AlertRow> rows = query.setMaxResults(limit + 1).getResultList();
            boolean hasMore = rows.size() > limit;
            List<AlertRow> shown = hasMore ? rows.subList(0, limit) : rows;
            List<AlertItem> items = items(session, shown, words);
            return new AlertPage(items, hasMore ? order.cursor(shown.get(shown.size() - 1)) : null);
        }
    }

    /** One alert as the Desk shows it. */
    public Optional<AlertDetail> detail(long id, AlertWords words) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            AlertRow row = session.get(AlertRow.class, id);
            if (row == null || !visible.sees().test(row.vehicleId)) {
                return Optional.empty();
            }
            FleetVehicle vehicle = fleet.vehicle(row.vehicleId).orElseThrow();
            Alert alert =
                    vehicle.asItIsNow(row.alert(entries(session, List.of(id)).getOrDefault(id, List.of())));
            // Of a note for the whole vehicle, the wheel that was named shows it best.
            Optional<Position> shown = Optional.ofNullable(alert.position())
                    .or(() -> Optional.ofNullable(alert.evidence().other()));
            return Optional.of(new AlertDetail(
                    item(row, alert, vehicle, words),
                    byDepot(words, vehicle).causes(alert),
                    reasons(alert, vehicle, byDepot(words, vehicle)),
                    AlertWords.safetyNotes(alert).stream()
                            .map(note -> new AlertDetail.Safety(note.title(), note.text()))
                            .toList(),
                    alert.entries().stream()
                            .map(e -> new AlertDetail.Entry(
                                    Instant.ofEpochMilli(e.at()), e.change(), e.kind(), e.urgency(), e.who(), e.note()))
                            .toList(),
                    alert.isRunSoft(),
                    alert.hasToBeInspected(),
                    alert.canBeTakenBack(),
                    alert.evidence().isParked(),
                    alert.shelvedUntil() == null ? null : Instant.ofEpochMilli(alert.shelvedUntil()),
                    shown.map(Position::code).orElse(null),
                    chartHours(alert),
                    exchangeWith(alert, vehicle),
                    alert.evidence().step() == null
                            ? null
                            : Instant.ofEpochMilli(alert.evidence().step().to()),
                    shown.flatMap(vehicle.rules()::at).map(WheelLimits::of).orElse(null)));
        }
    }

    /** Where an alert is: its vehicle's ref, and a wheel's code or null. */
    record Place(String vehicle, @Nullable String position) {}

    /** An alert and where it is. */
    record Placed(Place place, Alert alert) {}

    /** Every alert of a vehicle in service that was open at {@code first} or later, with its record. */
    List<Placed> since(Instant first) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            List<AlertRow> rows = session.createSelectionQuery(
                            "from AlertRow where openedAt >= :first or state <> CLOSED or closedAt >= :first",
                            AlertRow.class)
                    .setParameter("first", first.toEpochMilli())
                    .getResultList();
            Map<Long, List<AlertEntry>> entries =
                    entries(session, rows.stream().map(row -> row.id).toList());
            return rows.stream()
                    .flatMap(row -> fleet.vehicle(row.vehicleId).filter(FleetVehicle::isInService).stream()
                            .map(vehicle -> new Placed(
                                    new Place(vehicle.description().ref(), row.position),
                                    row.alert(entries.getOrDefault(row.id, List.of())))))
                    .toList();
        }
    }

    /** The alert with this identity as an item. */
    public Optional<AlertItem> item(long id, AlertWords words) {
        return detail(id, words).map(AlertDetail::item);
    }

    /**
     * A change of an alert, and the alert as it was when that was looked up; not yet in anybody's words.
     *
     * @param vehicle identity of its vehicle
     * @param isTold whether people are told of the vehicle's alerts
     */
    public record Change(long seq, long alert, long vehicle, boolean isTold, Function<AlertWords, AlertItem> item) {}

    /**
     * The alerts changed after change number {@code seq}, in the order of their latest change, {@code most} at most.
     *
     * @param sees which vehicles, by identity, are wanted
     */
    public List<Change> changedAfter(long seq, int most, LongPredicate sees) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            List<AlertRow> rows = session.createSelectionQuery(
                            "from AlertRow where changeSeq > :seq order by changeSeq", AlertRow.class)
                    .setParameter("seq", seq)
                    .setMaxResults(most)
                    .getResultList();
            Map<Long, List<AlertEntry>> entries = entries(
                    session,
                    rows.stream()
                            .filter(row -> sees.test(row.vehicleId))
                            .map(row -> row.id)
                            .toList());
            return rows.stream()
                    .map(row -> change(row, entries.getOrDefault(row.id, List.of())))
                    .toList();
        }
    }

    private Change change(AlertRow row, List<AlertEntry> entries) {
        FleetVehicle vehicle = fleet.vehicle(row.vehicleId).orElseThrow();
        Alert alert = vehicle.asItIsNow(row.alert(entries));
        return new Change(
                row.changeSeq, row.id, row.vehicleId, vehicle.isTold(), words -> item(row, alert, vehicle, words));
    }

    /** Number of the change after which there are {@code count} alerts with newer ones; 0 if there are fewer. */
    public long changeBeforeNewest(int count) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session.createSelectionQuery("select changeSeq from AlertRow order by changeSeq desc", Long.class)
                    .setFirstResult(count)
                    .setMaxResults(1)
                    .uniqueResultOptional()
                    .orElse(0L);
        }
    }

    /** Number of the latest change. */
    public long latestChange() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session.createSelectionQuery("select coalesce(max(changeSeq), 0) from AlertRow", Long.class)
                    .getSingleResult();
        }
    }

    private List<AlertItem> items(StatelessSession session, List<AlertRow> rows, AlertWords words) {
        Map<Long, List<AlertEntry>> entries =
                entries(session, rows.stream().map(row -> row.id).toList());
        return rows.stream()
                .map(row -> {
                    FleetVehicle vehicle = fleet.vehicle(row.vehicleId).orElseThrow();
                    Alert alert = vehicle.asItIsNow(row.alert(entries.getOrDefault(row.id, List.of())));
                    return item(row, alert, vehicle, words);
                })
                .toList();
    }

    /** What shows over days is to be seen over days. */
    private static int chartHours(Alert alert) {
        boolean isOfDays = alert.evidence().step() != null || alert.evidence().isRepeating();
        return alert.evidence().overDays() != null ? HOURS_OF_WEEKS : isOfDays ? HOURS_OF_DAYS : HOURS;
    }

    /** The wheel whose sensor is to change places with this one's, where the alert says so and both have one. */
    private static @Nullable String exchangeWith(Alert alert, FleetVehicle vehicle) {
        Position other = alert.evidence().other();
        boolean isOffered = alert.kind() == AlertKind.SENSORS_CROSSED
                && alert.state() != AlertState.CLOSED
                && other != null
                && vehicle.sensorAt(alert.position()).isPresent()
                && vehicle.sensorAt(other).isPresent();
        return isOffered ? other.code() : null;
    }

    /** Times are told by the clock where the vehicle lives. */
    private static AlertWords byDepot(AlertWords words, FleetVehicle vehicle) {
        return vehicle.depot().map(depot -> words.by(depot.timeZone())).orElse(words);
    }

    private static AlertItem item(AlertRow row, Alert alert, FleetVehicle vehicle, AlertWords words) {
        Position position = alert.position();
        String ref = vehicle.description().ref();
        return new AlertItem(
                Long.toString(alert.id()),
                ref,
                position == null ? null : position.code(),
                alert.kind(),
                alert.urgency(),
                alert.state(),
                Instant.ofEpochMilli(alert.openedAt()),
                row.updatedAt,
                alert.closedAt() == null ? null : Instant.ofEpochMilli(alert.closedAt()),
                alert.entries().stream()
                        .filter(e -> e.change().isStep())
                        .map(e -> new AlertItem.Step(Instant.ofEpochMilli(e.at()), e.kind(), e.urgency()))
                        .toList(),
                byDepot(words, vehicle).summary(alert, ref),
                words.advice(alert),
                Rounded.tenth(alert.evidence().pressureKpa()),
                Rounded.tenth(alert.evidence().pressureAt20Kpa()),
                Rounded.tenth(alert.evidence().temperatureC()),
                alert.evidence().minutesToCritical(),
                criticalAt(alert),
                alert.lastAnswer().map(AlertQueries::answer).orElse(null),
                alert.entries().size(),
                alert.handling().assignee(),
                alert.handling().sameCauseAs() == null
                        ? null
                        : Long.toString(alert.handling().sameCauseAs()),
                alert.closedOn().orElse(null),
                alert.handling().verdict(),
                alert.hasJob());
    }

    private static AlertItem.Answer answer(AlertEntry entry) {
        return new AlertItem.Answer(
                Instant.ofEpochMilli(entry.at()), entry.who(), entry.note(), DriverAnswer.isUrgent(entry.note()));
    }

    private static Instant criticalAt(Alert alert) {
        Integer minutes = alert.evidence().minutesToCritical();
        return minutes == null
                ? null
                : Instant.ofEpochMilli(alert.evidence().at()).plus(Duration.ofMinutes(minutes));
    }
}
