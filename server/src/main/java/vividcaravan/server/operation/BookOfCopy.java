package vividcaravan.server.operation;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import vividcaravan.server.logbook.LogbookProof;
import vividcaravan.server.platform.Storage;

/** The logbook in a copy of the database: in a backup, or in a data folder whose product does not run. */
final class BookOfCopy {

    private final Storage storage;

    BookOfCopy(Storage storage) {
        this.storage = storage;
    }

    /** Something done with a database. */
    interface Look<T> {
        T at(Connection connection) throws SQLException;
    }

    /**
     * Looks at the database in a backup or a data folder; neither is changed.
     *
     * @throws IOException if it cannot be read; says why
     */
    <T> T look(Path file, Look<T> look) throws IOException {
        Path own = Files.createTempDirectory("vivid-caravan-logbook");
        try {
            Path copy = own.resolve(storage.fileName());
            if (Files.isDirectory(file)) {
                Path database = file.resolve(storage.fileName());
                if (!Files.isRegularFile(database)) {
                    throw new IOException("there is no database in the folder " + file + ".");
                }
                Files.copy(database, copy);
            } else {
                new Restore(storage).unpack(file, copy);
            }
            try (Connection connection = storage.openCopy(copy)) {
                return look.at(connection);
            }
        } catch (SQLException e) {
            throw new IOException(
                    storage.isTableMissing(e)
                            ? file + " is from before there was a logbook."
                            : file + " is damaged or from a newer version (" + e.getMessage() + ").",
                    e);
        } finally {
            delete(own);
        }
    }

    private static void delete(Path folder) throws IOException {
        try (var files = Files.list(folder)) {
            for (Path file : files.toList()) {
                Files.deleteIfExists(file);
            }
        }
        Files.deleteIfExists(folder);
    }

    /** How the chain in it stands. */
    LogbookProof proof(Path file) throws IOException {
        return look(file, LogbookProof::of);
    }
}
