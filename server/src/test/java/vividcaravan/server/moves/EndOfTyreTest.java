package vividcaravan.server.moves;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.onTheRoad;

import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** A tyre that was scrapped or changed ends at its wheel; a move is written down as it was, whatever happened since. */
class EndOfTyreTest {

    private static final String TRUCK =
            """
            { "ref": "LM-31", "kind": "RIGID_TRUCK", "axles": [
                { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 800 },
                { "role": "DRIVE", "wheels": "SINGLE", "coldPressureKpa": 800 } ],
              "sensors": [
                { "position": "1L", "code": "A00001", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" },
                { "position": "1R", "code": "A00002", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" },
                { "position": "2L", "code": "A00003", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" },
                { "position": "2R", "code": "A00004", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" } ] }""";

    @TempDir
    static Path folder;

    private static OwnProduct product;

    private Instant now;

    @BeforeAll
    static void start() {
        product = OwnProduct.in(folder, Instant.parse("2026-11-20T06:00:00Z"));
    }

    @BeforeEach
    void describe() {
        product.beginTest();
        now = product.now();
        assertThat(product.door().importFleet(Door.document(TRUCK, "")).status())
                .isEqualTo(200);
    }

    @AfterAll
    static void stop() {
        product.close();
    }

    private void drive(String sensor, Instant from, double kpa, int minutes) {
        product.door()
                .readings(array(IntStream.range(0, minutes)
                        .mapToObj(minute -> onTheRoad(sensor, from.plusSeconds(minute * 60L), kpa, 20))
                        .toList()));
    }

    private String step(String from, String to) {
        return "{ \"vehicle\": \"LM-31\", \"position\": \"" + from
                + "\", \"to\": { \"vehicle\": \"LM-31\", \"position\": \"" + to + "\" } }";
    }

    private Door.Answer move(Instant at, String... steps) {
        String when = at == null ? "" : "\"at\": \"" + at + "\", ";
        return product.door()
                .postJson("/api/v1/wheel-moves", "{ " + when + "\"steps\": [" + String.join(",", steps) + "] }");
    }

    private Door.Answer undo(String move) {
        return product.door().send("DELETE", "/api/v1/wheel-moves/" + move, new byte[0], Map.of());
    }

    private JsonNode alertAt(String position) {
        return product.door().alertsOf("LM-31").stream()
                .filter(alert -> position.equals(alert.path("position").asString("")))
                .findFirst()
                .orElseThrow(() -> new AssertionError("no alert at " + position));
    }

    private Door.Answer act(String act, String id, String more) {
        return product.door()
                .postJson(
                        "/api/v1/alert-acts",
                        "{ \"act\": \"" + act + "\", \"alerts\": [ { \"id\": \"" + id + "\" } ]" + more + " }");
    }

    private List<String> openAt() {
        return product.door().alertsOf("LM-31").stream()
                .filter(alert -> !alert.get("state").asString().equals("CLOSED"))
                .map(alert -> alert.get("position").asString() + " "
                        + alert.get("kind").asString())
                .toList();
    }

    private JsonNode tyreAt(String position) {
        return product.door()
                .get("/api/v1/vehicles/LM-31/tyres")
                .json()
                .get("items")
                .valueStream()
                .filter(tyre -> tyre.get("position").asString().equals(position))
                .findFirst()
                .orElse(null);
    }

    private String describe(String position) {
        Door.Answer described = product.door()
                .putJson(
                        "/api/v1/vehicles/LM-31/wheels/" + position + "/tyre",
                        "{ \"size\": \"315/80 R 22.5\", \"dateCode\": \"1224\" }");
        assertThat(described.status()).as(described.text()).isLessThan(300);
        return tyreAt(position).get("id").asString();
    }

    private JsonNode tyre(String id) {
        return product.door().get("/api/v1/tyres/" + id).json().get("tyre");
    }

