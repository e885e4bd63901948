package vividcaravan.server.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Who may leave, as the gate is shown it. */
@ExtendWith(RunningProduct.class)
class DeparturesTest {

    private final Door door = RunningProduct.door();

    private static JsonNode lineOf(Door asker, Door.Truck truck) {
        return asker.get("/api/v1/departures")
                .json()
                .get("items")
                .valueStream()
                .flatMap(depot -> depot.get("vehicles").valueStream())
                .filter(line -> line.get("ref").asString().equals(truck.ref()))
                .findFirst()
                .orElseThrow();
    }

    private void report(Door.Truck truck, double left) {
        Instant begin = Instant.now().minusSeconds(600).truncatedTo(ChronoUnit.SECONDS);
        for (String sensor : List.of(truck.left(), truck.right())) {
            double kpa = sensor.equals(truck.left()) ? left : 800;
            door.readings(array(IntStream.range(0, 6)
                    .mapToObj(minute -> reading(sensor, begin.plusSeconds(minute * 60L), kpa, 20))
                    .toList()));
        }
    }

    @Test
    void saysOfEachVehicleWhetherItMayLeaveAndWhy() {
        Door.Truck well = door.newTruck();
        Door.Truck low = door.newTruck();
        Door.Truck unheard = door.newTruck();
        report(well, 800);
        report(low, 600);

        assertThat(lineOf(door, well).get("verdict").asString()).isEqualTo("MAY_LEAVE");
        assertThat(lineOf(door, well).get("reasons").isEmpty()).isTrue();
        assertThat(lineOf(door, low).get("verdict").asString()).isEqualTo("NOT_YET");
        assertThat(lineOf(door, low).at("/reasons/0").asString()).startsWith("1L ");
        assertThat(lineOf(door, unheard).get("verdict").asString()).isEqualTo("LOOK_FIRST");
    }

    @Test
    void aTokenOfTheGateSeesThisAndNothingElse() {
        Door.Truck truck = door.newTruck();
        String secret = door.postJson("/api/v1/tokens", "{ \"name\": \"gate screen\", \"scope\": \"GATE\" }")
                .json()
                .get("secret")
                .asString();
        Door gate = door.withToken(secret);

        assertThat(lineOf(gate, truck).get("ref").asString()).isEqualTo(truck.ref());
        assertThat(gate.get("/api/v1/vehicles").status()).isEqualTo(403);
        assertThat(gate.get("/api/v1/alerts").status()).isEqualTo(403);
        assertThat(gate.get("/api/v1/departures?depot=Nowhere")
                        .json()
                        .get("items")
                        .isEmpty())
                .isTrue();
    }
}
