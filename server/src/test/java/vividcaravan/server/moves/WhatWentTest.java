package vividcaravan.server.moves;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.onTheRoad;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** The whole wheel or the tyre alone, and several troubles on one tyre that lies somewhere. */
class WhatWentTest {

    @TempDir
    static Path folder;

    private static OwnProduct product;
    private Instant now;

    @BeforeAll
    static void start() {
        product = OwnProduct.in(folder, Instant.parse("2026-11-20T06:00:00Z"));
    }

    @AfterAll
    static void stop() {
        product.close();
    }

    @BeforeEach
    void aTruck() {
        product.beginTest();
        now = product.now();
        Instant fitted = now.minus(Duration.ofDays(9));
        String sensors = String.join(
                ",",
                IntStream.range(0, 4)
                        .mapToObj(i ->
                                "{ \"position\": \"%s\", \"code\": \"A0000%d\", \"mount\": \"STRAP\", \"fittedAt\": \"%s\" }"
                                        .formatted(
                                                List.of("1L", "1R", "2L", "2R").get(i), i, fitted))
                        .toList());
        String truck =
                """
                { "ref": "LM-31", "kind": "RIGID_TRUCK", "axles": [
                    { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 800 },
                    { "role": "DRIVE", "wheels": "SINGLE", "coldPressureKpa": 800 } ], "sensors": [ %s ] }"""
                        .formatted(sensors);
        assertThat(product.door().importFleet(Door.document(truck, "")).status())
                .isEqualTo(200);
    }

    /** It loses 30 kPa an hour, on the road. */
    private void leak(String sensor) {
        Instant from = now.minus(Duration.ofMinutes(150));
        List<String> others = List.of("A00000", "A00001", "A00002", "A00003");
        product.door()
                .readings(array(IntStream.range(0, 145)
                        .boxed()
                        .flatMap(minute -> others.stream()
                                .map(one -> onTheRoad(
                                        one,
                                        from.plusSeconds(minute * 60L + others.indexOf(one)),
                                        one.equals(sensor) ? 800 - 0.5 * minute : 800,
                                        20)))
                        .toList()));
    }

    /** It was topped up: back in band, and not proven closed. */
    private void topUp(String sensor) {
        product.pass(Duration.ofMinutes(40));
        Instant from = product.now().minus(Duration.ofMinutes(35));
        product.door()
                .readings(array(IntStream.range(0, 35)
                        .mapToObj(minute -> onTheRoad(sensor, from.plusSeconds(minute * 60L), 800, 20))
                        .toList()));
    }

    private List<String> openAt() {
        return product.door().alertsOf("LM-31").stream()
                .filter(alert -> !alert.get("state").asString().equals("CLOSED"))
                .map(alert -> alert.path("position").asString("") + " "
                        + alert.get("kind").asString())
                .sorted()
                .toList();
    }

    private String swap(String went) {
        String step =
                "{ \"vehicle\": \"LM-31\", \"position\": \"%s\", \"to\": { \"vehicle\": \"LM-31\", \"position\": \"%s\" }%s }";
        return "{ \"steps\": [" + step.formatted("2L", "1R", went) + "," + step.formatted("1R", "2L", went) + "] }";
    }

    /** Nobody knows yet where it leaks: a tyre alone leaves the rim, its valve and the bead seat behind. */
    @ParameterizedTest
    @CsvSource({", false", "WHOLE_WHEEL, false", "TYRE_ALONE, true"})
    void aLeakStaysWithTheRimTooWhereTheTyreAloneWent(String went, boolean isAtBoth) {
        leak("A00002");
        topUp("A00002");
        assertThat(openAt()).containsExactly("2L SLOW_LEAK");
        String body = swap(went == null ? "" : ", \"went\": \"" + went + "\"");
        String said =
                product.door().postJson("/api/v1/wheel-moves/preview", body).text();
        assertThat(said.contains("stays open there as well")).isEqualTo(isAtBoth);

        Door.Answer made = product.door().postJson("/api/v1/wheel-moves", body);
        assertThat(made.status()).as(made.text()).isEqualTo(201);

        assertThat(openAt()).isEqualTo(isAtBoth ? List.of("1R SLOW_LEAK", "2L SLOW_LEAK") : List.of("1R SLOW_LEAK"));

        product.pass(Duration.ofMinutes(1));
        String move = made.json().get("id").asString();
        Door.Answer undone = product.door().send("DELETE", "/api/v1/wheel-moves/" + move, new byte[0], Map.of());
        assertThat(undone.status()).as(undone.text()).isEqualTo(200);
        assertThat(openAt()).as("undone").containsExactly("2L SLOW_LEAK");
    }