    @Test
    void aTyreThatWasScrappedIsNoLongerAtItsWheelAndTheSensorGoesOnWatching() {
        String old = describe("2L");
        drive("A00003", now.minusSeconds(1_800), 600, 10);
        String alert = alertAt("2L").get("id").asString();

        assertThat(act("CLOSE", alert, ", \"reason\": \"cord seen inside\", \"isScrapped\": true")
                        .status())
                .isEqualTo(200);

        assertThat(tyre(old).get("kind").asString()).isEqualTo("SCRAPPED");
        assertThat(tyreAt("2L")).isNull();
        assertThat(move(null, step("2L", "1L"), step("1L", "2L")).status()).isIn(400, 409);
        drive("A00003", now.plusSeconds(60), 600, 5);
        assertThat(openAt()).as("what comes there is watched").contains("2L UNDER_PRESSURE");
    }

    @Test
    void takingTheClosingBackBringsTheTyreBackWithItsMark() {
        String old = describe("2L");
        drive("A00003", now.minusSeconds(1_800), 600, 10);
        String alert = alertAt("2L").get("id").asString();
        act("CLOSE", alert, ", \"reason\": \"cord seen inside\", \"isScrapped\": true");

        Door.Answer back = act("TAKE_BACK", alert, "");

        assertThat(back.json().get("done").size()).as(back.text()).isEqualTo(1);
        assertThat(tyre(old).get("position").asString()).isEqualTo("2L");
        assertThat(openAt()).containsExactly("2L UNDER_PRESSURE");
        assertThat(move(null, step("2L", "1L"), step("1L", "2L")).text()).contains("goes to no wheel");
    }

    @Test
    void undoingTheMoveOpensTheAlertAgain() {
        drive("A00003", now.minusSeconds(1_800), 600, 10);
        String alert = alertAt("2L").get("id").asString();
        act("CLOSE", alert, ", \"reason\": \"cord seen inside\", \"isScrapped\": true");
        String move = product.door()
                .get("/api/v1/wheel-moves")
                .json()
                .at("/items/0/id")
                .asString();

        assertThat(undo(move).status()).isEqualTo(200);

        assertThat(openAt()).containsExactly("2L UNDER_PRESSURE");
        assertThat(product.door().get("/api/v1/alerts/" + alert).text()).contains("80 %");
    }

    @Test
    void whatWasKnownOfATyreIsNotKnownOfTheOneThatTookItsPlace() {
        String old = describe("2L");
        drive("A00003", now.minusSeconds(1_800), 600, 10);
        String alert = alertAt("2L").get("id").asString();
        act("RAISE_JOB", alert, "");

        Door.Answer ended = act("END_JOB", alert, ", \"reason\": \"Found: cut.\", \"isTyreChanged\": true");

        assertThat(ended.json().get("done").size()).as(ended.text()).isEqualTo(1);
        assertThat(tyreAt("2L").get("id").asString()).isNotEqualTo(old);
        assertThat(tyreAt("2L").get("dateCode").isNull()).isTrue();
        assertThat(tyre(old).get("markedBecause").asString()).contains("Run at 80 %");
        assertThat(openAt()).isEmpty();
        assertThat(product.door()
                        .get("/api/v1/vehicles/LM-31/retorques")
                        .json()
                        .get("items")
                        .size())
                .isEqualTo(1);

        String move = product.door()
                .get("/api/v1/wheel-moves")
                .json()
                .at("/items/0/id")
                .asString();
        assertThat(undo(move).status()).isEqualTo(200);
        assertThat(tyreAt("2L").get("id").asString()).isEqualTo(old);
        assertThat(openAt()).containsExactly("2L UNDER_PRESSURE");
        assertThat(product.door().get("/api/v1/tyres").text()).doesNotContain("nowhere");
    }

