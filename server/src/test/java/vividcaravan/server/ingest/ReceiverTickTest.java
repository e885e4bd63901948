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
}
