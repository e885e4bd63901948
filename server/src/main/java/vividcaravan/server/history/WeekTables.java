package vividcaravan.server.history;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentSkipListSet;
import org.hibernate.StatelessSession;
import vividcaravan.server.platform.Storage;

/**
 * One table of blocks for each week, so that history beyond the retention is dropped with its table: measured eighty
 * times cheaper than deleting its rows, and the file does not grow (docs/benchmarks.md).
 */
final class WeekTables {

    static final long HOURS = 24 * 7;
    private static final String PREFIX = "reading_block_w";

    private final Storage storage;
    private final Set<Long> weeks = new ConcurrentSkipListSet<>();

    WeekTables(Storage storage) {
        this.storage = storage;
    }

    /** Learns which weeks there are. */
    void load(StatelessSession session) {
        weeks.clear();
        session.doWork(connection -> storage.tablesNamed(connection, PREFIX)
                .forEach(name -> weeks.add(Long.parseLong(name.substring(PREFIX.length())))));
    }

    /** The oldest week there is. */
    Optional<Long> oldest() {
        return weeks.stream().findFirst();
    }

    static long week(long hour) {
        return Math.floorDiv(hour, HOURS);
    }

    static String name(long week) {
        return PREFIX + week;
    }

    boolean has(long week) {
        return weeks.contains(week);
    }

    /** Makes the table of a week, if there is none. It ends the transaction under way. */
    void make(StatelessSession session, long week) {
        if (!has(week)) {
            session.doWork(connection -> storage.makeBlockTable(connection, name(week)));
            weeks.add(week);
        }
    }

    /** Drops the weeks before {@code week} and returns how many these were. It ends the transaction under way. */
    int dropBefore(StatelessSession session, long week) {
        List<Long> old = weeks.stream().filter(w -> w < week).toList();
        for (long w : old) {
            weeks.remove(w);
            session.doWork(connection -> storage.dropTable(connection, name(w)));
        }
        return old.size();
    }
}
