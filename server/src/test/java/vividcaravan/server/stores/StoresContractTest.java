package vividcaravan.server.stores;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

@ExtendWith(RunningProduct.class)
class StoresContractTest {

    private static final AtomicInteger NEXT = new AtomicInteger();

    private final Door door = RunningProduct.door();
    private final String ref = "KP-" + NEXT.incrementAndGet();

    @BeforeEach
    void describe() {
        Door.Answer described = door.postJson(
                "/api/v1/vehicles",
                """
                { "ref": "%s", "kind": "RIGID_TRUCK", "axles": [
                  { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 830,
                    "rimInches": 22.5, "dropCentreMm": 45 },
                  { "role": "DRIVE", "wheels": "TWIN", "coldPressureKpa": 760,
                    "rimInches": 22.5, "dropCentreMm": 28 } ] }"""
                        .formatted(ref));
        assertThat(described.status()).as(described.text()).isEqualTo(201);
    }

    private void count(String item, int onHand) {
        Door.Answer answer = door.putJson("/api/v1/stock/" + item, "{ \"onHand\": " + onHand + " }");
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    private JsonNode plan(String more) {
        Door.Answer answer = door.postJson(
                "/api/v1/kit-plans",
                "{ \"vehicles\": [\"" + ref + "\"], \"preference\": [\"STRAP\", \"BELT\"], \"sparePercent\": 0" + more
                        + " }");
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json();
    }

    private static JsonNode line(JsonNode plan, String item) {
        return plan.get("lines")
                .valueStream()
                .filter(line -> line.get("item").asString().equals(item))
                .findFirst()
                .orElseThrow();
    }

    private JsonNode stocked(String item) {
        return door.get("/api/v1/stock")
                .json()
                .get("items")
                .valueStream()
                .filter(one -> one.get("item").asString().equals(item))
                .findFirst()
                .orElseThrow();
    }

    private Door.Answer step(JsonNode plan, String what) {
        return door.postJson("/api/v1/kit-plans/" + plan.get("id").asString() + "/" + what, "{}");
    }

    @Test
    void picksAMountForEachRimAndSubtractsTheStock() {
        count("STRAP_SENSOR", 1);
        count("NARROW_BELT_SENSOR", 10);

        JsonNode plan = plan("");

        assertThat(plan.get("id").isNull()).as("only a preview").isTrue();
        assertThat(line(plan, "STRAP_SENSOR").get("needed").asInt()).isEqualTo(2);
        assertThat(line(plan, "STRAP_SENSOR").get("missing").asInt()).isEqualTo(1);
        assertThat(line(plan, "NARROW_BELT_SENSOR").get("needed").asInt()).isEqualTo(4);
        assertThat(line(plan, "NARROW_BELT_SENSOR").get("missing").asInt()).isZero();
        assertThat(plan.get("minutes").asInt()).isPositive();
        assertThat(door.get("/api/v1/kit-plans").text()).doesNotContain(ref);
    }

    @Test
    void whatIsReservedForOnePlanIsNotFreeForAnotherAndLeavesTheStoreWhenHandedOut() {
        count("STRAP_SENSOR", 3);
        JsonNode first = plan(", \"isPreview\": false");
        JsonNode second = plan(", \"isPreview\": false");

        assertThat(line(step(first, "reserve").json(), "STRAP_SENSOR")
                        .get("reserved")
                        .asInt())
                .isEqualTo(2);
        JsonNode partly = step(second, "reserve").json();
        assertThat(line(partly, "STRAP_SENSOR").get("reserved").asInt()).isEqualTo(1);
        assertThat(line(partly, "STRAP_SENSOR").get("missing").asInt()).isEqualTo(1);
        assertThat(stocked("STRAP_SENSOR").get("free").asInt()).isZero();

        assertThat(step(first, "hand-out").status()).isEqualTo(200);
        assertThat(stocked("STRAP_SENSOR").get("onHand").asInt()).isEqualTo(1);
        assertThat(step(first, "reserve").status()).isEqualTo(409);
        assertThat(step(first, "release").status()).isEqualTo(409);
        assertThat(step(first, "hand-out").status()).isEqualTo(409);

        count("STRAP_SENSOR", 4);
        assertThat(line(step(second, "reserve").json(), "STRAP_SENSOR")
                        .get("reserved")
                        .asInt())
                .as("what came in since is put aside too")
                .isEqualTo(2);
        assertThat(step(second, "release").status()).isEqualTo(200);
        assertThat(stocked("STRAP_SENSOR").get("free").asInt()).isEqualTo(4);
        assertThat(step(second, "hand-out").status()).as("nothing lies aside").isEqualTo(409);
    }

    @Test
    void thePickListIsToldAsCsv() {
        JsonNode plan = plan(", \"isPreview\": false");

        Door.Answer csv = door.get("/api/v1/kit-plans/" + plan.get("id").asString() + "/pick-list.csv");

        assertThat(csv.status()).isEqualTo(200);
        assertThat(csv.contentType()).startsWith("text/csv");
        assertThat(csv.text().lines().findFirst()).contains("item,name,needed,reserved,free,missing");
        assertThat(csv.text()).contains("STRAP_SENSOR,sensor with steel strap,2,0,");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{}",
                "[]",
                "{ \"vehicles\": [\"X\"] }",
                "{ \"vehicles\": [\"X\"], \"preference\": [] }",
                "{ \"vehicles\": [\"X\"], \"preference\": [null] }",
                "{ \"vehicles\": [\"X\"], \"preference\": [\"TAPE\"] }",
                "{ \"vehicles\": [], \"preference\": [\"CAP\"] }",
                "{ \"vehicles\": [\"X\"], \"preference\": [\"CAP\"], \"sparePercent\": 51 }",
                "{ \"vehicles\": [\"X\"], \"preference\": [\"CAP\"], \"sparePercent\": -1 }"
            })
    void aPlanThatCannotBeIsRefused(String body) {
        assertThat(door.postJson("/api/v1/kit-plans", body).status()).isEqualTo(400);
    }

    @ParameterizedTest
    @CsvSource({
        "PUT,  /stock/CAP_SENSOR, '{ \"onHand\": -1 }', 400",
        "PUT,  /stock/CAP_SENSOR, '{ \"onHand\": 100001 }', 400",
        "PUT,  /stock/CAP_SENSOR, '{ \"onHand\": \"many\" }', 400",
        "PUT,  /stock/CAP_SENSOR, '{}', 400",
        "PUT,  /stock/HAMMER, '{ \"onHand\": 1 }', 400",
        "POST, /kit-plans/999999/reserve, '{}', 404",
        "POST, /kit-plans/x/hand-out, '{}', 404",
        "POST, /kit-plans, '{ \"vehicles\": [\"nowhere\"], \"preference\": [\"CAP\"] }', 404",
    })
    void nonsenseIsRefusedInWords(String method, String path, String body, int status) {
        Door.Answer answer =
                method.equals("PUT") ? door.putJson("/api/v1" + path, body) : door.postJson("/api/v1" + path, body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.contentType()).startsWith("application/problem+json");
    }
}
