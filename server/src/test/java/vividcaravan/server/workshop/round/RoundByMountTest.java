package vividcaravan.server.workshop.round;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/**
 * Air is added only by a temperature that is the air's, and never at a wheel against which something stands: by mount and state,
 * through the interface. The gas law says what is missing; where the temperature is not the air's, it says nothing.
 */
@ExtendWith(RunningProduct.class)
class RoundByMountTest {

    private static final String PASSWORD = "four words in a row";

    private final Door door = RunningProduct.door();
    private final Instant now = Instant.now();

    private Door.Truck truck(String mount) {
        Door.Truck truck = door.newTruck();
        Instant fitted = now.minusSeconds(5_000_000);
        String described =
                Door.vehicle(truck, fitted).replace("\"fittedAt\"", "\"mount\": \"" + mount + "\", \"fittedAt\"");
        Door.Answer answer = door.importFleet(Door.document(described, "\"onExisting\": \"update\","));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return truck;
    }

    /** Each minute from one value to the next, the last a moment ago. */
    private void say(String sensor, int minutesAgo, double fromKpa, double toKpa, int minutes, double celsius) {
        List<String> readings = new ArrayList<>();
        for (int minute = 0; minute < minutes; minute++) {
            double kpa = fromKpa + (toKpa - fromKpa) * minute / Math.max(1, minutes - 1);
            readings.add(reading(sensor, now.minusSeconds((minutesAgo - minute) * 60L + 5), kpa, celsius));
        }
        door.readings(array(readings));
    }

    private JsonNode look(Door.Truck truck, String more) {
        Door.Answer answer =
                door.postJson("/api/v1/pressure-rounds", "{ \"vehicles\": [ \"" + truck.ref() + "\" ]" + more + " }");
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json().at("/sheet/vehicles/0/wheels/0");
    }

    @ParameterizedTest
    @CsvSource({
        "VALVE, SOAKED, true",
        "STRAP, SOAKED, true",
        "CAP,   SOAKED, false", // nobody knows that it stood: its air may be warmer
        "CAP,   DRIVEN, false",
        "STRAP, HEATED, false",
        "CAP,   HEATED, false",
        "VALVE, HEATED, false",
        "STRAP, LEAKED, false",
        "CAP,   LEAKED, false",
        "VALVE, LEAKED, false",
        "STRAP, SEEN,   false",
        "CAP,   SEEN,   false",
    })
    void airIsAddedOnlyByWhatIsKnownOfTheAir(String mount, String state, boolean isAdded) {
        Door.Truck truck = truck(mount);
        String air = ", \"airC\": 12";
        switch (state) {
            case "SOAKED" -> {
                say(truck.left(), 3, 765, 765, 3, 12);
                say(truck.right(), 3, 800, 800, 3, 12);
            }
            case "DRIVEN" -> {
                // The cap is in the wind, the air in the tyre is warm.
                say(truck.left(), 40, 780, 820, 40, 22);
                say(truck.right(), 40, 820, 860, 40, 22);
                air = "";
            }
            case "HEATED" -> {
                say(truck.left(), 12, 780, 780, 12, 96);
                say(truck.right(), 12, 860, 860, 12, 40);
            }
            case "LEAKED" -> {
                say(truck.left(), 60, 800, 690, 12, 12);
                say(truck.right(), 60, 800, 800, 12, 12);
                // Topped up, and 35 kPa short.
                say(truck.left(), 40, 765, 765, 39, 12);
            }
            default -> {
                say(truck.left(), 3, 765, 765, 3, 12);
                seen(truck);
            }
        }

        JsonNode wheel = look(truck, air);

        if (isAdded) {
            assertThat(wheel.get("action").asString()).as(wheel.toString()).isEqualTo("ADD");
            assertThat(wheel.get("changeKpa").asDouble()).isBetween(30.0, 40.0);
        } else {
            assertThat(wheel.path("action").asString("")).as(wheel.toString()).isNotEqualTo("ADD");
            assertThat(wheel.path("changeKpa").asDouble(0)).isZero();
        }
    }

    private void seen(Door.Truck truck) {
        String name = "round-" + truck.ref().toLowerCase(Locale.ROOT);
        door.postJson(
                "/api/v1/accounts",
                "{ \"userName\": \"%s\", \"displayName\": \"O. Tansley\", \"role\": \"DRIVER\", \"password\": \"%s\" }"
                        .formatted(name, PASSWORD));
        door.putJson("/api/v1/accounts/" + name + "/vehicles", "{ \"vehicles\": [ \"" + truck.ref() + "\" ] }");
        Browser driver = new Browser(door.withToken(null));
        driver.signIn(name, PASSWORD);
        int status = driver.send(
                        "POST",
                        "/api/v1/vehicles/" + truck.ref() + "/walks",
                        "{\"faults\":[{\"position\":\"1L\",\"point\":\"DAMAGE\"}]}")
                .statusCode();
        assertThat(status).isEqualTo(201);
    }
}
