package vividcaravan.server.operation;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;
import vividcaravan.server.h2.H2Storage;

/** The command that checks a logbook without the product, on what a product has left. */
class VerifyLogbookTest {

    private static final Instant NOW = Instant.parse("2026-11-20T12:00:00Z");

    @TempDir
    Path folder;

    private Path data;
    private Path backup;
    private String kept;

    @BeforeEach
    void leaveABook() {
        data = folder.resolve("data");
        try (OwnProduct product = OwnProduct.in(data, NOW)) {
            Door door = product.door();
            door.newTruck();
            door.putJson("/api/v1/stock/RECEIVER", "{ \"onHand\": 3 }");
            JsonNode proof = door.get("/api/v1/logbook/proof").json();
            kept = proof.get("newest").asString() + ":" + proof.get("hash").asString();
            String name =
                    door.postJson("/api/v1/backups", "").json().get("name").asString();
            backup = data.resolve("backups").resolve(name);
            door.putJson("/api/v1/stock/RECEIVER", "{ \"onHand\": 4 }");
        }
    }

    private record Said(int status, String words) {}

    private Said verify(String... arguments) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        int status = VerifyLogbook.run(
                List.of(arguments), data, new H2Storage(data), new PrintStream(out, true, StandardCharsets.UTF_8));
        return new Said(status, out.toString(StandardCharsets.UTF_8));
    }

    @Test
    void aBookAsItWasWrittenIsSaidToBeWhole() {
        assertThat(verify()).satisfies(said -> {
            assertThat(said.status()).isZero();
            assertThat(said.words()).contains("is whole: 5 entries");
        });
        assertThat(verify(backup.toString()).words()).contains("is whole: 3 entries");
    }

    @Test
    void whatWasKeptElsewhereIsLookedForInIt() {
        assertThat(verify(kept).status()).isZero();
        assertThat(verify(backup.toString(), kept).status()).isZero();
        Said other = verify(kept.substring(0, kept.length() - 1) + (kept.endsWith("0") ? "1" : "0"));
        assertThat(other.status()).isEqualTo(1);
        assertThat(other.words()).contains("NOT the one whose hash was kept");
    }

    @Test
    void whatSomebodyChangedInTheFileIsFound() throws Exception {
        try (Connection connection =
                        DriverManager.getConnection("jdbc:h2:file:" + data.resolve("vivid-caravan"), "sa", "");
                Statement statement = connection.createStatement()) {
            statement.execute("update logbook set author = 'quill' where number = 2");
        }

        Said said = verify();

        assertThat(said.status()).isEqualTo(1);
        assertThat(said.words()).contains("NOT whole").contains("entry 2:");
    }

    @Test
    void neitherFolderNorBackupIsChanged() throws Exception {
        Set<String> there = files();
        byte[] before = Files.readAllBytes(data.resolve("vivid-caravan.mv.db"));

        verify();

        assertThat(Files.readAllBytes(data.resolve("vivid-caravan.mv.db"))).isEqualTo(before);
        assertThat(files()).isEqualTo(there);
    }

    private Set<String> files() throws IOException {
        try (var files = Files.list(data)) {
            return files.map(file -> file.getFileName().toString()).collect(Collectors.toSet());
        }
    }

    @Test
    void whatCannotBeReadIsSaid() throws Exception {
        Path text = Files.writeString(folder.resolve("letter.zip"), "Dear sirs");
        Path old = folder.resolve("old");
        Files.createDirectories(old);
        try (var in = VerifyLogbookTest.class.getResourceAsStream("/upgrade/before-the-logbook.zip");
                ZipInputStream zip = new ZipInputStream(in)) {
            ZipEntry entry = zip.getNextEntry();
            assertThat(entry).isNotNull();
            Files.copy(zip, old.resolve("vivid-caravan.mv.db"));
        }

        assertThat(verify(text.toString()).status()).isEqualTo(2);
        assertThat(verify(folder.resolve("nowhere.zip").toString()).status()).isEqualTo(2);
        assertThat(verify(folder.toString()).words()).contains("there is no database");
        assertThat(verify(old.toString())).satisfies(said -> {
            assertThat(said.status()).isEqualTo(2);
            assertThat(said.words()).contains("from before there was a logbook");
        });
    }
}
