package vividcaravan.server.ingest;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Tests of readings of a truck that nobody else knows, at the running product. */
@ExtendWith(RunningProduct.class)
abstract class ReadingsOfATruck {

    final Door door = RunningProduct.door();
    Door.Truck truck;
    Instant now;

    @BeforeEach
    void newTruck() {
        truck = door.newTruck();
        now = Instant.now().truncatedTo(ChronoUnit.MILLIS);
    }

    static void assertCounts(JsonNode answer, long accepted, long duplicates, long unknown, long rejected) {
        assertThat(List.of(
                        answer.get("accepted").asLong(),
                        answer.get("duplicates").asLong(),
                        answer.get("unknownSensors").asLong(),
                        answer.get("rejectedTotal").asLong()))
                .as("accepted, duplicates, unknown sensors, rejected of %s", answer)
                .containsExactly(accepted, duplicates, unknown, rejected);
    }

    List<JsonNode> stored(String position) {
        return door.get("/api/v1/vehicles/" + truck.ref() + "/wheels/" + position + "/readings?limit=10000")
                .json()
                .get("items")
                .valueStream()
                .toList();
    }
}
