package vividcaravan.server.moves;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.onTheRoad;
import static vividcaravan.server.Door.reading;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;
import vividcaravan.server.Patience;

/** Wheels that change places: all or nothing, with their tyres, sensors, marks and nuts. */
class WheelMovesTest {

    private static final String TRUCK =
            """
            { "ref": "LM-31", "kind": "RIGID_TRUCK", "spares": 1, "axles": [
                { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850 },
                { "role": "DRIVE", "wheels": "SINGLE", "coldPressureKpa": 700 } ],
              "sensors": [
                { "position": "1L", "code": "A00001", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" },
                { "position": "1R", "code": "A00002", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" },
                { "position": "2L", "code": "C00001", "mount": "CAP", "fittedAt": "2026-10-01T00:00:00Z" },
                { "position": "2R", "code": "C00002", "mount": "CAP", "fittedAt": "2026-10-01T00:00:00Z" } ] }""";

    private static final String PASSWORD = "four words in a row";

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

    private static String step(String from, String to, String more) {
        return "{ \"vehicle\": \"LM-31\", \"position\": \"" + from
                + "\", \"to\": { \"vehicle\": \"LM-31\", \"position\": \"" + to + "\" }" + more + " }";
    }

    private static String away(String from, String kind, String more) {
        return "{ \"vehicle\": \"LM-31\", \"position\": \"" + from + "\", \"to\": { \"kind\": \"" + kind + "\" }" + more
                + " }";
    }

    private static String request(String... steps) {
        return "{ \"steps\": [" + String.join(",", steps) + "] }";
    }

    private static String requestAt(Instant at, String... steps) {
        return "{ \"at\": \"" + at + "\", \"steps\": [" + String.join(",", steps) + "] }";
    }

    private String move(String request) {
        Door.Answer answer = product.door().postJson("/api/v1/wheel-moves", request);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json().get("id").asString();
    }

    private Door.Answer undo(String id) {
        return product.door().send("DELETE", "/api/v1/wheel-moves/" + id, new byte[0], Map.of());
    }

    private String sensorAt(String position) {
        JsonNode wheels = product.door().get("/api/v1/vehicles/LM-31").json().get("wheels");
        for (JsonNode wheel : wheels) {
            if (wheel.get("position").asString().equals(position)) {
                return wheel.path("sensor").asString("");
            }
        }
        throw new AssertionError("no wheel " + position);
    }

    private JsonNode tyreAt(String position) {
        for (JsonNode tyre :
                product.door().get("/api/v1/vehicles/LM-31/tyres").json().get("items")) {
            if (tyre.get("position").asString().equals(position)) {
                return tyre;
            }
        }
        return null;
    }

    private void say(String sensor, Instant from, double kpa, int minutes) {
        product.door()
                .readings(array(IntStream.range(0, minutes)
                        .mapToObj(minute -> onTheRoad(sensor, from.plusSeconds(minute * 60L), kpa, 20))
                        .toList()));
    }

    private List<String> heardAt(String position) {
        return product.door()
                .get("/api/v1/vehicles/LM-31/wheels/" + position + "/readings?limit=1000")
                .json()
                .get("items")
                .valueStream()
                .map(item -> item.get("sensor").asString())
                .distinct()
                .toList();
    }

    private String departure() {
        return product.door()
                .get("/api/v1/vehicles/LM-31")
                .json()
                .get("departure")
                .toString();
    }

    private void report(String position, String point) {
        String name = "walks-" + point.toLowerCase(Locale.ROOT);
        product.door()
                .postJson(
                        "/api/v1/accounts",
                        "{ \"userName\": \"%s\", \"displayName\": \"O. Tansley\", \"role\": \"DRIVER\", \"password\": \"%s\" }"
                                .formatted(name, PASSWORD));
        product.door().putJson("/api/v1/accounts/" + name + "/vehicles", "{ \"vehicles\": [ \"LM-31\" ] }");
        Browser driver = new Browser(product.door().withToken(null));
        driver.signIn(name, PASSWORD);
        assertThat(driver.send(
                                "POST",
                                "/api/v1/vehicles/" + product.ownName("LM-31") + "/walks",
                                "{ \"faults\": [ { \"position\": \"" + position + "\", \"point\": \"" + point
                                        + "\" } ] }")
                        .statusCode())
                .isEqualTo(201);
    }

