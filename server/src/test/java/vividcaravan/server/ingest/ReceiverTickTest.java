package vividcaravan.server.ingest;

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
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** A vehicle that goes quiet while it moves, asked for by a clock that the test moves. */
@Tag("long")
class ReceiverTickTest {

    @TempDir
    static Path folder;

    private static OwnProduct product;

    private Instant begin;

    @BeforeAll
    static void start() {
        product = OwnProduct.in(folder, Instant.parse("2026-11-20T06:00:00Z"));
    }

    /** Long after those of the test before were heard. */
    @BeforeEach
    void goOn() {
        product.pass(Duration.ofHours(24));
        product.beginTest();
        begin = product.now();
    }

    @AfterAll
    static void stop() {
        product.close();
    }

    private static String moving(String sensor, Instant at, boolean isMoving) {
        return "{\"sensor\":\"" + sensor + "\",\"at\":\"" + at
                + "\",\"pressureKpa\":800,\"temperatureC\":20,\"moving\":" + isMoving + "}";
    }

    private static void report(Door.Truck truck, Instant at, boolean isMoving) {
        product.door()
                .readings(array(List.of(
                        moving(truck.left(), at, isMoving), moving(truck.right(), at.plusMillis(1), isMoving))));
    }

    private static void pass(int minutes) {
        product.pass(Duration.ofMinutes(minutes));
        product.bean(ReceiverTick.class).tick();
    }

    @Test
    void aMovingVehicleThatGoesQuietHasLostItsReceiverAlsoAfterARestart() {
        Door.Truck truck = product.door().newTruck(begin.minus(Duration.ofDays(9)));
        report(truck, begin, true);
        pass(14);
        assertThat(product.door().alertsOf(truck.ref())).isEmpty();

        pass(2);
        JsonNode alert = product.door().alertsOf(truck.ref()).get(0);
        assertThat(alert.get("kind").asString()).isEqualTo("RECEIVER_SILENT");
        assertThat(alert.get("position").isNull()).isTrue();
        assertThat(alert.get("openedAt").asString())
                .isEqualTo(begin.plusSeconds(960).toString());
        assertThat(alert.get("summary").asString()).contains(truck.ref());

        product.restart();
        // A backlog tells of the time that was taken for silence.
        report(truck, begin.plusSeconds(300), true);
        JsonNode after = product.door().alertsOf(truck.ref()).get(0);
        assertThat(after.get("state").asString()).isEqualTo("CLOSED");
        JsonNode detail = product.door()
                .get("/api/v1/alerts/" + after.get("id").asString())
                .json();
        assertThat(detail.get("record").get(1).get("change").asString()).isEqualTo("WITHDRAWN");
    }

    @Test
    void aVehicleThatStoppedIsAsleepAndOneWhosePastIsBeingSentIsNotWaitedFor() {
        Door.Truck parked = product.door().newTruck(begin.minus(Duration.ofDays(9)));
        Door.Truck past = product.door().newTruck(begin.minus(Duration.ofDays(9)));
        report(parked, begin, false);
        report(past, begin.minus(Duration.ofHours(5)), true);

        pass(30);

        assertThat(product.door().alertsOf(parked.ref())).isEmpty();
        assertThat(product.door().alertsOf(past.ref())).isEmpty();
    }

    @Test
    void whenMostGoQuietTogetherItIsNotTheirReceivers() {
        List<Door.Truck> trucks = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            trucks.add(product.door().newTruck(begin.minus(Duration.ofDays(9))));
        }
        trucks.forEach(truck -> report(truck, begin, true));

        pass(20);

