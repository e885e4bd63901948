package vividcaravan.server.ingest;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Text logs of a vehicle's bus come in as readings of the sensors at its wheels. */
class CanLogsTest {

    private static final Door DOOR = RunningProduct.door();

    private static Door.Answer send(String vehicle, boolean isPreview, byte[] body, Map<String, String> headers) {
        return DOOR.send("POST", "/api/v1/can-logs?vehicle=" + vehicle + "&isPreview=" + isPreview, body, headers);
    }

    private static Door.Answer send(String vehicle, boolean isPreview, String log) {
        return send(
                vehicle,
                isPreview,
                log.getBytes(StandardCharsets.UTF_8),
                Map.of("Content-Type", "text/plain; charset=UTF-8"));
    }

    private static String line(Instant at, String message) {
        return "(%d.%06d) can0 %s%n".formatted(at.getEpochSecond(), at.getNano() / 1000, message);
    }

    /** Both wheels of a single front axle, a wheel that is not there, one that is not available, another group, no line. */
    private static String log(Instant at) {
        return line(at, "18FEF433#00C3E027FF27005F")
                + line(at.plusMillis(20), "18FEF433#01FEE027FF27005F")
                + line(at.plusMillis(40), "18FEF433#40C3E027FF27005F")
                + line(at.plusMillis(60), "18FEF433#00FFFFFFFFFFFFFF")
                + line(at.plusMillis(80), "0CF00400#FFFFFF68130000FF")
                + "half a li";
    }

    @Test
    void isLookedAtFirstThenStoredAndASecondTimeItIsThereAlready() {
        Door.Truck truck = DOOR.newTruck();
        Instant at = Instant.now().minus(Duration.ofHours(2)).truncatedTo(java.time.temporal.ChronoUnit.MILLIS);

        JsonNode preview = send(truck.ref(), true, log(at)).json();
        assertThat(preview.get("lines").asInt()).isEqualTo(6);
        assertThat(preview.get("messages").asInt()).isEqualTo(4);
        assertThat(preview.get("others").asInt()).isEqualTo(1);
        assertThat(preview.get("unreadable").asInt()).isEqualTo(1);
        assertThat(preview.get("notMeasured").asInt()).isEqualTo(1);
        assertThat(preview.get("accepted").asInt()).isEqualTo(2);
        assertThat(preview.get("rejected").asInt()).isEqualTo(1);
        assertThat(preview.at("/wheels/0/position").asString()).isEqualTo("1L");
        assertThat(preview.at("/wheels/0/sensor").asString()).isEqualTo(truck.left());
        assertThat(preview.at("/faults/1/line").asInt()).isEqualTo(6);
        assertThat(readings(truck)).isEmpty();

        JsonNode stored = send(truck.ref(), false, log(at)).json();
        assertThat(stored.get("accepted").asInt()).isEqualTo(2);
        JsonNode reading = readings(truck).get(0);
        assertThat(reading.get("pressureKpa").asDouble()).isEqualTo(780);
        assertThat(reading.get("temperatureC").asDouble()).isEqualTo(46);
        assertThat(Instant.parse(reading.get("at").asString())).isEqualTo(at);

        JsonNode again = send(truck.ref(), false, log(at)).json();
        assertThat(again.get("accepted").asInt()).isZero();
        assertThat(again.get("duplicates").asInt()).isEqualTo(2);
    }

    private static JsonNode readings(Door.Truck truck) {
        return DOOR.get("/api/v1/vehicles/" + truck.ref() + "/wheels/1L/readings")
                .json()
                .get("items");
    }

    @Test
    void whatIsNoLogIsRefusedInWords() throws IOException {
        Door.Truck truck = DOOR.newTruck();

        assertThat(send(truck.ref(), false, "PK\u0003\u0004 a zip\n\u0000\u0000")
                        .text())
                .contains("This is no log of a bus");
        assertThat(send(truck.ref(), false, line(Instant.now(), "123#00")).text())
                .contains("None of its messages tells of a tyre");
        assertThat(send(truck.ref(), false, "").status()).isEqualTo(400);
        assertThat(send("NO-SUCH", false, log(Instant.now())).status()).isEqualTo(404);
        assertThat(send(truck.ref(), false, log(Instant.now().plusSeconds(9_000)))
                        .json()
                        .get("accepted")
                        .asInt())
                .isZero();
        assertThat(send(
                                truck.ref(),
                                false,
                                "no gzip".getBytes(StandardCharsets.UTF_8),
                                Map.of("Content-Type", "text/plain", "Content-Encoding", "gzip"))
                        .status())
                .isEqualTo(400);
    }

    @Test
    void aPackedOneOfManyLinesComesIn() throws IOException {
        Door.Truck truck = DOOR.newTruck();
        Instant begin = Instant.now().minus(Duration.ofHours(20));
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(packed)) {
            for (int i = 0; i < 60_000; i++) {
                gzip.write(
                        line(begin.plusSeconds(i), "18FEF433#00C3E027FF27005F").getBytes(StandardCharsets.UTF_8));
            }
        }

        Door.Answer answer = send(
                truck.ref(),
                false,
                packed.toByteArray(),
                Map.of("Content-Type", "text/plain", "Content-Encoding", "gzip"));

        assertThat(answer.json().get("accepted").asInt()).isEqualTo(60_000);
    }
}
