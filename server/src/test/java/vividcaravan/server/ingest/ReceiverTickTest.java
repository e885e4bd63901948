package vividcaravan.server.ingest;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** A vehicle that goes quiet while it moves, asked for by a clock that the test moves. */
@Tag("long")
class ReceiverTickTest {

    private static final Instant BEGIN = Instant.parse("2026-11-20T06:00:00Z");

    @TempDir
    Path folder;

    private static String moving(String sensor, Instant at, boolean isMoving) {
        return "{\"sensor\":\"" + sensor + "\",\"at\":\"" + at
                + "\",\"pressureKpa\":800,\"temperatureC\":20,\"moving\":" + isMoving + "}";
    }

    private static void report(OwnProduct product, Door.Truck truck, Instant at, boolean isMoving) {
        product.door()
                .readings(array(List.of(
                        moving(truck.left(), at, isMoving), moving(truck.right(), at.plusMillis(1), isMoving))));
    }

    private static void pass(OwnProduct product, int minutes) {
        product.pass(Duration.ofMinutes(minutes));
        product.bean(ReceiverTick.class).tick();
    }

    @Test
    void aMovingVehicleThatGoesQuietHasLostItsReceiverAlsoAfterARestart() {
        try (OwnProduct product = OwnProduct.in(folder, BEGIN)) {
            Door.Truck truck = product.door().newTruck(BEGIN.minus(Duration.ofDays(9)));
            report(product, truck, BEGIN, true);
            pass(product, 14);
            assertThat(product.door().alertsOf(truck.ref())).isEmpty();

            pass(product, 2);
            JsonNode alert = product.door().alertsOf(truck.ref()).get(0);
            assertThat(alert.get("kind").asString()).isEqualTo("RECEIVER_SILENT");
            assertThat(alert.get("position").isNull()).isTrue();
            assertThat(alert.get("openedAt").asString()).isEqualTo("2026-11-20T06:16:00Z");
            assertThat(alert.get("summary").asString()).contains(truck.ref());

            product.restart();
            // A backlog tells of the time that was taken for silence.
            report(product, truck, BEGIN.plusSeconds(300), true);
            JsonNode after = product.door().alertsOf(truck.ref()).get(0);
            assertThat(after.get("state").asString()).isEqualTo("CLOSED");
            JsonNode detail = product.door()
                    .get("/api/v1/alerts/" + after.get("id").asString())
                    .json();
            assertThat(detail.get("record").get(1).get("change").asString()).isEqualTo("WITHDRAWN");
        }
    }

    @Test
    void aVehicleThatStoppedIsAsleepAndOneWhosePastIsBeingSentIsNotWaitedFor() {
        try (OwnProduct product = OwnProduct.in(folder, BEGIN)) {
            Door.Truck parked = product.door().newTruck(BEGIN.minus(Duration.ofDays(9)));
            Door.Truck past = product.door().newTruck(BEGIN.minus(Duration.ofDays(9)));
            report(product, parked, BEGIN, false);
            report(product, past, BEGIN.minus(Duration.ofHours(5)), true);

            pass(product, 30);

            assertThat(product.door().alertsOf(parked.ref())).isEmpty();
            assertThat(product.door().alertsOf(past.ref())).isEmpty();
        }
    }

