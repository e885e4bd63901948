package vividcaravan.server.h2;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.h2.mvstore.MVStore;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
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
