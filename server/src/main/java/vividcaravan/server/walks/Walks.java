package vividcaravan.server.walks;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.springframework.stereotype.Service;
import vividcaravan.core.driver.WalkFault;
import vividcaravan.server.alerts.AlertActions;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;

/** Walks round vehicles: each is kept, and a fault found is an alert in the same write. */
@Service
public class Walks {

    private final LatestWalks latest;
    private final AlertActions actions;
    private final Clock clock;

    Walks(LatestWalks latest, AlertActions actions, Clock clock) {
        this.latest = latest;
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
            latest.walked(row);
            String ref = vehicle.description().ref();
            return Deed.of(DeedKind.WALKED, vehicle.thing(), "walked round " + ref + ": " + found)
                    .at(vehicle.id());
        });
    }
}
