package vividcaravan.server.receivers;

import org.jspecify.annotations.Nullable;
import vividcaravan.core.coupling.PowerKind;
import vividcaravan.core.coupling.ReceiverKind;

/**
 * A receiver or repeater as it is known.
 *
 * @param vehicle identity of the vehicle that it rides with, or null
 * @param isAssumed whether that follows from what it hears, and nobody said so
 * @param depot where it stays, or null
 * @param place where on the vehicle or at the depot, in words
 * @param firstHeardAt when it first heard a sensor, epoch milliseconds, or null
 * @param lastHeardAt when it last did
 * @param readings how many it heard since
 */
public record KnownReceiver(
        String name,
        ReceiverKind kind,
        @Nullable Long vehicle,
        boolean isAssumed,
        @Nullable String depot,
        @Nullable String place,
        @Nullable PowerKind power,
        @Nullable Long firstHeardAt,
        @Nullable Long lastHeardAt,
        long readings) {

    /** One of which nothing is known but its name. */
    static KnownReceiver named(String name) {
        return new KnownReceiver(name, ReceiverKind.RECEIVER, null, false, null, null, null, null, null, 0);
    }

    /** Whether somebody said where it is. */
    public boolean isPlaced() {
        return depot != null || vehicle != null && !isAssumed;
    }

    /** The same after hearing more. */
    KnownReceiver hearing(long more, long newest) {
        return new KnownReceiver(
                name,
                kind,
                vehicle,
                isAssumed,
                depot,
                place,
                power,
                firstHeardAt == null ? Long.valueOf(newest) : firstHeardAt,
                lastHeardAt == null ? newest : Math.max(lastHeardAt, newest),
                readings + more);
    }

    /** The same, taken to ride with {@code rider}. */
    KnownReceiver assumedAt(long rider) {
        return new KnownReceiver(name, kind, rider, true, depot, place, power, firstHeardAt, lastHeardAt, readings);
    }
}
