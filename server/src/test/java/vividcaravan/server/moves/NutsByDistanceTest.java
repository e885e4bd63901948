package vividcaravan.server.moves;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** Readings may carry the odometer: nuts go by the distance then, and that it was driven is known. */
class NutsByDistanceTest {

    @TempDir
    static Path folder;

    private static OwnProduct product;
    private Door.Truck truck;
    private double odometer = 412_000;

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

    private static String said(String sensor, Instant at, double kpa, String rest) {
        return "{\"sensor\":\"%s\",\"at\":\"%s\",\"pressureKpa\":%s,\"temperatureC\":20%s}"
                .formatted(sensor, at, kpa, rest);
    }

    /** Both wheels, each minute, at so many km/h. */
    private void drive(Door.Truck what, double kpa, int minutes, double kmh, String receiver) {
        Instant from = product.now();
        product.pass(Duration.ofMinutes(minutes));
        List<String> readings = new ArrayList<>();
        for (int minute = 1; minute <= minutes; minute++) {
            odometer += kmh / 60;
            String rest = ",\"odometerKm\":" + odometer + receiver;
            Instant at = from.plusSeconds(minute * 60L);
            readings.add(said(what.left(), at, kpa, rest));
            readings.add(said(what.right(), at.plusSeconds(2), kpa, rest));
        }
        Door.Answer answer = product.door().readings(array(readings));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(answer.json().get("accepted").asInt()).isEqualTo(2 * minutes);
    }

    private void wheelsOffAndOn(Door.Truck what) {
        String move =
                """
                { "steps": [
                  { "vehicle": "%1$s", "position": "1L", "to": { "vehicle": "%1$s", "position": "1R" } },
                  { "vehicle": "%1$s", "position": "1R", "to": { "vehicle": "%1$s", "position": "1L" } } ] }"""
                        .formatted(what.ref());
        Door.Answer answer = product.door().postJson("/api/v1/wheel-moves", move);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
    }

    private String code(int number) {
        return "%06X".formatted(0xD15000 + 16 * Integer.parseInt(truck.ref().substring(2)) + number);
    }

    private JsonNode nuts(Door.Truck what) {
        return product.door()
                .get("/api/v1/vehicles/" + what.ref() + "/retorques")
                .json()
                .at("/items/0");
    }

    private String departure(Door.Truck what) {
        return product.door()
                .get("/api/v1/vehicles/" + what.ref())
                .json()
                .get("departure")
                .toString();
    }

    @Test
    void nutsAreDueAfterTheDistanceAndOverdueAfterHalfAgain() {
        drive(truck, 800, 30, 60, "");
        wheelsOffAndOn(truck);
        drive(truck, 800, 78, 60, "");
        assertThat(nuts(truck).get("sinceKm").asDouble()).isBetween(77.0, 78.5);
        assertThat(nuts(truck).get("isDue").asBoolean()).isFalse();

        drive(truck, 800, 3, 60, "");
        assertThat(nuts(truck).get("isDue").asBoolean()).isTrue();
        assertThat(departure(truck)).contains("retorque wheel nuts: 1L, 1R");

        drive(truck, 800, 40, 60, "");
        assertThat(departure(truck))
                .contains("wheel nuts overdue, retorque: 1L, 1R")
                .contains("NOT_YET");
    }

    /** They settle while it is driven: what is tightened as the wheel comes on is no retorque. */
    @Test
    void nutsAreNotRetorquedBeforeTheVehicleHasRun() {
        drive(truck, 800, 30, 60, "");
        wheelsOffAndOn(truck);
        drive(truck, 800, 5, 60, "");
        String path = "/api/v1/vehicles/" + truck.ref() + "/retorques";
        String done = "{ \"positions\": [ \"1L\", \"1R\" ], \"torqueNm\": 600 }";

        Door.Answer early = product.door().postJson(path, done);
        assertThat(early.status()).isEqualTo(409);
        assertThat(early.text()).contains("has run 5 km");

        drive(truck, 800, 50, 60, "");
        assertThat(product.door().postJson(path, done).status()).isBetween(200, 204);
        assertThat(nuts(truck).isMissingNode()).isTrue();
    }

