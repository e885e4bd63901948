package vividcaravan.server.walks;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.hibernate.StatelessSession;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.writer.WriterState;

/** The latest walk round each vehicle, in memory: gate, list and driver's page ask for it at each look. */
@Component
@Order(5)
public class LatestWalks implements WriterState {

    /**
     * A walk round a vehicle.
     *
     * @param at when it was said to be made
     * @param by user name of the driver
     * @param faults how many were found
     */
    public record Walk(Instant at, String by, int faults) {}

    private final Map<Long, Walk> byVehicle = new ConcurrentHashMap<>();
    private final Clock clock;
    private boolean isTouched;

    LatestWalks(Clock clock) {
        this.clock = clock;
    }

    @Override
    public void load(StatelessSession session) {
        byVehicle.clear();
        // A day of any time zone began two days ago at the most.
        session.createSelectionQuery("from WalkRow where walkedAt >= :since order by walkedAt, id", WalkRow.class)
                .setParameter("since", clock.instant().minus(2, ChronoUnit.DAYS))
                .getResultList()
                .forEach(this::put);
    }

    private void put(WalkRow row) {
        byVehicle.put(row.vehicleId, new Walk(row.walkedAt, row.walkedBy, row.faults));
    }

    /** A walk was made; for the single writer only. */
    void walked(WalkRow row) {
        isTouched = true;
        put(row);
    }

    @Override
    public void settled() {
        isTouched = false;
    }

    @Override
    public void takeBack(StatelessSession session) {
        if (isTouched) {
            load(session);
        }
    }

    /** The latest walk of today round a vehicle, by its depot's clock; safe to read. */
    public Optional<Walk> ofToday(FleetVehicle vehicle) {
        return Optional.ofNullable(byVehicle.get(vehicle.id()))
                .filter(walk -> !walk.at().isBefore(beginningOfDay(vehicle)));
    }

    private Instant beginningOfDay(FleetVehicle vehicle) {
        ZoneId zone = vehicle.depot().map(DepotDescription::timeZone).orElse(ZoneOffset.UTC);
        return clock.instant().atZone(zone).toLocalDate().atStartOfDay(zone).toInstant();
    }
}
