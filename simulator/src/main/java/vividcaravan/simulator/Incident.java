package vividcaravan.simulator;

import java.time.Duration;
import java.time.Instant;
import java.util.function.Consumer;
import vividcaravan.core.axles.Position;

/** Something that somebody plants in the scenario to see what happens. Safe for several threads. */
public final class Incident {

    /** What can be planted. */
    public enum Kind {
        /** A puncture that loses an eighth of the target a minute. */
        LEAK(Fault.Kind.FAST_LEAK, 12, Duration.ofMinutes(20)),
        /** A brake that drags, heated up quickly so that nobody has to wait. */
        BRAKE(Fault.Kind.DRAGGING_BRAKE, 110, Duration.ofMinutes(30)),
        /** The vehicle stands while somebody sets its wheels to target. */
        AIR_LINE(Fault.Kind.AIR_LINE, 0, Duration.ofMinutes(10)),
        /** The vehicle goes on, and nothing is heard of it. */
        DEAD_RECEIVER(Fault.Kind.DEAD_RECEIVER, 0, Duration.ofMinutes(60)),
        /** A nail: it was on the road out of coverage, and six hours of readings come at once. */
        SLOW_LEAK(Fault.Kind.SLOW_LEAK, 16, Duration.ofHours(6), Duration.ofHours(6), Duration.ZERO),
        /** The same with a wheel end that warms up and holds the gauge up. */
        MASKED_LEAK(Fault.Kind.HOT_LEAK, 17, Duration.ofHours(6), Duration.ofHours(6), Duration.ZERO),
        /** It stood through a night of hard frost, and begins to roll. */
        COLD_MORNING(Fault.Kind.COLD_SNAP, 24, Duration.ofMinutes(60), Duration.ofHours(6), Duration.ofMinutes(354));

        private final Fault.Kind fault;
        private final double amount;
        private final Duration lasts;
        private final Duration past;
        private final Duration parked;

        Kind(Fault.Kind fault, double amount, Duration lasts) {
            this(fault, amount, lasts, Duration.ZERO, Duration.ZERO);
        }

        Kind(Fault.Kind fault, double amount, Duration lasts, Duration past, Duration parked) {
            this.fault = fault;
            this.amount = amount;
            this.lasts = lasts;
            this.past = past;
            this.parked = parked;
        }

        /** How long ago it began: as long nothing may have been heard of the vehicle, since all of it comes at once. */
        public Duration past() {
            return past;
        }

        /** Whether it is about one wheel rather than the vehicle. */
        public boolean isOfWheel() {
            return this == LEAK || this == BRAKE || this == SLOW_LEAK || this == MASKED_LEAK;
        }
    }

    private static final double HOURS_WELL = 1;

    private final Kind kind;
    private final String vehicle;
    private final Position position;
    private final Instant at;
    private volatile Instant endsAt;
    private Fault running;

    /**
     * @param position the wheel, or null where it is about the vehicle
     */
    public Incident(Kind kind, String vehicle, Position position, Instant at) {
        this(kind, vehicle, position, at, at.plus(kind.lasts));
    }

    /** One that was kept over a restart. */
    public Incident(Kind kind, String vehicle, Position position, Instant at, Instant endsAt) {
        this.kind = kind;
        this.vehicle = vehicle;
        this.position = position;
        this.at = at;
        this.endsAt = endsAt;
    }

    public Kind kind() {
        return kind;
    }

    public String vehicle() {
        return vehicle;
    }

    public Position position() {
        return position;
    }

    public Instant at() {
        return at;
    }

    public Instant endsAt() {
        return endsAt;
    }

    /** Puts it right at {@code now}, if that is sooner. */
    public void end(Instant now) {
        endsAt = now.isBefore(endsAt) ? now : endsAt;
    }

    /** Begins or ends in the step from {@code from}, if it is time. */
    void startAndEnd(long from, SimulatedVehicle subject, long anchor, Consumer<SimulatedReading> receiver) {
        boolean isTime = at.toEpochMilli() <= from && from < endsAt.toEpochMilli();
        if (isTime && running == null) {
            long began = at.minus(kind.past).toEpochMilli();
            // What it is like without a fault is to be seen first.
            double begins = (began - anchor) / Fault.HOUR_MILLIS + (kind.past.isZero() ? 0 : HOURS_WELL);
            running = new Fault(position, kind.fault, begins, Double.MAX_VALUE, kind.amount, false);
            subject.add(running);
            if (!kind.past.isZero()) {
                subject.relive(began, began + kind.parked.toMillis(), at.toEpochMilli(), receiver);
            }
        } else if (!isTime && running != null) {
            subject.remove(running);
            running = null;
        }
    }
}
