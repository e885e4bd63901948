package vividcaravan.server.alerts;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.function.UnaryOperator;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertRefused;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.Closure;
import vividcaravan.core.alert.DriverAnswer;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Ticking;
import vividcaravan.server.platform.WriteFailed;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;

/** What people do to alerts. */
@Component
class AlertActions implements Ticking {

    private static final Logger LOG = LoggerFactory.getLogger(AlertActions.class);

    private final SingleWriter writer;
    private final FleetDirectory fleet;
    private final AlertStore store;
    private final Clock clock;

    AlertActions(SingleWriter writer, FleetDirectory fleet, AlertStore store, Clock clock) {
        this.writer = writer;
        this.fleet = fleet;
        this.store = store;
        this.clock = clock;
    }

    @Override
    public List<Tick> ticks() {
        return List.of(new Tick("end-of-shelving", Duration.ZERO, Duration.ofSeconds(20), this::unshelve));
    }

    void acknowledge(long id, String who) {
        change(id, alert -> alert.acknowledged(who, clock.millis()));
    }

    void takeInHand(long id, String who, String note) {
        change(id, alert -> alert.takenInHand(who, note, clock.millis()));
    }

    void shelve(long id, String who, String reason, long until) {
        change(id, alert -> alert.shelved(who, reason, until, clock.millis()));
    }

    void note(long id, String who, String note) {
        change(id, alert -> alert.noted(who, note, clock.millis()));
    }

    void answer(long id, String who, DriverAnswer answer) {
        change(id, alert -> alert.answered(who, answer, clock.millis()));
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

    void close(long id, Closure closure) {
        change(id, alert -> alert.closed(closure, clock.millis()));
    }

    private void change(long id, UnaryOperator<Alert> how) {
        writer.make(view -> {
            AlertRow row = view.get(AlertRow.class, id);
            if (row == null) {
                throw Refusal.notFound("There is no alert " + id + ".");
            }
            FleetVehicle vehicle = fleet.vehicle(row.vehicleId).orElseThrow();
            Alert alert = vehicle.alert(id)
                    .orElseThrow(() -> Refusal.conflict("This alert is closed; a newer one stands in its place."));
            // What people see is what they decide on: what gets worse from here on calls again.
            Alert changed = how.apply(vehicle.asItIsNow(alert));
            if (changed.entries().size() == alert.entries().size()) {
                return Decision.nothing(null);
            }
            return Decision.make(pen -> {
                vehicle.book().replace(changed);
                return Done.by(store.saveBy(pen, vehicle, changed));
            });
        });
    }
}
