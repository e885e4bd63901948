package vividcaravan.server.writer;

import com.zaxxer.hikari.HikariDataSource;
import java.time.Clock;
import java.util.function.Consumer;
import org.hibernate.SessionFactory;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Logbook;

/** A single writer and its logbook without the rest of the product. */
final class BareWriter {

    private BareWriter() {}

    static SingleWriter of(
            SessionFactory sessions,
            WriterConnections connections,
            HikariDataSource readers,
            WriterState state,
            Consumer<Throwable> end) {
        return parts(sessions, connections, readers, state, end).writer();
    }

    /** A writer, and what it keeps its book with. */
    record Parts(SingleWriter writer, Logbook book, Cursors cursors) {}

    static Parts parts(
            SessionFactory sessions,
            WriterConnections connections,
            HikariDataSource readers,
            WriterState state,
            Consumer<Throwable> end) {
        Logbook book = new Logbook(Clock.systemUTC());
        Cursors cursors = new Cursors();
        return new Parts(
                new SingleWriter(sessions, connections, readers, state, book, cursors, () -> Author.SCHEDULE, end),
                book,
                cursors);
    }
}
