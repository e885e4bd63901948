package vividcaravan.simulator;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CopyOnWriteArrayList;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import vividcaravan.core.axles.Position;

/** Runs the scenario beside the product: first what was missed, then live. */
public final class LiveSimulation implements Runnable {

    private static final Logger LOG = LoggerFactory.getLogger(LiveSimulation.class);
    private static final int BATCH = 20_000;
    private static final long EVERY_MILLIS = 5_000;
    private static final int STEPS_OF_PROGRESS = 5;
    /** Readings nobody has waited for are thinned to one in so long: a folder may have rested for weeks. */
    private static final long THINNED_MILLIS = 600_000;

    private static final Duration LONGEST_PAST = Duration.ofDays(80);

    private final SimulatedFleet fleet;
    private final ReadingsSender sender;
    private final Instant resumeFrom;
    private final Clock clock;
    private final List<Incident> incidents;
    private final SimulatedBench bench = new SimulatedBench();
    private volatile double progress;

    /**
     * @param resumeFrom readings before this have been sent already
     * @param incidents what was planted earlier
     */
    public LiveSimulation(
            SimulatedFleet fleet, ReadingsSender sender, Instant resumeFrom, List<Incident> incidents, Clock clock) {
        this.fleet = fleet;
        this.sender = sender;
        this.resumeFrom = resumeFrom;
        this.incidents = new CopyOnWriteArrayList<>(incidents);
        this.clock = clock;
    }

    /** How much of the past is in place, 0 to 1; 1 while it lives. */
    public double progress() {
        return progress;
    }

    /** What was planted, the oldest first. */
    public List<Incident> incidents() {
        return List.copyOf(incidents);
    }

    /** Whether a vehicle drives in the scenario. */
    public boolean knows(String vehicle) {
        return fleet.vehicle(vehicle).isPresent();
    }

    /** Whether a wheel turns in the scenario. */
    public boolean knows(String vehicle, Position position) {
        return fleet.vehicle(vehicle).filter(known -> known.has(position)).isPresent();
    }

    /** Lets something happen from the next step on. */
    public void plant(Incident incident) {
        incidents.add(incident);
    }

    /**
     * Holds the handheld reader to a wheel in the workshop; its sensor is heard within seconds.
     *
     * @param targetKpa what the tyre is meant to have, kPa gauge
     * @return the sensor's code
     */
    public String touch(String vehicle, Position position, double targetKpa) {
        return bench.touch(vehicle, position, targetKpa, clock.instant());
    }

    /** Whether a sensor belongs to a wheel in the workshop. */
    public static boolean isInWorkshop(String code) {
        return SimulatedBench.hasCode(code);
    }

    /** Lets {@code kpa} into a wheel in the workshop, or out of it if negative. */
    public void inflate(String vehicle, Position position, double targetKpa, double kpa) {
        bench.inflate(vehicle, position, targetKpa, kpa, clock.instant());
    }

    /** Runs until the thread is interrupted. */
    @Override
    public void run() {
        try {
            catchUp();
            while (!Thread.currentThread().isInterrupted()) {
                live();
                Thread.sleep(EVERY_MILLIS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void live() throws InterruptedException {
        try {
            List<SimulatedReading> heard = new ArrayList<>();
            fleet.passUntil(clock.instant(), incidents, heard::add);
            bench.pass(clock.instant(), heard::add);
            sender.send(heard);
        } catch (RuntimeException e) {
            LOG.error("A step of the demo failed; it goes on with the next", e);
        }
    }

    private void catchUp() {
        Instant now = clock.instant();
        Instant first = resumeFrom.isAfter(now.minus(LONGEST_PAST)) ? resumeFrom : now.minus(LONGEST_PAST);
        Instant denseFrom = now.minus(SimulatedFleet.DENSE);
        fleet.resume(first, denseFrom, incidents);
        Map<String, Long> lastOf = new HashMap<>();
        long sent = 0;
        int said = 0;
        CompletableFuture<Void> sending = CompletableFuture.completedFuture(null);
        // Hour by hour, so that what waits to be sent stays small.
        for (Instant until = fleet.now(); until.isBefore(now); ) {
            List<SimulatedReading> heard = new ArrayList<>();
            while (until.isBefore(now) && heard.size() < BATCH) {
                until = until.plusSeconds(3_600).isBefore(now) ? until.plusSeconds(3_600) : now;
                fleet.passUntil(until, incidents, reading -> {
                    boolean isNew = reading.at() >= first.toEpochMilli();
                    if (isNew && (reading.at() >= denseFrom.toEpochMilli() || isDue(lastOf, reading))) {
                        heard.add(reading);
                    }
                });
            }
            // One part is sent while the next is made.
            sending.join();
            sending = inBackground(heard);
            sent += heard.size();
            progress = Math.min(
                    0.99,
                    (double) Duration.between(first, until).toSeconds()
                            / Math.max(1, Duration.between(first, now).toSeconds()));
            int part = (int) (progress * STEPS_OF_PROGRESS);
            if (part > said) {
                said = part;
                LOG.info("Demo: {} % of the fleet's past is in place", part * 100 / STEPS_OF_PROGRESS);
            }
        }
        sending.join();
        progress = 1;
        LOG.info("Demo: the fleet's past is in place ({} readings); from now on it lives", sent);
    }

    private CompletableFuture<Void> inBackground(List<SimulatedReading> heard) {
        return CompletableFuture.runAsync(() -> {
            try {
                sender.send(heard);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
    }

    private static boolean isDue(Map<String, Long> lastOf, SimulatedReading reading) {
        Long last = lastOf.get(reading.sensor());
        if (last != null && reading.at() - last < THINNED_MILLIS - 60_000) {
            return false;
        }
        lastOf.put(reading.sensor(), reading.at());
        return true;
    }
}
