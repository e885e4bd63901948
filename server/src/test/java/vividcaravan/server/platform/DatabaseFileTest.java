package vividcaravan.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

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
}
