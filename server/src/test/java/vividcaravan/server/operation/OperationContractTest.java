package vividcaravan.server.operation;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;
import vividcaravan.server.Patience;
import vividcaravan.server.RunningProduct;
import vividcaravan.server.h2.H2Storage;

/** What whoever runs the product relies on: figures, backup, restore. */
@ExtendWith(RunningProduct.class)
class OperationContractTest {

    private static final Instant NOW = Instant.parse("2026-03-02T08:00:00Z");

    private final Door door = RunningProduct.door();

    @TempDir
    Path folder;

    private static String restored(Path backup, Path to, int expected) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        int result =
                new Restore(new H2Storage(to)).run(backup, to, NOW, new PrintStream(out, true, StandardCharsets.UTF_8));
        assertThat(result).as(out.toString(StandardCharsets.UTF_8)).isEqualTo(expected);
        return out.toString(StandardCharsets.UTF_8);
    }

    @Test
    void theFiguresSayWhatCameInAndWhatWaits() {
        Door.Truck truck = door.newTruck();
        door.readings(array(List.of(reading(truck.left(), Instant.now(), 800, 20))));

        String figures = door.get("/actuator/prometheus").text();

        assertThat(figures)
                .contains("vivid_readings_total{outcome=\"accepted\"}")
                .contains("vivid_readings_lag_seconds ")
                .contains("vivid_writer_queue ")
                .contains("vivid_vehicles_unheard ")
                .contains("vivid_alerts_open{urgency=\"STOP_NOW\"}")
                .contains("vivid_database_bytes ")
                .contains("vivid_disk_free_bytes ")
                .contains("jvm_memory_used_bytes");
    }

    @Test
    void theFiguresAreForManagersAndMonitorsOnly() {
        String monitor = door.postJson("/api/v1/tokens", "{\"name\":\"monitoring\",\"scope\":\"MONITOR\"}")
                .json()
                .get("secret")
                .asString();

        assertThat(door.withToken(null).get("/actuator/prometheus").status()).isEqualTo(401);
        assertThat(door.withToken(monitor).get("/actuator/prometheus").status()).isEqualTo(200);
        assertThat(door.withToken(monitor).get("/api/v1/vehicles").status()).isEqualTo(403);
        assertThat(door.withToken(monitor).readings("[]").status()).isEqualTo(403);
        assertThat(door.get("/actuator/env").status()).isEqualTo(403);
    }

    @Test
    void whoWaitsForALargeImportLearnsHowFarItIs() throws InterruptedException {
        StringBuilder vehicles = new StringBuilder();
        for (int v = 0; v < 1_500; v++) {
            vehicles.append(v == 0 ? "" : ",")
                    .append("{\"ref\":\"HF-")
                    .append(v)
                    .append("\",\"kind\":\"RIGID_TRUCK\",\"axles\":[{\"role\":\"STEER\",\"wheels\":\"SINGLE\",")
                    .append("\"coldPressureKpa\":800}]}");
        }
        Thread importing = new Thread(() -> door.postJson(
                "/api/v1/fleet-imports",
                "{\"format\":\"vivid-caravan-fleet\",\"version\":1,\"vehicles\":[" + vehicles + "]}"));
        importing.start();

        Patience.until("it is under way", () -> {
            JsonNode items = door.get("/api/v1/progress").json().get("items");
            return !items.isEmpty()
                    && items.get(0).get("unit").asString().equals("VEHICLES")
                    && items.get(0).get("all").asInt() == 1_500
                    && items.get(0).get("done").asInt() <= 1_500;
        });
        importing.join();
        assertThat(door.get("/api/v1/progress").json().get("items")).isEmpty();
    }

    @Test
    void aBackupMadeWhileReadingsComeInCanBeRestored() throws IOException, InterruptedException {
        Path live = folder.resolve("live");
        Path other = folder.resolve("other");
        int before;
        String name;
        try (OwnProduct product = OwnProduct.in(live, NOW)) {
            Door own = product.door();
            Door.Truck truck = own.newTruck(NOW.minusSeconds(86_400));
            int[] sent = {0};
            AtomicBoolean isEnough = new AtomicBoolean();
            Thread sender = new Thread(() -> {
                while (!isEnough.get()) {
                    List<String> readings = new ArrayList<>();
                    for (int i = 0; i < 200; i++) {
                        readings.add(
                                reading(truck.left(), NOW.minusSeconds(80_000).plusMillis(sent[0]++), 800, 20));
                    }
                    own.readings(array(readings));
                }
            });
            sender.start();
            Patience.until("two batches are in", () -> sent[0] >= 400);
            before = own.get("/api/v1/vehicles/" + truck.ref() + "/wheels/1L/readings?limit=10000")
                    .json()
                    .get("items")
                    .size();
            JsonNode backup = own.postJson("/api/v1/backups", "").json();
            isEnough.set(true);
            sender.join();
            name = backup.get("name").asString();
            assertThat(own.get("/api/v1/backups").json().get("items").size()).isEqualTo(1);
            assertThat(own.get("/api/v1/backups/" + name).headers().firstValueAsLong("Content-Length"))
                    .hasValue(backup.get("bytes").asLong());
            assertThat(own.get("/api/v1/backups/vivid-caravan.mv.db").status()).isEqualTo(404);

            // The running product's own folder is not touched.
            assertThat(restored(live.resolve("backups").resolve(name), live, 1)).contains("Stop it first");
        }

        assertThat(restored(live.resolve("backups").resolve(name), other, 0)).contains("Restored 1 vehicles");

        try (OwnProduct product = OwnProduct.in(other, NOW)) {
            String ref = product.door()
                    .get("/api/v1/vehicles")
                    .json()
                    .get("items")
                    .get(0)
                    .get("ref")
                    .asString();
            assertThat(product.door()
                            .get("/api/v1/vehicles/" + ref + "/wheels/1L/readings?limit=10000")
                            .json()
                            .get("items")
                            .size())
                    .isGreaterThanOrEqualTo(before)
                    .isPositive();
            JsonNode book = product.door().get("/api/v1/logbook").json();
            assertThat(book.at("/items/0/kind").asString()).isEqualTo("RESTORED");
            assertThat(book.at("/items/0/words").asString()).contains(name);
            assertThat(product.door()
                            .get("/api/v1/logbook/proof")
                            .json()
                            .get("isWhole")
                            .asBoolean())
                    .isTrue();
        }
        assertThat(restored(live.resolve("backups").resolve(name), other, 0)).contains("before-restore");
    }

    @Test
    void whatIsNoBackupIsRefusedAndNothingIsChanged() throws IOException {
        Path text = Files.writeString(folder.resolve("letter.zip"), "Dear sirs");

        assertThat(restored(text, folder.resolve("data"), 1)).contains("is no backup");
        assertThat(restored(folder.resolve("none.zip"), folder.resolve("data"), 1))
                .contains("there is no file");
        assertThat(restored(folder, folder.resolve("data"), 1)).contains("is a folder");
        Path cut = folder.resolve("cut.zip");
        try (java.util.zip.ZipOutputStream zip = new java.util.zip.ZipOutputStream(Files.newOutputStream(cut))) {
            zip.putNextEntry(new java.util.zip.ZipEntry("vivid-caravan.mv.db"));
            zip.write(new byte[100_000]);
        }
        byte[] whole = Files.readAllBytes(cut);
        Files.write(cut, java.util.Arrays.copyOf(whole, 60));
        assertThat(restored(cut, folder.resolve("data"), 1)).contains("damaged or not whole");
        assertThat(folder.resolve("data")).isEmptyDirectory();
    }
}
