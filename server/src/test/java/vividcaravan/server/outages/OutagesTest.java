package vividcaravan.server.outages;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.stream.IntStream;
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
import vividcaravan.server.Patience;

/** Wheels, axles and vehicles out of service: why, until when, and what is told all the same. */
class OutagesTest {

    @TempDir
    static Path folder;

    private static OwnProduct product;
    private Door.Truck truck;

    @BeforeAll
    static void start() {
        product = OwnProduct.in(folder, Instant.parse("2026-11-20T06:00:00Z"));
    }

    @BeforeEach
    void describe() {
        product.beginTest();
        truck = product.door().newTruck();
    }

    @AfterAll
    static void stop() {
        product.close();
    }

    private String outages() {
        return "/api/v1/vehicles/" + truck.ref() + "/outages";
    }

    private JsonNode take(String what, Duration time) {
        Door.Answer answer = product.door()
                .postJson(
                        outages(),
                        "{ %s, \"reason\": \"tied up\", \"until\": \"%s\" }"
                                .formatted(what, product.now().plus(time)));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json().at("/items/0");
    }

    private void gauge(double kpa) {
        Instant begin = product.now().minusSeconds(600);
        product.door()
                .readings(array(IntStream.range(0, 6)
                        .mapToObj(minute -> reading(truck.left(), begin.plusSeconds(minute * 60L), kpa, 20))
                        .toList()));
    }

    private String state() {
        JsonNode alerts = product.door()
                .get("/api/v1/alerts?vehicle=" + truck.ref())
                .json()
                .get("items");
        return alerts.isEmpty() ? "none" : alerts.get(0).get("state").asString();
    }

    private JsonNode departure() {
        return product.door().get("/api/v1/vehicles/" + truck.ref()).json().get("departure");
    }

    @Test
    void whatIsRaisedForAnAxleOutOfServiceIsPutAsideAndCallsWhenItIsBack() {
        JsonNode out = take("\"axle\": 1", Duration.ofDays(2));
        gauge(700);

        Patience.until("it is put aside", () -> state().equals("SHELVED"));
        assertThat(departure().get("verdict").asString()).isEqualTo("LOOK_FIRST");
        assertThat(departure().get("reasons").toString()).contains("axle 1 out of service: tied up");
        product.restart();
        assertThat(product.door().get(outages()).json().at("/items/0/axle").asInt())
                .isEqualTo(1);

        product.door().send("DELETE", outages() + "/" + out.get("id").asString(), new byte[0], Map.of());

        assertThat(state()).isEqualTo("NEW");
        assertThat(product.door().get(outages()).json().get("items")).isEmpty();
        assertThat(departure().get("verdict").asString()).isEqualTo("NOT_YET");
    }

    @Test
    void itEndsByItselfAndWhatWasPutAsideForItCalls() {
        take("\"position\": \"1L\"", Duration.ofHours(3));
        gauge(700);
        Patience.until("it is put aside", () -> state().equals("SHELVED"));

        product.pass(Duration.ofHours(4));
        product.tick("end-of-shelving");

        Patience.until(
                "it is over",
                () -> product.door().get(outages()).json().get("items").isEmpty());
        Patience.until("it calls", () -> state().equals("NEW"));
        assertThat(product.door().get("/api/v1/logbook?kind=PUT_BACK").text()).contains("SCHEDULE");
    }

    @Test
    void stopNowIsToldAllTheSame() {
        take("\"position\": \"1L\"", Duration.ofDays(2));

        gauge(500);

        assertThat(state()).isEqualTo("NEW");
        product.door().readings("[" + reading(truck.right(), product.now().minusSeconds(5), 850, 20) + "]");
        assertThat(departure().get("verdict").asString()).isEqualTo("NOT_YET");
    }

    private void stands(String how) {
        Door.Answer answer = product.door().putJson("/api/v1/vehicles/" + truck.ref() + "/state", how);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    private String standing() {
        return product.door()
                .get("/api/v1/vehicles/" + truck.ref())
                .json()
                .get("state")
                .asString();
    }

    private String outUntil(Duration time) {
        return "{ \"state\": \"OUT_OF_SERVICE\", \"reason\": \"in the paint shop\", \"until\": \"%s\" }"
                .formatted(product.now().plus(time));
    }

    @Test
    void aVehicleComesBackWhenItsTimeIsOver() {
        stands(outUntil(Duration.ofDays(3)));
        assertThat(standing()).isEqualTo("OUT_OF_SERVICE");
        product.pass(Duration.ofDays(2));
        gauge(700);
        assertThat(standing()).isEqualTo("OUT_OF_SERVICE");

        product.pass(Duration.ofDays(2));

        Patience.until("it is back", () -> standing().equals("IN_SERVICE"));
        assertThat(product.door().get(outages()).json().get("items")).isEmpty();
    }

    @Test
    void theEndThatWasSaidBeforeSaysNothingOfAnotherTimeOut() {
        stands(outUntil(Duration.ofDays(1)));
        stands("{ \"state\": \"IN_SERVICE\" }");
        stands("{ \"state\": \"OUT_OF_SERVICE\", \"reason\": \"sold\" }");

        assertThat(product.door().get(outages()).json().get("items")).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{ }",
                "{ \"axle\": 1, \"reason\": \"tied up\" }",
                "{ \"axle\": 1, \"until\": \"2026-11-21T06:00:00Z\" }",
                "{ \"axle\": 9, \"reason\": \"tied up\", \"until\": \"2026-11-21T06:00:00Z\" }",
                "{ \"position\": \"9L\", \"reason\": \"tied up\", \"until\": \"2026-11-21T06:00:00Z\" }",
                "{ \"axle\": 1, \"position\": \"1L\", \"reason\": \"x\", \"until\": \"2026-11-21T06:00:00Z\" }",
                "{ \"axle\": 1, \"reason\": \"tied up\", \"until\": \"2026-11-19T06:00:00Z\" }",
                "{ \"axle\": 1, \"reason\": \"tied up\", \"until\": \"2027-11-21T06:00:00Z\" }",
                "{ \"axle\": 1, \"reason\": \"tied up\", \"until\": \"+1000000000-12-31T23:59:59Z\" }"
            })
    void whatMakesNoSenseIsRefusedAndNothingIsOut(String request) {
        assertThat(product.door().postJson(outages(), request).status()).isBetween(400, 422);

        assertThat(product.door().get(outages()).json().get("items")).isEmpty();
    }
}
