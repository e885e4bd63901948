package vividcaravan.server.workshop.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** A fit-out from a described vehicle to one in service, and everything that may go wrong on the way. */
@ExtendWith(RunningProduct.class)
class JobsContractTest {

    private static final AtomicInteger NEXT = new AtomicInteger();
    private static final String SEEN =
            "{ \"treadMm\": [9, 8.5], \"dateCode\": \"3423\", \"stem\": \"SOUND\", \"isValveReachable\": true }";

    private final Door door = RunningProduct.door();
    private final int number = NEXT.incrementAndGet();
    private final String ref = "JB-" + number;
    /** Which sensor is really in which tyre. */
    private final Map<String, String> inTyre = new HashMap<>();

    private final Map<String, Double> kpa = new HashMap<>();
    private String job;

    @BeforeEach
    void describeAndOpen() {
        for (String position : List.of("1L", "1R", "2LO", "2LI", "2RI", "2RO")) {
            inTyre.put(position, "%02X%04X".formatted(0xC0 + inTyre.size(), number));
            kpa.put(position, position.startsWith("1") ? 830.0 : 760.0);
        }
        Door.Answer described = door.postJson(
                "/api/v1/vehicles",
                """
                { "ref": "%s", "kind": "RIGID_TRUCK", "axles": [
                  { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 830 },
                  { "role": "DRIVE", "wheels": "TWIN", "coldPressureKpa": 760 } ] }"""
                        .formatted(ref));
        assertThat(described.status()).as(described.text()).isEqualTo(201);
        Door.Answer opened = door.postJson("/api/v1/jobs", "{ \"vehicle\": \"" + ref + "\", \"mount\": \"STRAP\" }");
        assertThat(opened.status()).as(opened.text()).isEqualTo(201);
        job = opened.json().get("id").asString();
    }

    private static String entry(String kind, String position, String data, String more) {
        return "{ \"key\": \"" + UUID.randomUUID() + "\", \"kind\": \"" + kind + "\", \"position\": "
                + (position == null ? "null" : "\"" + position + "\"") + ", \"isMeant\": false" + more + ", \"data\": "
                + data + " }";
    }

    private JsonNode enter(Door who, String... entries) {
        Door.Answer answer = who.postJson(
                "/api/v1/jobs/" + job + "/entries", "{ \"entries\": [" + String.join(", ", entries) + "] }");
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json().get("outcomes");
    }

    private String outcome(String kind, String position, String data) {
        return enter(door, entry(kind, position, data, ""))
                .get(0)
                .get("outcome")
                .asString();
    }

    private static String code(String code) {
        return "{ \"code\": \"" + code + "\" }";
    }

    private JsonNode wheel(String position) {
        return door.get("/api/v1/jobs/" + job)
                .json()
                .get("wheels")
                .valueStream()
                .filter(wheel -> wheel.get("position").asString().equals(position))
                .findFirst()
                .orElseThrow();
    }

    private String vehicleState() {
        return door.get("/api/v1/vehicles/" + ref).json().get("state").asString();
    }

    /** Every tyre's sensor says what is in the tyre. */
    private void hearAll() {
        List<String> heard = new ArrayList<>();
        Instant now = Instant.now();
        inTyre.forEach((position, code) -> heard.add(reading(code, now, kpa.get(position), 20)));
        assertThat(door.readings(array(heard)).status()).isEqualTo(200);
    }

    private void letIn(String position, double more) {
        kpa.merge(position, more, Double::sum);
    }

    private void pairAll() {
        hearAll();
        inTyre.forEach((position, code) ->
                assertThat(outcome("PAIRED", position, code(code))).isEqualTo("STORED"));
    }

