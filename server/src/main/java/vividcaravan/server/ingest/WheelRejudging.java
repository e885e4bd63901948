package vividcaravan.server.ingest;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.Rejudgement;
import vividcaravan.server.alerts.AlertStore;
import vividcaravan.server.history.BlockStore;
import vividcaravan.server.platform.Ids;
import vividcaravan.server.vehicles.FleetDirectory;
import vividcaravan.server.vehicles.KnownSensor;
import vividcaravan.server.vehicles.VehicleInService;

/** Judges a wheel again from its stored readings, after it was learned late what sat there or what it said. */
@Component
class WheelRejudging {

    private final FleetDirectory fleet;
    private final AlertStore alerts;
    private final BlockStore blocks;
    private final Ids ids;
    private final Clock clock;

    WheelRejudging(FleetDirectory fleet, AlertStore alerts, BlockStore blocks, Ids ids, Clock clock) {
        this.fleet = fleet;
        this.alerts = alerts;
        this.blocks = blocks;
        this.ids = ids;
        this.clock = clock;
    }

    /** Judges a wheel again whose record is different from {@code since} on. */
    void judgeAgain(StatelessSession session, VehicleInService vehicle, Position position, long since) {
        List<Alert> known = alerts.ofWheel(session, vehicle.id(), position);
        long from = beginning(vehicle, position, since, known);
        List<Fitting> stays = fleet.staysAt(vehicle, position, from, Fitting.OPEN);
        Rejudgement rejudgement = new Rejudgement(from, vehicle.rules(), known);
        for (Fitting stay : stays) {
            KnownSensor sensor = fleet.sensor(stay.sensor()).orElseThrow();
            long end = sensor.newest() == null
                    ? stay.from()
                    : Math.min(stay.to(), sensor.newest().at() + 1);
            blocks.read(
                    stay.sensor(),
                    stay.from(),
                    end,
                    entry -> {
                        if (!entry.isMarked()) {
                            rejudgement.judge(stay, entry.reading());
                            sensor.judgedUpTo(entry.reading().at());
                        }
                    },
                    () -> false);
        }
        vehicle.judge().takeOver(position, rejudgement.judge());
        Map<Long, Alert> all = new LinkedHashMap<>();
        known.forEach(alert -> all.put(alert.id(), alert));
        for (Alert alert : rejudgement.outcome(() -> ids.next("alert"), clock.millis())) {
            if (!alert.equals(all.put(alert.id(), alert))) {
                alerts.saveRewritten(session, vehicle, alert);
            }
        }
        vehicle.book().forget(position);
        all.values().forEach(vehicle.book()::restore);
        vehicle.publishAlerts();
        vehicle.judged(position);
    }

    /**
     * Where to begin, so that nothing that is judged again was half judged before: with the stay that {@code since} falls
     * into or ends, and earlier still while an alert reaches across.
     */
    private long beginning(VehicleInService vehicle, Position position, long since, List<Alert> known) {
        long from = startOfStay(vehicle, position, since - 1).orElse(since);
        long before;
        do {
            before = from;
            for (Alert alert : known) {
                if (alert.openedAt() < from && alert.isJudgedAfter(from)) {
                    from = startOfStay(vehicle, position, alert.openedAt()).orElse(alert.openedAt());
                }
            }
        } while (from < before);
        return from;
    }

    private Optional<Long> startOfStay(VehicleInService vehicle, Position position, long at) {
        return fleet.staysAt(vehicle, position, at, at + 1).stream().findFirst().map(Fitting::from);
    }
}
