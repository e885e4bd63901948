package vividcaravan.server.platform;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import org.hibernate.StatelessSession;

/** What it takes that something is on disk: a commit in H2 is acknowledged earlier. */
public final class Durable {

    private Durable() {}

    /** Waits until everything that was committed is on disk. */
    public static void sync(StatelessSession session) {
        session.doWork(Durable::sync);
    }

    /** The same. */
    public static void sync(Connection connection) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute("CHECKPOINT SYNC");
        }
    }
}
