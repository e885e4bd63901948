package vividcaravan.server.logbook.page;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Chain;
import vividcaravan.server.logbook.LogbookEntry;
import vividcaravan.server.logbook.LogbookRow;
import vividcaravan.server.logbook.Words;

/** The ways in which entries are found in their order: by an index each, or by the thousands that have a word. */
final class LogbookLeads {

    /** What fits more entries than this fits many. */
    static final int MANY = 5_000;

    private final Connection connection;

    LogbookLeads(Connection connection) {
        this.connection = connection;
    }

    /**
     * A way in.
     *
     * @param numbers selects the numbers of the entries that fit; what narrows it further and the order are added
     * @param order what brings the newest to the front along the index
     */
    private record Lead(String numbers, String order, List<Object> values) {}

    /** All entries. */
    private static final Lead ALL = new Lead("select number from logbook where true", "number desc", List.of());

    /** The way in along which there are the fewest entries. */
    Way best(LogbookFilter filter) throws SQLException {
        Lead best = ALL;
        long fewest = MANY + 1L;
        for (Lead lead : leads(filter).toList()) {
            long count = count(lead);
            if (best == ALL || count < fewest) {
                best = lead;
                fewest = count;
            }
        }
        return new Way(best, fewest <= MANY);
    }

    private static Stream<Lead> leads(LogbookFilter filter) {
        Stream.Builder<Lead> leads = Stream.builder();
        if (filter.vehicle() != null) {
            leads.add(new Lead(
                    "select distinct number from logbook_place where vehicle_id = ?",
                    "number desc",
                    List.of(filter.vehicle())));
        }
        if (filter.alert() != null) {
            leads.add(along(
                    "logbook_by_thing",
                    List.of("thing_kind", "thing"),
                    List.of("ALERT", filter.alert().toString())));
        }
        if (filter.author() != null) {
            Author.Kind kind = filter.authorKind() == null ? Author.Kind.PERSON : filter.authorKind();
            leads.add(along(
                    "logbook_by_author", List.of("author_kind", "author"), List.of(kind.name(), filter.author())));
        }
        if (filter.kind() != null) {
            leads.add(along(
                    "logbook_by_kind", List.of("kind"), List.of(filter.kind().name())));
        }
        return leads.build();
    }

    /** Names the index and orders by all of its columns, so that the database reads along it and sorts nothing. */
    private static Lead along(String index, List<String> columns, List<Object> values) {
        return new Lead(
                "select number from logbook use index (" + index + ") where " + String.join(" = ? and ", columns)
                        + " = ?",
                String.join(" desc, ", columns) + " desc, number desc",
                values);
    }

    private long count(Lead lead) throws SQLException {
        try (PreparedStatement query =
                connection.prepareStatement("select count(*) from (" + lead.numbers() + " limit ?)")) {
            int next = set(query, lead.values());
            query.setInt(next, MANY + 1);
            try (ResultSet rows = query.executeQuery()) {
                rows.next();
                return rows.getLong(1);
            }
        }
    }

    /** A way in that was chosen. */
    final class Way {

        private final Lead lead;
        private final boolean isNarrow;

        private Way(Lead lead, boolean isNarrow) {
            this.lead = lead;
            this.isNarrow = isNarrow;
        }

        /** Whether there are so few entries along it that all of them can be looked at. */
        boolean isNarrow() {
            return isNarrow;
        }

        /** The newest entries between two numbers, neither of them included, {@code most} at most. */
        List<LogbookEntry> between(long low, long high, int most) throws SQLException {
            List<Long> numbers = new ArrayList<>();
            try (PreparedStatement query = connection.prepareStatement(
                    lead.numbers() + " and number > ? and number < ? order by " + lead.order() + " limit ?")) {
                int next = set(query, lead.values());
                query.setLong(next, low);
                query.setLong(next + 1, high);
                query.setInt(next + 2, most);
                try (ResultSet rows = query.executeQuery()) {
                    while (rows.next()) {
                        numbers.add(rows.getLong(1));
                    }
                }
            }
            return entries(numbers);
        }
    }

    private List<LogbookEntry> entries(List<Long> numbers) throws SQLException {
        List<LogbookEntry> entries = new ArrayList<>(numbers.size());
        try (PreparedStatement query = connection.prepareStatement("select * from logbook where number = ?")) {
            for (long number : numbers) {
                query.setLong(1, number);
                try (ResultSet row = query.executeQuery()) {
                    if (row.next()) {
                        entries.add(LogbookRow.of(row).entry(Chain.BEGINNING));
                    }
                }
            }
        }
        return entries;
    }

    /** Number of the last entry that was made before {@code time}; times never fall along the book. */
    long lastBefore(Instant time) throws SQLException {
        try (PreparedStatement query = connection.prepareStatement(
                "select number from logbook where at < ? order by at desc, number desc limit 1")) {
            query.setLong(1, time.toEpochMilli());
            try (ResultSet rows = query.executeQuery()) {
                return rows.next() ? rows.getLong(1) : 0;
            }
        }
    }

    /** A stretch of numbers, neither end included. */
    record Stretch(long low, long high) {}

    /** The stretches below {@code high} in which every one of {@code words} occurs, the newest first. */
    List<Stretch> withWords(List<String> words, long high) throws SQLException {
        List<Stretch> stretches = new ArrayList<>();
        StringBuilder sql = new StringBuilder("select block from logbook_words where block <= ?");
        words.forEach(word -> sql.append(" and (words = '' or locate(?, words) > 0)"));
        try (PreparedStatement newest =
                        connection.prepareStatement("select coalesce(max(block), -1) from logbook_words");
                PreparedStatement query = connection.prepareStatement(sql + " order by block desc");
                ResultSet last = newest.executeQuery()) {
            last.next();
            // What comes after the last full thousand has no row yet.
            stretches.add(new Stretch((last.getLong(1) + 1) * Words.BLOCK - 1, Long.MAX_VALUE));
            query.setLong(1, high / Words.BLOCK);
            for (int i = 0; i < words.size(); i++) {
                query.setString(i + 2, words.get(i));
            }
            try (ResultSet rows = query.executeQuery()) {
                while (rows.next()) {
                    long block = rows.getLong(1);
                    stretches.add(new Stretch(block * Words.BLOCK - 1, (block + 1) * Words.BLOCK));
                }
            }
        }
        return stretches;
    }

    private static int set(PreparedStatement query, List<Object> values) throws SQLException {
        int next = 1;
        for (Object value : values) {
            query.setObject(next++, value);
        }
        return next;
    }
}