    @Test
    void whenMostGoQuietTogetherItIsNotTheirReceivers() {
        try (OwnProduct product = OwnProduct.in(folder, BEGIN)) {
            List<Door.Truck> trucks = new ArrayList<>();
            for (int i = 0; i < 5; i++) {
                trucks.add(product.door().newTruck(BEGIN.minus(Duration.ofDays(9))));
            }
            trucks.forEach(truck -> report(product, truck, BEGIN, true));

            pass(product, 20);

            trucks.forEach(
                    truck -> assertThat(product.door().alertsOf(truck.ref())).isEmpty());
        }
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

    private static void drive(OwnProduct product, int minutes, boolean isMoving) {
        for (int i = 0; i < minutes; i++) {
            report(product, PULLER, product.now(), isMoving);
            pass(product, 1);
        }
    }

    private static void standTogether(OwnProduct product) {
        assertThat(product.door().importFleet(Door.document(COMBINATION, "")).status())
                .isEqualTo(200);
        report(product, TRAILER, product.now(), false);
        product.pass(Duration.ofHours(9));
        report(product, PULLER, product.now(), false);
        assertThat(product.door()
                        .postJson("/api/v1/couplings", "{ \"pulled\": \"LM-31\", \"puller\": \"LM-21\" }")
                        .status())
                .isBetween(200, 204);
        pass(product, 1);
    }

    @Test
    void aTrailerThatSleepsWhileItIsPulledIsNotAsleep() {
        try (OwnProduct product = OwnProduct.in(folder, BEGIN)) {
            standTogether(product);
            drive(product, 14, true);
            assertThat(product.door().alertsOf("LM-31")).isEmpty();

            drive(product, 3, true);
            JsonNode alert = product.door().alertsOf("LM-31").get(0);
            assertThat(alert.get("kind").asString()).isEqualTo("RECEIVER_SILENT");
            assertThat(product.door()
                            .get("/api/v1/alerts/" + alert.get("id").asString())
                            .text())
                    .contains("LM-21 is heard and moves")
                    .contains("uncouple");

            // It was heard again: proven, like any receiver.
            report(product, TRAILER, product.now(), true);
            assertThat(product.door().alertsOf("LM-31").get(0).get("state").asString())
                    .isEqualTo("CLOSED");
        }
    }

    @Test
    void aTrailerThatWasLeftInTheYardIsTakenBackWithItsUncoupling() {
        try (OwnProduct product = OwnProduct.in(folder, BEGIN)) {
            standTogether(product);
            drive(product, 18, true);
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
            pass(product, 1);

            JsonNode alert = product.door().alertsOf("LM-31").get(0);
            assertThat(alert.get("state").asString()).isEqualTo("CLOSED");
            assertThat(product.door()
                            .get("/api/v1/alerts/" + alert.get("id").asString())
                            .text())
                    .contains("WITHDRAWN");
        }
    }

    @Test
    void aCombinationThatStandsIsAsleep() {
        try (OwnProduct product = OwnProduct.in(folder, BEGIN)) {
            standTogether(product);
            drive(product, 30, false);
            assertThat(product.door().alertsOf("LM-31")).isEmpty();
        }
    }

    private static void driveBoth(OwnProduct product, int minutes) {
        for (int i = 0; i < minutes; i++) {
            report(product, PULLER, product.now(), true);
            report(product, TRAILER, product.now(), true);
            pass(product, 1);
        }
    }

    /** Whoever was not listened to cannot have been silent. */
    @Test
    void afterTheServerStoodStillATrailerHasTimeToSpeakAgain() {
        try (OwnProduct product = OwnProduct.in(folder, BEGIN)) {
            standTogether(product);
            driveBoth(product, 20);
            product.pass(Duration.ofMinutes(25));
            product.restart();

            drive(product, 14, true);
            assertThat(product.door().alertsOf("LM-31")).isEmpty();

            // After that it is as silent as any.
            drive(product, 3, true);
            assertThat(product.door().alertsOf("LM-31")).hasSize(1);
        }
    }

    /** Both set out where nothing reaches the server, and the puller's backlog comes in first. */
    @Test
    void aBacklogOfThePullerSaysNothingOfItsTrailer() {
        try (OwnProduct product = OwnProduct.in(folder, BEGIN)) {
            standTogether(product);
            Instant lost = product.now();
            for (int minute = 0; minute < 40; minute++) {
                pass(product, 1);
            }
            backlog(product, PULLER, lost);
            pass(product, 1);
            assertThat(product.door().alertsOf("LM-31")).isEmpty();

            backlog(product, TRAILER, lost);
            driveBoth(product, 20);
            assertThat(product.door().alertsOf("LM-31")).isEmpty();
            assertThat(product.door().alertsOf("LM-21")).isEmpty();
        }
    }

    private static void backlog(OwnProduct product, Door.Truck truck, Instant from) {
        for (int minute = 0; minute <= 40; minute++) {
            report(product, truck, from.plusSeconds(minute * 60L), true);
        }
    }
}
