package vividcaravan.simulator;

import java.util.SplittableRandom;
import java.util.function.Consumer;

/**
 * A sensor that reports once a minute while its wheel turns, goes on for some minutes after that and then sleeps; the
 * first values after waking take half a minute to a minute [common practice].
 */
final class SimulatedSensor {

    private static final long EVERY_MILLIS = 60_000;
    private static final long AWAKE_AFTER_STOP_MILLIS = 6 * 60_000L;
    private static final double LOST_SHARE = 0.02;

    private final String code;
    private final double stepKpa;
    private final boolean saysMoving;
    private final SplittableRandom random;
    private final int batteryMv;
    private long nextAt = Long.MAX_VALUE;
    private long movedAt = Long.MIN_VALUE;

    SimulatedSensor(String code, double stepKpa, boolean saysMoving, SplittableRandom random) {
        this.code = code;
        this.stepKpa = stepKpa;
        this.saysMoving = saysMoving;
        this.random = random;
        this.batteryMv = 2900 + random.nextInt(180);
    }

    /** Lets the time from {@code from} to {@code to} pass; what gets through to the receiver goes to {@code receiver}. */
    void pass(long from, long to, boolean isMoving, SimulatedTyre tyre, Consumer<SimulatedReading> receiver) {
        if (isMoving) {
            if (nextAt == Long.MAX_VALUE) {
                nextAt = from + 30_000 + random.nextInt(30_000);
            }
            movedAt = to;
        } else if (nextAt != Long.MAX_VALUE && from - movedAt > AWAKE_AFTER_STOP_MILLIS) {
            nextAt = Long.MAX_VALUE;
        }
        while (nextAt < to) {
            SimulatedReading reading = measure(Math.max(nextAt, from), isMoving, tyre);
            if (random.nextDouble() >= LOST_SHARE) {
                receiver.accept(reading);
            }
            nextAt += EVERY_MILLIS + random.nextInt(4_000) - 2_000;
        }
    }

    private SimulatedReading measure(long at, boolean isMoving, SimulatedTyre tyre) {
        double noisy = tyre.gaugeKpa() + (random.nextDouble() - 0.5) * 2;
        double kpa = Math.max(0, Math.round(noisy / stepKpa) * stepKpa);
        return new SimulatedReading(
                code,
                at,
                kpa,
                Math.round(tyre.celsius()),
                // Cold cells sag.
                batteryMv + (int) Math.min(0, (tyre.celsius() - 15) * 4),
                -70 - random.nextInt(22),
                saysMoving ? isMoving : null);
    }
}
