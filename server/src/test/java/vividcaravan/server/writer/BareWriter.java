package vividcaravan.server.writer;

import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.util.Objects;
import java.util.function.Consumer;
import org.hibernate.SessionFactory;
import org.hibernate.boot.model.naming.PhysicalNamingStrategySnakeCaseImpl;
import org.hibernate.cfg.Configuration;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Logbook;
import vividcaravan.server.logbook.LogbookRow;

/** A single writer and its logbook without the rest of the product. */
final class BareWriter {

    private static final String MIGRATION = "/db/migration/V015__keep_a_logbook.sql";

    private BareWriter() {}

    /** Sessions of the database at {@code url}. */
    static SessionFactory sessions(String url) {
        return new Configuration()
                .setProperty("hibernate.connection.url", url)
                .setProperty("hibernate.allow_update_outside_transaction", "true")
                .setProperty("hibernate.connection.provider_disables_autocommit", "false")
                .setPhysicalNamingStrategy(new PhysicalNamingStrategySnakeCaseImpl())
                .addAnnotatedClass(LogbookRow.class)
                .buildSessionFactory();
    }

    /** Makes the tables of the logbook. */
    static void makeTables(Connection connection) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute("create table if not exists invitation (id int)");
            for (String one : script().split(";")) {
                if (!one.isBlank()) {
                    statement.execute(one);
                }
            }
        }
    }

    private static String script() {
        try (var in = Objects.requireNonNull(BareWriter.class.getResourceAsStream(MIGRATION))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).replaceAll("(?m)^--.*$", "");
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    static SingleWriter of(
            SessionFactory sessions,
            WriterConnections connections,
            HikariDataSource readers,
            WriterState state,
            Consumer<Throwable> end) {
        return new SingleWriter(
                sessions,
                connections,
                readers,
                state,
                new Logbook(Clock.systemUTC()),
                new Cursors(),
                () -> Author.SCHEDULE,
                end);
    }
}
