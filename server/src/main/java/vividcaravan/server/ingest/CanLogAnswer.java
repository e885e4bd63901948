package vividcaravan.server.ingest;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a log of a vehicle's bus holds, and what became of it.
 *
 * @param isPreview whether it was only looked at
 * @param lines lines that are not blank
 * @param messages those of them that tell of a tyre
 * @param others messages of something else
 * @param unreadable lines that are none of such a log
 * @param faults the first lines that could not be used, and why
 * @param notMeasured messages of tyres without a measurement, which are passed over
 * @param from time of the first message of a tyre
 * @param to time of the last
 * @param wheels which wheels it tells of
 * @param accepted readings that were stored, or would be
 * @param duplicates those of them that were there already; 0 in a preview
 * @param rejected messages of wheels that could not be stored, such as where no sensor sat
 */
record CanLogAnswer(
        boolean isPreview,
        long lines,
        long messages,
        long others,
        long unreadable,
        List<LineFault> faults,
        long notMeasured,
        @Nullable Instant from,
        @Nullable Instant to,
        List<CanWheel> wheels,
        long accepted,
        long duplicates,
        long rejected) {

    /** A line that could not be used, counted from 1. */
    record LineFault(long line, String message) {}

    /**
     * A wheel as the bus names it.
     *
     * @param axle counted from the front, from 1
     * @param place counted from the left, from 1
     * @param position the same as the vehicle has it; null where it has none there
     * @param sensor the sensor that its readings are stored with; null where none sits there
     */
    record CanWheel(int axle, int place, @Nullable String position, @Nullable String sensor, long messages) {}
}
