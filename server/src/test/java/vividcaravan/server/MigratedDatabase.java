package vividcaravan.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.migration.JavaMigration;
import org.springframework.util.FileSystemUtils;
import vividcaravan.server.h2.DatabaseFile;

/**
 * An empty database with every migration behind it, made once for a process of tests: thirty migrations take a second or
 * two, a copy of their outcome next to nothing. What a product writes at its first start is not in it.
 */
final class MigratedDatabase {

    private static final String FILE = "vivid-caravan.mv.db";

    private static byte[] migrated;

    private MigratedDatabase() {}

    /** Puts it into {@code folder}, unless a database is there. */
    static void putInto(Path folder) {
        Path file = folder.resolve(FILE);
        try {
            if (!Files.exists(file)) {
                Files.createDirectories(folder);
                Files.write(file, bytes());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static synchronized byte[] bytes() throws IOException {
        if (migrated == null) {
            Path folder = Files.createTempDirectory("vivid-caravan-migrated");
            String path = folder.resolve(FILE.substring(0, FILE.indexOf('.'))).toString();
            Flyway.configure()
                    .dataSource(DatabaseFile.url(path), "sa", "")
                    .javaMigrations(javaMigration())
                    .load()
                    .migrate();
            try (var open = java.sql.DriverManager.getConnection(DatabaseFile.url(path), "sa", "");
                    var statement = open.createStatement()) {
                statement.execute("shutdown");
            } catch (java.sql.SQLException e) {
                throw new AssertionError(e);
            }
            migrated = Files.readAllBytes(folder.resolve(FILE));
            FileSystemUtils.deleteRecursively(folder);
        }
        return migrated;
    }

    /** The only one that is no file of SQL; Spring finds it in the product. */
    private static JavaMigration javaMigration() {
        try {
            var constructor = Class.forName("vividcaravan.server.history.V002__Keep_readings_by_week")
                    .getDeclaredConstructor();
            constructor.setAccessible(true);
            return (JavaMigration) constructor.newInstance();
        } catch (ReflectiveOperationException e) {
            throw new AssertionError(e);
        }
    }
}
