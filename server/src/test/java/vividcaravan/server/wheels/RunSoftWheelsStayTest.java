package vividcaravan.server.wheels;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.document;
import static vividcaravan.server.Door.onTheRoad;

import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** A tyre that was run soft is not released by describing its wheel away. */
@ExtendWith(RunningProduct.class)
class RunSoftWheelsStayTest {

    private static final String REF = "RS-1";
    private static final String CODE = "A55F01";

    private final Door door = RunningProduct.door();

    private static String vehicle(String wheels, String sensors) {
        return """
                { "ref": "%s", "kind": "RIGID_TRUCK", "axles": [
                    { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 800 },
                    { "role": "DRIVE", "wheels": "%s", "coldPressureKpa": 800 } ],
                  "sensors": [ %s ] }"""
                .formatted(REF, wheels, sensors);
    }

    @Test
    void theAxleIsNotDescribedAnewUntilTheTyreWasSeenTo() {
        Instant begin = Instant.now().minusSeconds(600);
        String sensor = "{ \"position\": \"2LO\", \"code\": \"%s\", \"fittedAt\": \"%s\" }".formatted(CODE, begin);
        assertThat(door.importFleet(document(vehicle("TWIN", sensor), "")).status())
                .isEqualTo(200);
        door.readings(array(IntStream.range(0, 5)
                .mapToObj(i -> onTheRoad(CODE, begin.plusSeconds(60 + i * 60L), 600, 20))
                .toList()));

        Door.Answer refused = door.importFleet(document(vehicle("SINGLE", ""), "\"onExisting\": \"update\","));

        assertThat(refused.status()).as(refused.text()).isEqualTo(409);
        assertThat(refused.text()).contains("80 %").contains("2LO");
        JsonNode alert = alerts().get(0);
        assertThat(alert.get("state").asString()).isEqualTo("NEW");

        Door.Answer closed = door.postJson(
                "/api/v1/alerts/" + alert.get("id").asString() + "/close",
                "{ \"isScrapped\": true, \"reason\": \"sidewall gone\" }");
        assertThat(closed.status()).as(closed.text()).isEqualTo(200);
        assertThat(door.importFleet(document(vehicle("SINGLE", ""), "\"onExisting\": \"update\","))
                        .status())
                .isEqualTo(200);
    }

    private List<JsonNode> alerts() {
        return door.alertsOf(REF);
    }
}
