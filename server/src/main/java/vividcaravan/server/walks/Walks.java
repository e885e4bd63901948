package vividcaravan.server.walks;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Service;
import vividcaravan.core.driver.WalkFault;
import vividcaravan.server.alerts.AlertActions;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;

/** Walks round vehicles: each is kept, and a fault found is an alert in the same write. */
@Service
public class Walks {

    /**
     * A walk round a vehicle.
     *
     * @param at when it was said to be made
     * @param by user name of the driver
     * @param faults how many were found
     */
    public record Walk(Instant at, String by, int faults) {}

    private final SessionFactory sessions;
    private final AlertActions actions;
    private final Clock clock;

    Walks(SessionFactory sessions, AlertActions actions, Clock clock) {
        this.sessions = sessions;
        this.actions = actions;
        this.clock = clock;
    }

    /**
     * Keeps a walk.
     *
     * @return the alerts that what was found has raised or added to
     */
    List<Long> walked(FleetVehicle vehicle, List<WalkFault> faults, String who) {
        WalkRow row = new WalkRow();
        row.vehicleId = vehicle.id();
        row.walkedBy = who;
        row.walkedAt = clock.instant().truncatedTo(ChronoUnit.MILLIS);
        row.faults = faults.size();
        String found = faults.isEmpty() ? "nothing found" : faults.size() == 1 ? "a fault" : faults.size() + " faults";
        return actions.report(vehicle.id(), WalkFault.sights(faults, who), pen -> {
            pen.session().insert(row);
            String ref = vehicle.description().ref();
            return Deed.of(DeedKind.WALKED, vehicle.thing(), "walked round " + ref + ": " + found)
                    .at(vehicle.id());
        });
    }

    /** The latest walk of today round each vehicle of {@code vehicles}, by vehicle; today is by its depot's clock. */
    public Map<Long, Walk> ofToday(List<FleetVehicle> vehicles) {
        Instant now = clock.instant();
        Map<Long, Walk> latest = new HashMap<>();
        try (StatelessSession session = sessions.openStatelessSession()) {
            session.createSelectionQuery("from WalkRow where walkedAt >= :since order by walkedAt, id", WalkRow.class)
                    .setParameter("since", now.minus(2, ChronoUnit.DAYS))
                    .getResultList()
                    .forEach(row -> latest.put(row.vehicleId, new Walk(row.walkedAt, row.walkedBy, row.faults)));
        }
        Map<Long, Walk> today = new HashMap<>();
        for (FleetVehicle vehicle : vehicles) {
            Optional.ofNullable(latest.get(vehicle.id()))
                    .filter(walk -> !walk.at().isBefore(beginningOfDay(vehicle, now)))
                    .ifPresent(walk -> today.put(vehicle.id(), walk));
        }
        return today;
    }

    private static Instant beginningOfDay(FleetVehicle vehicle, Instant now) {
        ZoneId zone = vehicle.depot().map(DepotDescription::timeZone).orElse(ZoneOffset.UTC);
        return now.atZone(zone).toLocalDate().atStartOfDay(zone).toInstant();
    }
}
