package vividcaravan.server.ingest;

import org.jspecify.annotations.Nullable;
import vividcaravan.core.judge.rules.Reading;

/**
 * A reading as received, checked but not yet attributed.
 *
 * @param sensor the sensor's code, upper case
 * @param receiver the receiver that heard it, or null where nobody said
 * @param index its place in its body, from 0
 */
record IncomingReading(String sensor, Reading reading, @Nullable String receiver, long index) {

    /** The same, heard by {@code bound}. */
    IncomingReading heardBy(String bound) {
        return new IncomingReading(sensor, reading, bound, index);
    }
}
