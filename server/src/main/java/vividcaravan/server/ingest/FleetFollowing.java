package vividcaravan.server.ingest;

import java.time.Clock;
import java.util.List;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertState;
import vividcaravan.server.alerts.AlertStore;
import vividcaravan.server.fleet.FittingsChanged;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleRedescribed;
import vividcaravan.server.fleet.VehicleStateChanged;
import vividcaravan.server.fleet.WheelAdjusted;
import vividcaravan.server.platform.Refusal;

/** What changes of the fleet mean for what the judges have seen, within the same write. */
@Component
class FleetFollowing {

    private final AlertStore alerts;
    private final JournalClosing closing;
    private final WheelRejudging rejudging;
    private final Strangers strangers;
    private final Clock clock;

    FleetFollowing(
            AlertStore alerts, JournalClosing closing, WheelRejudging rejudging, Strangers strangers, Clock clock) {
        this.alerts = alerts;
        this.closing = closing;
        this.rejudging = rejudging;
        this.strangers = strangers;
        this.clock = clock;
    }

    @EventListener
    void redescribed(VehicleRedescribed event) {
        FleetVehicle vehicle = event.vehicle();
        for (Alert alert : List.copyOf(vehicle.book().alerts())) {
            boolean isGone = alert.position() != null
                    && vehicle.rules().at(alert.position()).isEmpty();
            if (isGone && alert.state() != AlertState.CLOSED && alert.isRunSoft()) {
                throw Refusal.conflict(
                        "The tyre at " + alert.position().code() + " was run at 80 % of its target or less."
                                + " Have it inspected or scrapped, and close its alert, before this wheel is taken away.");
            }
            if (isGone && alert.state() != AlertState.CLOSED) {
                Alert withdrawn = alert.withdrawn("The vehicle no longer has this wheel.", clock.millis());
                vehicle.book().replace(withdrawn);
                alerts.save(event.pen(), vehicle, withdrawn);
            }
        }
        if (vehicle.everFitted().stream().anyMatch(sensor -> sensor.newest() != null)) {
            closing.save(event.pen().session(), vehicle);
        }
    }

    /** What stood while nobody was to be told is told now. */
    @EventListener
    void stateChanged(VehicleStateChanged event) {
        for (Alert alert : List.copyOf(event.vehicle().book().alerts())) {
            if (alert.state() != AlertState.CLOSED) {
                alerts.save(event.pen(), event.vehicle(), alert);
            }
        }
    }

    @EventListener
    void adjusted(WheelAdjusted event) {
        closing.save(event.pen().session(), event.vehicle());
    }

    @EventListener
    void fittingsChanged(FittingsChanged event) {
        event.vehicle().everFitted().forEach(sensor -> strangers.forget(sensor.code()));
        boolean wasHeard = event.vehicle().everFitted().stream().anyMatch(sensor -> sensor.newest() != null);
        if (wasHeard) {
            event.since()
                    .forEach((position, since) -> rejudging.corrected(event.pen(), event.vehicle(), position, since));
            closing.save(event.pen().session(), event.vehicle());
        }
    }
}
