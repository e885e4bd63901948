package vividcaravan.server.history;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentSkipListSet;
import org.hibernate.StatelessSession;

/**
 * One table of blocks for each week, so that history beyond the retention is dropped with its table: measured eighty
 * times cheaper than deleting its rows, and the file does not grow (docs/benchmarks.md).
 */
final class WeekTables {

    static final long HOURS = 24 * 7;
    private static final String PREFIX = "READING_BLOCK_W";

    private final Set<Long> weeks = new ConcurrentSkipListSet<>();

    /** Learns which weeks there are. */
    void load(StatelessSession session) {
        weeks.clear();
        session.doWork(connection -> weeks.addAll(weeksIn(connection)));
    }

    private static Set<Long> weeksIn(Connection connection) throws SQLException {
        Set<Long> found = new ConcurrentSkipListSet<>();
        try (Statement statement = connection.createStatement();
                ResultSet tables = statement.executeQuery(
                        "select table_name from information_schema.tables where table_name like '"
                                + PREFIX.replace("_", "\\_") + "%'")) {
            while (tables.next()) {
                found.add(Long.parseLong(tables.getString(1).substring(PREFIX.length())));
            }
        }
        return found;
    }

    /** The oldest week there is. */
    Optional<Long> oldest() {
        return weeks.stream().findFirst();
    }

    static long week(long hour) {
        return Math.floorDiv(hour, HOURS);
    }

    static String name(long week) {
        return PREFIX.toLowerCase(java.util.Locale.ROOT) + week;
    }

    boolean has(long week) {
        return weeks.contains(week);
    }

    /** Makes the table of a week, if there is none. H2 commits by itself here. */
    void make(StatelessSession session, long week) {
        if (!has(week)) {
            execute(
                    session,
                    "create table if not exists " + name(week)
                            + " (id bigint primary key, payload varbinary(1048576) not null)");
            weeks.add(week);
        }
    }

    /** Drops the weeks before {@code week} and returns how many these were. H2 commits by itself here. */
    int dropBefore(StatelessSession session, long week) {
        List<Long> old = weeks.stream().filter(w -> w < week).toList();
        for (long w : old) {
            weeks.remove(w);
            execute(session, "drop table " + name(w));
        }
        return old.size();
    }

    private static void execute(StatelessSession session, String ddl) {
        session.doWork(connection -> {
            try (Statement statement = connection.createStatement()) {
                statement.execute(ddl);
            }
        });
    }
}
