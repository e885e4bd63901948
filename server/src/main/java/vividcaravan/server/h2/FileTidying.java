package vividcaravan.server.h2;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.concurrent.TimeUnit;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.MVStore;
import org.h2.mvstore.RandomAccessStore;
import org.hibernate.StatelessSession;
import vividcaravan.server.platform.Storage;

/**
 * Keeps the database file from growing to several times of what is in it. H2 appends what changes and can use the room
 * of what was there before only once a whole stretch of the file holds nothing of use; its own background thread, which
 * would write such stretches anew, does not run where every commit is written at once. So the single writer does it, a
 * few megabytes at a time.
 */
final class FileTidying {

    /** Percent of the file's stretches that should be in use. */
    private static final int WANTED_PERCENT = 80;
    /** Percent of the file that should hold stretches; below that the last ones move to the front and the file is cut. */
    private static final int WANTED_OF_FILE_PERCENT = 60;
    /** At most so much is written anew at once: some ten milliseconds. */
    private static final int BYTES_AT_ONCE = 2 << 20;

    private static final long PAUSE_NANOS = TimeUnit.MILLISECONDS.toNanos(500);
    private static final long NOTE_NANOS = TimeUnit.SECONDS.toNanos(10);

    private final Storage storage;
    private long last = System.nanoTime();
    private long noted = last - NOTE_NANOS;

    FileTidying(Storage storage) {
        this.storage = storage;
    }

    /** Does a portion if the last one was long enough ago. */
    public void tidy(StatelessSession session) {
        if (System.nanoTime() - last < PAUSE_NANOS) {
            return;
        }
        session.doWork(FileTidying::tidy);
        last = System.nanoTime();
        if (last - noted >= NOTE_NANOS) {
            note(session);
        }
    }

    /** Notes how far the database has come: as far as it was before all of that was put on disk. */
    public void note(StatelessSession session) {
        session.doWork(connection -> {
            MVStore store = store(connection.unwrap(JdbcConnection.class));
            long version = store.getCurrentVersion();
            storage.sync(connection);
            if (store.getFileStore() != null) {
                DatabaseAge.note(
                        version,
                        Path.of(HeaderLast.withoutScheme(store.getFileStore().getFileName())));
            }
        });
        noted = System.nanoTime();
    }

    public static void tidy(Connection connection) throws SQLException {
        MVStore store = store(connection.unwrap(JdbcConnection.class));
        store.compact(WANTED_PERCENT, BYTES_AT_ONCE);
        if (store.getFileStore() instanceof RandomAccessStore file) {
            file.compactMoveChunks(WANTED_OF_FILE_PERCENT, BYTES_AT_ONCE, store);
        }
    }

    private static MVStore store(JdbcConnection connection) {
        return ((SessionLocal) connection.getSession()).getDatabase().getStore().getMvStore();
    }
}