    private List<String> openAlerts() {
        return product.door()
                .get("/api/v1/alerts?vehicle=LM-31")
                .json()
                .get("items")
                .valueStream()
                .map(alert -> alert.get("position").asString())
                .toList();
    }

    @Test
    void aRotationThatWouldPutTwoSensorsToOneWheelAsksWhichIsTakenOff() {
        Door.Answer answer = product.door()
                .postJson("/api/v1/wheel-moves/preview", request(step("1L", "2L", ""), step("2L", "1L", "")));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.json().get("canBeMade").asBoolean()).isFalse();
        assertThat(answer.text()).contains("2L would have two sensors");
        assertThat(product.door()
                        .postJson("/api/v1/wheel-moves", request(step("1L", "2L", ""), step("2L", "1L", "")))
                        .status())
                .isEqualTo(409);
        assertThat(sensorAt("1L")).isEqualTo("A00001");
    }

    @Test
    void sideToSideChangesTyresAndTheirSensorsAndLeavesCapsWhereTheyAre() {
        say("A00001", now.minusSeconds(1_200), 845, 10);
        say("C00001", now.minusSeconds(1_200), 705, 10);

        move(request(step("1L", "1R", ""), step("1R", "1L", ""), step("2L", "2R", ""), step("2R", "2L", "")));
        say("A00001", now.plusSeconds(10), 845, 1);

        assertThat(sensorAt("1R")).isEqualTo("A00001");
        assertThat(sensorAt("1L")).isEqualTo("A00002");
        assertThat(sensorAt("2L")).isEqualTo("C00001");
        assertThat(heardAt("1L")).containsExactly("A00001");
        assertThat(heardAt("1R")).containsExactly("A00001");
        assertThat(tyreAt("1R").get("id").asString())
                .isNotEqualTo(tyreAt("1L").get("id").asString());
        product.restart();
        assertThat(sensorAt("1R")).isEqualTo("A00001");
        assertThat(departure()).as("not due before a day").doesNotContain("nuts");
    }

    @Test
    void readingsThatComeLateFindThePositionOfTheirOwnTime() {
        move(requestAt(now.minusSeconds(3_600), step("1L", "1R", ""), step("1R", "1L", "")));

        say("A00001", now.minusSeconds(7_200), 840, 3);
        say("A00001", now.minusSeconds(600), 841, 3);

        JsonNode left = product.door()
                .get("/api/v1/vehicles/LM-31/wheels/1L/readings")
                .json()
                .get("items");
        JsonNode right = product.door()
                .get("/api/v1/vehicles/LM-31/wheels/1R/readings")
                .json()
                .get("items");
        assertThat(left.valueStream().map(item -> item.get("pressureKpa").asDouble()))
                .containsExactly(840.0, 840.0, 840.0);
        assertThat(right.valueStream().map(item -> item.get("pressureKpa").asDouble()))
                .containsExactly(841.0, 841.0, 841.0);
    }

    @Test
    void aMoveDatedBackTakesAnAlertAlongToWhereTheTyreWas() {
        say("A00001", now.minusSeconds(1_800), 740, 15);
        assertThat(product.door().alertsOf("LM-31"))
                .extracting(alert -> alert.get("position").asString())
                .containsExactly("1L");

        move(requestAt(now.minusSeconds(3_600), step("1L", "1R", ""), step("1R", "1L", "")));

        List<JsonNode> open = product.door().alertsOf("LM-31").stream()
                .filter(alert -> !alert.get("state").asString().equals("CLOSED"))
                .toList();
        assertThat(open).extracting(alert -> alert.get("position").asString()).containsExactly("1R");
    }

    @Test
    void undoingMakesItAsIfItHadNotBeenAndAnotherTimeIsAnUndoAndAMove() {
        say("A00001", now.minusSeconds(1_200), 845, 10);
        String id = move(request(step("1L", "1R", ""), step("1R", "1L", "")));

        Door.Answer corrected = product.door()
                .putJson("/api/v1/wheel-moves/" + id + "/time", "{ \"at\": \"" + now.minusSeconds(900) + "\" }");

        assertThat(corrected.status()).as(corrected.text()).isEqualTo(200);
        assertThat(heardAt("1R")).containsExactly("A00001");
        assertThat(undo(id).status()).isEqualTo(409);
        assertThat(undo(corrected.json().get("id").asString()).status()).isEqualTo(200);
        assertThat(sensorAt("1L")).isEqualTo("A00001");
        assertThat(heardAt("1R")).isEmpty();
        product.pass(Duration.ofDays(2));
        assertThat(departure()).doesNotContain("nuts");
    }

    @Test
    void aTyreRunSoftGoesToNoWheelAndItsMarkWaitsInTheStoreForAnInspection() {
        say("A00001", now.minusSeconds(1_800), 640, 15);
        assertThat(departure()).contains("run soft");
        assertThat(product.door()
                        .postJson("/api/v1/wheel-moves", request(step("1L", "1R", ""), step("1R", "1L", "")))
                        .text())
                .contains("goes to no wheel");

        String id = move(request(away("1L", "STORE", "")));

        String tyre = product.door()
                .get("/api/v1/wheel-moves")
                .json()
                .at("/items/0/steps/0/tyre")
                .asString();
        assertThat(departure()).doesNotContain("run soft");
        assertThat(product.door().get("/api/v1/tyres/" + tyre).text()).contains("Run at 80 %");
        String back = "{ \"tyre\": \"" + tyre + "\", \"to\": { \"vehicle\": \"LM-31\", \"position\": \"1L\" } }";
        assertThat(product.door().postJson("/api/v1/wheel-moves", request(back)).text())
                .contains("goes to no wheel");

        assertThat(undo(id).status()).isEqualTo(200);
        assertThat(departure()).contains("run soft");
        assertThat(product.door()
                        .get("/api/v1/tyres/" + tyre)
                        .json()
                        .at("/tyre/markedBecause")
                        .isNull())
                .isTrue();

        move(request(away("1L", "STORE", "")));
        assertThat(product.door()
                        .postJson(
                                "/api/v1/tyres/" + tyre + "/inspections",
                                "{ \"inspectedBy\": \"R. Tansley\", \"words\": \"no damage inside\" }")
                        .status())
                .isEqualTo(201);
        product.pass(Duration.ofMinutes(1));
        move(request(back));
        assertThat(sensorAt("1L")).isEqualTo("A00001");
    }

    @Test
    void aVehicleComesBackIntoServiceOnlyWithoutTheTyreThatWasRunSoft() {
        String path = "/api/v1/vehicles/LM-31/state";
        say("A00001", now.minusSeconds(1_800), 640, 15);
        product.door()
                .putJson(
                        path,
                        "{ \"state\": \"OUT_OF_SERVICE\", \"reason\": \"waits for a tyre\", \"until\": \"%s\" }"
                                .formatted(now.plusSeconds(3_600)));

        product.pass(Duration.ofHours(2));
        Door.Answer refused = product.door().putJson(path, "{ \"state\": \"IN_SERVICE\" }");

        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("The tyre at 1L was run at 80 %");
        move(request(away("1L", "REPAIRER", "")));
        Patience.until("it is back by itself, as it was said", () -> product.door()
                .get("/api/v1/vehicles/LM-31")
                .json()
                .get("state")
                .asString()
                .equals("IN_SERVICE"));
    }

    @Test
    void nutsAreToBeTightenedAgainAfterADayUntilSomebodySaysSo() {
        move(request(step("1L", "1R", ""), step("1R", "1L", "")));
        String path = "/api/v1/vehicles/LM-31/retorques";
        assertThat(product.door().get(path).json().get("items").size()).isEqualTo(2);

        product.pass(Duration.ofDays(1).plusMinutes(1));
        product.restart();

        assertThat(departure()).contains("retorque wheel nuts: 1L, 1R");
        assertThat(product.door()
                        .postJson(path, "{ \"positions\": [\"1L\", \"2R\"], \"torqueNm\": 600 }")
                        .status())
                .isEqualTo(409);
        assertThat(product.door()
                        .postJson(path, "{ \"positions\": [\"1L\", \"1R\"], \"torqueNm\": 600 }")
                        .status())
                .isEqualTo(200);
        assertThat(departure()).doesNotContain("nuts");
    }

    /** A mistaken second move that is undone takes back itself and nothing else. */
    @Test
    void undoingAMoveLeavesTheNutsOfTheOneBeforeDue() {
        String path = "/api/v1/vehicles/LM-31/retorques";
        move(request(step("1L", "1R", ""), step("1R", "1L", "")));
        product.pass(Duration.ofMinutes(5));
        String mistaken = move(request(step("1L", "1R", ""), step("1R", "1L", "")));

        assertThat(undo(mistaken).status()).isEqualTo(200);

        assertThat(product.door().get(path).json().get("items")).hasSize(2);
        product.pass(Duration.ofDays(1).plusMinutes(1));
        assertThat(departure()).contains("retorque wheel nuts: 1L, 1R");
        product.pass(Duration.ofDays(1));
        assertThat(departure()).contains("wheel nuts overdue, retorque: 1L, 1R").contains("NOT_YET");
    }

    @Test
    void nutsOfAMoveThatWasUndoneItselfDoNotComeBackWithAnother() {
        String first = move(request(step("1L", "1R", ""), step("1R", "1L", "")));
        product.pass(Duration.ofMinutes(5));
        String second = move(request(step("1L", "1R", ""), step("1R", "1L", "")));

        assertThat(undo(second).status()).isEqualTo(200);
        assertThat(undo(first).status()).isEqualTo(200);

        assertThat(product.door().get("/api/v1/vehicles/LM-31/retorques").json().get("items"))
                .isEmpty();
    }

    /** A store tyre is put on, run soft and taken from there again by an undo: the mark goes with it, not to the old tyre. */
    @Test
    void whatATyreEarnedGoesBackWithItWhenItsMoveIsUndone() {
        String stored = product.door()
                .postJson("/api/v1/tyres", "{ \"tyre\": { \"size\": \"315/80 R22.5\" } }")
                .json()
                .at("/tyre/id")
                .asString();
        product.pass(Duration.ofMinutes(1));
        String exchange = move(request(
                away("1L", "STORE", ", \"sensor\": \"STAYS\""),
                "{ \"tyre\": \"" + stored + "\", \"to\": { \"vehicle\": \"LM-31\", \"position\": \"1L\" } }"));
        product.pass(Duration.ofHours(2));
        say("A00001", product.now().minusSeconds(1_200), 600, 18);
        assertThat(departure()).contains("run soft");

        assertThat(undo(exchange).status()).isEqualTo(200);

        assertThat(product.door().get("/api/v1/tyres/" + stored).text()).contains("Run at 80 %");
        assertThat(departure()).doesNotContain("run soft");
    }

    /** What a driver saw on a tyre stands at the wheel to which the tyre goes, until somebody inspects it. */
    @Test
    void whatWasSeenOnATyreStandsAtTheWheelToWhichItGoes() {
        report("1L", "TREAD");

        move(request(step("1L", "1R", ""), step("1R", "1L", "")));

        assertThat(openAlerts()).containsExactly("1R");
    }

    /** A cut is seen: the tyre goes to no wheel; it may go to be repaired, and is marked there. */
    @Test
    void aTyreWithSeenDamageGoesToNoWheelAndIsMarkedWhereItLies() {
        report("1L", "DAMAGE");

        assertThat(product.door()
                        .postJson("/api/v1/wheel-moves", request(step("1L", "1R", ""), step("1R", "1L", "")))
                        .status())
                .isEqualTo(409);

        move(request(away("1L", "REPAIRER", "")));

        String tyre = product.door()
                .get("/api/v1/wheel-moves")
                .json()
                .at("/items/0/steps/0/tyre")
                .asString();

        assertThat(openAlerts()).isEmpty();
        assertThat(product.door().get("/api/v1/tyres/" + tyre).text()).contains("Seen on it at");
    }

    /** Targets at 0 °C: 850 kPa there are 919.6 at 20 °C [gas law, by hand]. A tyre with just that is right. */
    @Test
    void aTyreThatIsRightByACoolerReferenceIsNotLetOut() {
        Door.Answer policy = product.door().get("/api/v1/limits");
        assertThat(policy.status()).isEqualTo(200);
        product.door()
                .importFleet(Door.document(
                        TRUCK.replace(
                                "\"coldPressureKpa\": 850",
                                "\"coldPressureKpa\": 850, \"limits\": { \"referenceC\": 0 }"),
                        "\"onExisting\": \"update\","));
        say("A00001", now.minusSeconds(600), 919.6, 5);

        JsonNode preview = product.door()
                .postJson("/api/v1/wheel-moves/preview", request(step("1L", "1R", ""), step("1R", "1L", "")))
                .json();

        assertThat(preview.at("/steps/0/targetKpa").asDouble()).isEqualTo(850);
        assertThat(preview.at("/steps/0/nowKpa").asDouble()).isCloseTo(850, within(0.2));
        assertThat(preview.at("/steps/0/addKpa").asDouble()).isCloseTo(0, within(0.2));
    }

    @Test
    void whatIsHotOrOldSaysNothingOfWhatIsToBeAdded() {
        product.door().readings(array(List.of(reading("A00001", now.minusSeconds(300), 900, 60))));
        product.door().readings(array(List.of(reading("A00002", now.minusSeconds(5_000), 700, 20))));

        JsonNode preview = product.door()
                .postJson("/api/v1/wheel-moves/preview", request(step("1L", "1R", ""), step("1R", "1L", "")))
                .json();

        assertThat(preview.at("/steps/0/addKpa").isNull()).isTrue();
        assertThat(preview.at("/steps/1/addKpa").isNull()).isTrue();
    }

    @Test
    void thePreviewSaysWhatEachWheelWillBeAndWhatIsToBeAdded() {
        say("A00001", now.minusSeconds(600), 850, 5);

        JsonNode preview = product.door()
                .postJson(
                        "/api/v1/wheel-moves/preview",
                        request(step("1L", "2L", ""), step("2L", "1L", ", \"sensor\": \"OFF\"")))
                .json();

        assertThat(preview.get("canBeMade").asBoolean()).as(preview.toString()).isTrue();
        assertThat(preview.at("/steps/0/targetKpa").asDouble()).isEqualTo(700);
        assertThat(preview.at("/steps/0/addKpa").asDouble()).isEqualTo(-150);
        assertThat(preview.get("wheels").toString())
                .contains("\"position\":\"2L\",\"hasTyre\":true,\"tyre\":null,\"sensor\":\"A00001\"");
        assertThat(sensorAt("1L")).as("nothing was stored").isEqualTo("A00001");
        assertThat(product.door().get("/api/v1/wheel-moves").text()).doesNotContain("\"LM-31\"");
    }

    @Test
    void aTokenOfTheLongestNameAndTheFinestGaugeAreWrittenDownLikeAnyOther() {
        String secret = product.door()
                .postJson("/api/v1/tokens", "{ \"name\": \"%s\", \"scope\": \"MANAGER\" }".formatted("n".repeat(120)))
                .json()
                .get("secret")
                .asString();
        Door machine = product.door().withToken(secret);
        Door.Answer moved =
                machine.postJson("/api/v1/wheel-moves", request(step("1L", "1R", ""), step("1R", "1L", "")));
        assertThat(moved.status()).as(moved.text()).isEqualTo(201);
        String tyre = moved.json().at("/steps/0/tyre").asString();
        String fine = String.join(",", Collections.nCopies(20, "12.345678901234567"));

        assertThat(machine.postJson("/api/v1/tyres/" + tyre + "/treads", "{ \"points\": [" + fine + "] }")
                        .status())
                .isEqualTo(201);
        assertThat(machine.postJson("/api/v1/vehicles/LM-31/retorques", "{ \"positions\": [\"1L\", \"1R\"] }")
                        .status())
                .isEqualTo(200);
        assertThat(machine.postJson("/api/v1/tyres", "{ \"tyre\": { \"size\": \"315/80 R22.5\" } }")
                        .status())
                .isEqualTo(201);
        assertThat(machine.send(
                                "DELETE",
                                "/api/v1/wheel-moves/" + moved.json().get("id").asString(),
                                new byte[0],
                                Map.of())
                        .status())
                .isEqualTo(200);
        say("A00002", now.minusSeconds(1_800), 740, 15);
        String alert = product.door().alertsOf("LM-31").get(0).get("id").asString();
        Door.Answer taken = machine.postJson("/api/v1/alerts/" + alert + "/take-in-hand", "{}");
        assertThat(taken.status()).as(taken.text()).isEqualTo(200);
        // What is out of service is put aside a moment later, so it comes last.
        assertThat(machine.postJson(
                                "/api/v1/vehicles/LM-31/outages",
                                "{ \"axle\": 1, \"reason\": \"tied up\", \"until\": \"" + now.plusSeconds(3_600)
                                        + "\" }")
                        .status())
                .isEqualTo(201);
        for (String odd : List.of(
                "{ \"steps\": [ null ] }",
                "{ \"steps\": [ { \"tyre\": \"99999999999999999999\", \"to\": { \"kind\": \"STORE\" } } ] }",
                "{ \"steps\": [ { \"tyre\": \"-1\", \"to\": { \"kind\": \"STORE\" } } ] }",
                "{ \"steps\": [ { \"vehicle\": \"LM-31\", \"position\": \"1L\", \"to\": { \"kind\": \"nowHERE\" } } ] }",
                "{ \"at\": \"-1000000000-01-01T00:00:00Z\", \"steps\": [ " + step("1L", "1R", "") + " ] }")) {
            assertThat(machine.postJson("/api/v1/wheel-moves", odd).status())
                    .as(odd)
                    .isBetween(400, 499);
        }
    }

    @Test
    void whatCannotBeReadIsSaidFieldByField() {
        Door.Answer nowhere = product.door().postJson("/api/v1/wheel-moves", "{ \"steps\": [] }");
        Door.Answer odd = product.door()
                .postJson(
                        "/api/v1/wheel-moves",
                        "{ \"at\": \"2020-01-01T00:00:00Z\", \"steps\": [ { \"vehicle\": \"LM-31\", \"position\": \"9L\" } ] }");
        Door.Answer noWheel = product.door().postJson("/api/v1/wheel-moves", request(step("1L", "3L", "")));

        assertThat(nowhere.status()).isEqualTo(400);
        assertThat(odd.json().at("/errors/0/field").asString()).isEqualTo("at");
        assertThat(noWheel.json().at("/errors/0/field").asString()).isEqualTo("steps[0].to.position");
        assertThat(undo("99").status()).isEqualTo(404);
    }

    @Test
    void aTyreKeepsWhyItCameOffWhatWasRepairedAndWhatItWentThrough() {
        // Two hours at 84 % of 850 kPa, one of them hot, then one at its target.
        Instant low = Instant.parse("2026-11-19T10:00:00Z");
        say("A00001", low, 714, 60);
        product.door()
                .readings(array(IntStream.range(0, 60)
                        .mapToObj(minute -> reading("A00001", low.plusSeconds(3_600 + minute * 60L), 850, 75))
                        .toList()));
        say("A00001", low.plusSeconds(7_200), 850, 60);
        String tyre = describe("1L");
        String move = move(request(away("1L", "REPAIRER", ", \"sensor\": \"TRAVELS\", \"reason\": \"PUNCTURE\"")));
        Door.Answer repaired = product.door()
                .postJson(
                        "/api/v1/tyres/" + tyre + "/repairs",
                        "{ \"what\": \"plug and patch\", \"repairer\": \"Rosewell\" }");
        assertThat(repaired.status()).as(repaired.text()).isEqualTo(201);
        JsonNode life = repaired.json();
        assertThat(life.at("/stays/1/reason").asString()).isEqualTo("PUNCTURE");
        assertThat(life.at("/repairs/0/what").asString()).isEqualTo("plug and patch");
        assertThat(life.at("/exposure").toString())
                .isEqualTo("{\"heard\":3,\"under90\":2,\"under80\":0,\"hot\":1,\"parkedLow\":0}");

        // What was corrected keeps its reason; what is undone has none.
        Door.Answer corrected = product.door()
                .send(
                        "PUT",
                        "/api/v1/wheel-moves/" + move + "/time",
                        ("{ \"at\": \"" + now.minusSeconds(600) + "\" }")
                                .getBytes(java.nio.charset.StandardCharsets.UTF_8),
                        Map.of("Content-Type", "application/json"));
        assertThat(corrected.json().at("/steps/0/reason").asString())
                .as(corrected.text())
                .isEqualTo("PUNCTURE");
        assertThat(undo(corrected.json().get("id").asString()).status()).isEqualTo(200);
        JsonNode back = product.door().get("/api/v1/tyres/" + tyre).json();
        assertThat(back.get("stays")).hasSize(1);
        assertThat(back.at("/stays/0/reason").isNull()).isTrue();
    }

    @Test
    void aReasonIsOfATyreThatComesOff() {
        Door.Answer answer = product.door()
                .postJson(
                        "/api/v1/wheel-moves",
                        request(step("1L", "1R", ", \"reason\": \"WORN\""), step("1R", "1L", "")));
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.text()).contains("steps[0].reason");
    }

    private String describe(String position) {
        Door.Answer answer = product.door()
                .send(
                        "PUT",
                        "/api/v1/vehicles/LM-31/wheels/" + position + "/tyre",
                        "{ \"maker\": \"Tarnfell\" }".getBytes(java.nio.charset.StandardCharsets.UTF_8),
                        Map.of("Content-Type", "application/json"));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json().at("/tyre/id").asString();
    }
}
