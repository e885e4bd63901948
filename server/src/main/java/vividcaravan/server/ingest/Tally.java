package vividcaravan.server.ingest;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What became of some readings.
 *
 * @param rejected the first {@link #MOST_LISTED} that were not taken, by their place in the body
 * @param rejectedTotal all that were not taken
 */
record Tally(
        long accepted, long duplicates, long unknownSensors, List<IngestAnswer.Rejected> rejected, long rejectedTotal) {

    static final int MOST_LISTED = 1_000;

    static final Tally NONE = new Tally(0, 0, 0, List.of(), 0);

    Tally plus(Tally other) {
        List<IngestAnswer.Rejected> all = rejected;
        if (!other.rejected.isEmpty()) {
            all = new ArrayList<>(rejected);
            all.addAll(other.rejected);
            all.sort(Comparator.comparingLong(IngestAnswer.Rejected::index));
            all = List.copyOf(all.subList(0, Math.min(MOST_LISTED, all.size())));
        }
        return new Tally(
                accepted + other.accepted,
                duplicates + other.duplicates,
                unknownSensors + other.unknownSensors,
                all,
                rejectedTotal + other.rejectedTotal);
    }

    IngestAnswer answer() {
        return new IngestAnswer(accepted, duplicates, unknownSensors, rejected, rejectedTotal);
    }
}
