package vividcaravan.server.targets;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Load tables and the targets they give, depots, and what sensors are. */
@ExtendWith(RunningProduct.class)
class TargetsContractTest {

    private final Door door = RunningProduct.door();

    private Door.Answer enter(String size, String rows, String more) {
        return door.postJson(
                "/api/v1/load-tables",
                "{ \"tyreSize\": \"%s\", \"source\": \"a maker, 2026\", \"rows\": \"%s\"%s }"
                        .formatted(size, rows.replace("\n", "\\n").replace("\t", "\\t"), more));
    }

    private JsonNode proposed(String axle) {
        Door.Answer answer = door.postJson("/api/v1/target-proposals", axle);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    @Test
    void aTableInPoundsAndPsiGivesATargetInKpa() {
        // 11R22.5 single: 4990 lb at 80 psi, 5510 at 90, 6175 at 105 [from memory: American load tables].
        Door.Answer entered = enter(
                "11R22.5",
                "psi;single\n80;4990\n90;5510\n105;6175",
                ", \"pressureUnit\": \"PSI\", \"loadUnit\": \"LB\", \"speedKmh\": 105");
        assertThat(entered.status()).as(entered.text()).isEqualTo(201);

        JsonNode target = proposed("{ \"axleLoadKg\": " + 2 * 5250 * 0.45359237
                + ", \"wheels\": \"SINGLE\", \"tyreSize\": \" 11r22.5 \" }");

        assertThat(target.get("base").asString()).isEqualTo("TABLE");
        assertThat(target.get("kpa").asDouble() / 6.894757).isCloseTo(85, within(0.01));
    }

    @Test
    void withoutATableItIsAnEstimateOrNothingAndSaysSo() {
        JsonNode estimate = proposed(
                "{ \"axleLoadKg\": 5040, \"tyreSize\": \"no table\", \"loadIndex\": 148, \"referenceKpa\": 850 }");
        JsonNode nothing = proposed("{ \"axleLoadKg\": 5040, \"tyreSize\": \"no table\" }");

        assertThat(estimate.get("base").asString()).isEqualTo("ESTIMATE");
        assertThat(estimate.get("kpa").asDouble()).isCloseTo(643.1, within(0.05)); // 850 · 0.8^1.25, by hand
        assertThat(nothing.get("kpa").isNull()).isTrue();
    }

    @Test
    void aTableGivesWayToALaterOneAndCanBeForgotten() {
        enter("9.5R17.5", "600,1500,1400\n700,1800,1700", "");
        enter("9.5R17.5", "600,1600,1500\n700,1900,1800", "");
        JsonNode kept = door.get("/api/v1/load-tables")
                .json()
                .get("items")
                .valueStream()
                .filter(table -> table.get("tyreSize").asString().equals("9.5R17.5"))
                .findFirst()
                .orElseThrow();
        assertThat(kept.at("/rows/0/singleKg").asDouble()).isEqualTo(1600);

        String path = "/api/v1/load-tables/" + kept.get("id").asString();
        assertThat(door.send("DELETE", path, null, Map.of()).status()).isEqualTo(200);
        assertThat(door.send("DELETE", path, null, Map.of()).status()).isEqualTo(404);
    }

    @Test
    void aTableForTheFieldDoesNotTakeTheRoadsPlace() {
        enter("480/70 R34", "120,2400\n160,2900", ", \"speedKmh\": 65");
        enter("480/70 R34", "80,2400\n120,2900", ", \"speedKmh\": 40");
        String axle = "{ \"axleLoadKg\": 5300, \"tyreSize\": \"480/70 R34\"%s }";

        // 2650 kg on each tyre: half way between the rows.
        assertThat(proposed(axle.formatted("")).get("kpa").asDouble()).isEqualTo(140);
        assertThat(proposed(axle.formatted(", \"speedKmh\": 50")).get("kpa").asDouble())
                .isEqualTo(140);
        assertThat(proposed(axle.formatted(", \"speedKmh\": 30")).get("kpa").asDouble())
                .isEqualTo(100);
        assertThat(proposed(axle.formatted(", \"speedKmh\": 80")).get("base").asString())
                .isEqualTo("NONE");
    }

    @Test
    void aTwinIsEstimatedByItsOwnLoadIndex() {
        String axle = "{ \"axleLoadKg\": 10720, \"wheels\": \"TWIN\", \"loadIndex\": 156%s, \"referenceKpa\": 850 }";

        // 850 · (2680 / 3350)^1.25, by hand; load index 150 is 3350 kg [ISO 4209-1, from memory].
        assertThat(proposed(axle.formatted(", \"loadIndexTwin\": 150"))
                        .get("kpa")
                        .asDouble())
                .isCloseTo(643.1, within(0.05));
        assertThat(proposed(axle.formatted("")).get("words").asString()).contains("156/150");
        assertThat(door.postJson("/api/v1/target-proposals", axle.formatted(", \"loadIndexTwin\": 157"))
                        .status())
                .isEqualTo(400);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "600,1500 | 2 to 60",
                "600,1500/700,x | Line 2",
                "600,1500/700,1400 | does not rise",
                "600,1500,1600/700,1800,1700 | columns exchanged",
                "6,1500/7,1800 | 50 to 1400",
                "600,1500,1400,9/700,1800,1700,9 | Line 1",
                "'' | 2 to 60",
            })
    void aTableThatCannotBeIsRefusedWithItsLine(String rows, String why) {
        Door.Answer answer = enter("10R22.5", rows.replace('/', '\n'), "");

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.json().get("detail").asString()).contains(why);
        assertThat(door.get("/api/v1/load-tables").text()).doesNotContain("10R22.5");
    }

    @Test
    void aDepotsHeightIsReckonedWith() {
        Door.Truck truck = door.newTruck();
        assertThat(door.importFleet(Door.document(
                                Door.vehicle(truck, Instant.now().minusSeconds(86_400))
                                        .replace("\"kind\"", "\"depot\": \"Far Fell\", \"kind\""),
                                "\"onExisting\": \"update\","))
                        .status())
                .isEqualTo(200);

        Door.Answer set = door.putJson(
                "/api/v1/depots", "{ \"name\": \"Far Fell\", \"timeZone\": \"Europe/Dublin\", \"altitudeM\": 2000 }");

        assertThat(set.status()).as(set.text()).isEqualTo(200);
        door.readings(Door.array(List.of(Door.reading(truck.left(), Instant.now(), 800, 60))));
        JsonNode wheel = door.get("/api/v1/vehicles/" + truck.ref()).json().at("/wheels/0");
        // (800 + 101.325) · 293.15 / 333.15 − 79.50, by hand; 79.50 kPa at 2000 m [ISO 2533]. At sea level 691.78.
        assertThat(wheel.get("pressureAt20Kpa").asDouble()).isCloseTo(713.61, within(0.05));
        assertThat(door.get("/api/v1/depots").text()).contains("Far Fell").contains("Europe/Dublin");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/depots | {}",
                "/depots | { \"name\": \" \", \"timeZone\": \"UTC\", \"altitudeM\": 0 }",
                "/depots | { \"name\": \"X\", \"timeZone\": \"Mars/North\", \"altitudeM\": 0 }",
                "/depots | { \"name\": \"X\", \"timeZone\": \"UTC\", \"altitudeM\": 9001 }",
                "/depots | { \"name\": \"X\", \"timeZone\": \"UTC\" }",
                "/sensor-makes/STRAP | { \"rangeKpa\": 499 }",
                "/sensor-makes/STRAP | { \"rangeKpa\": 2001 }",
                "/sensor-makes/TAPE | {}",
            })
    void whatCannotBeIsRefused(String path, String body) {
        assertThat(door.putJson("/api/v1" + path, body).status()).isEqualTo(400);
    }

    @ParameterizedTest
    @CsvSource({"0", "49", "40001", "-1", "null"})
    void anAxleCarriesSomething(String kg) {
        assertThat(door.postJson("/api/v1/target-proposals", "{ \"axleLoadKg\": " + kg + " }")
                        .status())
                .isEqualTo(400);
    }

    @Test
    void aLimitBeyondItsSensorsRangeIsPointedOut() {
        Door.Truck truck = door.newTruck();
        door.importFleet(Door.document(
                Door.vehicle(truck, Instant.now().minusSeconds(86_400))
                        .replace("\"code\"", "\"mount\": \"GLUED\", \"code\""),
                "\"onExisting\": \"update\","));
        assertThat(door.putJson("/api/v1/sensor-makes/GLUED", "{ \"rangeKpa\": 1000, \"isVented\": false }")
                        .status())
                .isEqualTo(200);

        JsonNode preview = door.postJson(
                        "/api/v1/limit-changes",
                        "{ \"change\": { \"level\": \"AXLES\", \"vehicles\": [\"" + truck.ref()
                                + "\"], \"limits\": { \"highPct\": 26 } }, \"isPreview\": true }")
                .json();

        // 800 · 1.26 = 1008
        assertThat(preview.at("/faults/0/message").asString()).contains("1008").contains("1000");
    }
}
