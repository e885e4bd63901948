package vividcaravan.server.reports;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.document;
import static vividcaravan.server.Door.reading;

import java.nio.file.Path;
import java.time.Instant;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** A month to be handed over. */
class MonthReportTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");

    @TempDir
    Path folder;

    @Test
    void tellsOfAlertsTimesExposureAndWorkOfThatMonthOnly() {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            Door door = product.door();
            String truck =
                    """
                    { "ref": "LM-31", "kind": "RIGID_TRUCK", "axles": [
                        { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850 } ],
                      "sensors": [
                        { "position": "1L", "code": "A00001", "fittedAt": "2026-10-01T00:00:00Z" },
                        { "position": "1R", "code": "A00002", "fittedAt": "2026-10-01T00:00:00Z" } ] }""";
            assertThat(door.importFleet(document(truck, "")).status()).isEqualTo(200);
            // Three hours at 84 % of target in November, and one in October that does not count here.
            low(door, Instant.parse("2026-10-31T20:00:00Z"), 60);
            low(door, Instant.parse("2026-11-19T10:00:00Z"), 180);
            assertThat(door.postJson("/api/v1/vehicles/LM-31/wheels/1L/adjustments", "{ \"afterKpa\": 850 }")
                            .status())
                    .isEqualTo(200);

            JsonNode month = door.get("/api/v1/reports/month?month=2026-11").json();
            assertThat(month.get("vehicles").asInt()).isEqualTo(1);
            assertThat(month.at("/exposure").toString())
                    .isEqualTo("{\"heard\":3,\"under90\":3,\"under80\":0,\"hot\":0,\"parkedLow\":0}");
            assertThat(month.at("/wheels/0/vehicle").asString()).isEqualTo("LM-31");
            assertThat(month.at("/wheels/0/position").asString()).isEqualTo("1L");
            // It was opened in October and is open still: it counts among November's wheels, not among what was opened.
            assertThat(month.get("byKind")).isEmpty();
            assertThat(month.at("/figures/standing").asInt()).isEqualTo(1);
            assertThat(month.get("work").toString()).contains("PRESSURE_SET").contains("\"times\":1");
            // The test's clock stands, so the month is not over.
            assertThat(month.get("to").asString()).isEqualTo(NOW.toString());

            JsonNode october = door.get("/api/v1/reports/month?month=2026-10&zone=Europe/Dublin")
                    .json();
            assertThat(october.get("from").asString()).isEqualTo("2026-09-30T23:00:00Z");
            assertThat(october.at("/exposure/under90").asInt()).isEqualTo(1);
            assertThat(october.get("work")).isEmpty();
            assertThat(october.get("byKind").toString()).isEqualTo("{\"UNDER_PRESSURE\":1}");

            for (String odd : new String[] {"month=2026-13", "month=2027-01", "month=x", "zone=Moon"}) {
                assertThat(door.get("/api/v1/reports/month?" + odd).status())
                        .as(odd)
                        .isEqualTo(400);
            }
        }
    }

    private static void low(Door door, Instant from, int minutes) {
        door.readings(array(IntStream.range(0, minutes)
                .mapToObj(minute -> reading("A00001", from.plusSeconds(minute * 60L), 714, 20))
                .toList()));
    }
}
