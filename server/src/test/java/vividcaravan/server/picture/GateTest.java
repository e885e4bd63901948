package vividcaravan.server.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

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
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** The gate lets nobody leave on hope or on old data, and what moves is not out of service. */
class GateTest {

    @TempDir
    static Path folder;

    private static OwnProduct product;
    private Door.Truck truck;

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
        truck = product.door().newTruck(product.now().minus(Duration.ofDays(9)));
    }

    private JsonNode vehicle() {
        return product.door().get("/api/v1/vehicles/" + truck.ref()).json();
    }

    private JsonNode departure() {
        return vehicle().get("departure");
    }

    private String verdict() {
        return departure().get("verdict").asString();
    }

    private void say(String sensor, double kpa, int minutes, String moving) {
        Instant from = product.now().minusSeconds(minutes * 60L);
        product.door()
                .readings(array(IntStream.range(0, minutes)
                        .mapToObj(minute -> reading(sensor, from.plusSeconds(minute * 60L), kpa, 20)
                                .replace("}", ",\"moving\":" + moving + "}"))
                        .toList()));
    }

    private void bothSay(double left, double right, int minutes) {
        say(truck.left(), left, minutes, "false");
        say(truck.right(), right, minutes, "false");
    }

    @Test
    void valuesOlderThanADayAreCheckedByHandAndTheirAgeIsSaid() {
        bothSay(800, 800, 10);
        assertThat(verdict()).isEqualTo("MAY_LEAVE");
        assertThat(departure().get("restsOnAgeS").asLong()).isBetween(30L, 120L);

        product.pass(Duration.ofDays(10));

        assertThat(verdict()).isEqualTo("LOOK_FIRST");
        assertThat(departure().get("reasons").toString()).contains("10 days ago");
        assertThat(departure().get("restsOnAgeS").asLong()).isGreaterThan(864_000);
        for (String wheel : List.of("1L", "1R")) {
            Door.Answer set = product.door()
                    .postJson(
                            "/api/v1/vehicles/" + truck.ref() + "/wheels/" + wheel + "/adjustments",
                            "{ \"afterKpa\": 800 }");
            assertThat(set.status()).as(set.text()).isEqualTo(200);
        }
        assertThat(verdict()).as("a hand gauge of today takes its place").isEqualTo("MAY_LEAVE");
    }

    @Test
    void aLeakThatWasToppedUpStays() {
        product.pass(Duration.ofHours(1));
        bothSay(800, 800, 20);
        product.pass(Duration.ofMinutes(12));
        Instant from = product.now().minusSeconds(720);
        product.door()
                .readings(array(IntStream.range(0, 12)
                        .mapToObj(
                                minute -> reading(truck.left(), from.plusSeconds(minute * 60L), 800 - 9.0 * minute, 20))
                        .toList()));
        assertThat(product.door().alertsOf(truck.ref())).isNotEmpty();

        product.pass(Duration.ofMinutes(40));
        bothSay(800, 800, 35);

        assertThat(verdict()).isEqualTo("NOT_YET");
        assertThat(departure().get("reasons").toString()).contains("not proven repaired");
    }

    @Test
    void aVehicleOutOfServiceThatMovesOnASoftTyreIsCalledAndTheContradictionIsSaid() {
        bothSay(800, 800, 5);
        product.door()
                .putJson(
                        "/api/v1/vehicles/" + truck.ref() + "/state",
                        "{ \"state\": \"OUT_OF_SERVICE\", \"reason\": \"sold\" }");
        product.pass(Duration.ofMinutes(30));
        say(truck.left(), 500, 8, "false");
        assertThat(open()).as("let down in the workshop").isEmpty();

        product.pass(Duration.ofMinutes(30));
        say(truck.left(), 500, 8, "true");

        assertThat(open()).anyMatch(alert -> alert.get("urgency").asString().equals("STOP_NOW"));
        assertThat(departure().get("reasons").toString())
                .contains("out of service: sold")
                .contains("has moved since");
    }

    /** No sensor says that it moves; that it was driven is seen in warming, and not in tyres that are warm still from before. */
    @Test
    void whatWarmsAsDrivingWarmsIsNotOutOfService() {
        warm(20, 45);
        product.door()
                .putJson(
                        "/api/v1/vehicles/" + truck.ref() + "/state",
                        "{ \"state\": \"OUT_OF_SERVICE\", \"reason\": \"sold\" }");
        warm(45, 46);
        assertThat(departure().toString()).doesNotContain("has moved since");

        warm(46, 20);
        warm(20, 20);
        assertThat(departure().toString()).doesNotContain("has moved since");

        warm(20, 45);
        assertThat(departure().toString()).contains("out of service: sold").contains("has moved since");
    }

    /** Half an hour in which both tyres go from one temperature to another, with the pressure that follows. */
    private void warm(double from, double to) {
        Instant begin = product.now();
        product.pass(Duration.ofMinutes(30));
        product.door()
                .readings(array(IntStream.rangeClosed(1, 30)
                        .boxed()
                        .flatMap(minute -> java.util.stream.Stream.of(truck.left(), truck.right())
                                .map(sensor -> {
                                    double celsius = from + (to - from) * minute / 30;
                                    double kpa = 901.325 * (celsius + 273.15) / 293.15 - 101.325;
                                    return reading(sensor, begin.plusSeconds(minute * 60L), kpa, celsius);
                                }))
                        .toList()));
    }

    /** A wheel that fell silent on the road says nothing of whether the vehicle moves now. */
    @Test
    void aWheelThatFellSilentOnTheRoadDoesNotKeepItUnderWay() {
        say(truck.right(), 800, 5, "true");
        product.pass(Duration.ofMinutes(40));
        product.door()
                .putJson(
                        "/api/v1/vehicles/" + truck.ref() + "/state",
                        "{ \"state\": \"OUT_OF_SERVICE\", \"reason\": \"sold\" }");
        product.pass(Duration.ofMinutes(30));
        say(truck.left(), 800, 8, "false");

        assertThat(departure().toString()).doesNotContain("has moved since");
    }

    private List<JsonNode> open() {
        return product.door()
                .get("/api/v1/alerts?limit=1000")
                .json()
                .get("items")
                .valueStream()
                .filter(alert -> alert.get("vehicle").asString().equals(truck.ref()))
                .toList();
    }

    @Test
    void anOutageHidesNoHeatAndNoLossUnderWay() {
        bothSay(800, 800, 5);
        product.door()
                .postJson(
                        "/api/v1/vehicles/" + truck.ref() + "/outages",
                        "{ \"axle\": 1, \"reason\": \"tied up\", \"until\": \""
                                + product.now().plus(Duration.ofDays(5)) + "\" }");
        product.pass(Duration.ofMinutes(30));
        say(truck.left(), 690, 8, "true");
        product.tick("outages");

        assertThat(open())
                .isNotEmpty()
                .noneMatch(alert -> alert.get("state").asString().equals("SHELVED"));
        assertThat(verdict()).isEqualTo("NOT_YET");
    }

    private static final String RULES = "{ \"minTreadSteerMm\": %s, \"minTreadMm\": 1.6, \"maxAgeYears\": 10,"
            + " \"retreadOnSteer\": false, \"gaugeToleranceKpa\": 10 }";

    private void leastOnSteeredAxles(double mm) {
        Door.Answer set = product.door().putJson("/api/v1/workshop-rules", RULES.formatted(mm));
        assertThat(set.status()).as(set.text()).isEqualTo(200);
    }

    private void readTread(String tyre, double mm) {
        assertThat(product.door()
                        .postJson("/api/v1/tyres/" + tyre + "/treads", "{ \"points\": [ " + mm + " ] }")
                        .status())
                .isEqualTo(201);
    }

    private String tyreAtLeft() {
        Door.Answer described = product.door()
                .putJson(
                        "/api/v1/vehicles/" + truck.ref() + "/wheels/1L/tyre",
                        "{ \"tyre\": { \"maker\": \"Larch\" } }");
        assertThat(described.status()).as(described.text()).isBetween(200, 201);
        return described.json().at("/tyre/id").asString();
    }

    /** By every act from which it follows: the reading, a newer one, the least that the fleet asks for, and the tyre's move. */
    @Test
    void aTreadBelowTheLeastHoldsTheVehicleUntilItsTyreIsGone() {
        leastOnSteeredAxles(3.2);
        bothSay(800, 800, 10);
        String tyre = tyreAtLeft();
        assertThat(verdict()).isEqualTo("MAY_LEAVE");

        readTread(tyre, 3.1);
        assertThat(verdict()).isEqualTo("NOT_YET");
        assertThat(departure().get("reasons").toString()).contains("1L tread 3.1 mm, minimum 3.2 mm");
        leastOnSteeredAxles(3.0);
        assertThat(verdict()).as("another country's least").isEqualTo("MAY_LEAVE");
        leastOnSteeredAxles(3.2);
        product.pass(Duration.ofMinutes(1));
        readTread(tyre, 13.1);
        assertThat(verdict()).as("a digit was left out").isEqualTo("MAY_LEAVE");
        product.pass(Duration.ofMinutes(1));
        readTread(tyre, 3.1);
        assertThat(verdict()).isEqualTo("NOT_YET");

        Door.Answer off = product.door()
                .postJson(
                        "/api/v1/wheel-moves",
                        "{ \"steps\": [ { \"vehicle\": \"%s\", \"position\": \"1L\", \"to\": { \"kind\": \"STORE\" } } ] }"
                                .formatted(truck.ref()));
        assertThat(off.status()).as(off.text()).isEqualTo(201);
        assertThat(departure().get("reasons").toString()).doesNotContain("tread");
        String move = off.json().get("id").asString();
        assertThat(product.door()
                        .send("DELETE", "/api/v1/wheel-moves/" + move, new byte[0], Map.of())
                        .status())
                .isBetween(200, 204);
        assertThat(departure().get("reasons").toString())
                .as("the move is undone")
                .contains("1L tread 3.1 mm");
    }
}
