package vividcaravan.server.logbook.page;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Chain;
import vividcaravan.server.logbook.LogbookEntry;
import vividcaravan.server.logbook.LogbookProof;
import vividcaravan.server.logbook.LogbookRow;
import vividcaravan.server.logbook.Words;

/**
 * Finds entries of the book, the newest first. Of what is asked for, that which the fewest entries fit leads: its index gives
 * them in their order, and the rest is looked at entry by entry. Where nothing narrows the search but words, the thousands in
 * which they do not occur are left out.
 */
@Component
class LogbookPages {

    /** Whoever fits no more than so many entries leads, and its entries are all looked at. */
    private static final int FEW = 5_000;

    private static final int AT_ONCE = 500;

    private final SessionFactory sessions;

    LogbookPages(SessionFactory sessions) {
        this.sessions = sessions;
    }

    /**
     * A page of entries.
     *
     * @param hasMore whether there are older ones
     */
    record Page(List<LogbookEntry> entries, boolean hasMore) {}

    /** The newest entries before number {@code before} that fit, {@code most} at most. */
    Page find(LogbookFilter filter, long before, int most) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session.doReturningWork(connection -> new Search(connection, filter, most).before(before));
        }
    }

    /** How the chain stands. */
    LogbookProof proof() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session.doReturningWork(LogbookProof::of);
        }
    }

    /** A condition with its value, and the index that gives what fits it in the order of the book. */
    private record Condition(String from, String where, String order, List<Object> values) {}

    private static final class Search {

        private final Connection connection;
        private final int most;
        private final List<String> words;
        private final List<Condition> conditions = new ArrayList<>();
        private final LogbookFilter filter;
        private final List<LogbookEntry> found = new ArrayList<>();

        Search(Connection connection, LogbookFilter filter, int most) {
            this.connection = connection;
            this.filter = filter;
            this.most = most;
            this.words = filter.text() == null ? List.of() : Words.wanted(filter.text());
            if (filter.vehicle() != null) {
                boolean isWheel = filter.position() != null;
                conditions.add(new Condition(
                        "(select distinct number as found from logbook_place where vehicle_id = ?"
                                + (isWheel ? " and position = ?" : "")
                                + " and number > ? and number < ? order by number desc limit ?) p join logbook l on"
                                + " l.number = p.found",
                        "l.number in (select number from logbook_place where vehicle_id = ?"
                                + (isWheel ? " and position = ?)" : ")"),
                        "l.number desc",
                        isWheel ? List.of(filter.vehicle(), filter.position()) : List.of(filter.vehicle())));
            }
            if (filter.alert() != null) {
                conditions.add(indexed(
                        "logbook_by_thing",
                        "thing_kind",
                        "ALERT",
                        "thing",
                        filter.alert().toString()));
            }
            if (filter.author() != null) {
                Author.Kind kind = filter.authorKind() == null ? Author.Kind.PERSON : filter.authorKind();
                conditions.add(indexed("logbook_by_author", "author_kind", kind.name(), "author", filter.author()));
            }
            if (filter.kind() != null) {
                conditions.add(new Condition(
                        "logbook l use index (logbook_by_kind)",
                        "l.kind = ?",
                        "l.kind desc, l.number desc",
                        List.of(filter.kind().name())));
            }
        }

        private static Condition indexed(String index, String first, String value, String second, String other) {
            return new Condition(
                    "logbook l use index (" + index + ")",
                    "l." + first + " = ? and l." + second + " = ?",
                    "l." + first + " desc, l." + second + " desc, l.number desc",
                    List.of(value, other));
        }

        Page before(long before) throws SQLException {
            long low = filter.from() == null ? -1 : lastBefore(filter.from());
            long high = filter.to() == null ? before : Math.min(before, lastBefore(filter.to()) + 1);
            conditions.sort(Comparator.comparingLong(this::count));
            boolean isNarrow = !conditions.isEmpty() && count(conditions.get(0)) <= FEW;
            if (words.isEmpty() || isNarrow) {
                scan(low, high);
            } else {
                scanWhereWordsOccur(low, high);
            }
            boolean hasMore = found.size() > most;
            return new Page(hasMore ? List.copyOf(found.subList(0, most)) : List.copyOf(found), hasMore);
        }

        /** Number of the last entry that was made before {@code time}; times never fall along the book. */
        private long lastBefore(Instant time) throws SQLException {
            try (PreparedStatement query = connection.prepareStatement(
                    "select number from logbook where at < ? order by at desc, number desc limit 1")) {
                query.setLong(1, time.toEpochMilli());
                try (ResultSet rows = query.executeQuery()) {
                    return rows.next() ? rows.getLong(1) : 0;
                }
            }
        }

        /** How many entries fit a condition, as far as that matters. */
        private long count(Condition condition) {
            String sql = condition.from().startsWith("(")
                    ? "select count(*) from (select 1 from logbook_place where vehicle_id = ?"
                            + (condition.values().size() > 1 ? " and position = ?" : "") + " limit ?)"
                    : "select count(*) from (select 1 from " + condition.from() + " where " + condition.where()
                            + " limit ?)";
            try (PreparedStatement query = connection.prepareStatement(sql)) {
                int next = set(query, 1, condition.values());
                query.setInt(next, FEW + 1);
                try (ResultSet rows = query.executeQuery()) {
                    rows.next();
                    return rows.getLong(1);
                }
            } catch (SQLException e) {
                throw new IllegalStateException(e);
            }
        }

        private void scanWhereWordsOccur(long low, long high) throws SQLException {
            long newestSealed = -1;
            List<Long> blocks = new ArrayList<>();
            StringBuilder sql = new StringBuilder("select block, words from logbook_words where block < ?");
            words.forEach(word -> sql.append(" and (words = '' or locate(?, words) > 0)"));
            try (PreparedStatement newest = connection.prepareStatement("select max(block) from logbook_words");
                    ResultSet rows = newest.executeQuery()) {
                rows.next();
                newestSealed = rows.getObject(1) == null ? -1 : rows.getLong(1);
            }
            scan(Math.max(low, (newestSealed + 1) * Words.BLOCK - 1), high);
            try (PreparedStatement query = connection.prepareStatement(
                    sql.toString().replace("block, words", "block") + " order by block desc")) {
                query.setLong(1, high / Words.BLOCK + 1);
                set(query, 2, List.copyOf(words));
                query.setFetchSize(100);
                try (ResultSet rows = query.executeQuery()) {
                    while (rows.next()) {
                        blocks.add(rows.getLong(1));
                    }
                }
            }
            for (long block : blocks) {
                if (found.size() > most) {
                    return;
                }
                scan(Math.max(low, block * Words.BLOCK - 1), Math.min(high, (block + 1) * Words.BLOCK));
            }
        }

        /** Looks at the entries between two numbers, the newest first, until there are enough. */
        private void scan(long low, long high) throws SQLException {
            int atOnce = words.isEmpty() && conditions.size() <= 1 ? most + 1 : AT_ONCE;
            long below = high;
            boolean hasMore = true;
            while (hasMore && found.size() <= most && below > low + 1) {
                List<LogbookEntry> entries = entries(low, below, atOnce);
                hasMore = entries.size() == atOnce;
                for (LogbookEntry entry : entries) {
                    below = entry.number();
                    if (found.size() <= most && words.stream().allMatch(Words.of(entry)::contains)) {
                        found.add(entry);
                    }
                }
            }
        }

        private List<LogbookEntry> entries(long low, long high, int limit) throws SQLException {
            List<Object> values = new ArrayList<>();
            String from = "logbook l";
            String order = "l.number desc";
            List<String> where = new ArrayList<>(List.of("l.number > ?", "l.number < ?"));
            List<Object> others = new ArrayList<>(List.of(low, high));
            for (int i = 0; i < conditions.size(); i++) {
                Condition condition = conditions.get(i);
                boolean leads = i == 0;
                boolean isJoin = condition.from().startsWith("(");
                if (leads) {
                    from = condition.from();
                    order = condition.order();
                }
                if (leads && isJoin) {
                    values.addAll(condition.values());
                    values.addAll(List.of(low, high, conditions.size() == 1 ? limit : Integer.MAX_VALUE));
                } else {
                    where.add(condition.where());
                    others.addAll(condition.values());
                }
            }
            values.addAll(others);
            String sql = "select l.* from " + from + " where " + String.join(" and ", where) + " order by " + order
                    + " limit ?";
            List<LogbookEntry> entries = new ArrayList<>();
            try (PreparedStatement query = connection.prepareStatement(sql)) {
                int next = set(query, 1, values);
                query.setInt(next, limit);
                try (ResultSet rows = query.executeQuery()) {
                    while (rows.next()) {
                        entries.add(LogbookRow.of(rows).entry(Chain.BEGINNING));
                    }
                }
            }
            return entries;
        }

        private static int set(PreparedStatement query, int first, List<?> values) throws SQLException {
            int next = first;
            for (Object value : values) {
                query.setObject(next++, value);
            }
            return next;
        }
    }

    /** The entries with the hashes of those before them, as they are handed out. */
    List<LogbookEntry> chained(List<LogbookEntry> entries) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session.doReturningWork(connection -> {
                List<LogbookEntry> chained = new ArrayList<>(entries.size());
                for (LogbookEntry entry : entries) {
                    String previous =
                            LogbookProof.hashOf(connection, entry.number() - 1).orElse(Chain.BEGINNING);
                    chained.add(new LogbookEntry(
                            entry.number(), entry.at(), entry.author(), entry.deed(), previous, entry.hash()));
                }
                return chained;
            });
        }
    }
}
