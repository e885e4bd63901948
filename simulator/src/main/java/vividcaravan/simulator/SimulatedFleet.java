package vividcaravan.simulator;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/**
 * The whole scenario, moved on in fixed steps from a fixed beginning: the same beginning gives the same readings, so after
 * a restart it is simply run again to where it was.
 */
public final class SimulatedFleet {

    /** How much history a demo begins with. */
    public static final Duration HISTORY = Duration.ofDays(2);

    private static final long STEP_MILLIS = 10_000;

    private final List<SimulatedVehicle> vehicles = new ArrayList<>();
    private long now;

    /**
     * @param begun when the demo was begun; the history lies before
     */
    public SimulatedFleet(Instant begun) {
        long anchor = Math.floorDiv(begun.toEpochMilli(), STEP_MILLIS) * STEP_MILLIS;
        now = anchor - HISTORY.toMillis();
        List<VehiclePlan> plans = Larkmoor.vehicles();
        for (int i = 0; i < plans.size(); i++) {
            vehicles.add(new SimulatedVehicle(plans.get(i), i, anchor, now));
        }
    }

    /** Lets time pass up to {@code until}, in whole steps; readings come out in the order of their steps. */
    public void passUntil(Instant until, Consumer<SimulatedReading> receiver) {
        while (now + STEP_MILLIS <= until.toEpochMilli()) {
            long from = now;
            now += STEP_MILLIS;
            vehicles.forEach(vehicle -> vehicle.pass(from, now, receiver));
        }
    }
}
