package vividcaravan.server.logbook;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Objects;
import org.hibernate.SessionFactory;
import org.hibernate.boot.model.naming.PhysicalNamingStrategySnakeCaseImpl;
import org.hibernate.cfg.Configuration;

/** The tables of the logbook, and no others. */
public final class LogbookTables {

    private static final String MIGRATION = "/db/migration/V015__keep_a_logbook.sql";

    private LogbookTables() {}

    /** Sessions of the database at {@code url}. */
    public static SessionFactory sessions(String url) {
        return new Configuration()
                .setProperty("hibernate.connection.url", url)
                .setProperty("hibernate.allow_update_outside_transaction", "true")
                .setProperty("hibernate.connection.provider_disables_autocommit", "false")
                .setPhysicalNamingStrategy(new PhysicalNamingStrategySnakeCaseImpl())
                .addAnnotatedClass(LogbookRow.class)
                .buildSessionFactory();
    }

    /** Makes them. */
    public static void make(Connection connection) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            // The same migration adds a column to it.
            statement.execute("create table if not exists invitation (id int)");
            for (String one : script().split(";")) {
                if (!one.isBlank()) {
                    statement.execute(one);
                }
            }
        }
    }

    private static String script() {
        try (var in = Objects.requireNonNull(LogbookTables.class.getResourceAsStream(MIGRATION))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).replaceAll("(?m)^--.*$", "");
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