    /** A vehicle that stood for two days has run nothing; where the odometer is told no more, the days count again. */
    @Test
    void whatStoodIsNotDueAndWhatIsNotToldGoesByDays() {
        drive(truck, 800, 30, 60, "");
        wheelsOffAndOn(truck);
        product.pass(Duration.ofDays(2));
        drive(truck, 800, 10, 60, "");
        assertThat(departure(truck)).doesNotContain("nuts");

        product.pass(Duration.ofHours(2));
        Instant at = product.now().minusSeconds(30);
        product.door().readings(array(List.of(said(truck.left(), at, 800, ""), said(truck.right(), at, 800, ""))));

        assertThat(departure(truck)).contains("wheel nuts overdue");
        assertThat(nuts(truck).get("sinceKm").isNull()).isTrue();
    }

    @Test
    void whatItRanIsKnownAfterARestart() {
        drive(truck, 800, 30, 60, "");
        wheelsOffAndOn(truck);
        drive(truck, 800, 60, 60, "");

        product.restart();
        drive(truck, 800, 21, 60, "");

        assertThat(nuts(truck).get("sinceKm").asDouble()).isBetween(79.0, 82.0);
    }

    /** A trailer has no odometer: it runs as far as what pulls it, whose receiver tells. */
    @Test
    void aTrailerRunsAsFarAsWhatPullsIt() {
        Instant fitted = product.now().minus(Duration.ofDays(9));
        Door.Truck trailer = new Door.Truck("ST-" + truck.ref().substring(2), code(1), code(2));
        String described = Door.vehicle(trailer, fitted)
                .replace("RIGID_TRUCK", "DRAWBAR_TRAILER")
                .replace("STEER", "TRAILER");
        assertThat(product.door().importFleet(Door.document(described, "")).status())
                .isEqualTo(200);
        String receiver = "box-" + truck.ref();
        assertThat(product.door()
                        .putJson(
                                "/api/v1/receivers/" + receiver,
                                "{ \"kind\": \"RECEIVER\", \"vehicle\": \"" + truck.ref() + "\" }")
                        .status())
                .isBetween(200, 204);
        Door.Answer coupled = product.door()
                .postJson(
                        "/api/v1/couplings",
                        "{ \"puller\": \"%s\", \"pulled\": \"%s\" }".formatted(truck.ref(), trailer.ref()));
        assertThat(coupled.status()).as(coupled.text()).isBetween(200, 201);
        String heard = ",\"receiver\":\"" + receiver + "\"";
        drive(trailer, 800, 5, 60, heard);
        wheelsOffAndOn(trailer);
        drive(trailer, 800, 50, 60, heard);

        assertThat(nuts(trailer).get("sinceKm").asDouble()).isBetween(49.0, 51.0);
    }

    /** No sensor says that it moves, and none warms: the odometer is the evidence that a soft tyre was driven. */
    @ParameterizedTest
    @ValueSource(doubles = {60, 0})
    void aMarkHasItsEvidenceInTheDistance(double kmh) {
        drive(truck, 800, 30, 0, "");
        drive(truck, 620, 25, kmh, "");

        JsonNode alert = product.door().alertsOf(truck.ref()).get(0);
        String mark = product.door()
                .get("/api/v1/alerts/" + alert.get("id").asString())
                .json()
                .toString();
        assertThat(mark.contains("\"isRunSoft\":true")).isEqualTo(kmh > 0);
    }

    @ParameterizedTest
    @ValueSource(strings = {"-1", "10000001", "\"far\"", "true", "1e300"})
    void whatIsNoDistanceIsRefusedAndSpoilsNoNeighbour(String odd) {
        Instant at = product.now().minusSeconds(60);
        Door.Answer answer = product.door()
                .readings(array(List.of(
                        said(truck.left(), at, 800, ",\"odometerKm\":" + odd),
                        said(truck.right(), at, 800, ",\"odometerKm\":null"))));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.json().get("accepted").asInt()).isEqualTo(1);
        assertThat(answer.json().at("/rejected/0/message").asString()).contains("odometerKm");
    }
}
