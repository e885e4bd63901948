package vividcaravan.server.moves;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.time.Instant;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** A tyre's distance is its own, whatever vehicle it runs on. */
class MoveDistancesTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");
    private static final String TRUCK =
            """
            { "ref": "%s", "kind": "RIGID_TRUCK", "axles": [
                { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850 } ] }""";
    private static final String MOVE =
            """
            { "at": "%s", "steps": [
                { "vehicle": "%s", "position": "1L", "to": { "vehicle": "%s", "position": "1L" } },
                { "vehicle": "%2$s", "position": "1R", "to": { "kind": "STORE" } },
                { "vehicle": "%3$s", "position": "1L", "to": { "kind": "STORE" } } ],
              "distances": [ %s ] }""";

    @TempDir
    static Path folder;

    private static OwnProduct product;

    @BeforeAll
    static void start() {
        product = OwnProduct.in(folder, NOW);
    }

    @BeforeEach
    void describe() {
        product.beginTest();
        String fleet = TRUCK.formatted("LM-31") + "," + TRUCK.formatted("LM-32") + "," + TRUCK.formatted("LM-33");
        assertThat(product.door().importFleet(Door.document(fleet, "")).status())
                .isEqualTo(200);
    }

    @AfterAll
    static void stop() {
        product.close();
    }

    private Door.Answer move(String at, String from, String to, String distances) {
        return product.door().postJson("/api/v1/wheel-moves", MOVE.formatted(at, from, to, distances));
    }

    private static String told(String vehicle, double km) {
        return "{ \"vehicle\": \"" + vehicle + "\", \"km\": " + km + " }";
    }

    private void tread(String tyre, String at, double mm, double km) {
        Door.Answer answer = product.door()
                .postJson(
                        "/api/v1/tyres/" + tyre + "/treads",
                        "{ \"points\": [ " + mm + " ], \"km\": " + km + ", \"at\": \"" + at + "\" }");
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
    }

    @Test
    void aTyreThatChangedItsVehicleWearsByWhatItRanItselfAndItsStayHasADistance() {
        Door.Answer named =
                product.door().putJson("/api/v1/vehicles/LM-31/wheels/1L/tyre", "{ \"maker\": \"Tarnfell\" }");
        String tyre = named.json().at("/tyre/id").asString();
        tread(tyre, "2026-10-21T08:00:00Z", 12, 300_000);
        Door.Answer first =
                move("2026-10-25T08:00:00Z", "LM-31", "LM-32", told("LM-31", 302_000) + "," + told("LM-32", 100_000));
        assertThat(first.status()).as(first.text()).isEqualTo(201);
        assertThat(move("2026-11-15T08:00:00Z", "LM-32", "LM-33", told("LM-32", 108_000) + "," + told("LM-33", 50_000))
                        .status())
                .isEqualTo(201);
        tread(tyre, "2026-11-19T08:00:00Z", 11, 60_000);

        JsonNode life = product.door().get("/api/v1/tyres/" + tyre).json();

        // 2,000 km on the first, 8,000 on the second, 10,000 on the third.
        assertThat(life.at("/tyre/mmPer1000Km").asDouble()).isCloseTo(1 / 20.0, within(0.001));
        assertThat(life.get("stays").valueStream().map(stay -> stay.path("km").asDouble(-1)))
                .containsExactly(-1.0, 8_000.0, -1.0);
        assertThat(product.door().get("/api/v1/wheel-moves").text()).contains("108000");
        assertThat(product.door().get("/api/v1/logbook?vehicle=LM-33").text()).contains("Distance of LM-33");

        // A move that is said to be of another time keeps what was told of it.
        String last = lastMove();
        Door.Answer corrected =
                product.door().putJson("/api/v1/wheel-moves/" + last + "/time", "{ \"at\": \"2026-11-14T08:00:00Z\" }");
        assertThat(corrected.status()).as(corrected.text()).isEqualTo(200);
        assertThat(corrected.json().at("/distances/1/km").asDouble()).isEqualTo(50_000);
    }

    @Test
    void anOdometerThatWouldHaveRunBackIsPointedOutAndCanBeStored() {
        assertThat(move("2026-11-10T08:00:00Z", "LM-31", "LM-32", told("LM-31", 302_000) + "," + told("LM-32", 100_000))
                        .status())
                .isEqualTo(201);

        JsonNode later = looked("2026-11-15T08:00:00Z", told("LM-32", 99_000) + "," + told("LM-33", 5));
        JsonNode earlier = looked("2026-11-09T08:00:00Z", told("LM-33", 5));

        assertThat(later.get("odometers").valueStream().map(JsonNode::toString))
                .containsExactly("{\"vehicle\":\"LM-32\",\"at\":\"2026-11-10T08:00:00Z\",\"km\":100000.0}");
        assertThat(later.get("canBeMade").asBoolean()).isTrue();
        assertThat(earlier.get("odometers")).isEmpty();

        // Undone is as if it had not been read.
        String id = lastMove();
        assertThat(product.door()
                        .send("DELETE", "/api/v1/wheel-moves/" + id, null, Map.of())
                        .status())
                .isLessThan(300);
        assertThat(looked("2026-11-15T08:00:00Z", told("LM-32", 99_000)).get("odometers"))
                .isEmpty();
    }

    private static String lastMove() {
        return product.door()
                .get("/api/v1/wheel-moves")
                .json()
                .get("items")
                .valueStream()
                .filter(move -> move.toString().contains("\"LM-32\""))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
    }

    private JsonNode looked(String at, String distances) {
        Door.Answer answer =
                product.door().postJson("/api/v1/wheel-moves/preview", MOVE.formatted(at, "LM-32", "LM-33", distances));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    @Test
    void aDistanceOfAnotherVehicleOrNoneAtAllIsRefused() {
        for (String wrong : new String[] {
            told("LM-33", 5),
            told("LM-31", -1),
            told("LM-31", 1e9),
            told("LM-31", 5) + "," + told("LM-31", 6),
            "null",
            "{}"
        }) {
            Door.Answer answer = move("2026-11-15T08:00:00Z", "LM-31", "LM-32", wrong);
            assertThat(answer.status()).as(wrong).isEqualTo(400);
            assertThat(answer.text()).contains("distances[");
        }
    }
}
