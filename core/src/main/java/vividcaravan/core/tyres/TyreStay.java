package vividcaravan.core.tyres;

import java.util.Objects;

/**
 * A tyre's stay at a place, from {@code from} inclusive to {@code to} exclusive.
 *
 * @param tyre the tyre's identity
 * @param sensor the sensor inside while it is off every vehicle, or null; at a wheel the sensor has a stay of its own
 * @param from epoch milliseconds; {@link #ALWAYS} where nobody knows since when
 * @param to epoch milliseconds, {@link #OPEN} while it lasts
 */
public record TyreStay(long tyre, TyrePlace place, Long sensor, long from, long to) {

    /** The beginning of a stay of which nobody saw the beginning. */
    public static final long ALWAYS = 0;

    /** The end of a stay that lasts. */
    public static final long OPEN = Long.MAX_VALUE;

    /**
     * @throws IllegalArgumentException if the stay would be empty, or names a sensor though it is at a wheel
     */
    public TyreStay {
        if (!(from < to)) {
            throw new IllegalArgumentException("a stay ends after it begins, was " + from + " to " + to);
        }
        if (sensor != null && place instanceof TyrePlace.AtWheel) {
            throw new IllegalArgumentException("the sensor of a wheel has a stay of its own, was " + sensor);
        }
    }

    /** Whether the tyre was there at {@code at}. */
    public boolean covers(long at) {
        return from <= at && at < to;
    }

    /** Whether the stay lasts. */
    public boolean isOpen() {
        return to == OPEN;
    }

    boolean overlaps(TyreStay other) {
        return from < other.to && other.from < to;
    }

    /** This stay, ended at {@code end}, epoch milliseconds. */
    public TyreStay until(long end) {
        return new TyreStay(tyre, place, sensor, from, end);
    }

    boolean goesOnAs(TyreStay next) {
        return tyre == next.tyre && place.equals(next.place) && Objects.equals(sensor, next.sensor) && to == next.from;
    }

    TyreStay with(TyreStay next) {
        return until(next.to);
    }
}