    @Test
    void eachTroubleOfATyreThatLiesSomewhereIsEndedByItself() {
        leak("A00002");
        Instant from = now.minus(Duration.ofMinutes(4));
        product.door()
                .readings(array(IntStream.range(0, 4)
                        .mapToObj(minute -> onTheRoad("A00002", from.plusSeconds(minute * 60L + 30), 600, 20))
                        .toList()));
        String alert = product.door().alertsOf("LM-31").get(0).get("id").asString();
        assertThat(product.door()
                        .postJson("/api/v1/alerts/" + alert + "/acknowledge", "{}")
                        .status())
                .isEqualTo(200);
        String driver = "reports-went";
        product.door()
                .postJson(
                        "/api/v1/accounts",
                        "{ \"userName\": \"%s\", \"displayName\": \"O. Tansley\", \"role\": \"DRIVER\", \"password\": \"four words in a row\" }"
                                .formatted(driver));
        product.door().putJson("/api/v1/accounts/" + driver + "/vehicles", "{ \"vehicles\": [ \"LM-31\" ] }");
        vividcaravan.server.Browser browser =
                new vividcaravan.server.Browser(product.door().withToken(null));
        browser.signIn(driver, "four words in a row");
        String ref = product.ownName("LM-31");
        assertThat(browser.send(
                                "POST",
                                "/api/v1/vehicles/" + ref + "/walks",
                                "{\"faults\":[{\"position\":\"2L\",\"point\":\"DAMAGE\"}]}")
                        .statusCode())
                .isEqualTo(201);
        Door.Answer off = product.door()
                .postJson(
                        "/api/v1/wheel-moves",
                        "{ \"steps\": [ { \"vehicle\": \"LM-31\", \"position\": \"2L\", \"to\": { \"kind\": \"STORE\" } } ] }");
        assertThat(off.status()).as(off.text()).isEqualTo(201);

        String tyre = product.door()
                .get("/api/v1/tyres")
                .json()
                .get("items")
                .valueStream()
                .filter(one -> one.path("kind").asString("").equals("STORE"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        JsonNode troubles = product.door().get("/api/v1/tyres/" + tyre).json().at("/tyre/trouble");
        assertThat(troubles).hasSize(2);
        JsonNode seen = troubles.valueStream()
                .filter(one -> one.get("kind").asString().equals("REPORTED_FAULT"))
                .findFirst()
                .orElseThrow();
        assertThat(seen.get("seenBy").asString()).isEqualTo(driver);

        assertThat(inspect(tyre, ", \"troubles\": [ \"99\" ]").status()).isEqualTo(409);
        assertThat(inspect(tyre, ", \"troubles\": [ null ]").status()).isIn(400, 409);
        assertThat(inspect(tyre, ", \"troubles\": []").status())
                .as("nothing named clears nothing")
                .isEqualTo(400);
        assertThat(inspect(tyre, ", \"troubles\": [ \"" + seen.get("id").asString() + "\" ]")
                        .status())
                .isEqualTo(201);

        JsonNode left = product.door().get("/api/v1/tyres/" + tyre).json().get("tyre");
        assertThat(left.get("trouble")).hasSize(1);
        assertThat(left.at("/trouble/0/kind").asString()).isNotEqualTo("REPORTED_FAULT");
        assertThat(left.get("markedAt").isNull()).isFalse();
        assertThat(left.get("markedBecause").asString()).contains("80 %").doesNotContain("Seen on it");

        assertThat(inspect(tyre, "").status()).isEqualTo(201);
        assertThat(product.door().get("/api/v1/tyres/" + tyre).json().at("/tyre/trouble"))
                .isEmpty();
    }

    private List<String> nuts() {
        return product.door()
                .get("/api/v1/vehicles/LM-31/retorques")
                .json()
                .get("items")
                .valueStream()
                .map(one -> one.get("position").asString())
                .toList();
    }

    /** The wheel was off for its brake: its nuts are due, and what is known of tyre and sensor goes on. */
    @Test
    void aWheelThatWasOffAndOnHasNutsAndNothingElseIsDifferent() {
        leak("A00002");
        String step =
                "{ \"vehicle\": \"LM-31\", \"position\": \"2L\", \"to\": { \"vehicle\": \"LM-31\", \"position\": \"2L\" } }";

        Door.Answer made = product.door().postJson("/api/v1/wheel-moves", "{ \"steps\": [ " + step + " ] }");

        assertThat(made.status()).as(made.text()).isEqualTo(201);
        assertThat(nuts()).containsExactly("2L");
        assertThat(openAt()).containsExactly("2L SLOW_LEAK");
        product.pass(Duration.ofMinutes(5));
        Door.Answer undone = product.door()
                .send("DELETE", "/api/v1/wheel-moves/" + made.json().get("id").asString(), new byte[0], Map.of());
        assertThat(undone.status()).as(undone.text()).isEqualTo(200);
        assertThat(nuts()).isEmpty();
        assertThat(openAt()).containsExactly("2L SLOW_LEAK");
    }

    /** Nobody inspects a tyre inside where it stands. */
    @Test
    void anInspectionOffTheVehicleLeavesNutsAndTakenBackNone() {
        leak("A00002");
        String alert = product.door().alertsOf("LM-31").get(0).get("id").asString();
        String close = "{ \"act\": \"%s\", \"alerts\": [ { \"id\": \"%s\" } ]%s }";

        Door.Answer closed = product.door()
                .postJson(
                        "/api/v1/alert-acts",
                        close.formatted(
                                "CLOSE", alert, ", \"reason\": \"sound inside\", \"inspectedBy\": \"B. Quill\""));
        assertThat(closed.status()).as(closed.text()).isEqualTo(200);
        assertThat(nuts()).containsExactly("2L");

        product.pass(Duration.ofMinutes(1));
        assertThat(product.door()
                        .postJson("/api/v1/alert-acts", close.formatted("TAKE_BACK", alert, ""))
                        .status())
                .isEqualTo(200);
        assertThat(nuts()).isEmpty();
        assertThat(openAt()).containsExactly("2L SLOW_LEAK");
    }

    private Door.Answer inspect(String tyre, String more) {
        return product.door()
                .postJson(
                        "/api/v1/tyres/" + tyre + "/inspections",
                        "{ \"inspectedBy\": \"B. Quill\", \"words\": \"sound inside\"" + more + " }");
    }
}
