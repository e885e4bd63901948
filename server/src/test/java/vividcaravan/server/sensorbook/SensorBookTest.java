package vividcaravan.server.sensorbook;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.document;
import static vividcaravan.server.Door.reading;

import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** Sensors from the box to the scrap heap. */
class SensorBookTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");
    private static final String TRUCK =
            """
            { "ref": "LM-31", "kind": "RIGID_TRUCK", "axles": [
                { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850 },
                { "role": "DRIVE", "wheels": "SINGLE", "coldPressureKpa": 700 } ],
              "sensors": [
                { "position": "1L", "code": "A00001", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" },
                { "position": "2L", "code": "A00002", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" } ] }""";

    @TempDir
    Path folder;

    @Test
    void everySensorIsSomewhereAndItsStaysAreKept() {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            Door door = product.door();
            assertThat(door.importFleet(document(TRUCK, "")).status()).isEqualTo(200);
            Door.Answer box = door.postJson(
                    "/api/v1/sensors",
                    "{ \"codes\": [ \"b00001\", \"B00002\", \"A00001\", \"B00002\" ], \"mount\": \"VALVE\" }");
            assertThat(box.status()).as(box.text()).isEqualTo(201);
            assertThat(box.text()).isEqualTo("{\"taken\":2,\"known\":1}");
            assertThat(door.postJson(
                                    "/api/v1/wheel-moves",
                                    "{ \"steps\": [ { \"vehicle\": \"LM-31\", \"position\": \"2L\","
                                            + " \"to\": { \"kind\": \"STORE\", \"name\": \"Larkmoor\" } } ] }")
                            .status())
                    .isEqualTo(201);
            assertThat(door.putJson(
                                    "/api/v1/sensors/B00002/retirement",
                                    "{ \"isRetired\": true, \"reason\": \"broken\" }")
                            .status())
                    .isEqualTo(200);

            JsonNode all = door.get("/api/v1/sensors").json();
            assertThat(all.get("total").asInt()).isEqualTo(4);
            assertThat(all.get("counts").toString())
                    .contains("\"FITTED\":1", "\"IN_TYRE\":1", "\"IN_STOCK\":1", "\"OUT_OF_USE\":1");
            assertThat(door.get("/api/v1/sensors?state=IN_TYRE")
                            .json()
                            .at("/items/0/place")
                            .asString())
                    .contains("in store (Larkmoor)");
            assertThat(door.get("/api/v1/sensors?look=lm-31")
                            .json()
                            .at("/items/0/code")
                            .asString())
                    .isEqualTo("A00001");
            assertThat(door.get("/api/v1/sensors?state=LOST").status()).isEqualTo(400);

            JsonNode life = door.get("/api/v1/sensors/a00002").json();
            assertThat(life.at("/sensor/state").asString()).isEqualTo("IN_TYRE");
            assertThat(life.at("/stays/0/to").asString()).isEqualTo(NOW.toString());
            assertThat(door.get("/api/v1/sensors/ABCDEF01").status()).isEqualTo(404);
            for (String odd :
                    List.of("{}", "{ \"codes\": [] }", "{ \"codes\": [ null ] }", "{ \"codes\": [ \"xyz\" ] }")) {
                assertThat(door.postJson("/api/v1/sensors", odd).status())
                        .as(odd)
                        .isEqualTo(400);
            }
        }
    }

    @Test
    void aStrangerIsToldOfWithItsReceiverAndIsOursWithOneRequest() {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            Door door = product.door();
            assertThat(door.importFleet(document(TRUCK, "")).status()).isEqualTo(200);
            assertThat(door.putJson("/api/v1/receivers/cab-31", "{ \"kind\": \"RECEIVER\", \"vehicle\": \"LM-31\" }")
                            .status())
                    .isBetween(200, 204);
            String heard = reading("ABCDEF", NOW.minusSeconds(60), 800, 20);
            door.readings(array(List.of(
                    heard.replace("}", ", \"receiver\": \"cab-31\" }"),
                    reading("ABCDE0", NOW.minusSeconds(50), 700, 20))));
            JsonNode strangers = door.get("/api/v1/strangers").json();
            assertThat(strangers.get("total").asInt()).isEqualTo(2);
            assertThat(strangers.toString()).contains("\"near\":\"LM-31\"").contains("cab-31");

            assertThat(door.postJson("/api/v1/sensors", "{ \"codes\": [ \"ABCDEF\" ] }")
                            .status())
                    .isEqualTo(201);
            assertThat(door.get("/api/v1/strangers").json().get("total").asInt())
                    .isEqualTo(1);
            assertThat(door.get("/api/v1/sensors/ABCDEF")
                            .json()
                            .at("/sensor/state")
                            .asString())
                    .isEqualTo("IN_STOCK");

            // In stock and heard, it stands among those that can be paired.
            door.readings(array(List.of(reading("ABCDEF", NOW.minusSeconds(10), 800, 20))));
            String job = door.postJson("/api/v1/jobs", "{ \"vehicle\": \"LM-31\" }")
                    .json()
                    .get("id")
                    .asString();
            assertThat(door.get("/api/v1/jobs/" + job + "/heard").text()).contains("ABCDEF");
        }
    }
}
