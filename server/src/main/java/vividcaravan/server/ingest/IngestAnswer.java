package vividcaravan.server.ingest;

import java.util.List;

/**
 * What became of a body of readings.
 *
 * @param rejected the first 1,000 that were not taken
 * @param rejectedTotal all that were not taken
 */
record IngestAnswer(long accepted, long duplicates, long unknownSensors, List<Rejected> rejected, long rejectedTotal) {

    /**
     * One reading that was not taken.
     *
     * @param index its place in the body, from 0, counting array elements or lines that are not blank
     */
    record Rejected(long index, String message) {}
}
