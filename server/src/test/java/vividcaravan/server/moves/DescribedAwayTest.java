package vividcaravan.server.moves;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** A vehicle that is described with fewer wheels: what stood there is found in store, and nothing waits at it any more. */
class DescribedAwayTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");
    private static final String AXLE = "{ \"role\": \"TRAILER\", \"wheels\": \"SINGLE\", \"coldPressureKpa\": 800 }";
    private static final String TRAILER = "{ \"ref\": \"LT-31\", \"kind\": \"DRAWBAR_TRAILER\", \"axles\": [ %s ] %s }";
    private static final String SENSORS =
            """
            , "sensors": [
                { "position": "2L", "code": "A00001", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" },
                { "position": "2R", "code": "C00001", "mount": "CAP", "fittedAt": "2026-10-01T00:00:00Z" } ]""";
    private static final String SWAP =
            """
            { "at": "2026-11-19T08:00:00Z", "steps": [
              { "vehicle": "LT-31", "position": "1R", "to": { "vehicle": "LT-31", "position": "2R" } },
              { "vehicle": "LT-31", "position": "2R", "to": { "kind": "STORE" }, "sensor": "OFF" } ] }""";
    private static final String OFF =
            """
            { "at": "2026-11-19T09:00:00Z", "steps": [
              { "vehicle": "LT-31", "position": "2L", "to": { "kind": "STORE" }, "sensor": "TRAVELS" } ] }""";

    @TempDir
    Path folder;

    private static String trailer(int axles, String sensors) {
        return TRAILER.formatted(String.join(", ", java.util.Collections.nCopies(axles, AXLE)), sensors);
    }

    private static void describe(Door door, int axles) {
        JsonNode now = door.get("/api/v1/vehicles/LT-31/description").json();
        Door.Answer answer = door.putJson(
                "/api/v1/vehicles/LT-31/description?revision="
                        + now.get("revision").asInt(),
                trailer(axles, ""));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    private static JsonNode tyres(Door door) {
        return door.get("/api/v1/tyres").json().get("items");
    }

    private static String move(Door door, String request) {
        Door.Answer answer = door.postJson("/api/v1/wheel-moves", request);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json().get("id").asString();
    }

    @Test
    void aKnownTyreGoesToTheStoreWithTheSensorInsideAndItsHistoryStays() {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            Door door = product.door();
            assertThat(door.importFleet(Door.document(trailer(2, SENSORS), "")).status())
                    .isEqualTo(200);
            for (String wheel : new String[] {"1L", "2L", "2R"}) {
                assertThat(door.putJson(
                                        "/api/v1/vehicles/LT-31/wheels/" + wheel + "/tyre",
                                        "{ \"maker\": \"Tarnfell\", \"pattern\": \"" + wheel + "\" }")
                                .status())
                        .isEqualTo(200);
            }

            describe(door, 1);

            assertThat(tyres(door)).hasSize(3);
            for (JsonNode tyre : tyres(door)) {
                boolean isInside = tyre.get("pattern").asString().equals("2L");
                boolean isThere = tyre.get("pattern").asString().equals("1L");
                assertThat(tyre.path("kind").asString("")).isEqualTo(isThere ? "" : "STORE");
                assertThat(tyre.path("sensor").asString("")).isEqualTo(isInside ? "A00001" : "");
                JsonNode stays = door.get("/api/v1/tyres/" + tyre.get("id").asString())
                        .json()
                        .get("stays");
                assertThat(stays).hasSize(isThere ? 1 : 2);
            }

            // The axle comes back: its wheels are free, and the tyre goes back there by a move, its sensor with it.
            describe(door, 2);
            product.pass(Duration.ofMinutes(5));
            String inside = tyres(door)
                    .valueStream()
                    .filter(tyre -> tyre.get("pattern").asString().equals("2L"))
                    .findFirst()
                    .orElseThrow()
                    .get("id")
                    .asString();
            move(
                    door,
                    "{ \"steps\": [ { \"tyre\": \"" + inside
                            + "\", \"to\": { \"vehicle\": \"LT-31\", \"position\": \"2L\" } } ] }");
            assertThat(door.get("/api/v1/sensors/A00001").text()).contains("\"position\":\"2L\"");

            // All of it goes out and comes into an empty product.
            String whole = door.get("/api/v1/fleet-export?history=true").text();
            try (OwnProduct second = OwnProduct.in(folder.resolve("second"), product.now())) {
                Door.Answer taken = second.door().importFleet(whole);
                assertThat(taken.status()).as(taken.text()).isEqualTo(200);
                assertThat(tyres(second.door())).hasSize(3);
            }
        }
    }

    @Test
    void nutsOfAWheelThatIsNoMoreAreNotAskedForAndAMoveFromThereIsNotUndone() {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            Door door = product.door();
            assertThat(door.importFleet(Door.document(trailer(2, SENSORS), "")).status())
                    .isEqualTo(200);
            move(door, SWAP);
            String off = move(door, OFF);
            assertThat(door.get("/api/v1/vehicles/LT-31/retorques").json().get("items"))
                    .hasSize(1);

            describe(door, 1);

            assertThat(door.get("/api/v1/vehicles/LT-31/retorques").json().get("items"))
                    .isEmpty();
            Door.Answer undone = door.send("DELETE", "/api/v1/wheel-moves/" + off, new byte[0], Map.of());
            assertThat(undone.status()).isEqualTo(409);
            assertThat(undone.text()).contains("LT-31 has no wheel 2L any more");
            product.restart();
            assertThat(product.door()
                            .get("/api/v1/vehicles/LT-31/retorques")
                            .json()
                            .get("items"))
                    .isEmpty();
        }
    }
}