    /** Closed on a word, its tyre lies marked as leaking; brought back, the alert is its mark again and nothing else. */
    @Test
    void aTyreThatComesBackBringsNoMarkOfTheStore() {
        String old = describe("2L");
        for (int minute = 0; minute < 10; minute++) {
            drive("A00003", now.plusSeconds(minute * 60L - 1_800), 800 - minute * 12, 1);
        }
        String alert = alertAt("2L").get("id").asString();
        act("CLOSE", alert, ", \"reason\": \"nail\", \"isTyreChanged\": true");
        assertThat(tyre(old).get("markedBecause").asString()).contains("It leaked");

        act("TAKE_BACK", alert, "");

        assertThat(tyre(old).get("position").asString()).isEqualTo("2L");
        assertThat(tyre(old).get("markedBecause").isNull()).isTrue();
    }

    @Test
    void aNoteOnTheWholeVehicleScrapsNoTyre() {
        Door.Answer answer = act("CLOSE", "999999", ", \"reason\": \"x\", \"isScrapped\": true");
        assertThat(answer.json().get("refused").size()).isEqualTo(1);
    }

    /** Rotated in the morning, soft since: what is true can be written down, and the alert follows its tyre. */
    @Test
    void aMoveIsWrittenDownThoughItsTyreWasRunSoftSince() {
        drive("A00001", now.minusSeconds(9_000), 800, 5);
        drive("A00003", now.minusSeconds(9_000), 800, 5);
        drive("A00003", now.minusSeconds(3_000), 600, 10);
        drive("A00001", now.minusSeconds(3_000), 800, 10);
        assertThat(openAt()).containsExactly("2L UNDER_PRESSURE");

        Door.Answer moved = move(now.minusSeconds(6_000), step("2L", "1L"), step("1L", "2L"));

        assertThat(moved.status()).as(moved.text()).isEqualTo(201);
        assertThat(openAt()).containsExactly("1L UNDER_PRESSURE");
        assertThat(undo(moved.json().get("id").asString()).status()).isEqualTo(200);
        assertThat(openAt()).containsExactly("2L UNDER_PRESSURE");
    }

    /** A wheel that is described away leaves its tyre, and what is known of it, in store. */
    @Test
    void aLeakIsNotForgottenWithItsWheel() {
        String id = "B00001";
        product.door()
                .importFleet(Door.document(
                        """
                        { "ref": "LM-32", "kind": "RIGID_TRUCK", "axles": [
                            { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 800 },
                            { "role": "DRIVE", "wheels": "SINGLE", "coldPressureKpa": 800 } ],
                          "sensors": [
                            { "position": "2L", "code": "B00001", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" } ] }""",
                        ""));
        for (int minute = 0; minute < 10; minute++) {
            product.door()
                    .readings(array(
                            List.of(onTheRoad(id, now.plusSeconds(minute * 60L - 1_000), 800 - minute * 12, 20))));
        }
        String shorter =
                """
                { "ref": "LM-32", "kind": "RIGID_TRUCK", "axles": [
                    { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 800 } ], "sensors": [] }""";
        Door.Answer described = product.door().importFleet(Door.document(shorter, "\"onExisting\": \"update\","));
        assertThat(described.status()).as(described.text()).isEqualTo(200);

        JsonNode tyres = product.door().get("/api/v1/tyres").json().get("items");
        assertThat(tyres.valueStream().map(tyre -> tyre.path("markedBecause").asString("")))
                .anyMatch(words -> words.contains("It leaked at LM-32 2L"));
        JsonNode marked = tyres.valueStream()
                .filter(tyre -> tyre.path("markedBecause").asString("").contains("LM-32"))
                .findFirst()
                .orElseThrow();
        JsonNode trouble = product.door()
                .get("/api/v1/tyres/" + marked.get("id").asString())
                .json()
                .get("trouble");
        assertThat(trouble.size()).isEqualTo(1);
        assertThat(trouble.get(0).get("kind").asString()).isEqualTo("FAST_LEAK");
    }

    @Test
    void whatStoodBeforeTheMoveForbidsItStill() {
        drive("A00003", now.minusSeconds(9_000), 600, 10);

        assertThat(move(now.minusSeconds(6_000), step("2L", "1L"), step("1L", "2L"))
                        .text())
                .contains("goes to no wheel");
    }
}
