package vividcaravan.server.description;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What became of a list of vehicles.
 *
 * @param rows every row in its order
 * @param faulty how many rows have faults; nothing is stored while there is one
 * @param stored how many vehicles were stored
 */
record VehicleBatch(List<BatchRow> rows, int faulty, int stored) {

    /**
     * One line of the list.
     *
     * @param line its number in the list, 1 being the first
     * @param faults what is wrong with it
     */
    record BatchRow(
            long line, @Nullable String ref, @Nullable String plate, @Nullable String depot, List<String> faults) {}
}