    @Test
    void theWholeWayIntoService() {
        assertThat(vehicleState()).isEqualTo("BEING_FITTED");
        for (String position : inTyre.keySet()) {
            assertThat(outcome("INSPECTED", position, SEEN)).isEqualTo("STORED");
            assertThat(outcome("MOUNTED", position, "{ \"mount\": \"STRAP\" }")).isEqualTo("STORED");
        }
        hearAll();
        pairAll();
        hearAll();
        assertThat(door.postJson("/api/v1/jobs/" + job + "/end", "{ \"state\": \"DONE\" }")
                        .text())
                .contains("Not every wheel is proven")
                .contains("position not proved");

        for (String position : inTyre.keySet()) {
            assertThat(outcome("GAUGED", position, "{ \"gaugeKpa\": " + kpa.get(position) + " }"))
                    .isEqualTo("STORED");
            assertThat(outcome("AIR_SET", position, "{}")).isEqualTo("STORED");
            letIn(position, 25);
            hearAll();
            assertThat(wheel(position).get("air").get("verdict").asString()).isEqualTo("PROVED");
            assertThat(wheel(position).at("/gauge/expectedKpa").asDouble())
                    .as("the gauge was read before the air went in")
                    .isCloseTo(kpa.get(position) - 25, within(0.5));
            assertThat(outcome("PROVED", position, "{}")).isEqualTo("STORED");
            assertThat(outcome("GAUGED", position, "{ \"gaugeKpa\": " + kpa.get(position) + " }"))
                    .isEqualTo("STORED");
        }

        assertThat(door.get("/api/v1/jobs/" + job).json().get("isProven").asBoolean())
                .isTrue();
        Door.Answer done = door.postJson("/api/v1/jobs/" + job + "/end", "{ \"state\": \"DONE\" }");
        assertThat(done.status()).as(done.text()).isEqualTo(200);
        assertThat(vehicleState()).isEqualTo("IN_SERVICE");
        JsonNode record = door.get("/api/v1/jobs/" + job + "/record").json();
        assertThat(record.get("entries").valueStream().map(e -> e.get("kind").asString()))
                .contains("INSPECTED", "MOUNTED", "PAIRED", "GAUGED", "AIR_SET", "PROVED", "CLOSED");
        assertThat(enter(door, entry("NOTED", null, "{ \"reason\": \"late\" }", ""))
                        .get(0)
                        .get("message")
                        .asString())
                .contains("ended");
    }

    @Test
    void crossedTwinsAreFoundByAirAndExchanged() {
        String outer = inTyre.get("2LO");
        String inner = inTyre.get("2LI");
        hearAll();
        assertThat(outcome("PAIRED", "2LO", code(inner))).isEqualTo("STORED");
        assertThat(outcome("PAIRED", "2LI", code(outer))).isEqualTo("STORED");
        hearAll();

        outcome("AIR_SET", "2LO", "{}");
        letIn("2LO", 25);
        hearAll();

        JsonNode air = wheel("2LO").get("air");
        assertThat(air.get("verdict").asString()).isEqualTo("CROSSED");
        assertThat(air.get("moved").asString()).isEqualTo("2LI");
        assertThat(enter(door, entry("PROVED", "2LO", "{}", ""))
                        .get(0)
                        .get("message")
                        .asString())
                .contains("axle 2 left inner");
        assertThat(outcome("EXCHANGED", "2LO", "{ \"other\": \"2LI\" }")).isEqualTo("STORED");
        assertThat(wheel("2LO").get("code").asString()).isEqualTo(outer);
        assertThat(wheel("2LI").get("code").asString()).isEqualTo(inner);
        JsonNode wheels = door.get("/api/v1/vehicles/" + ref).json().get("wheels");
        assertThat(wheels.valueStream()
                        .filter(w -> w.get("position").asString().equals("2LO"))
                        .map(w -> w.get("sensor").asString()))
                .containsExactly(outer);

        outcome("AIR_SET", "2LO", "{}");
        letIn("2LO", 25);
        hearAll();
        assertThat(outcome("PROVED", "2LO", "{}")).isEqualTo("STORED");
    }

    @Test
    void aWheelThatFailedItsInspectionGetsNoSensorUnlessSomebodySaysWhy() {
        String worn = SEEN.replace("[9, 8.5]", "[9, 2.0]");
        assertThat(outcome("INSPECTED", "1L", worn)).isEqualTo("STORED");
        assertThat(wheel("1L").get("inspection").get("failures").get(0).asString())
                .contains("2.0 mm");

        JsonNode refused =
                enter(door, entry("PAIRED", "1L", code(inTyre.get("1L")), "")).get(0);
        assertThat(refused.get("outcome").asString()).isEqualTo("REFUSED");
        assertThat(refused.get("message").asString()).contains("did not pass its inspection");
        assertThat(outcome("PASSED_ANYWAY", "1L", "{ \"reason\": \" \" }")).isEqualTo("REFUSED");
        assertThat(outcome("PASSED_ANYWAY", "1L", "{ \"reason\": \"new tyre on Friday\" }"))
                .isEqualTo("STORED");
        assertThat(outcome("PAIRED", "1L", code(inTyre.get("1L")))).isEqualTo("STORED");
        assertThat(wheel("1L")
                        .get("inspection")
                        .get("passedAnyway")
                        .get("reason")
                        .asString())
                .isEqualTo("new tyre on Friday");
    }

    @Test
    void aSensorOfAnotherVehicleIsTakenOnlyIfThatIsMeant() {
        Door.Truck truck = door.newTruck();

        JsonNode asked =
                enter(door, entry("PAIRED", "1L", code(truck.left()), "")).get(0);
        assertThat(asked.get("outcome").asString()).isEqualTo("TO_CONFIRM");
        assertThat(asked.get("message").asString()).contains("1L of " + truck.ref());
        String meant = entry("PAIRED", "1L", code(truck.left()), "").replace("\"isMeant\": false", "\"isMeant\": true");
        assertThat(enter(door, meant).get(0).get("outcome").asString()).isEqualTo("STORED");

        JsonNode wheels = door.get("/api/v1/vehicles/" + truck.ref()).json().get("wheels");
        assertThat(wheels.get(0).hasNonNull("sensor")).isFalse();
    }

