package vividcaravan.core.fitting;

import vividcaravan.core.axles.Position;

/**
 * A sensor's stay at a wheel, from {@code from} inclusive to {@code to} exclusive.
 *
 * @param sensor the sensor's identity
 * @param vehicle the vehicle's identity
 * @param position the wheel
 * @param from epoch milliseconds
 * @param to epoch milliseconds, {@link #OPEN} while it lasts
 */
public record Fitting(long sensor, long vehicle, Position position, long from, long to) {

    /** The end of a stay that lasts. */
    public static final long OPEN = Long.MAX_VALUE;

    /**
     * @throws IllegalArgumentException if the stay would be empty
     */
    public Fitting {
        if (!(from < to)) {
            throw new IllegalArgumentException("a stay ends after it begins, was " + from + " to " + to);
        }
    }

    /** Whether the sensor sat there at {@code at}. */
    public boolean covers(long at) {
        return from <= at && at < to;
    }

    /** Whether the stay lasts. */
    public boolean isOpen() {
        return to == OPEN;
    }

    boolean isAt(long vehicleId, Position wheel) {
        return vehicle == vehicleId && position.equals(wheel);
    }

    Fitting until(long end) {
        return new Fitting(sensor, vehicle, position, from, end);
    }
}
