package vividcaravan.server.logbook;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Looks whether a book's chain is whole: every entry in its place, as it was written, following on the one before. It finds
 * every change to an entry, and entries that are missing or were added between others. It cannot find that the book was
 * written anew from some entry on, or that its end was cut off where nothing else remembers it: for that, a hash that was
 * kept elsewhere has to be looked for in it.
 *
 * @param entries how many there are
 * @param newest number of the newest entry; 0 if there is none
 * @param hash of the newest entry
 * @param at when the newest entry was made; null if there is none
 * @param breaks where the chain is not whole, the first of them; empty if it is
 */
public record LogbookProof(long entries, long newest, String hash, @Nullable Instant at, List<Break> breaks) {

    private static final int MOST_BREAKS = 20;
    /** What is done and its entry are of one moment; clocks and rounding make no more than this. */
    private static final long LATER_SECONDS = 60;

    /** Where a chain is not whole, and what is wrong there. */
    public record Break(long number, String what) {}

    /** Whether nothing is wrong. */
    public boolean isWhole() {
        return breaks.isEmpty();
    }

    /**
     * Reads the whole book.
     *
     * @throws SQLException if it cannot be read
     */
    public static LogbookProof of(Connection connection) throws SQLException {
        Check check = new Check();
        try (PreparedStatement places =
                        connection.prepareStatement("select vehicle_id, position from logbook_place where number = ?");
                Statement all = connection.createStatement();
                PreparedStatement next = connection.prepareStatement(
                        "select * from logbook where number > ? order by number limit 1000")) {
            long after = Long.MIN_VALUE;
            boolean hasMore = true;
            while (hasMore && check.breaks.size() < MOST_BREAKS) {
                next.setLong(1, after);
                hasMore = false;
                try (ResultSet rows = next.executeQuery()) {
                    while (rows.next()) {
                        hasMore = true;
                        after = rows.getLong("number");
                        check.entry(rows, placesOf(places, after));
                    }
                }
            }
            try (ResultSet cursor = all.executeQuery("select max(number) from logbook_cursor")) {
                cursor.next();
                check.end(cursor.getLong(1));
            }
            check.beside(connection);
        }
        return check.proof();
    }

    private static SortedSet<Deed.Place> placesOf(PreparedStatement query, long number) throws SQLException {
        SortedSet<Deed.Place> places = new TreeSet<>();
        query.setLong(1, number);
        try (ResultSet rows = query.executeQuery()) {
            while (rows.next()) {
                places.add(new Deed.Place(rows.getLong(1), rows.getString(2)));
            }
        }
        return places;
    }

    /** Hash of entry {@code number}, if there is one. */
    public static Optional<String> hashOf(Connection connection, long number) throws SQLException {
        try (PreparedStatement query = connection.prepareStatement("select * from logbook where number = ?")) {
            query.setLong(1, number);
            try (ResultSet rows = query.executeQuery()) {
                return rows.next() ? Optional.of(LogbookRow.of(rows).hash()) : Optional.empty();
            }
        }
    }

    private static final class Check {

        private final List<Break> breaks = new ArrayList<>();
        private long entries;
        private long last;
        private long lastAt;
        private String lastHash = Chain.BEGINNING;

        /** A book that was emptied, or cut off at its end, is told by what stands beside it and was written into it once. */
        void beside(Connection connection) throws SQLException {
            if (entries == 0
                    && hasTable(connection, "VEHICLE")
                    && figure(connection, "select count(*) from vehicle") > 0) {
                wrong(0, "There is no entry, beside a fleet that was brought in with one at least.");
            }
            if (entries > 0 && hasTable(connection, "WHEEL_MOVE")) {
                long moved = figure(
                        connection,
                        "select coalesce(max(extract(epoch from made_at)), 0) from wheel_move where made_at > dateadd(second, "
                                + (lastAt / 1000 + LATER_SECONDS)
                                + ", timestamp with time zone '1970-01-01 00:00:00+00')");
                if (moved > 0) {
                    wrong(
                            last,
                            "Wheels were moved after it, and no entry tells of that: the end of the book is missing.");
                }
            }
        }

        private static boolean hasTable(Connection connection, String name) throws SQLException {
            try (ResultSet found = connection.getMetaData().getTables(null, null, name, null)) {
                return found.next();
            }
        }

        private static long figure(Connection connection, String query) throws SQLException {
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery(query)) {
                return row.next() ? row.getLong(1) : 0;
            }
        }

        void entry(ResultSet stored, SortedSet<Deed.Place> places) throws SQLException {
            long number = stored.getLong("number");
            entries++;
            if (number != last + 1) {
                wrong(
                        number,
                        number <= last + 2
                                ? "Entry " + (last + 1) + " is missing before it."
                                : "Entries " + (last + 1) + " to " + (number - 1) + " are missing before it.");
            }
            try {
                LogbookRow row = LogbookRow.of(stored);
                LogbookEntry entry = row.entry(lastHash);
                if (!Chain.hash(entry).equals(entry.hash())) {
                    wrong(number, "It, or the entry before it, is not as it was written.");
                } else if (!entry.deed().at().equals(places)) {
                    wrong(number, "The vehicles and wheels under which it is found are not those that it names.");
                } else if (row.at < lastAt) {
                    wrong(number, "It is older than the entry before it.");
                }
                lastHash = row.hash();
                lastAt = row.at;
            } catch (RuntimeException e) {
                wrong(number, "It cannot be read.");
            }
            last = number;
        }

        void end(long cursor) {
            if (cursor > last) {
                wrong(last, "Entries up to " + cursor + " were there and are missing after it.");
            }
        }

        private void wrong(long number, String what) {
            if (breaks.size() < MOST_BREAKS) {
                breaks.add(new Break(number, what));
            }
        }

        LogbookProof proof() {
            return new LogbookProof(entries, last, lastHash, last == 0 ? null : Instant.ofEpochMilli(lastAt), breaks);
        }
    }
}
