package vividcaravan.server.logbook;

import java.sql.PreparedStatement;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.server.platform.Storage;

/**
 * The book as the single writer keeps it: it knows the last entry and appends to it within the writer's transaction. Entries
 * are never changed and never deleted; a correction is a new entry.
 */
@Component
public class Logbook {

    private final Clock clock;
    private final Storage storage;
    private long lastNumber;
    private long lastAt;
    private String lastHash = Chain.BEGINNING;
    private boolean isBegun;
    /** Of the thousand entries under way; that it has words of entries that failed does no harm. */
    private final Words words = new Words();

    private long durable;

    /**
     * @param clock says when a deed was done
     */
    public Logbook(Clock clock, Storage storage) {
        this.storage = storage;
        this.clock = clock;
    }

    /** What the next entries follow on; called at the start and after a transaction that failed as a whole. */
    public void load(StatelessSession session) {
        Optional<LogbookRow> last = session.createSelectionQuery(
                        "from LogbookRow order by number desc", LogbookRow.class)
                .setMaxResults(1)
                .uniqueResultOptional();
        isBegun = last.isPresent();
        lastNumber = last.map(row -> row.number).orElse(0L);
        lastAt = last.map(row -> row.at).orElse(0L);
        lastHash = last.map(LogbookRow::hash).orElse(Chain.BEGINNING);
        words.clear();
        long block = lastNumber / Words.BLOCK * Words.BLOCK;
        session.createSelectionQuery("from LogbookRow where number >= :from order by number", LogbookRow.class)
                .setParameter("from", block)
                .getResultList()
                .forEach(row -> words.add(row.entry(Chain.BEGINNING)));
        settleAt(lastNumber);
    }

    /** Whether it has an entry. */
    public boolean isBegun() {
        return isBegun;
    }

    /** Entries of one write, numbered at once and appended together when the write has succeeded. */
    public final class Page {

        private record Line(Author author, Deed deed) {}

        private final List<@Nullable Line> lines = new ArrayList<>();

        private Page() {}

        /** Keeps a place for a deed whose consequences are told before it is; returns where. */
        public int keepPlace() {
            lines.add(null);
            return lines.size() - 1;
        }

        /** Takes the place that was kept. */
        public void fill(int place, Author author, Deed deed) {
            lines.set(place, new Line(author, deed));
        }

        /** Adds a deed; returns the number that it has in the book. */
        public long add(Author author, Deed deed) {
            lines.add(new Line(author, deed));
            return lastNumber + lines.size();
        }

        /** Appends all of them. */
        public void append(StatelessSession session) {
            Instant now = Instant.ofEpochMilli(Math.max(clock.millis(), lastAt));
            for (Line line : lines) {
                LogbookEntry entry = Chain.link(lastNumber + 1, now, line.author(), line.deed(), lastHash);
                session.insert(LogbookRow.of(entry));
                insertPlaces(session, entry);
                index(session, entry);
                lastNumber = entry.number();
                lastHash = entry.hash();
                lastAt = now.toEpochMilli();
                isBegun = true;
            }
        }
    }

    /** A page for the next write. What is on it counts only once it is appended. */
    public Page page() {
        return new Page();
    }

    private void index(StatelessSession session, LogbookEntry entry) {
        long block = entry.number() / Words.BLOCK;
        if (entry.number() % Words.BLOCK == 0 && entry.number() > 0) {
            String full = words.text();
            session.createNativeMutationQuery(storage.upsert("logbook_words", "block", "block", "words"))
                    .setParameter("block", block - 1)
                    .setParameter("words", full)
                    .executeUpdate();
            words.clear();
        }
        words.add(entry);
    }

    /** So that a vehicle finds its part of the book without reading the whole. */
    private static void insertPlaces(StatelessSession session, LogbookEntry entry) {
        if (entry.deed().at().isEmpty()) {
            return;
        }
        session.doWork(connection -> {
            try (PreparedStatement insert = connection.prepareStatement(
                    "insert into logbook_place (vehicle_id, position, number) values (?, ?, ?)")) {
                for (Deed.Place place : entry.deed().at()) {
                    insert.setLong(1, place.vehicle());
                    insert.setString(2, place.position());
                    insert.setLong(3, entry.number());
                    insert.addBatch();
                }
                insert.executeBatch();
            }
        });
    }

    /** Where the book stands within the transaction under way, to go back to if a write in it fails. */
    public record Mark(long number, long at, String hash, boolean isBegun) {}

    /** Where it stands now. */
    public Mark mark() {
        return new Mark(lastNumber, lastAt, lastHash, isBegun);
    }

    /** Goes back to where it stood. */
    public void backTo(Mark mark) {
        lastNumber = mark.number();
        lastAt = mark.at();
        lastHash = mark.hash();
        isBegun = mark.isBegun();
    }

    /** All that was appended is on disk. */
    public void onDurable() {
        settleAt(lastNumber);
    }

    private synchronized void settleAt(long number) {
        durable = number;
        notifyAll();
    }

    /** Number of the newest entry on disk. */
    public synchronized long newest() {
        return durable;
    }

    /** Waits until there is an entry after {@code number}, at most so long. */
    public synchronized void awaitAfter(long number, long millis) throws InterruptedException {
        long end = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(millis);
        long left = millis;
        while (durable <= number && left > 0) {
            wait(left);
            left = TimeUnit.NANOSECONDS.toMillis(end - System.nanoTime());
        }
    }
}
