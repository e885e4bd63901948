package vividcaravan.server.platform;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.hibernate.StatelessSession;

/**
 * What the product asks of its database beyond plain SQL and what Hibernate does: all that another database would do in
 * another way. Its one adapter is in the package {@code h2}; nothing else names that database.
 */
public interface Storage {

    /** Waits until everything that was committed is on disk. */
    void sync(Connection connection) throws SQLException;

    /** The same. */
    default void sync(StatelessSession session) {
        session.doWork(this::sync);
    }

    /**
     * A statement that adds a row, or replaces the one with the same key; {@code :column} stands for each value.
     *
     * @param key the column that tells rows apart
     * @param columns all that are written, the key too
     */
    String upsert(String table, String key, String... columns);

    /** The same with question marks for the values, in the order of the columns. */
    String upsertInOrder(String table, String key, String... columns);

    /** The tables whose names begin so, in lower case. */
    List<String> tablesNamed(Connection connection, String beginning) throws SQLException;

    /** Makes a table of {@code id} and {@code payload}, if there is none; ends the transaction under way. */
    void makeBlockTable(Connection connection, String name) throws SQLException;

    /** Drops a table with all that is in it; ends the transaction under way. */
    void dropTable(Connection connection, String name) throws SQLException;

    /** Does a portion of housekeeping, if the last one was long enough ago; the single writer alone asks for it. */
    void tidy(StatelessSession session);

    /** Puts on disk what there is, so that the next start can tell whether anything is missing. */
    void settle(StatelessSession session);

    /** Writes a copy as it is now to a file, while others read and write. */
    void backUp(StatelessSession session, Path to);

    /** How much room it takes, bytes; 0 where that is not known. */
    long bytes();

    /** The name of its file in the data folder, and in a backup. */
    String fileName();

    /**
     * Opens a copy that the product does not run on; what is damaged is found out here.
     *
     * @param file with the ending of {@link #fileName}
     */
    Connection openCopy(Path file) throws SQLException;

    /** Whether a statement failed because there is no such table: the copy is from before it. */
    boolean isTableMissing(SQLException thrown);

    /** Whether {@code thrown} says that the file, its disk or the connection to it is gone. */
    boolean isOutOfReach(Throwable thrown);
}
