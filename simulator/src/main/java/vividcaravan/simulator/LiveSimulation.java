package vividcaravan.simulator;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Runs the scenario beside the product: first what was missed, then live. */
public final class LiveSimulation implements Runnable {

    private static final Logger LOG = LoggerFactory.getLogger(LiveSimulation.class);
    private static final int BATCH = 20_000;
    private static final long EVERY_MILLIS = 5_000;

    private final SimulatedFleet fleet;
    private final ReadingsSender sender;
    private final Instant resumeFrom;
    private final Clock clock;

    /**
     * @param resumeFrom readings before this have been sent already
     */
    public LiveSimulation(SimulatedFleet fleet, ReadingsSender sender, Instant resumeFrom, Clock clock) {
        this.fleet = fleet;
        this.sender = sender;
        this.resumeFrom = resumeFrom;
        this.clock = clock;
    }

    /** Runs until the thread is interrupted. */
    @Override
    public void run() {
        try {
            catchUp();
            while (!Thread.currentThread().isInterrupted()) {
                List<SimulatedReading> heard = new ArrayList<>();
                fleet.passUntil(clock.instant(), heard::add);
                sender.send(heard);
                Thread.sleep(EVERY_MILLIS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void catchUp() throws InterruptedException {
        List<SimulatedReading> heard = new ArrayList<>();
        fleet.passUntil(clock.instant(), reading -> {
            if (reading.at() >= resumeFrom.toEpochMilli()) {
                heard.add(reading);
            }
        });
        for (int from = 0; from < heard.size(); from += BATCH) {
            sender.send(heard.subList(from, Math.min(from + BATCH, heard.size())));
        }
        LOG.info("Demo: the fleet's past is in place ({} readings); from now on it lives", heard.size());
    }
}
