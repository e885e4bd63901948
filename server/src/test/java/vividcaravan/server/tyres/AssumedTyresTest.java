package vividcaravan.server.tyres;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Instant;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** Tyres of which nobody wrote anything down: they are taken to be as their axle is described, and are named later. */
class AssumedTyresTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");
    private static final String TRUCK =
            """
            { "ref": "LM-31", "kind": "RIGID_TRUCK", "spares": 1, "axles": [
                { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850, "tyreSize": "385/55 R22.5", "loadIndex": 160 },
                { "role": "DRIVE", "wheels": "TWIN", "coldPressureKpa": 700, "tyreSize": "315/80 R22.5" },
                { "role": "TAG", "wheels": "SINGLE", "coldPressureKpa": 700, "tyreSize": "315/80 R22.5" } ] }""";

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
        assertThat(product.door().importFleet(Door.document(TRUCK, "")).status())
                .isEqualTo(200);
    }

    @AfterAll
    static void stop() {
        product.close();
    }

    private Map<String, JsonNode> tyres() {
        return product.door()
                .get("/api/v1/vehicles/LM-31/tyres")
                .json()
                .get("items")
                .valueStream()
                .collect(Collectors.toMap(tyre -> tyre.get("position").asString(), tyre -> tyre));
    }

    private Door.Answer describe(String position, String alike, String maker) {
        return product.door()
                .putJson(
                        "/api/v1/vehicles/LM-31/wheels/" + position + "/tyre" + alike,
                        "{ \"maker\": \"" + maker + "\", \"size\": \"315/80 R22.5\", \"dateCode\": \"2224\","
                                + " \"note\": \"from Marle Road\" }");
    }

    @Test
    void aTyreThatNobodyDescribedIsAsItsAxleIs() {
        assertThat(tyres().get("1L").get("size").asString()).isEqualTo("385/55 R22.5");
        assertThat(tyres().get("1L").get("loadIndex").asInt()).isEqualTo(160);
        assertThat(tyres().get("2LI").get("size").asString()).isEqualTo("315/80 R22.5");
        // The axles are not alike, so nobody can tell of the spare.
        assertThat(tyres().get("S1").get("size").isNull()).isTrue();

        // It is held against its new place like any other, and keeps its size on the way.
        String move =
                """
                { "steps": [
                  { "vehicle": "LM-31", "position": "1L", "to": { "vehicle": "LM-31", "position": "3L" } },
                  { "vehicle": "LM-31", "position": "3L", "to": { "kind": "STORE" } } ] }""";
        assertThat(product.door().postJson("/api/v1/wheel-moves/preview", move).text())
                .contains("It is a 385/55 R22.5; the axle is described with 315/80 R22.5.");
        assertThat(product.door().postJson("/api/v1/wheel-moves", move).status())
                .isEqualTo(201);
        assertThat(tyres().get("3L").get("size").asString()).isEqualTo("385/55 R22.5");
    }

    @Test
    void oneIsNamedForAnAxleOrForEveryWheelOfItsSizeAndNothingThatWasWrittenIsLost() {
        assertThat(describe("2LO", "", "Brackenridge").status()).isEqualTo(200);

        Door.Answer axle = describe("2LI", "?alike=AXLE", "Tarnfell");
        assertThat(axle.status()).as(axle.text()).isEqualTo(200);

        Map<String, JsonNode> now = tyres();
        assertThat(now.get("2LO").get("maker").asString()).isEqualTo("Brackenridge");
        for (String wheel : new String[] {"2RI", "2RO"}) {
            assertThat(now.get(wheel).get("maker").asString()).isEqualTo("Tarnfell");
            assertThat(now.get(wheel).get("dateCode").isNull()).isTrue();
            assertThat(now.get(wheel).get("note").isNull()).isTrue();
        }
        assertThat(now.get("2LI").get("dateCode").asString()).isEqualTo("2224");
        assertThat(now.get("3L").get("id").isNull()).isTrue();

        assertThat(describe("2LI", "?alike=SIZE", "Tarnfell").status()).isEqualTo(200);
        assertThat(tyres().get("3R").get("maker").asString()).isEqualTo("Tarnfell");
        assertThat(tyres().get("1L").get("id").isNull()).isTrue();
        assertThat(product.door().get("/api/v1/logbook?vehicle=LM-31").text()).contains("Alike");

        assertThat(describe("1L", "?alike=ALL", "Tarnfell").status()).isEqualTo(400);
    }
}
