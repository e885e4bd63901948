package vividcaravan.server.operation;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import org.h2.api.ErrorCode;
import vividcaravan.server.logbook.LogbookProof;

/** The logbook in a copy of the database: in a backup, or in a data folder whose product does not run. */
final class BookOfCopy {

    private static final String DATABASE = "vivid-caravan.mv.db";

    private BookOfCopy() {}

    /** Something done with a database. */
    interface Look<T> {
        T at(Connection connection) throws SQLException;
    }

    /**
     * Looks at the database in a backup or a data folder; neither is changed.
     *
     * @throws IOException if it cannot be read; says why
     */
    static <T> T look(Path file, Look<T> look) throws IOException {
        Path own = Files.createTempDirectory("vivid-caravan-logbook");
        try {
            Path copy = own.resolve(DATABASE);
            if (Files.isDirectory(file)) {
                Path database = file.resolve(DATABASE);
                if (!Files.isRegularFile(database)) {
                    throw new IOException("there is no database in the folder " + file + ".");
                }
                Files.copy(database, copy);
            } else {
                Restore.unpack(file, copy);
            }
            try (Connection connection = DriverManager.getConnection(
                    "jdbc:h2:file:" + own.resolve("vivid-caravan").toAbsolutePath() + ";IFEXISTS=TRUE", "sa", "")) {
                return look.at(connection);
            }
        } catch (SQLException e) {
            throw new IOException(
                    e.getErrorCode() == ErrorCode.TABLE_OR_VIEW_NOT_FOUND_1
                                    || e.getErrorCode() == ErrorCode.TABLE_OR_VIEW_NOT_FOUND_DATABASE_EMPTY_1
                                    || e.getErrorCode() == ErrorCode.TABLE_OR_VIEW_NOT_FOUND_WITH_CANDIDATES_2
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
    static LogbookProof proof(Path file) throws IOException {
        return look(file, LogbookProof::of);
    }
}
