package vividcaravan.server.tyres;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Departure;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.TyreInspection;
import vividcaravan.core.tyres.TyreStay;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.writer.View;
import vividcaravan.server.writer.WriterState;

/**
 * The wheels on the road whose tread was last read below the least, for gate, list and driver's page. They are looked up anew, by a
 * reader, once something was written that they follow from; the query finds worn tyres alone, by an index.
 */
@Component
@Order(7)
public class WornTyres implements WriterState {

    private static final int PORTION = 500;

    private final SessionFactory sessions;
    private final FleetDirectory fleet;
    /** Asked for once it is needed: the least tread is itself set by the writer. */
    private final ObjectProvider<TyreDemands> demands;

    /** Counts what was written that the worn wheels follow from. */
    private volatile long written;

    private volatile Looked looked = new Looked(-1, Map.of());
    private boolean isTouched;
    private boolean isWritten;

    /**
     * What was looked up.
     *
     * @param written how much had been written by then
     */
    private record Looked(long written, Map<Long, List<Departure.Worn>> byVehicle) {}

    WornTyres(SessionFactory sessions, FleetDirectory fleet, ObjectProvider<TyreDemands> demands) {
        this.sessions = sessions;
        this.fleet = fleet;
        this.demands = demands;
    }

    /** A tread, a tyre's place, a wheel's role or the least tread changed; for the single writer only. */
    public void touched() {
        isTouched = true;
    }

    @Override
    public void load(StatelessSession session) {
        isTouched = false;
        isWritten = false;
        written = written + 1;
    }

    @Override
    public void settled() {
        isWritten |= isTouched;
        isTouched = false;
    }

    @Override
    public void takeBack(StatelessSession session) {
        isTouched = false;
    }

    @Override
    public void onDurable() {
        if (isWritten) {
            written = written + 1;
        }
        isWritten = false;
    }

    /** The worn wheels of a vehicle; safe to ask, not on the writer's thread. */
    public List<Departure.Worn> of(FleetVehicle vehicle) {
        Looked now = looked;
        if (now.written != written) {
            now = lookUp();
        }
        return now.byVehicle.getOrDefault(vehicle.id(), List.of());
    }

    /** Whoever asks meanwhile waits: what was true before the last write is not told after it. */
    private synchronized Looked lookUp() {
        // What is written from here on makes it old again.
        long now = written;
        if (looked.written != now) {
            try (StatelessSession session = sessions.openStatelessSession()) {
                looked = new Looked(now, worn(session, demands.getObject().ofTyres(View.of(session))));
            }
        }
        return looked;
    }

    private Map<Long, List<Departure.Worn>> worn(StatelessSession session, TyreInspection.Rules rules) {
        double most = Math.max(rules.minTreadMm(), rules.minTreadSteerMm());
        Map<Long, TreadReadingRow> low = session
                .createSelectionQuery(
                        "from TreadReadingRow r where r.shallowestMm < :most and not exists (select 1 from TreadReadingRow n"
                                + " where n.tyreId = r.tyreId and (n.readAt > r.readAt or n.readAt = r.readAt and n.id > r.id))",
                        TreadReadingRow.class)
                .setParameter("most", most)
                .getResultList()
                .stream()
                .collect(Collectors.toMap(row -> row.tyreId, row -> row));
        Map<Long, List<Departure.Worn>> found = new HashMap<>();
        List<Long> tyres = List.copyOf(low.keySet());
        for (int from = 0; from < tyres.size(); from += PORTION) {
            session.createSelectionQuery(
                            "from TyreStayRow where tyreId in :tyres and vehicleId is not null and toAt = "
                                    + TyreStay.OPEN,
                            TyreStayRow.class)
                    .setParameter("tyres", tyres.subList(from, Math.min(from + PORTION, tyres.size())))
                    .getResultList()
                    .forEach(row -> add(found, row, low.get(row.tyreId).shallowestMm, rules));
        }
        return found;
    }

    private void add(
            Map<Long, List<Departure.Worn>> found, TyreStayRow row, double treadMm, TyreInspection.Rules rules) {
        Position position = Position.parse(row.position);
        fleet.vehicle(row.vehicleId).ifPresent(vehicle -> {
            AxleLayout layout = vehicle.description().layout();
            if (position.isSpare() || !layout.has(position)) {
                return;
            }
            double least = rules.leastMm(layout.axle(position.axle()).role());
            if (treadMm < least) {
                found.computeIfAbsent(vehicle.id(), id -> new ArrayList<>())
                        .add(new Departure.Worn(position, treadMm, least));
            }
        });
    }
}
