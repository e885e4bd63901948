package vividcaravan.server.live;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Live out, line by line of the integration contract. */
@ExtendWith(RunningProduct.class)
class LiveContractTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final Door door = RunningProduct.door();

    private record Event(String id, String name, JsonNode data) {}

    /** An open stream, read as the standard for server-sent events says. */
    private static final class Stream implements AutoCloseable {
        private final HttpResponse<InputStream> response;
        private final BlockingQueue<Event> events = new LinkedBlockingQueue<>();
        private volatile String lastId = "";

        Stream(Door door, String lastEventId) throws IOException, InterruptedException {
            HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(door.address + "/api/v1/live"))
                    .header("Authorization", "Bearer " + RunningProduct.TOKEN);
            if (lastEventId != null) {
                request.header("Last-Event-ID", lastEventId);
            }
            response = HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofInputStream());
            assertThat(response.statusCode()).isEqualTo(200);
            assertThat(response.headers().firstValue("Content-Type").orElse("")).startsWith("text/event-stream");
            Thread reader = new Thread(this::read);
            reader.setDaemon(true);
            reader.start();
        }

        private void read() {
            try (BufferedReader in =
                    new BufferedReader(new InputStreamReader(response.body(), StandardCharsets.UTF_8))) {
                String name = "message";
                StringBuilder data = new StringBuilder();
                for (String line = in.readLine(); line != null; line = in.readLine()) {
                    if (line.startsWith("id:")) {
                        lastId = line.substring(3).strip();
                    } else if (line.startsWith("event:")) {
                        name = line.substring(6).strip();
                    } else if (line.startsWith("data:")) {
                        data.append(line.substring(5));
                    } else if (line.isEmpty() && !data.isEmpty()) {
                        events.add(new Event(lastId, name, JSON.readTree(data.toString())));
                        data.setLength(0);
                    }
                }
            } catch (IOException e) {
                // Closed by the test.
            }
        }

        Event next(String name, String vehicle) {
            long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(10);
            try {
                while (System.nanoTime() < until) {
                    Event event = events.poll(100, TimeUnit.MILLISECONDS);
                    if (event != null
                            && event.name().equals(name)
                            && event.data().get("vehicle").asString().equals(vehicle)) {
                        return event;
                    }
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            throw new AssertionError("no " + name + " event of " + vehicle + " within ten seconds");
        }

        @Override
        public void close() throws IOException {
            response.body().close();
        }
    }

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
        try (Stream stream = new Stream(door, null)) {
            low(truck, truck.left());

            Event alert = stream.next("alert", truck.ref());
            assertThat(alert.data().get("urgency").asString()).isEqualTo("STOP_NOW");
            assertThat(alert.data()).isEqualTo(door.alertsOf(truck.ref()).get(0));
            assertThat(alert.id()).matches("\\d+");
            Event wheel = stream.next("wheel", truck.ref());
            assertThat(wheel.data().get("position").asString()).isEqualTo("1L");
            assertThat(wheel.data().get("condition").asString()).isEqualTo("LOW_CRITICAL");
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
        try (Stream stream = new Stream(door, null)) {
            low(truck, truck.left());
            lastId = stream.next("alert", truck.ref()).id();
        }

        low(truck, truck.right());

        try (Stream stream = new Stream(door, lastId)) {
            assertThat(stream.next("alert", truck.ref()).data().get("position").asString())
                    .isEqualTo("1R");
        }
    }

    @Test
    void tellsOfAWheelAtMostOnceASecond() throws Exception {
        Door.Truck truck = door.newTruck();
        try (Stream stream = new Stream(door, null)) {
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
            try (Stream stream = new Stream(door, id)) {
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
