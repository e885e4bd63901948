package vividcaravan.server.tyres;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.TyreSpec;
import vividcaravan.core.judge.Rejudgement;
import vividcaravan.core.tyres.RemovalReason;
import vividcaravan.core.tyres.Tyre;
import vividcaravan.core.tyres.TyreDistance;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyreStay;
import vividcaravan.core.tyres.TyreTimeline;
import vividcaravan.server.fleet.AxleDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.View;

/** Reads and writes tyres and where they were. Nothing of it is held in memory: it is asked for seldom. */
@Component
public class TyreTables {

    /** Rows that name more of something than this are asked for in portions. */
    private static final int PORTION = 500;

    private static final String TREADS = "from TreadReadingRow %s order by readAt, id";
    private static final String PASSAGES =
            "select s.tyreId, m.movedAt, s.fromVehicleId, f.km, s.toVehicleId, t.km from MoveRow m"
                    + " join MoveStepRow s on s.moveId = m.id"
                    + " left join MoveDistanceRow f on f.moveId = m.id and f.vehicleId = s.fromVehicleId"
                    + " left join MoveDistanceRow t on t.moveId = m.id and t.vehicleId = s.toVehicleId"
                    + " where m.undoneAt is null%s";

    private final FleetDirectory fleet;
    private final WornTyres worn;

    TyreTables(FleetDirectory fleet, WornTyres worn) {
        this.worn = worn;
        this.fleet = fleet;
    }

    /**
     * What is taken for granted of the tyre at a wheel of which nothing is written down: that it is as its axle is described, and a
     * spare as all axles, where they are alike.
     */
    public static Tyre assumed(FleetVehicle vehicle, Position position) {
        List<TyreSpec> specs = vehicle.description().axles().stream()
                .map(AxleDescription::tyre)
                .distinct()
                .toList();
        TyreSpec spec = position.isSpare()
                ? specs.size() == 1 ? specs.get(0) : TyreSpec.UNKNOWN
                : vehicle.description().axles().get(position.axle() - 1).tyre();
        return new Tyre(null, null, spec.size(), spec.loadIndex(), null, null, null, null);
    }

    /** The tyre with this identity. */
    public Optional<TyreRow> tyre(View view, long id) {
        return Optional.ofNullable(view.get(TyreRow.class, id));
    }

    /** Every tyre of these identities, by it. */
    public Map<Long, TyreRow> tyres(View view, Collection<Long> ids) {
        Map<Long, TyreRow> found = new LinkedHashMap<>();
        inPortions(view, "from TyreRow where id in :ids", TyreRow.class, ids).forEach(row -> found.put(row.id, row));
        return found;
    }

    /** The last tread reading of each of these tyres, by tyre. */
    public Map<Long, TreadReadingRow> lastTreads(View view, Collection<Long> tyres) {
        Map<Long, TreadReadingRow> found = new LinkedHashMap<>();
        inPortions(view, TREADS.formatted("where tyreId in :ids"), TreadReadingRow.class, tyres)
                .forEach(row -> found.put(row.tyreId, row));
        return found;
    }

    /** Every stay at a wheel of the vehicle, and nothing of where its tyres were else. */
    public List<TyreStay> staysOn(View view, long vehicle) {
        return stays(view, "vehicleId in :ids", List.of(vehicle));
    }

    /** Every stay of a tyre, oldest first. */
    public List<TyreStay> staysOf(View view, long tyre) {
        return stays(view, "tyreId in :ids", List.of(tyre));
    }

    private static List<TyreStay> stays(View view, String where, Collection<Long> ids) {
        String query = "from TyreStayRow where " + where + " order by fromAt, id";
        return inPortions(view, query, TyreStayRow.class, ids).stream()
                .map(TyreStayRow::stay)
                .toList();
    }

    /** Every stay of these tyres, and of all that ever stood on these vehicles. */
    public TyreTimeline timeline(View view, Collection<Long> tyres, Collection<Long> vehicles) {
        Set<Long> concerned = new HashSet<>(tyres);
        stays(view, "vehicleId in :ids", vehicles).forEach(stay -> concerned.add(stay.tyre()));
        return TyreTimeline.of(stays(view, "tyreId in :ids", concerned));
    }

    /** The tyre of a sensor that is off every vehicle; empty where the sensor is not inside one. */
    public Optional<TyreStay> aroundSensor(View view, long sensor) {
        return stays(view, "sensorId in :ids and toAt = " + TyreStay.OPEN, List.of(sensor)).stream()
                .findFirst();
    }

    /** Writes what became of the stays of {@code before}, tyre by tyre. */
    public void store(Pen pen, TyreTimeline before, TyreTimeline after) {
        worn.touched();
        StatelessSession session = pen.session();
        Set<TyreStay> was = new HashSet<>(before.stays());
        Set<TyreStay> is = new HashSet<>(after.stays());
        Set<Long> changed = new HashSet<>();
        was.stream().filter(stay -> !is.contains(stay)).forEach(stay -> changed.add(stay.tyre()));
        is.stream().filter(stay -> !was.contains(stay)).forEach(stay -> changed.add(stay.tyre()));
        for (long tyre : changed) {
            session.createMutationQuery("delete from TyreStayRow where tyreId = :tyre")
                    .setParameter("tyre", tyre)
                    .executeUpdate();
            after.stays().stream()
                    .filter(stay -> stay.tyre() == tyre)
                    .forEach(stay -> session.insert(TyreStayRow.of(stay)));
        }
    }

