package vividcaravan.simulator;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * The whole scenario, moved on in fixed steps from a fixed beginning: the same beginning gives the same readings. After a
 * restart it is run again to where it was, most of the way in long steps: what went out of the tyres is the same. The older
 * part of the history is thinned: longer steps, and a reading every quarter of an hour instead of every minute.
 */
public final class SimulatedFleet {

    /** How much history a demo begins with. */
    public static final Duration HISTORY = Duration.ofDays(21);

    /** How much of it is as dense as life. */
    static final Duration DENSE = Duration.ofDays(3);

    private static final long STEP_MILLIS = 10_000;
    private static final long EVERY_MILLIS = 60_000;
    private static final long THIN_STEP_MILLIS = 60_000;
    private static final long THIN_EVERY_MILLIS = 900_000;
    private static final long SKIP_STEP_MILLIS = 600_000;
    /** After long steps tyres need some hours to forget what these got wrong of their warmth. */
    private static final long SETTLING_MILLIS = 6 * 3_600_000L;

    private final List<SimulatedVehicle> vehicles = new ArrayList<>();
    private final Map<String, String> receivers;
    private final long anchor;
    private long denseFrom;
    private long now;

    /**
     * @param begun when the demo was begun; the history lies before
     */
    public SimulatedFleet(Instant begun) {
        this(begun, HISTORY);
    }

    /** The same with another length of history. */
    SimulatedFleet(Instant begun, Duration history) {
        anchor = Math.floorDiv(begun.toEpochMilli(), THIN_STEP_MILLIS) * THIN_STEP_MILLIS;
        denseFrom = anchor - DENSE.toMillis();
        now = anchor - history.toMillis();
        List<VehiclePlan> plans = Larkmoor.vehicles();
        receivers = Larkmoor.receivers(plans);
        for (int i = 0; i < plans.size(); i++) {
            vehicles.add(new SimulatedVehicle(plans.get(i), i, anchor, now));
        }
    }

    /**
     * Goes on where an earlier run ended: lets time pass up to {@code from} without a reading.
     *
     * @param rested since when what was missed is to be as dense as life; before, it is thinned
     */
    void resume(Instant from, Instant rested, List<Incident> incidents) {
        denseFrom = Math.max(denseFrom, Math.floorDiv(rested.toEpochMilli(), THIN_STEP_MILLIS) * THIN_STEP_MILLIS);
        while (now + SKIP_STEP_MILLIS <= from.toEpochMilli() - SETTLING_MILLIS) {
            step(now + SKIP_STEP_MILLIS, SKIP_STEP_MILLIS, incidents, reading -> {});
        }
        passUntil(from, incidents, reading -> {});
    }

    /** Lets time pass up to {@code until}, in whole steps; readings come out in the order of their steps. */
    public void passUntil(Instant until, Consumer<SimulatedReading> receiver) {
        passUntil(until, List.of(), receiver);
    }

    /** The same with incidents that somebody planted, each at its time. */
    void passUntil(Instant until, List<Incident> incidents, Consumer<SimulatedReading> receiver) {
        while (true) {
            boolean isThin = now < denseFrom;
            long to = now + (isThin ? THIN_STEP_MILLIS : STEP_MILLIS);
            if (to > until.toEpochMilli()) {
                return;
            }
            step(to, isThin ? THIN_EVERY_MILLIS : EVERY_MILLIS, incidents, receiver);
        }
    }

    private void step(long to, long everyMillis, List<Incident> incidents, Consumer<SimulatedReading> receiver) {
        long from = now;
        now = to;
        for (Incident incident : incidents) {
            // What was planted at a vehicle that nobody simulates happens nowhere.
            vehicle(incident.vehicle())
                    .filter(subject -> incident.position() == null || subject.has(incident.position()))
                    .ifPresent(subject -> incident.startAndEnd(from, subject, anchor, receiver));
        }
        for (SimulatedVehicle vehicle : vehicles) {
            String heardBy = receivers.get(vehicle.ref());
            vehicle.pass(from, to, everyMillis, reading -> receiver.accept(reading.heardBy(heardBy)));
        }
    }

    /** The vehicle with this ref, if it drives in the scenario. */
    Optional<SimulatedVehicle> vehicle(String ref) {
        return vehicles.stream().filter(vehicle -> vehicle.ref().equals(ref)).findFirst();
    }

    /** Up to when time has passed. */
    Instant now() {
        return Instant.ofEpochMilli(now);
    }
}
