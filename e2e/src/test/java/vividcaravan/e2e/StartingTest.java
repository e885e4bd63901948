package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** What an operator meets when starting it one way or another. */
class StartingTest {

    @TempDir
    Path folder;

    @Test
    void aTokenThatIsTooShortIsRefusedWithTheReason() {
        Product product = Product.launch(folder, Map.of("VIVID_API_TOKEN", "short"));

        assertThat(product.waitForEnd()).isNotZero();
        assertThat(product.log()).contains("VIVID_API_TOKEN").contains("at least 16");
    }

    @Test
    void theDemoDoesNotMixWithRealData() {
        try (Product real = Product.startWithToken(folder)) {
            String fleet =
                    """
                    { "format": "vivid-caravan-fleet", "version": 1, "vehicles": [ { "ref": "R-1", "kind": "DOLLY",
                      "axles": [ { "role": "TRAILER", "wheels": "SINGLE", "coldPressureKpa": 800 } ] } ] }""";
            assertThat(real.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", fleet)
                            .statusCode())
                    .isEqualTo(200);
        }

        Product demo = Product.launch(folder, Map.of("VIVID_DEMO", "true"));

        assertThat(demo.waitForEnd()).isNotZero();
        assertThat(demo.log()).contains("holds real data").contains("VIVID_DATA_DIR");
    }

    @Test
    void whatIsShippedStartsWhereverItIsUnpackedWithTheSettingsOfItsFile() throws IOException {
        Path home = Files.createDirectory(folder.resolve("un packed"));
        Path empty = Files.createDirectory(folder.resolve("empty"));

        try (Product product = Product.startUnpacked(
                home,
                empty,
                "here",
                "# a remark\nVIVID_API_TOKEN=" + Product.TOKEN + "\nVIVID_DATA_DIR=/never/this/one\n")) {
            assertThat(product.json("/api/v1/vehicles").get("items")).isEmpty();
            assertThat(empty.resolve("here/vivid-caravan.mv.db")).exists();
            assertThat(product.log())
                    .as("its classes fit where it was unpacked")
                    .doesNotContain("Preparing")
                    .doesNotContain("[cds]")
                    .contains("/set-up#");
            assertThat(product.niceness("http-nio"))
                    .as("whoever answers requests stands back behind the writer")
                    .filteredOn(nice -> nice == 3)
                    .hasSizeGreaterThanOrEqualTo(10);
            assertThat(product.niceness("single-writer")).hasSize(1).allMatch(nice -> nice <= 0);
        }
    }

    @Test
    void aSecondProcessOnTheSameFolderSaysSo() {
        try (Product first = Product.startWithToken(folder)) {
            Product second = Product.launch(folder, Map.of("VIVID_API_TOKEN", Product.TOKEN));

            assertThat(second.waitForEnd()).isNotZero();
            assertThat(second.log())
                    .contains("in use by another process")
                    .contains("VIVID_DATA_DIR")
                    .doesNotContain("\tat ");
            assertThat(first.json("/api/v1/vehicles").get("items").size()).isZero();
        }
    }

    @Test
    void aDamagedDatabaseSaysSoAndPointsToTheBackup() throws IOException {
        Product.startWithToken(folder).close();
        Path database = folder.resolve("vivid-caravan.mv.db");
        byte[] bytes = Files.readAllBytes(database);
        Arrays.fill(bytes, (byte) 0x5A);
        Files.write(database, bytes);

        Product product = Product.launch(folder, Map.of("VIVID_API_TOKEN", Product.TOKEN));

        assertThat(product.waitForEnd()).isNotZero();
        assertThat(product.log()).contains("is damaged").contains("--restore").doesNotContain("\tat ");
        assertThat(Files.readAllBytes(database)).isEqualTo(bytes);
    }