    @Test
    void aSensorSitsAtOneWheelOnly() {
        hearAll();
        outcome("PAIRED", "1L", code(inTyre.get("1L")));

        JsonNode asked =
                enter(door, entry("PAIRED", "1R", code(inTyre.get("1L")), "")).get(0);
        assertThat(asked.get("doubts").get(0).get("kind").asString()).isEqualTo("ALREADY_HERE");
        String meant =
                entry("PAIRED", "1R", code(inTyre.get("1L")), "").replace("\"isMeant\": false", "\"isMeant\": true");
        enter(door, meant);

        assertThat(wheel("1L").hasNonNull("code")).isFalse();
        assertThat(wheel("1R").get("code").asString()).isEqualTo(inTyre.get("1L"));
    }

    @Test
    void aRetiredSensorIsRefused() {
        Door.Truck truck = door.newTruck();
        door.putJson(
                "/api/v1/sensors/" + truck.left() + "/retirement",
                "{ \"isRetired\": true, \"reason\": \"scrapped with its tyre\" }");

        JsonNode refused =
                enter(door, entry("PAIRED", "1L", code(truck.left()), "")).get(0);

        assertThat(refused.get("outcome").asString()).isEqualTo("REFUSED");
        assertThat(refused.get("message").asString()).contains("taken out of use");
    }

    @ParameterizedTest
    @CsvSource({"hello, is no sensor code", "12345, is no sensor code", "5BOD40, is no sensor code", "'', is no sensor"
    })
    void nonsenseIsRefusedInWords(String typed, String words) {
        JsonNode looked = door.postJson(
                        "/api/v1/jobs/" + job + "/code-looks", "{ \"position\": \"1L\", \"code\": \"" + typed + "\" }")
                .json();

        assertThat(looked.get("doubts").get(0).get("words").asString()).contains(words);
        assertThat(outcome("PAIRED", "1L", code(typed))).isEqualTo("REFUSED");
        assertThat(wheel("1L").hasNonNull("code")).isFalse();
    }

    @Test
    void twoPeoplesConflictingEntriesAreShownAndNotCovered() {
        String secret = door.postJson("/api/v1/tokens", "{\"name\":\"B. Quill " + number + "\",\"scope\":\"MANAGER\"}")
                .json()
                .get("secret")
                .asString();
        Door quill = door.withToken(secret);
        hearAll();
        enter(quill, entry("PAIRED", "1L", code(inTyre.get("1L")), ""));

        // Entered without a connection, so its author had not seen the other's.
        JsonNode late = enter(door, entry("PAIRED", "1L", code(inTyre.get("1R")), ", \"basedOn\": 0"))
                .get(0);

        assertThat(late.get("outcome").asString()).isEqualTo("CONFLICT");
        assertThat(late.get("theirs").get("who").asString()).startsWith("B. Quill");
        assertThat(late.get("theirs").get("data").get("code").asString()).isEqualTo(inTyre.get("1L"));
        assertThat(wheel("1L").get("code").asString()).isEqualTo(inTyre.get("1L"));
    }

    @Test
    void anEntrySentTwiceCountsOnce() {
        String once = entry("NOTED", null, "{ \"reason\": \"stem caps missing\" }", "");

        assertThat(enter(door, once, once).valueStream().map(o -> o.get("outcome")
                        .asString()))
                .containsExactly("STORED", "KNOWN");
        assertThat(enter(door, once).get(0).get("outcome").asString()).isEqualTo("KNOWN");
        assertThat(door.get("/api/v1/jobs/" + job + "/record").json().get("entries"))
                .hasSize(1);
    }

