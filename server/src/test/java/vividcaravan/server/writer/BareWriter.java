package vividcaravan.server.writer;

import com.zaxxer.hikari.HikariDataSource;
import java.nio.file.Path;
import java.time.Clock;
import java.util.function.Consumer;
import org.hibernate.SessionFactory;
import vividcaravan.server.h2.H2Storage;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Logbook;
import vividcaravan.server.platform.Storage;

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
        Storage storage = new H2Storage(Path.of("."));
        Logbook book = new Logbook(Clock.systemUTC(), storage);
        Cursors cursors = new Cursors(storage);
        return new Parts(
                new SingleWriter(
                        sessions, connections, readers, storage, state, book, cursors, () -> Author.SCHEDULE, end),
                book,
                cursors);
    }
}
