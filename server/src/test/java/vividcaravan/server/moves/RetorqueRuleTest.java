package vividcaravan.server.moves;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** When nuts are to be tightened again, a fleet says. */
class RetorqueRuleTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");
    private static final String TRUCK =
            """
            { "ref": "LM-31", "kind": "RIGID_TRUCK", "axles": [
                { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850 },
                { "role": "DRIVE", "wheels": "SINGLE", "coldPressureKpa": 850 } ] }""";
    private static final String RULES =
            "{ \"minTreadSteerMm\": 3, \"minTreadMm\": 1.6, \"maxAgeYears\": 10, \"retreadOnSteer\": false,"
                    + " \"gaugeToleranceKpa\": 10%s }";

    @TempDir
    Path folder;

    private static void sideToSide(Door door, int axle) {
        String move =
                """
                { "steps": [
                  { "vehicle": "LM-31", "position": "%1$dL", "to": { "vehicle": "LM-31", "position": "%1$dR" } },
                  { "vehicle": "LM-31", "position": "%1$dR", "to": { "vehicle": "LM-31", "position": "%1$dL" } } ] }""";
        assertThat(door.postJson("/api/v1/wheel-moves", move.formatted(axle)).status())
                .isEqualTo(201);
    }

    private static JsonNode nuts(Door door, String position) {
        return door.get("/api/v1/vehicles/LM-31/retorques")
                .json()
                .get("items")
                .valueStream()
                .filter(one -> one.get("position").asString().equals(position))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void asItIsSetSoItHoldsForWheelsThatAreMovedFromThenOn() {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            Door door = product.door();
            assertThat(door.importFleet(Door.document(TRUCK, "")).status()).isEqualTo(200);
            sideToSide(door, 1);
            assertThat(nuts(door, "1L").get("km").asInt()).isEqualTo(80);
            assertThat(nuts(door, "1L").get("dueAt").asString()).isEqualTo("2026-11-21T06:00:00Z");

            String more = ", \"retorqueKm\": 100, \"retorqueDays\": 3";
            assertThat(door.putJson("/api/v1/workshop-rules", RULES.formatted(more))
                            .status())
                    .isEqualTo(200);
            sideToSide(door, 2);

            assertThat(nuts(door, "2R").get("km").asInt()).isEqualTo(100);
            assertThat(nuts(door, "2R").get("dueAt").asString()).isEqualTo("2026-11-23T06:00:00Z");
            assertThat(nuts(door, "1L").get("km").asInt()).isEqualTo(80);

            // Who does not say it changes it not.
            Door.Answer silent = door.putJson("/api/v1/workshop-rules", RULES.formatted(""));
            assertThat(silent.json().get("retorqueKm").asInt()).isEqualTo(100);
            assertThat(silent.json().get("retorqueDays").asInt()).isEqualTo(3);
            for (String wrong :
                    new String[] {", \"retorqueKm\": 5", ", \"retorqueDays\": 0", ", \"retorqueKm\": 1e9"}) {
                assertThat(door.putJson("/api/v1/workshop-rules", RULES.formatted(wrong))
                                .status())
                        .as(wrong)
                        .isEqualTo(400);
            }
        }
    }
}
