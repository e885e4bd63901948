package vividcaravan.server.alerts;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.io.IOException;
import java.io.StringReader;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** Alerts as a table of text. */
class AlertTableTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");
    private static final String TRUCK =
            """
            { "ref": "%s", "kind": "RIGID_TRUCK", "axles": [
                { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850 } ],
              "sensors": [
                { "position": "1L", "code": "%s", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" } ] }""";

    @TempDir
    Path folder;

    private static List<CSVRecord> rows(String text) throws IOException {
        return CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new StringReader(text))
                .getRecords();
    }

    private static void say(Door door, String sensor) {
        door.readings(array(IntStream.range(0, 20)
                .mapToObj(minute -> reading(sensor, NOW.minusSeconds(1_800 - minute * 60L), 700, 20))
                .toList()));
    }

    @Test
    void everyAlertIsARowInTheUnitsAskedFor() throws IOException {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            Door door = product.door();
            String fleet = TRUCK.formatted("=LM-31", "A00001") + "," + TRUCK.formatted("LM-32", "A00002");
            assertThat(door.importFleet(Door.document(fleet, "")).status()).isEqualTo(200);
            say(door, "A00001");
            say(door, "A00002");

            Door.Answer all = door.get("/api/v1/alerts.csv?pressure=PSI&temperature=FAHRENHEIT");

            assertThat(all.status()).as(all.text()).isEqualTo(200);
            List<CSVRecord> rows = rows(all.text());
            int listed =
                    door.get("/api/v1/alerts?state=all").json().get("items").size();
            assertThat(rows).hasSize(listed).hasSizeGreaterThan(1);
            // 1 psi = 6.894757 kPa, °F = 1.8 °C + 32 [NIST SP 811]; a program that reckons takes no ref for a formula.
            CSVRecord first = rows.stream()
                    .filter(row -> row.get("Vehicle").equals("'=LM-31")
                            && row.get("Position").equals("1L"))
                    .findFirst()
                    .orElseThrow();
            assertThat(Double.parseDouble(first.get("Gauge in psi"))).isEqualTo(101.526);
            assertThat(Double.parseDouble(first.get("Temperature in °F"))).isEqualTo(68);
            assertThat(first.get("State")).isEqualTo("not seen yet");

            assertThat(rows(door.get("/api/v1/alerts.csv?vehicle=LM-32").text()))
                    .isNotEmpty()
                    .allMatch(row -> row.get("Vehicle").equals("LM-32"));
            assertThat(rows(door.get("/api/v1/alerts.csv?since=2026-11-21T00:00:00Z")
                            .text()))
                    .isEmpty();
        }
    }

    @Test
    void whatCannotBeAskedForIsRefusedInWords() {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            Door door = product.door();
            assertThat(door.get("/api/v1/alerts.csv?vehicle=GX-99").status()).isEqualTo(404);
            assertThat(door.get("/api/v1/alerts.csv?pressure=STONES").status()).isEqualTo(400);
            assertThat(door.get("/api/v1/alerts.csv?since=yesterday").status()).isEqualTo(400);
        }
    }
}
