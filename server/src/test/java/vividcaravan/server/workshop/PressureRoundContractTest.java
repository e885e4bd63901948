package vividcaravan.server.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

@ExtendWith(RunningProduct.class)
class PressureRoundContractTest {

    private final Door door = RunningProduct.door();

    private JsonNode wheels(String ref, String more) {
        Door.Answer answer = door.get("/api/v1/pressure-round?vehicle=" + ref + more);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json().get("vehicles").get(0).get("wheels");
    }

    @Test
    void saysWhatToDoAtEveryWheelAndAgainWhenAReadingCame() {
        Door.Truck truck = door.newTruck();
        Instant now = Instant.now();
        door.readings(array(List.of(
                reading(truck.left(), now.minusSeconds(9), 765, 12),
                reading(truck.right(), now.minusSeconds(9), 630, 12))));

        JsonNode wheels = wheels(truck.ref(), "");

        assertThat(wheels.get(0).get("action").asString()).isEqualTo("ADD");
        assertThat(wheels.get(0).get("changeKpa").asDouble()).isCloseTo(35, within(1e-6));
        assertThat(wheels.get(1).get("action").asString()).isEqualTo("DO_NOT_INFLATE");

        door.readings(array(List.of(reading(truck.left(), now, 800, 12))));
        assertThat(wheels(truck.ref(), "").get(0).get("action").asString()).isEqualTo("RIGHT");
    }

    @Test
    void theAirOutsideIsTheCoolestTyresUnlessSomebodySays() {
        Door.Truck truck = door.newTruck();
        Instant now = Instant.now();
        door.readings(array(List.of(reading(truck.left(), now, 800, 12), reading(truck.right(), now, 960, 50))));

        JsonNode guessed =
                door.get("/api/v1/pressure-round?vehicle=" + truck.ref()).json();
        assertThat(guessed.get("airC").asDouble()).isEqualTo(12);
        assertThat(guessed.get("isAirGuessed").asBoolean()).isTrue();
        assertThat(wheels(truck.ref(), "&airC=20").get(1).get("action").asString())
                .isEqualTo("LET_COOL");
    }

    @Test
    void whatWasSaidLongAgoSaysNothing() {
        Door.Truck truck = door.newTruck();
        door.readings(array(List.of(reading(truck.left(), Instant.now().minusSeconds(3_600), 700, 12))));

        JsonNode wheel = wheels(truck.ref(), "").get(0);

        assertThat(wheel.hasNonNull("action")).isFalse();
        assertThat(wheel.hasNonNull("at")).isTrue();
    }

    @Test
    void nonsenseIsRefusedInWords() {
        assertThat(door.get("/api/v1/pressure-round").status()).isEqualTo(400);
        assertThat(door.get("/api/v1/pressure-round?vehicle=nowhere").status()).isEqualTo(404);
        assertThat(door.get("/api/v1/pressure-round?vehicle=X&airC=99").status())
                .isEqualTo(400);
        assertThat(door.get("/api/v1/pressure-round?vehicle=X&airC=warm").status())
                .isEqualTo(400);
    }
}
