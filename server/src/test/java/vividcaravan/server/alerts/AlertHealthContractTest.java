package vividcaravan.server.alerts;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** The figures of alerts, from what really happened to them. */
@ExtendWith(RunningProduct.class)
class AlertHealthContractTest {

    private final Door door = RunningProduct.door();

    private JsonNode health() {
        return door.get("/api/v1/alert-health?weeks=2&zone=Europe/Dublin").json();
    }

    private static int sum(JsonNode health, String list, String name) {
        return health.get("weeks")
                .valueStream()
                .mapToInt(week -> week.get(list).path(name).asInt(0))
                .sum();
    }

    private static int calls(JsonNode health) {
        return health.get("weeks")
                .valueStream()
                .mapToInt(week -> week.get("calls").asInt())
                .sum();
    }

    @Test
    void countsWhatBecameOfAnAlert() {
        JsonNode before = health();
        Door.Truck truck = door.newTruck();
        Instant begin = Instant.now().minusSeconds(600).truncatedTo(ChronoUnit.SECONDS);
        door.readings(array(IntStream.range(0, 6)
                .mapToObj(minute -> reading(truck.left(), begin.plusSeconds(minute * 60L), 700, 20))
                .toList()));
        String id = door.alertsOf(truck.ref()).get(0).get("id").asString();
        door.postJson(
                "/api/v1/alert-acts",
                "{ \"act\": \"CLOSE\", \"alerts\": [ { \"id\": \"%s\" } ], \"reason\": \"gauge says 800\", \"verdict\": \"NOTHING_FOUND\" }"
                        .formatted(id));

        JsonNode after = health();

        assertThat(calls(after)).isEqualTo(calls(before) + 1);
        assertThat(after.get("limits").toString()).contains("\"limit\":\"first limit: steer axle, rigid truck\"");
        assertThat(sum(after, "verdicts", "NOTHING_FOUND")).isEqualTo(sum(before, "verdicts", "NOTHING_FOUND") + 1);
        assertThat(sum(after, "closed", "WORD")).isEqualTo(sum(before, "closed", "WORD") + 1);
        assertThat(after.get("kinds").valueStream().map(kind -> kind.get("mostly")
                        .asString()))
                .contains("UNDER_PRESSURE");
        assertThat(after.at("/kinds/0/words").asString()).isNotBlank();
        assertThat(after.at("/wheels").size()).isBetween(1, 10);
        assertThat(after.at("/bounds/finePerHour").asDouble()).isEqualTo(6);
    }

    @ParameterizedTest
    @ValueSource(strings = {"weeks=0", "weeks=many", "weeks=54", "zone=Nowhere/City"})
    void whatCannotBeAskedIsRefusedInWords(String query) {
        assertThat(door.get("/api/v1/alert-health?" + query).status()).isEqualTo(400);
    }
}
