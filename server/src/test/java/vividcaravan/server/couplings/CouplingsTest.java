package vividcaravan.server.couplings;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;
import vividcaravan.server.Patience;

/** Combinations: said by people, or heard on the road. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class CouplingsTest {

    private static final String FLEET =
            """
            { "format": "vivid-caravan-fleet", "version": 1, "vehicles": [
              { "ref": "TU-1", "kind": "TRACTOR_UNIT", "axles": [ %1$s ],
                "sensors": [ { "position": "1L", "code": "A00001" }, { "position": "1R", "code": "A00002" } ] },
              { "ref": "TU-2", "kind": "TRACTOR_UNIT", "axles": [ %1$s ],
                "sensors": [ { "position": "1L", "code": "A00003" } ] },
              { "ref": "ST-1", "kind": "SEMI_TRAILER", "axles": [ %2$s ],
                "sensors": [ { "position": "1L", "code": "B00001" }, { "position": "1R", "code": "B00002" } ] },
              { "ref": "DO-1", "kind": "DOLLY", "axles": [ %2$s ], "sensors": [] },
              { "ref": "ST-2", "kind": "SEMI_TRAILER", "axles": [ %2$s ],
                "sensors": [ { "position": "1L", "code": "B00003" } ] } ] }
            """
                    .formatted(
                            "{ \"role\": \"STEER\", \"wheels\": \"SINGLE\", \"coldPressureKpa\": 850 }",
                            "{ \"role\": \"TRAILER\", \"wheels\": \"SINGLE\", \"coldPressureKpa\": 850 }");

    @TempDir
    static Path folder;

    private static OwnProduct product;

    @BeforeAll
    static void start() {
        product = OwnProduct.in(folder, Instant.parse("2026-11-20T06:00:00Z"));
    }

    @BeforeEach
    void describe() {
        product.beginTest();
        assertThat(product.door().postJson("/api/v1/fleet-imports", FLEET).status())
                .isEqualTo(200);
    }

    @AfterAll
    static void stop() {
        product.close();
    }

    private Door.Answer couple(String pulled, String puller) {
        return product.door()
                .postJson("/api/v1/couplings", "{ \"pulled\": \"%s\", \"puller\": \"%s\" }".formatted(pulled, puller));
    }

    private List<String> combination(String ref) {
        return texts(
                product.door().get("/api/v1/couplings?vehicle=" + ref).json().get("combination"));
    }

    private static List<String> texts(JsonNode array) {
        List<String> texts = new ArrayList<>();
        array.forEach(one -> texts.add(one.asString()));
        return texts;
    }

    private JsonNode vehicle(String ref) {
        return product.door().get("/api/v1/vehicles/" + ref).json();
    }

    private static String heard(String sensor, Instant at, String receiver, double kpa, String moving) {
        return ("{ \"sensor\": \"%s\", \"at\": \"%s\", \"pressureKpa\": %s, \"temperatureC\": 25, \"moving\": %s,"
                        + " \"receiver\": \"%s\" }")
                .formatted(sensor, at, kpa, moving, receiver);
    }

    /** Minutes in which a tractor unit and some sensors are heard by one receiver, up to now. */
    private void drive(String receiver, int minutes, String... sensors) {
        product.pass(Duration.ofMinutes(minutes));
        List<String> readings = new ArrayList<>();
        for (int minute = minutes; minute > 0; minute--) {
            Instant at = product.now().minus(Duration.ofMinutes(minute));
            for (String sensor : sensors) {
                readings.add(heard(sensor, at.plusMillis(sensor.hashCode() & 255), receiver, 850, "true"));
            }
        }
        assertThat(product.door().readings(array(readings)).json().get("rejected"))
                .isEmpty();
    }

    private void place(String what) {
        Door.Answer answer = product.door().putJson("/api/v1/receivers/cab-1", what);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    @Test
    void dollyAndTwoTrailersAreCoupledByHandAndOutliveARestart() {
        assertThat(couple("ST-1", "TU-1").status()).isEqualTo(201);
        assertThat(couple("ST-2", "DO-1").status()).isEqualTo(201);
        assertThat(couple("DO-1", "ST-1").status()).isEqualTo(201);

        product.restart();

        assertThat(combination("ST-2")).containsExactly("TU-1", "ST-1", "DO-1", "ST-2");
        assertThat(texts(vehicle("DO-1").get("combination"))).containsExactly("TU-1", "ST-1", "DO-1", "ST-2");
        assertThat(product.door().get("/api/v1/logbook?kind=COUPLED").text()).contains("coupled DO-1 and ST-1");
    }

    private Browser driver(String name, String vehicle) {
        String password = "four words in a row";
        product.door()
                .postJson(
                        "/api/v1/accounts",
                        "{ \"userName\": \"%s\", \"displayName\": \"O. Tansley\", \"role\": \"DRIVER\", \"password\": \"%s\" }"
                                .formatted(name, password));
        product.door().putJson("/api/v1/accounts/" + name + "/vehicles", "{ \"vehicles\": [ \"" + vehicle + "\" ] }");
        Browser browser = new Browser(product.door().withToken(null));
        assertThat(browser.signIn(name, password).statusCode()).isEqualTo(200);
        return browser;
    }

    private int hooked(Browser driver, String pulled, String puller) {
        return driver.send(
                        "POST",
                        "/api/v1/couplings",
                        "{ \"pulled\": \"%s\", \"puller\": \"%s\" }"
                                .formatted(product.ownName(pulled), product.ownName(puller)))
                .statusCode();
    }

    /** A driver takes on what stands free, takes nothing off another, and sees of it what it did since. */
    @Test
    void aDriverTakesNoTrailerOffAnotherAndSeesItsPastSinceTheHook() {
        product.pass(Duration.ofMinutes(20));
        Instant before = product.now().minusSeconds(600);
        product.door()
                .readings(array(List.of(
                        heard("B00001", before, "yard", 850, "false"), heard("B00003", before, "yard", 850, "false"))));
        couple("ST-2", "TU-2");
        Browser driver = driver("hooks-" + product.ownName("TU-1").toLowerCase(java.util.Locale.ROOT), "TU-1");

        assertThat(hooked(driver, "ST-2", "TU-1")).as("it hangs behind another").isEqualTo(409);
        assertThat(hooked(driver, "ST-1", "TU-1")).isEqualTo(201);

        product.pass(Duration.ofMinutes(5));
        product.door().readings(array(List.of(heard("B00001", product.now().minusSeconds(60), "cab", 845, "true"))));
        String readings = driver.get("/api/v1/vehicles/" + product.ownName("ST-1") + "/wheels/1L/readings")
                .body();
        assertThat(readings).contains("845").doesNotContain("850");
        assertThat(product.door()
                        .get("/api/v1/vehicles/ST-1/wheels/1L/readings")
                        .text())
                .contains("850");
    }

    /** What is unhooked is out of sight of a stream that was opened before. */
    @Test
    void anOpenStreamFollowsWhatIsUnhooked() throws Exception {
        couple("ST-1", "TU-1");
        Browser driver = driver("looks-" + product.ownName("TU-1").toLowerCase(java.util.Locale.ROOT), "TU-1");
        StringBuilder heardThere = new StringBuilder();
        try (var stream = driver.open("/api/v1/live").body()) {
            Thread reader = new Thread(() -> {
                try {
                    for (int one = stream.read(); one >= 0; one = stream.read()) {
                        synchronized (heardThere) {
                            heardThere.append((char) one);
                        }
                    }
                } catch (java.io.IOException e) {
                    // The test is over.
                }
            });
            reader.setDaemon(true);
            reader.start();
            say("B00001", 851);
            Patience.until("the trailer is told of", () -> told(heardThere).contains("851"));
            String coupling = product.door()
                    .get("/api/v1/couplings?vehicle=TU-1")
                    .json()
                    .at("/items/0/id")
                    .asString();
            product.pass(Duration.ofMinutes(1));
            assertThat(product.door()
                            .postJson("/api/v1/couplings/" + coupling + "/end", "{}")
                            .status())
                    .isEqualTo(200);

            say("B00001", 852);
            say("A00001", 853);
            Patience.until("the tractor unit is told of", () -> told(heardThere).contains("853"));
            assertThat(told(heardThere)).doesNotContain("852");
        }
    }

    private static String told(StringBuilder heard) {
        synchronized (heard) {
            return heard.toString();
        }
    }

    private void say(String sensor, double kpa) {
        product.pass(Duration.ofSeconds(20));
        product.door().readings(array(List.of(heard(sensor, product.now().minusSeconds(1), "cab", kpa, "true"))));
    }

    private void theTrailerIsSoft() {
        List<String> soft = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            Instant at = product.now().minusSeconds(600 - i * 60);
            soft.add(heard("B00001", at, "yard", 600, "true"));
            soft.add(heard("A00001", at, "yard", 850, "true"));
            soft.add(heard("A00002", at, "yard", 850, "true"));
        }
        product.door().readings(array(soft));
    }

    @Test
    void whatSpeaksAgainstTheTrailerSpeaksAgainstLeaving() {
        couple("ST-1", "TU-1");
        product.pass(Duration.ofMinutes(11));
        theTrailerIsSoft();

        JsonNode departure = vehicle("TU-1").get("departure");
        assertThat(departure.get("verdict").asString()).isEqualTo("NOT_YET");
        assertThat(departure.get("reasons").toString()).contains("ST-1: 1L");
        assertThat(vehicle("TU-2").get("departure").get("reasons").toString()).doesNotContain("ST-1");
        JsonNode line = product.door()
                .get("/api/v1/departures")
                .json()
                .get("items")
                .valueStream()
                .flatMap(depot -> depot.get("vehicles").valueStream())
                .filter(one -> one.get("ref").asString().equals("TU-1"))
                .findFirst()
                .orElseThrow();
        assertThat(texts(line.get("pulls"))).containsExactly("ST-1");
    }

    @Test
    void aWheelOfATrailerIsHeldAgainstThoseOfTheVehicleThatPullsIt() {
        couple("ST-1", "TU-1");
        product.pass(Duration.ofMinutes(11));
        theTrailerIsSoft();
        String id = product.door().alertsOf("ST-1").get(0).get("id").asString();

        // 850 kPa at 25 °C are 834 at 20 °C [computed: constant volume].
        assertThat(reasons(id))
                .contains(
                        "It runs with TU-1: the median of its 2 wheels is 25 °C, 2 % under its target" + " at 20 °C.");

        product.pass(Duration.ofMinutes(40));
        assertThat(reasons(id)).as("nothing was heard of it lately").doesNotContain("It runs with");
    }

    private String reasons(String alert) {
        Door.Answer answer = product.door().get("/api/v1/alerts/" + alert);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json().get("reasons").toString().replace('\u00a0', ' ');
    }

    @Test
    void whatIsHeardTogetherIsProposedThenCertainAndEndsWhenTheyPart() {
        Instant begin = product.now();
        drive("cab-1", 4, "A00001", "A00002", "B00001");
        assertThat(proposals()).as("nobody knows yet whose receiver that is").isEmpty();
        product.door().putJson("/api/v1/receivers/cab-1", "{ \"vehicle\": \"TU-1\", \"power\": \"VEHICLE_24V\" }");
        drive("cab-1", 1, "A00001", "B00001");

        JsonNode proposal = proposals().get(0);
        assertThat(proposal.get("pulled").asString()).isEqualTo("ST-1");
        assertThat(proposal.get("front").asString()).isEqualTo("TU-1");
        assertThat(combination("ST-1")).containsExactly("ST-1");

        product.restart();
        drive("cab-1", 8, "A00001", "A00002", "B00001", "B00002");

        assertThat(combination("ST-1")).containsExactly("TU-1", "ST-1");
        assertThat(proposals()).isEmpty();
        JsonNode coupling =
                product.door().get("/api/v1/couplings?vehicle=ST-1").json().at("/items/0");
        assertThat(coupling.get("source").asString()).isEqualTo("HEARD");
        assertThat(Instant.parse(coupling.get("from").asString())).isBefore(begin.plusSeconds(60));

        product.pass(Duration.ofHours(1));
        drive("cab-1", 20, "A00001", "A00002");

        assertThat(combination("TU-1")).containsExactly("TU-1");
        assertThat(product.door()
                        .get("/api/v1/couplings?vehicle=ST-1")
                        .json()
                        .at("/items/0/endedSource")
                        .asString())
                .isEqualTo("HEARD");
    }

    /** Its sensors wake late, and it can hang nowhere else. */
    @Test
    void aDollyThatIsHeardAfterTheTrailerBehindItComesBetweenTheTwo() {
        String dolly =
                """
                { "format": "vivid-caravan-fleet", "version": 1, "vehicles": [ { "ref": "DO-2", "kind": "DOLLY",
                  "axles": [ { "role": "TRAILER", "wheels": "SINGLE", "coldPressureKpa": 850 } ],
                  "sensors": [ { "position": "1L", "code": "D00009" } ] } ] }""";
        assertThat(product.door().postJson("/api/v1/fleet-imports", dolly).status())
                .isEqualTo(200);
        place("{ \"vehicle\": \"TU-1\" }");
        drive("cab-1", 12, "A00001", "A00002", "B00001");
        drive("cab-1", 12, "A00001", "A00002", "B00001", "B00003");
        assertThat(combination("TU-1")).containsExactly("TU-1", "ST-1", "ST-2");

        drive("cab-1", 12, "A00001", "A00002", "B00001", "B00003", "D00009");

        assertThat(combination("TU-1")).containsExactly("TU-1", "ST-1", "DO-2", "ST-2");
        product.restart();
        assertThat(combination("ST-2")).containsExactly("TU-1", "ST-1", "DO-2", "ST-2");
    }

    private List<JsonNode> proposals() {
        return product.door()
                .get("/api/v1/couplings/proposals")
                .json()
                .get("items")
                .valueStream()
                .filter(one -> one.get("pulled").asString().equals("ST-1"))
                .toList();
    }

    private List<String> receivers() {
        return product.door()
                .get("/api/v1/receivers")
                .json()
                .get("items")
                .valueStream()
                .map(one -> one.get("name").asString())
                .toList();
    }

    private JsonNode receiver(String name) {
        return product.door()
                .get("/api/v1/receivers")
                .json()
                .get("items")
                .valueStream()
                .filter(one -> one.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aReceiverThatNobodyPlacedIsTakenToRideWithTheOneItHears() {
        drive("box-7", 30, "A00001", "A00002", "B00001");

        JsonNode receiver = receiver("box-7");
        assertThat(receiver.get("vehicle").asString()).isEqualTo("TU-1");
        assertThat(receiver.get("isAssumed").asBoolean()).isTrue();
        assertThat(receiver.get("readings").asLong()).isEqualTo(90);
        assertThat(combination("ST-1")).containsExactly("TU-1", "ST-1");

        product.pass(Duration.ofSeconds(20));
        drive("box-7", 1, "A00001");
        product.restart();
        assertThat(receiver("box-7").get("vehicle").asString()).isEqualTo("TU-1");
    }

    @Test
    void whatSomebodyDeniesIsNotSaidAgain() {
        place("{ \"vehicle\": \"TU-1\" }");
        drive("cab-1", 5, "A00001", "B00001");
        assertThat(product.door()
                        .postJson("/api/v1/couplings/denials", "{ \"pulled\": \"ST-1\", \"front\": \"TU-1\" }")
                        .json()
                        .get("items"))
                .isEmpty();
        drive("cab-1", 30, "A00001", "B00001");

        assertThat(combination("ST-1")).containsExactly("ST-1");
    }

    @Test
    void aTokenBoundToAReceiverSpeaksForIt() {
        Door.Answer made = product.door()
                .postJson(
                        "/api/v1/tokens",
                        "{ \"name\": \"cab of TU-1\", \"scope\": \"RECEIVER\", \"receiver\": \"cab-1\" }");
        assertThat(made.json().at("/token/receiver").asString()).isEqualTo("cab-1");
        String secret = made.json().get("secret").asString();

        product.door()
                .send(
                        "POST",
                        "/api/v1/readings",
                        array(List.of(heard("A00001", product.now().minusSeconds(9), "another", 850, "true")))
                                .getBytes(),
                        Map.of("Authorization", "Bearer " + secret, "Content-Type", "application/json"));

        assertThat(receiver("cab-1").get("readings").asLong()).isOne();
        assertThat(receivers()).doesNotContain("another");
        assertThat(product.door()
                        .postJson(
                                "/api/v1/tokens",
                                "{ \"name\": \"m\", \"scope\": \"MANAGER\", \"receiver\": \"cab-1\" }")
                        .status())
                .isEqualTo(400);
    }

    @Test
    void whatIsNoReceiversNameIsRejectedAndSpoilsNothing() {
        int known = receivers().size();
        Instant at = product.now().minusSeconds(9);
        JsonNode answer = product.door()
                .readings(array(List.of(
                        heard("A00001", at, "spaces are none", 850, "true"),
                        heard("A00002", at, "a".repeat(61), 850, "true"),
                        heard("B00001", at, "", 850, "true"),
                        heard("B00002", at, "gate-1:north_2.x", 850, "true"),
                        heard("FFFFF1", at, "gate-2", 850, "true"))))
                .json();

        assertThat(answer.get("accepted").asInt()).isOne();
        assertThat(answer.get("unknownSensors").asInt()).isOne();
        assertThat(answer.get("rejected")).hasSize(3);
        assertThat(answer.at("/rejected/0/message").asString()).contains("1 to 60 letters");
        assertThat(receivers()).hasSize(known + 2).contains("gate-1:north_2.x", "gate-2");
    }

    @Test
    void refusalsSayWhatToDo() {
        couple("ST-1", "TU-1");

        assertThat(couple("ST-2", "TU-1").text()).contains("Uncouple that first");
        assertThat(couple("TU-2", "TU-1").status()).isEqualTo(400);
        assertThat(couple("ST-1", "ST-1").status()).isEqualTo(409);
        assertThat(couple("NO-1", "TU-1").status()).isEqualTo(404);
        assertThat(product.door().postJson("/api/v1/couplings", "{}").status()).isEqualTo(400);
        assertThat(product.door()
                        .postJson(
                                "/api/v1/couplings",
                                "{ \"pulled\": \"ST-2\", \"puller\": \"TU-2\", \"at\": \"2031-01-01T00:00:00Z\" }")
                        .status())
                .isEqualTo(400);
        assertThat(product.door().postJson("/api/v1/couplings/99/end", "{}").status())
                .isEqualTo(404);
        assertThat(product.door().putJson("/api/v1/receivers/a%20b", "{}").status())
                .isEqualTo(400);
        assertThat(product.door()
                        .putJson("/api/v1/receivers/x", "{ \"vehicle\": \"NO-1\", \"depot\": \"none\" }")
                        .json()
                        .get("errors"))
                .hasSize(3);
    }

    @Test
    void isUncoupledAndTakenOutByHand() {
        couple("ST-1", "TU-1");
        String id = product.door()
                .get("/api/v1/couplings?vehicle=TU-1")
                .json()
                .at("/items/0/id")
                .asString();
        product.pass(Duration.ofHours(1));
        assertThat(product.door()
                        .postJson("/api/v1/couplings/" + id + "/end", "{}")
                        .status())
                .isEqualTo(200);
        assertThat(product.door()
                        .postJson("/api/v1/couplings/" + id + "/end", "{}")
                        .status())
                .isEqualTo(409);
        assertThat(combination("ST-1")).containsExactly("ST-1");

        product.door().send("DELETE", "/api/v1/couplings/" + id, new byte[0], Map.of());

        assertThat(product.door().get("/api/v1/couplings?vehicle=TU-1").json().get("items"))
                .isEmpty();
    }

    /** The last one: what it sends pushes out the receivers of all the others. */
    @Test
    @Order(Integer.MAX_VALUE)
    void thousandsOfNamesPushOutNoneThatIsKnownToRideSomewhere() {
        drive("box-7", 30, "A00001", "A00002");
        product.pass(Duration.ofHours(1));
        List<String> many = new ArrayList<>();
        for (int i = 0; i < 6_000; i++) {
            many.add(heard("FFFFF1", product.now().minusMillis(i), "made-up-" + i, 850, "null"));
        }
        product.door().readings(array(many));

        assertThat(receivers()).hasSizeLessThanOrEqualTo(5_000).contains("box-7");
    }
}
