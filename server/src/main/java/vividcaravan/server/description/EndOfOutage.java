package vividcaravan.server.description;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.Outage;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleState;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Ticking;
import vividcaravan.server.platform.WriteFailed;

/** Puts vehicles back into service that were taken out of it until now. */
@Component
class EndOfOutage implements Ticking {

    private static final Logger LOG = LoggerFactory.getLogger(EndOfOutage.class);
    private static final Duration PAUSE = Duration.ofSeconds(5);

    private final FleetDirectory fleet;
    private final Describing describing;
    private final Clock clock;

    EndOfOutage(FleetDirectory fleet, Describing describing, Clock clock) {
        this.fleet = fleet;
        this.describing = describing;
        this.clock = clock;
    }

    @Override
    public List<Tick> ticks() {
        return List.of(new Tick("end-of-outage", PAUSE, PAUSE, this::look));
    }

    private void look() {
        for (FleetVehicle vehicle : fleet.vehicles()) {
            // While a tyre that was run soft is on it, it stays out; whoever brings it back by hand is told why.
            boolean isMarked = vehicle.untoldAlerts().stream().anyMatch(Alert::isRunSoft);
            if (!vehicle.isInService()
                    && !isMarked
                    && vehicle.outages().stream().anyMatch(this::isOver)) {
                putBack(vehicle.description().ref());
            }
        }
    }

    private boolean isOver(Outage outage) {
        return outage.isVehicle() && outage.until() <= clock.millis();
    }

    private void putBack(String ref) {
        try {
            describing.state(ref, VehicleState.IN_SERVICE, null, null);
        } catch (Refusal | WriteFailed e) {
            LOG.info("{} stays out of service for now: {}", ref, e.getMessage());
        }
    }
}