    /** A tyre that never was is nowhere. */
    public void forgetWhere(Pen pen, long tyre) {
        worn.touched();
        pen.session()
                .createMutationQuery("delete from TyreStayRow where tyreId = :tyre")
                .setParameter("tyre", tyre)
                .executeUpdate();
    }

    /** The tyre that is taken for granted at a wheel gets a row, there since nobody knows when. */
    public TyreRow assume(Pen pen, TyrePlace.AtWheel wheel, Instant now) {
        TyreRow row = new TyreRow();
        row.describe(assumed(fleet.vehicle(wheel.vehicle()).orElseThrow(), wheel.position()));
        row.addedAt = now;
        pen.session().insert(row);
        pen.session().insert(TyreStayRow.of(new TyreStay(row.id, wheel, null, TyreStay.ALWAYS, TyreStay.OPEN)));
        return row;
    }

    /** The tyres that left a wheel at {@code since} or later by moves that stand, the earliest first. */
    public List<Rejudgement.TyreLeft> left(StatelessSession session, long vehicle, Position position, long since) {
        return session
                .createSelectionQuery(
                        "select m, s from MoveRow m join MoveStepRow s on s.moveId = m.id where s.fromVehicleId = :vehicle"
                                + " and s.fromPosition = :position and m.movedAt >= :since and m.undoneAt is null"
                                + " order by m.movedAt, m.id",
                        Object[].class)
                .setParameter("vehicle", vehicle)
                .setParameter("position", position.code())
                .setParameter("since", since)
                .getResultList()
                .stream()
                .map(found -> {
                    MoveRow move = (MoveRow) found[0];
                    return new Rejudgement.TyreLeft(move.movedAt, move.madeBy, "The tyre was moved.");
                })
                .toList();
    }

    /** Every tread reading of every tyre, by tyre, oldest first. */
    Map<Long, List<TreadReadingRow>> treads(View view) {
        return byTyre(view.select(TREADS.formatted(""), TreadReadingRow.class).getResultList());
    }

    /** Every tread reading of these tyres, by tyre, oldest first. */
    Map<Long, List<TreadReadingRow>> treads(View view, Collection<Long> tyres) {
        return byTyre(inPortions(view, TREADS.formatted("where tyreId in :ids"), TreadReadingRow.class, tyres));
    }

    private static Map<Long, List<TreadReadingRow>> byTyre(List<TreadReadingRow> rows) {
        return rows.stream().collect(Collectors.groupingBy(row -> row.tyreId));
    }

    /** Every passage of every tyre from one place to another by moves that stand, by tyre. */
    Map<Long, List<TyreDistance.Passage>> passages(View view) {
        return passages(view.select(PASSAGES.formatted(""), Object[].class).getResultList());
    }

    /** The same of these tyres. */
    Map<Long, List<TyreDistance.Passage>> passages(View view, Collection<Long> tyres) {
        return passages(inPortions(view, PASSAGES.formatted(" and s.tyreId in :ids"), Object[].class, tyres));
    }

    private static Map<Long, List<TyreDistance.Passage>> passages(List<Object[]> rows) {
        return rows.stream()
                .collect(Collectors.groupingBy(
                        row -> (Long) row[0],
                        Collectors.mapping(
                                row -> new TyreDistance.Passage(
                                        (Long) row[1], (Long) row[2], (Double) row[3], (Long) row[4], (Double) row[5]),
                                Collectors.toList())));
    }

    /** Why a tyre came off, by when, of moves that stand; epoch milliseconds. */
    Map<Long, RemovalReason> removals(View view, long tyre) {
        Map<Long, RemovalReason> reasons = new HashMap<>();
        view.select(
                        "select m.movedAt, s.reason from MoveRow m join MoveStepRow s on s.moveId = m.id"
                                + " where s.tyreId = :tyre and s.reason is not null and m.undoneAt is null",
                        Object[].class)
                .setParameter("tyre", tyre)
                .getResultList()
                .forEach(row -> reasons.put((Long) row[0], (RemovalReason) row[1]));
        return reasons;
    }

    private static <T> List<T> inPortions(View view, String query, Class<T> type, Collection<Long> ids) {
        List<Long> all = ids.stream().filter(Objects::nonNull).distinct().toList();
        List<T> found = new ArrayList<>();
        for (int from = 0; from < all.size(); from += PORTION) {
            found.addAll(view.select(query, type)
                    .setParameter("ids", all.subList(from, Math.min(all.size(), from + PORTION)))
                    .getResultList());
        }
        return found;
    }
}
