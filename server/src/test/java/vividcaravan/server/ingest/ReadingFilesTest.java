package vividcaravan.server.ingest;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.document;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;
import vividcaravan.server.Patience;

/** Files of readings: looked at, taken in behind everybody's back, stopped, gone on with. */
class ReadingFilesTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");
    private static final String HEAD = "Code;When;bar;Temp\n";
    private static final String UNITS = "pressure=BAR&timeZone=Europe/Dublin";
    private static final String COLUMNS =
            "{\"sensor\":\"Code\",\"at\":\"When\",\"pressure\":\"bar\",\"temperature\":\"Temp\"}";

    @TempDir
    Path folder;

    private OwnProduct product;

    @BeforeEach
    void start() {
        product = OwnProduct.in(folder, NOW);
        String truck =
                """
                { "ref": "LM-31", "kind": "RIGID_TRUCK", "axles": [
                    { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850 } ],
                  "sensors": [ { "position": "1L", "code": "A00001", "fittedAt": "2026-10-01T00:00:00Z" } ] }""";
        assertThat(product.door().importFleet(document(truck, "")).status()).isEqualTo(200);
    }

    @AfterEach
    void stop() {
        product.close();
    }

    private Door.Answer post(String path, byte[] body) {
        return product.door().send("POST", path, body, Map.of("Content-Type", "application/octet-stream"));
    }

    private Door.Answer look(String text, String query) {
        return post("/api/v1/reading-files/look?" + query, text.getBytes(StandardCharsets.UTF_8));
    }

    private Door.Answer send(byte[] body, String query) {
        return post("/api/v1/reading-files?name=" + encoded("a file.csv") + "&" + query, body);
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private static String withColumns() {
        return UNITS + "&columns=" + encoded(COLUMNS);
    }

    private JsonNode ended(String id) {
        Patience.until(
                "the file has ended", () -> !item(id).get("state").asString().matches("WAITING|RUNNING"));
        return item(id);
    }

    private JsonNode item(String id) {
        for (JsonNode item : product.door().get("/api/v1/reading-files").json().get("items")) {
            if (item.get("id").asString().equals(id)) {
                return item;
            }
        }
        throw new AssertionError("no file " + id);
    }

    /** A row every ten seconds, the newest an hour ago. */
    private static String rows(int count) {
        StringBuilder text = new StringBuilder(HEAD);
        for (int i = 0; i < count; i++) {
            text.append("A00001;")
                    .append(NOW.minus(Duration.ofHours(1)).minusSeconds(10L * (count - i)))
                    .append(";8,5;20\n");
        }
        return text.toString();
    }

    private static byte[] packed(String text) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (GZIPOutputStream out = new GZIPOutputStream(bytes)) {
            out.write(text.getBytes(StandardCharsets.UTF_8));
        }
        return bytes.toByteArray();
    }

    @Test
    void columnsAreChosenOnceAndRememberedAndUnitsAndTimesAreThoseOfTheFile() throws IOException {
        String text = HEAD + "A00001;2026-11-19 06:31:07;8,42;21\nA00001;1763534000000;;\n";
        Door.Answer first = look(text, UNITS);
        assertThat(first.status()).as(first.text()).isEqualTo(200);
        // "bar" and "Temp" are known headings, "When" is not.
        assertThat(first.json().at("/columns/1").toString()).contains("\"column\":null");
        assertThat(first.json().get("rows").asInt()).isZero();

        Door.Answer told = look(text, withColumns());
        assertThat(told.json().at("/shown/0").toString())
                .isEqualTo(
                        "{\"sensor\":\"A00001\",\"at\":\"2026-11-19T06:31:07Z\",\"pressureKpa\":842.0,\"temperatureC\":21.0}");
        assertThat(told.json().get("faulty").asInt()).as(told.text()).isEqualTo(1);
        assertThat(told.json().at("/faults/0").asString()).contains("row 3").contains("older than");

        Door.Answer unsaid = send(text.getBytes(StandardCharsets.UTF_8), UNITS);
        assertThat(unsaid.status()).isEqualTo(400);
        assertThat(unsaid.text()).contains("columns.at");
        Door.Answer sent = send(packed(text), withColumns());
        assertThat(sent.status()).as(sent.text()).isEqualTo(202);
        JsonNode done = ended(sent.json().get("id").asString());
        assertThat(done.get("state").asString()).as(done.toString()).isEqualTo("DONE");
        assertThat(done.get("accepted").asInt()).isEqualTo(1);
        assertThat(done.get("rejected").asInt()).isEqualTo(1);
        assertThat(done.at("/faults/0").asString()).startsWith("row 3: ");
        assertThat(product.door()
                        .get("/api/v1/vehicles/LM-31/wheels/1L/readings")
                        .json()
                        .at("/items/0/pressureKpa")
                        .asDouble())
                .isEqualTo(842);

        // The next file of the same make needs no choosing, also after a restart.
        product.restart();
        assertThat(look(text, UNITS).json().at("/columns/1/column").asString()).isEqualTo("When");
    }

    @Test
    void aFileGoesOnAfterARestartWithNothingTwiceAndCanBeStopped() {
        int count = 8 * ReadingFileWorker.PORTION;
        String id = send(rows(count).getBytes(StandardCharsets.UTF_8), withColumns())
                .json()
                .get("id")
                .asString();
        Patience.until("some rows are taken", () -> item(id).get("rowsDone").asLong() > 0);
        product.restart();
        JsonNode done = ended(id);
        assertThat(done.get("state").asString()).as(done.toString()).isEqualTo("DONE");
        assertThat(done.get("rowsDone").asInt()).isEqualTo(count);
        assertThat(done.get("accepted").asInt()).isEqualTo(count);
        assertThat(done.get("duplicates").asInt()).isZero();
        assertThat(done.get("bytesDone").asLong()).isEqualTo(done.get("bytes").asLong());

        String again = send(rows(20 * ReadingFileWorker.PORTION).getBytes(StandardCharsets.UTF_8), withColumns())
                .json()
                .get("id")
                .asString();
        Door.Answer stopped = product.door().send("DELETE", "/api/v1/reading-files/" + again, new byte[0], Map.of());
        assertThat(stopped.status()).as(stopped.text()).isEqualTo(200);
        JsonNode item = ended(again);
        assertThat(item.get("state").asString()).isEqualTo("CANCELLED");
        assertThat(item.get("rowsDone").asInt()).isLessThan(20 * ReadingFileWorker.PORTION);
        assertThat(product.door()
                        .send("DELETE", "/api/v1/reading-files/" + again, new byte[0], Map.of())
                        .status())
                .isEqualTo(409);
    }

    /** A backup that is put back remembers a file that waited, and has not got it. */
    @Test
    void aFileThatIsNotThereAnyMoreSaysSo() throws IOException {
        int count = 20 * ReadingFileWorker.PORTION;
        String id = send(rows(count).getBytes(StandardCharsets.UTF_8), withColumns())
                .json()
                .get("id")
                .asString();
        product.close();
        Files.delete(ReadingFiles.file(folder.resolve("reading-files"), Long.parseLong(id)));
        product = OwnProduct.in(folder, NOW);

        JsonNode lost = ended(id);
        assertThat(lost.get("state").asString()).isEqualTo("FAILED");
        assertThat(lost.get("words").asString()).contains("a backup holds no files that wait");
        assertThat(lost.get("rowsDone").asInt()).isLessThan(count);
    }

    /** Wheels are compared with each other at one moment; a file that is sorted by sensor brings those moments apart. */
    @Test
    void aFileThatDoesNotGoByTimeSaysWhatMayNotHaveBeenFound() {
        String once = rows(30_000);
        String again = once.substring(HEAD.length()).replace("A00001", "A00002");
        JsonNode sorted = ended(send(once.getBytes(StandardCharsets.UTF_8), withColumns())
                .json()
                .get("id")
                .asString());
        assertThat(sorted.get("words").isNull()).as(sorted.toString()).isTrue();

        JsonNode bySensor = ended(send((once + again).getBytes(StandardCharsets.UTF_8), withColumns())
                .json()
                .get("id")
                .asString());

        assertThat(bySensor.get("state").asString()).isEqualTo("DONE");
        assertThat(bySensor.get("words").asString()).contains("sort it by time");
    }

    @Test
    void badFilesAreToldOfInClearWords() {
        String row = "A00001;2026-11-19 06:31:07;8,4;21\n";
        // Another encoding, in a name of the headings.
        Door.Answer foreign = send(
                ("Code;When;bar;Temp;Fahrzeugüberwachung\n" + row).getBytes(Charset.forName("windows-1252")), UNITS);
        assertThat(foreign.status()).isEqualTo(400);
        assertThat(foreign.text()).contains("UTF-8");
        // Half a row at the end: what is whole is taken.
        JsonNode half =
                ended(send((HEAD + row + "A00001;2026-11-19 06:3").getBytes(StandardCharsets.UTF_8), withColumns())
                        .json()
                        .get("id")
                        .asString());
        assertThat(half.get("accepted").asInt()).isEqualTo(1);
        assertThat(half.at("/faults/0").asString()).contains("cut off");
        // Columns in each other's place.
        JsonNode swapped = look(
                        HEAD + row,
                        UNITS + "&columns="
                                + encoded(COLUMNS.replace("\"Code\"", "\"x\"")
                                        .replace("\"When\"", "\"Code\"")
                                        .replace("\"x\"", "\"When\"")))
                .json();
        assertThat(swapped.get("faulty").asInt()).isEqualTo(1);
        assertThat(swapped.at("/faults/0").asString()).contains("is no time");
        // Empty, no table, one quotation mark too many, a column that there is not.
        assertThat(send(new byte[0], UNITS).text()).contains("nothing in this file");
        assertThat(send(new byte[] {(byte) 0x89, 'P', 'N', 'G', 0, 1, 2}, UNITS).status())
                .isEqualTo(400);
        JsonNode quoted = ended(send((HEAD + row + "\"A00001;x\n").getBytes(StandardCharsets.UTF_8), withColumns())
                .json()
                .get("id")
                .asString());
        assertThat(quoted.get("state").asString()).isEqualTo("FAILED");
        assertThat(quoted.get("words").asString()).contains("What came before is stored");
        assertThat(look(HEAD + row, "columns=" + encoded("{\"sensor\":\"Kode\"}"))
                        .text())
                .contains("no column \\\"Kode\\\"");
        assertThat(look(HEAD + row, "columns=x").status()).isEqualTo(400);
        assertThat(look(HEAD + row, "timeZone=Moon").status()).isEqualTo(400);
    }

    @Test
    void linesOfJsonAreTakenToo() {
        String lines =
                "{\"sensor\":\"A00001\",\"at\":\"2026-11-19T06:31:07Z\",\"pressureKpa\":842,\"temperatureC\":21}\n"
                        + "{\"sensor\":\"ABCDEF\",\"at\":\"2026-11-19T06:31:07Z\",\"pressureKpa\":842,\"temperatureC\":21}\n";
        assertThat(look(lines, "").json().get("format").asString()).isEqualTo("LINES");
        JsonNode done = ended(send(lines.getBytes(StandardCharsets.UTF_8), "")
                .json()
                .get("id")
                .asString());
        assertThat(done.get("accepted").asInt()).isEqualTo(1);
        assertThat(done.get("unknownSensors").asInt()).isEqualTo(1);
    }
}