        trucks.forEach(truck -> assertThat(product.door().alertsOf(truck.ref())).isEmpty());
    }

    private static final String COMBINATION =
            """
            { "ref": "LM-21", "kind": "RIGID_TRUCK", "axles": [
                { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850 } ],
              "sensors": [
                { "position": "1L", "code": "A00001", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" },
                { "position": "1R", "code": "A00002", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" } ] },
            { "ref": "LM-31", "kind": "DRAWBAR_TRAILER", "axles": [
                { "role": "TRAILER", "wheels": "SINGLE", "coldPressureKpa": 850 } ],
              "sensors": [
                { "position": "1L", "code": "B00001", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" },
                { "position": "1R", "code": "B00002", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" } ] }""";
    private static final Door.Truck PULLER = new Door.Truck("LM-21", "A00001", "A00002");
    private static final Door.Truck TRAILER = new Door.Truck("LM-31", "B00001", "B00002");

    private static void drive(int minutes, boolean isMoving) {
        for (int i = 0; i < minutes; i++) {
            report(PULLER, product.now(), isMoving);
            pass(1);
        }
    }

    private static void standTogether() {
        assertThat(product.door().importFleet(Door.document(COMBINATION, "")).status())
                .isEqualTo(200);
        report(TRAILER, product.now(), false);
        product.pass(Duration.ofHours(9));
        report(PULLER, product.now(), false);
        assertThat(product.door()
                        .postJson("/api/v1/couplings", "{ \"pulled\": \"LM-31\", \"puller\": \"LM-21\" }")
                        .status())
                .isBetween(200, 204);
        pass(1);
    }

    @Test
    void aTrailerThatSleepsWhileItIsPulledIsNotAsleep() {
        standTogether();
        drive(14, true);
        assertThat(product.door().alertsOf("LM-31")).isEmpty();

        drive(3, true);
        JsonNode alert = product.door().alertsOf("LM-31").get(0);
        assertThat(alert.get("kind").asString()).isEqualTo("RECEIVER_SILENT");
        assertThat(product.door()
                        .get("/api/v1/alerts/" + alert.get("id").asString())
                        .text())
                .contains("LM-21 is heard and moves")
                .contains("uncouple");

        // It was heard again: proven, like any receiver.
        report(TRAILER, product.now(), true);
        assertThat(product.door().alertsOf("LM-31").get(0).get("state").asString())
                .isEqualTo("CLOSED");
    }

    @Test
    void aTrailerThatWasLeftInTheYardIsTakenBackWithItsUncoupling() {
        standTogether();
        drive(18, true);
        assertThat(product.door().alertsOf("LM-31")).hasSize(1);
        product.restart();
        String coupling = product.door()
                .get("/api/v1/couplings?vehicle=LM-31")
                .json()
                .at("/items/0/id")
                .asString();

        assertThat(product.door()
                        .postJson("/api/v1/couplings/" + coupling + "/end", "{}")
                        .status())
                .isBetween(200, 204);
        pass(1);

        JsonNode alert = product.door().alertsOf("LM-31").get(0);
        assertThat(alert.get("state").asString()).isEqualTo("CLOSED");
        assertThat(product.door()
                        .get("/api/v1/alerts/" + alert.get("id").asString())
                        .text())
                .contains("WITHDRAWN");
    }

    @Test
    void aCombinationThatStandsIsAsleep() {
        standTogether();
        drive(30, false);
        assertThat(product.door().alertsOf("LM-31")).isEmpty();
    }

    private static void driveBoth(int minutes) {
        for (int i = 0; i < minutes; i++) {
            report(PULLER, product.now(), true);
            report(TRAILER, product.now(), true);
            pass(1);
        }
    }

    /** Whoever was not listened to cannot have been silent. */
    @Test
    void afterTheServerStoodStillATrailerHasTimeToSpeakAgain() {
        standTogether();
        driveBoth(20);
        product.pass(Duration.ofMinutes(25));
        product.restart();

        drive(14, true);
        assertThat(product.door().alertsOf("LM-31")).isEmpty();

        // After that it is as silent as any.
        drive(3, true);
        assertThat(product.door().alertsOf("LM-31")).hasSize(1);
    }

    /** Both set out where nothing reaches the server, and the puller's backlog comes in first. */
    @Test
    void aBacklogOfThePullerSaysNothingOfItsTrailer() {
        standTogether();
        Instant lost = product.now();
        for (int minute = 0; minute < 40; minute++) {
            pass(1);
        }
        backlog(PULLER, lost);
        pass(1);
        assertThat(product.door().alertsOf("LM-31")).isEmpty();

        backlog(TRAILER, lost);
        driveBoth(20);
        assertThat(product.door().alertsOf("LM-31")).isEmpty();
        assertThat(product.door().alertsOf("LM-21")).isEmpty();
    }

    private static void backlog(Door.Truck truck, Instant from) {
        for (int minute = 0; minute <= 40; minute++) {
            report(truck, from.plusSeconds(minute * 60L), true);
        }
    }
}
