package vividcaravan.server.ingest;

import java.util.List;
import java.util.function.BiConsumer;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import vividcaravan.server.history.ReadingCodec;

/**
 * What was accepted and is not yet in its block: append-only rows in two tables used in turn, so that a consumed one is
 * truncated rather than deleted from. A row holds readings in the order in which they were judged.
 */
@Component
class Journal {

    /** Keeps a row well below H2's limit of 1 MiB. */
    static final int MOST_IN_ROW = 20_000;

    private String current = "A";
    private long lastSeq;
    private long readingsInCurrent;

    /** Learns where the journal stands, and passes on its rows in order. */
    void load(StatelessSession session, BiConsumer<Long, List<ReadingCodec.Entry>> rows) {
        current = session.createNativeQuery("select current_table from journal_state where id = 1", String.class)
                .getSingleResult();
        lastSeq = Math.max(
                highest(
                        session,
                        "select max(seq) from (select seq from journal_a union all select seq from journal_b) j"),
                highest(session, "select max(seq) from judgement"));
        readingsInCurrent = 0;
        read(session, (seq, entries) -> {
            readingsInCurrent += entries.size();
            rows.accept(seq, entries);
        });
    }

    /** Passes on its rows in order: the table that is not in use holds the earlier ones, and each is read by its key. */
    void read(StatelessSession session, BiConsumer<Long, List<ReadingCodec.Entry>> rows) {
        read(session, other(), rows);
        read(session, current, rows);
    }

    private static void read(StatelessSession session, String table, BiConsumer<Long, List<ReadingCodec.Entry>> rows) {
        long after = 0;
        while (true) {
            List<Object[]> some = session.createNativeQuery(
                            "select seq, payload from journal_" + table.toLowerCase(java.util.Locale.ROOT)
                                    + " where seq > :after order by seq fetch first 50 rows only",
                            Object[].class)
                    .setParameter("after", after)
                    .getResultList();
            if (some.isEmpty()) {
                return;
            }
            for (Object[] row : some) {
                after = ((Number) row[0]).longValue();
                rows.accept(after, ReadingCodec.read((byte[]) row[1]));
            }
        }
    }

    private static long highest(StatelessSession session, String query) {
        Long highest = session.createNativeQuery(query, Long.class).getSingleResult();
        return highest == null ? 0 : highest;
    }

    /** Appends what one write accepted, in the order in which it was judged. */
    void append(StatelessSession session, List<ReadingCodec.Entry> entries) {
        session.doWork(connection -> {
            try (java.sql.PreparedStatement insert = connection.prepareStatement("insert into journal_"
                    + current.toLowerCase(java.util.Locale.ROOT) + " (seq, payload) values (?, ?)")) {
                for (int from = 0; from < entries.size(); from += MOST_IN_ROW) {
                    insert.setLong(1, ++lastSeq);
                    insert.setBytes(
                            2, ReadingCodec.write(entries.subList(from, Math.min(from + MOST_IN_ROW, entries.size()))));
                    insert.executeUpdate();
                }
            }
        });
        readingsInCurrent += entries.size();
    }

    long lastSeq() {
        return lastSeq;
    }

    long readingsInCurrent() {
        return readingsInCurrent;
    }

    /** Goes on in the other table, which must be empty; within the caller's transaction. */
    void turnOver(StatelessSession session) {
        current = other();
        readingsInCurrent = 0;
        session.createNativeMutationQuery("update journal_state set current_table = :current where id = 1")
                .setParameter("current", current)
                .executeUpdate();
    }

    /** Empties the table not in use. H2 commits by itself here, so everything in it must be in its blocks by now. */
    void truncateOther(StatelessSession session) {
        session.doWork(connection -> {
            try (java.sql.Statement statement = connection.createStatement()) {
                statement.execute("truncate table journal_" + other().toLowerCase(java.util.Locale.ROOT));
            }
        });
    }

    private String other() {
        return current.equals("A") ? "B" : "A";
    }
}
