package vividcaravan.server.h2;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import org.h2.mvstore.MVStore;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.server.platform.StartRefused;
import vividcaravan.server.platform.VividProperties;

class DatabaseFileTest {

    @TempDir
    Path folder;

    private DatabaseFile file() {
        return new DatabaseFile(new VividProperties(folder, false, null, null, 90, null, null, null));
    }

    @Test
    void aFileWithoutBytesIsNoNewProductButALostOne() throws IOException {
        Files.createFile(folder.resolve("vivid-caravan.mv.db"));

        assertThatThrownBy(this::file).isInstanceOf(StartRefused.class).hasMessageContaining("is damaged");
    }

    @Test
    void anEmptyFolderBeginsANewProduct() {
        assertThat(file().getJdbcUrl()).contains(folder.toString());
    }

    /** H2's header stands twice: what spoils the first alone loses nothing, whether it was closed in good order or killed. */
    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void aSpoiledFirstHeaderLosesNothing(boolean isClosed) throws IOException, SQLException {
        Path database = folder.resolve("vivid-caravan.mv.db");
        String url = DatabaseFile.url(folder.resolve("vivid-caravan").toString());
        byte[] bytes;
        Connection open = DriverManager.getConnection(url, "sa", "");
        open.createStatement().execute("create table truck (number int)");
        for (int number = 0; number < 40; number++) {
            open.createStatement().execute("insert into truck values (" + number + ")");
        }
        if (isClosed) {
            open.close();
        }
        bytes = Files.readAllBytes(database);
        open.close();
        for (int i = 0; i < 16; i++) {
            bytes[i] = (byte) ~bytes[i];
        }
        Files.write(database, bytes);
        try (MVStore store =
                new MVStore.Builder().fileName(database.toString()).readOnly().open()) {
            DatabaseAge.note(store.getCurrentVersion(), database);
        }

        assertThat(file().getJdbcUrl()).isEqualTo(url);

        try (Connection again = DriverManager.getConnection(url, "sa", "");
                ResultSet rows = again.createStatement().executeQuery("select count(*) from truck")) {
            assertThat(rows.next()).isTrue();
            assertThat(rows.getInt(1)).isEqualTo(40);
        }
    }

    @Test
    void aFileThatHoldsLessThanItDidIsALostOne() throws IOException {
        Path database = folder.resolve("vivid-caravan.mv.db");
        byte[] before;
        try (MVStore store = MVStore.open(database.toString())) {
            store.openMap("fleet").put(1, "truck");
            store.commit();
        }
        before = Files.readAllBytes(database);
        try (MVStore store = MVStore.open(database.toString())) {
            for (int change = 0; change < 5; change++) {
                store.openMap("fleet").put(change, "trailer");
                store.commit();
            }
            DatabaseAge.note(store.getCurrentVersion(), database);
        }
        assertThat(file().getJdbcUrl()).isNotEmpty();

        Files.write(database, before);

        assertThatThrownBy(this::file)
                .isInstanceOf(StartRefused.class)
                .hasMessageContaining("holds less than when it was last in use");
        assertThat(Files.readAllBytes(database)).as("left as it is").isEqualTo(before);
        Files.delete(DatabaseAge.noteBeside(database));
        assertThat(file().getJdbcUrl()).isNotEmpty();
    }
}
