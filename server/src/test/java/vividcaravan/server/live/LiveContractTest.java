package vividcaravan.server.live;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Live out, line by line of the integration contract. */
@ExtendWith(RunningProduct.class)
class LiveContractTest {

    private final Door door = RunningProduct.door();

    private void low(Door.Truck truck, String sensor) {
        Instant begin = Instant.now().minusSeconds(300);
        List<String> readings = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            readings.add(reading(sensor, begin.plusSeconds(i * 60L), 600, 20));
        }
        door.readings(array(readings));
    }

    @Test
    void tellsOfAlertsAndWheels() throws Exception {
        Door.Truck truck = door.newTruck();
        try (OpenStream stream = OpenStream.of(door, null)) {
            low(truck, truck.left());

            OpenStream.Event alert = stream.next(
                    "alert",
                    truck.ref(),
                    data -> data.equals(door.alertsOf(truck.ref()).get(0)));
            assertThat(alert.data().get("urgency").asString()).isEqualTo("STOP_NOW");
            assertThat(alert.id()).matches("\\d+");
            OpenStream.Event wheel = stream.next("wheel", truck.ref(), data -> data.get("condition")
                    .asString()
                    .equals("LOW_CRITICAL"));
            assertThat(wheel.data().get("position").asString()).isEqualTo("1L");
            assertThat(wheel.data().get("pressureKpa").asDouble()).isEqualTo(600);
            assertThat(wheel.data().get("pressureAt20Kpa").asDouble()).isEqualTo(600);
            assertThat(wheel.data().get("temperatureC").asDouble()).isEqualTo(20);
            assertThat(wheel.data().has("at")).isTrue();
        }
    }

    @Test
    void resumesWithoutLosingAnAlert() throws Exception {
        Door.Truck truck = door.newTruck();
        String lastId;
        try (OpenStream stream = OpenStream.of(door, null)) {
            low(truck, truck.left());
            lastId = stream.next("alert", truck.ref()).id();
        }

        low(truck, truck.right());

        try (OpenStream stream = OpenStream.of(door, lastId)) {
            OpenStream.Event missed = stream.next(
                    "alert",
                    truck.ref(),
                    data -> data.get("position").asString().equals("1R")
                            && door.alertsOf(truck.ref()).contains(data));
            assertThat(Long.parseLong(missed.id())).isGreaterThan(Long.parseLong(lastId));
        }
    }

    @Test
    void tellsOfAWheelAtMostOnceASecond() throws Exception {
        Door.Truck truck = door.newTruck();
        try (OpenStream stream = OpenStream.of(door, null)) {
            Instant begin = Instant.now().minusSeconds(60);
            long since = System.nanoTime();
            long until = since + TimeUnit.MILLISECONDS.toNanos(2_500);
            int sent = 0;
            while (System.nanoTime() < until || sent < 20) {
                door.readings(array(List.of(reading(truck.left(), begin.plusMillis(sent * 10L), 800 + sent, 20))));
                sent++;
            }

            // The last is told of in any case; by then as many as seconds have passed, and one to begin with.
            double last = 800 + sent - 1;
            long told = 1;
            while (stream.next("wheel", truck.ref()).data().get("pressureKpa").asDouble() != last) {
                told++;
            }
            long seconds = TimeUnit.NANOSECONDS.toSeconds(System.nanoTime() - since);
            assertThat(told).isLessThanOrEqualTo(seconds + 2).isLessThan(sent);
        }
    }

    @Test
    void anUnknownNumberBeginsNow() throws Exception {
        for (String id : List.of("nonsense", "99999999999999999999", "-5")) {
            try (OpenStream stream = OpenStream.of(door, id)) {
                assertThat(stream.response.statusCode()).isEqualTo(200);
            }
        }
    }

    @Test
    void isNotForReceivers() {
        JsonNode made = door.postJson("/api/v1/tokens", "{\"name\":\"gate\",\"scope\":\"RECEIVER\"}")
                .json();
        Door receiver = door.withToken(made.get("secret").asString());

        assertThat(receiver.get("/api/v1/live").status()).isEqualTo(403);
    }
}
