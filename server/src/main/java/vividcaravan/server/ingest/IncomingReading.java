package vividcaravan.server.ingest;

import org.jspecify.annotations.Nullable;
import vividcaravan.core.judge.rules.Reading;

/**
 * A reading as received, checked but not yet attributed.
 *
 * @param sensor the sensor's code, upper case
 * @param receiver the receiver that heard it, or null where nobody said
 * @param odometerKm what the odometer of its vehicle showed, km, or null
 * @param index its place in its body, from 0
 */
record IncomingReading(
        String sensor, Reading reading, @Nullable String receiver, @Nullable Double odometerKm, long index) {

    /** The same, heard by {@code bound}. */
    IncomingReading heardBy(String bound) {
        return new IncomingReading(sensor, reading, bound, odometerKm, index);
    }

    /** It was driven shortly before, as its odometer shows; what the sensor itself says of it goes first. */
    IncomingReading driven() {
        Reading moving = new Reading(
                reading.at(),
                reading.pressureKpa(),
                reading.temperatureC(),
                reading.batteryMv(),
                reading.rssiDbm(),
                Boolean.TRUE);
        return reading.moving() != null ? this : new IncomingReading(sensor, moving, receiver, odometerKm, index);
    }
}