    @Test
    void glueInTheColdIsStopped() {
        JsonNode refused = enter(door, entry("MOUNTED", "1L", "{ \"mount\": \"GLUED\", \"ambientC\": 14.5 }", ""))
                .get(0);

        assertThat(refused.get("outcome").asString()).isEqualTo("REFUSED");
        assertThat(refused.get("message").asString()).contains("15 to 35");
        assertThat(outcome("MOUNTED", "1L", "{ \"mount\": \"GLUED\", \"ambientC\": 18 }"))
                .isEqualTo("STORED");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "INSPECTED | 1L | { \"treadMm\": [-1] }",
                "INSPECTED | 1L | { \"treadMm\": [9], \"dateCode\": \"5321\" }",
                "INSPECTED | 1L | { \"treadMm\": [9], \"dateCode\": \"5229\" }",
                "INSPECTED | 9L | { \"treadMm\": [9] }",
                "LEFT_OUT | 1L | {}",
                "GAUGED | 1L | { \"gaugeKpa\": -3 }",
                "GAUGED | 1L | {}",
                "AIR_SET | 1L | {}",
                "PROVED | 1L | {}",
                "EXCHANGED | 1L | { \"other\": \"1L\" }",
                "EXCHANGED | 1L | { \"other\": \"2LO\" }",
                "GAUGE_NAMED | 1L | {}",
                "GAUGE_NAMED | 1L | { \"gaugeName\": \"G1\", \"calibratedOn\": \"2099-01-01\" }",
                "CLOSED | 1L | {}"
            })
    void whatCannotBeIsRefusedInWordsAndNothingIsStored(String kind, String position, String data) {
        JsonNode refused = enter(door, entry(kind, position, data, "")).get(0);

        assertThat(refused.get("outcome").asString()).isEqualTo("REFUSED");
        assertThat(refused.get("message").asString()).isNotBlank();
        assertThat(door.get("/api/v1/jobs/" + job + "/record").json().get("entries"))
                .isEmpty();
    }

    @Test
    void bodiesThatAreNoneAreRefused() {
        String entries = "/api/v1/jobs/" + job + "/entries";
        assertThat(door.postJson(entries, "{}").status()).isEqualTo(400);
        assertThat(door.postJson(entries, "{ \"entries\": [null] }").status()).isEqualTo(400);
        assertThat(door.postJson(entries, "{ \"entries\": [{}] }")
                        .json()
                        .get("outcomes")
                        .get(0)
                        .get("outcome")
                        .asString())
                .isEqualTo("REFUSED");
        assertThat(door.postJson(entries, "{ \"entries\": [{ \"kind\": \"DANCED\" }] }")
                        .status())
                .isEqualTo(400);
        assertThat(door.get("/api/v1/jobs/none").status()).isEqualTo(404);
        assertThat(door.postJson("/api/v1/jobs", "{}").status()).isEqualTo(400);
        assertThat(door.postJson("/api/v1/jobs", "{ \"vehicle\": \"nowhere\" }").status())
                .isEqualTo(404);
        assertThat(door.postJson("/api/v1/jobs", "{ \"vehicle\": \"" + ref + "\" }")
                        .status())
                .isEqualTo(409);
        assertThat(door.postJson("/api/v1/jobs/" + job + "/end", "{ \"state\": \"DROPPED\" }")
                        .status())
                .isEqualTo(400);
    }

    @Test
    void beforeItIsInServiceItsAlertsGoToTheJob() {
        pairAll();
        kpa.put("1L", 500.0);
        hearAll();
        Instant now = Instant.now();
        door.readings(array(List.of(
                reading(inTyre.get("1L"), now.plusMillis(1), 499, 20),
                reading(inTyre.get("1L"), now.plusMillis(2), 499, 20),
                reading(inTyre.get("1L"), now.plusMillis(3), 499, 20),
                reading(inTyre.get("1L"), now.plusMillis(4), 499, 20))));

        assertThat(door.get("/api/v1/jobs/" + job)
                        .json()
                        .get("heldBack")
                        .valueStream()
                        .map(JsonNode::asString))
                .anySatisfy(words -> assertThat(words).contains(ref));
        assertThat(door.get("/api/v1/alerts?limit=1000").json().get("items").valueStream())
                .noneSatisfy(
                        alert -> assertThat(alert.get("vehicle").asString()).isEqualTo(ref));
    }

    @Test
    void aDroppedJobLeavesTheVehicleDescribed() {
        pairAll();

        door.postJson("/api/v1/jobs/" + job + "/end", "{ \"state\": \"DROPPED\", \"reason\": \"sold\" }");

        assertThat(vehicleState()).isEqualTo("DESCRIBED");
        assertThat(door.get("/api/v1/jobs").json().get("items").valueStream()).anySatisfy(line -> {
            assertThat(line.get("id").asString()).isEqualTo(job);
            assertThat(line.get("state").asString()).isEqualTo("DROPPED");
        });
    }

    @Test
    void theRulesOfTheWorkshopCanBeSetWithinReason() {
        String rules = "/api/v1/workshop-rules";
        String good = door.get(rules).text();
        try {
            assertThat(door.putJson(rules, good.replace("\"maxAgeYears\":10", "\"maxAgeYears\":0"))
                            .status())
                    .isEqualTo(400);
            assertThat(door.putJson(rules, good.replace("\"maxAgeYears\":10", "\"maxAgeYears\":2"))
                            .status())
                    .isEqualTo(200);
            outcome("INSPECTED", "1L", SEEN);
            assertThat(wheel("1L").get("inspection").get("failures").get(0).asString())
                    .contains("years old, the limit is 2");
        } finally {
            door.putJson(rules, good);
        }
    }
}