    /** A part of the file is written over: its pages, not the head that says what it is. */
    @Test
    void aDatabaseDamagedBehindItsHeadSaysSoAndIsLeftAsItIs() throws IOException {
        try (Product product = Product.startWithToken(folder)) {
            product.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", TRUCK);
            product.readings(Product.TOKEN, readings(0));
        }
        Path database = folder.resolve("vivid-caravan.mv.db");
        byte[] bytes = Files.readAllBytes(database);
        Arrays.fill(bytes, 3 * 4_096, bytes.length, (byte) 0x5A);
        Files.write(database, bytes);

        Product product = Product.launch(folder, Map.of("VIVID_API_TOKEN", Product.TOKEN));

        assertThat(product.waitForEnd()).isNotZero();
        assertThat(product.log()).contains("is damaged").contains("--restore").doesNotContain("\tat ");
        assertThat(Files.readAllBytes(database))
                .as("left for whoever may mend it")
                .isEqualTo(bytes);
    }

    @Test
    void aFullDiskRefusesReadingsKeepsWhatWasTakenAndGoesOnOnceThereIsRoom() throws IOException {
        int accepted = 0;
        try (Product small = Product.startWithToken(folder)) {
            small.leaveRoomFor(waitUntilTidied() + ROOM);
            small.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", TRUCK);
            HttpResponse<String> answer = null;
            for (int batch = 0; batch < MOST_BATCHES; batch++) {
                answer = small.post("/api/v1/readings", Product.TOKEN, "application/json", readings(batch));
                if (answer.statusCode() != 200) {
                    break;
                }
                accepted += BATCH;
            }
            assertThat(answer.statusCode()).isEqualTo(503);
            assertThat(answer.headers().firstValue("Retry-After")).isPresent();
            assertThat(answer.body()).contains("Look at the disk");
            assertThat(small.get("/actuator/health", null).statusCode()).isEqualTo(503);

            small.makeRoom();
            small.waitUntilUp();

            JsonNode more = small.readings(Product.TOKEN, readings(MOST_BATCHES));
            assertThat(more.get("accepted").asInt()).as(more.toString()).isEqualTo(BATCH);
            assertThat(accepted).isPositive();
            assertThat(kept(small)).isEqualTo(accepted + BATCH);
        }
        try (Product roomy = Product.startWithToken(folder)) {
            assertThat(kept(roomy)).isEqualTo(accepted + BATCH);
        }
    }

    /** The tables of a new product are made in many steps, whose room is tidied away only then; its size after it. */
    private long waitUntilTidied() {
        Path database = folder.resolve("vivid-caravan.mv.db");
        Patience.until("the database is tidied", () -> database.toFile().length() < 1_000_000);
        return database.toFile().length();
    }

    private static int kept(Product product) {
        return product.json("/api/v1/vehicles/LM-21/wheels/1L/readings?limit=10000&resolution=day")
                .get("items")
                .valueStream()
                .mapToInt(day -> day.get("summary").get("count").asInt())
                .sum();
    }

    private static final String TRUCK =
            """
            { "format": "vivid-caravan-fleet", "version": 1, "vehicles": [ { "ref": "LM-21", "kind": "RIGID_TRUCK",
              "axles": [ { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 800 } ],
              "sensors": [ { "position": "1L", "code": "AB0001", "fittedAt": "2026-01-01T00:00:00Z" } ] } ] }""";

    /** Much less than what the batches take. */
    private static final long ROOM = 5_000_000;

    private static final int BATCH = 2_000;
    private static final int MOST_BATCHES = 250;

    /** Values without a pattern, so that they cannot be packed away; fewer than a sensor may have kept in an hour. */
    private static String readings(int batch) {
        Instant begin = Instant.now().minus(Duration.ofHours(20));
        Random random = new Random(batch);
        return IntStream.range(0, BATCH)
                .mapToObj(i -> "{\"sensor\":\"AB0001\",\"at\":\"" + begin.plusMillis(batch * 200_000L + i * 100L)
                        + "\",\"pressureKpa\":" + (780_000 + random.nextInt(40_000)) / 1_000.0 + ",\"temperatureC\":"
                        + (2_000 + random.nextInt(1_000)) / 100.0 + "}")
                .collect(Collectors.joining(",", "[", "]"));
    }
}
