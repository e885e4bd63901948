package vividcaravan.server.ingest;

import static java.util.stream.Collectors.toSet;

import java.util.Set;
import org.hibernate.StatelessSession;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import vividcaravan.server.alerts.AlertStore;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetLoader;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.history.BlockStore;
import vividcaravan.server.history.HistoryKeeper;
import vividcaravan.server.writer.WriterState;

/**
 * What the single writer keeps in memory beside the database: the fleet, its alerts, what the judges saw and what is not in
 * its lasting place yet. Read at the start, after a write that failed, and kept tidy between two groups of writes.
 */
@Component
@Order(1)
class JudgingMemory implements WriterState {

    private static final Logger LOG = LoggerFactory.getLogger(JudgingMemory.class);

    private final FleetDirectory fleet;
    private final FleetLoader loader;
    private final AlertStore alerts;
    private final BlockStore blocks;
    private final HistoryKeeper history;
    private final JournalClosing closing;
    private final JournalReplay replay;
    private final ClockWatch clockWatch;

    JudgingMemory(
            FleetDirectory fleet,
            FleetLoader loader,
            AlertStore alerts,
            BlockStore blocks,
            HistoryKeeper history,
            JournalClosing closing,
            JournalReplay replay,
            ClockWatch clockWatch) {
        this.fleet = fleet;
        this.loader = loader;
        this.alerts = alerts;
        this.blocks = blocks;
        this.history = history;
        this.closing = closing;
        this.replay = replay;
        this.clockWatch = clockWatch;
    }

    @Override
    public void load(StatelessSession session) {
        loader.load(session);
        alerts.load(session);
        history.load(session);
        long replayed = replay.replay(session);
        fleet.vehicles().forEach(this::publishConditions);
        closing.begin();
        if (replayed > 0) {
            LOG.info("Took up {} readings from the journal", replayed);
        }
    }

    private void publishConditions(FleetVehicle vehicle) {
        vehicle.description().layout().positions().forEach(vehicle::judged);
        vehicle.publishAlerts();
    }

    @Override
    public void settled() {
        fleet.settled();
        alerts.settled();
    }

    @Override
    public void takeBack(StatelessSession session) {
        FleetDirectory.Touched touched = fleet.touched();
        if (touched.isNothing()) {
            return;
        }
        LOG.info(
                "Reading afresh {} vehicles and {} sensors that a failed write touched",
                touched.vehicles().size(),
                touched.sensors().size());
        loader.load(session, touched);
        FleetDirectory.Touched known = new FleetDirectory.Touched(
                touched.vehicles().stream()
                        .filter(vehicle -> fleet.vehicle(vehicle.id()).isPresent())
                        .collect(toSet()),
                touched.sensors(),
                touched.isRegister());
        alerts.load(session, known.vehicles());
        Set<Long> sensors = touched.sensors().stream().map(KnownSensor::id).collect(toSet());
        blocks.forget(sensors::contains);
        replay.replay(session, known);
        known.vehicles().forEach(this::publishConditions);
    }

    @Override
    public void onDurable() {
        alerts.announce();
    }

    @Override
    public boolean tidy(StatelessSession session, boolean isIdle) {
        clockWatch.keep();
        boolean hasMore = closing.tidy(session, isIdle) || !closing.isClosing() && history.tidy(session);
        settled();
        return hasMore;
    }
}
