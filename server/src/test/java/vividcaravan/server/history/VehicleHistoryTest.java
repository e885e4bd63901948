package vividcaravan.server.history;

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

/** A whole vehicle day by day, and every reading of it as a table. */
class VehicleHistoryTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");

    @TempDir
    Path folder;

    @Test
    void daysAreByTheDepotsClockAndTheTableCanBeTakenInAgain() {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            Door door = product.door();
            String truck =
                    """
                    { "ref": "LM-31", "kind": "RIGID_TRUCK", "depot": "High Tarn", "spares": 1, "axles": [
                        { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850 } ],
                      "sensors": [ { "position": "1L", "code": "A00001", "fittedAt": "2026-10-01T00:00:00Z" } ] }""";
            assertThat(door.importFleet(document(truck, "")).status()).isEqualTo(200);
            Instant first = Instant.parse("2026-11-18T12:00:00Z");
            door.readings(array(IntStream.range(0, 30)
                    .mapToObj(hour -> reading("A00001", first.plusSeconds(hour * 3_600L), 850 - hour, 20))
                    .toList()));

            JsonNode days = door.get("/api/v1/vehicles/LM-31/history?days=3").json();
            assertThat(days.get("from").asString()).isEqualTo("2026-11-18T00:00:00Z");
            assertThat(days.get("wheels")).hasSize(2);
            JsonNode wheel = days.at("/wheels/0");
            assertThat(wheel.get("targetKpa").asDouble()).isEqualTo(850);
            assertThat(wheel.get("lowKpa").asDouble()).isEqualTo(765);
            assertThat(wheel.get("days")).hasSize(2);
            assertThat(wheel.at("/days/0/summary/minPressureAt20Kpa").asDouble())
                    .isEqualTo(839);
            assertThat(days.at("/wheels/1/days")).isEmpty();

            String table =
                    door.get("/api/v1/vehicles/LM-31/readings?pressure=BAR").text();
            assertThat(table.lines()).hasSize(31);
            assertThat(table.lines().skip(1).findFirst().orElseThrow())
                    .isEqualTo("1L,A00001,2026-11-18T12:00:00Z,8.5,8.5,20.0,,,");
            Door.Answer look = door.send(
                    "POST",
                    "/api/v1/reading-files/look?pressure=BAR",
                    table.getBytes(java.nio.charset.StandardCharsets.UTF_8),
                    java.util.Map.of("Content-Type", "application/octet-stream"));
            assertThat(look.json().get("rows").asInt()).as(look.text()).isEqualTo(30);
            assertThat(look.json().get("faulty").asInt()).as(look.text()).isZero();

            assertThat(door.get("/api/v1/vehicles/LM-31/readings?from=2026-01-01T00:00:00Z")
                            .status())
                    .isEqualTo(400);
            assertThat(door.get("/api/v1/vehicles/LM-31/history?days=x").status())
                    .isEqualTo(400);
            assertThat(door.get("/api/v1/vehicles/GX-99/readings").status()).isEqualTo(404);
        }
    }
}
