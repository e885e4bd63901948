package vividcaravan.server.picture;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** The small list of all vehicles says what the full one says, in its own order. */
@ExtendWith(RunningProduct.class)
class VehicleLinesContractTest {

    private static final List<String> URGENCIES = List.of("STOP_NOW", "NEXT_STOP", "BEFORE_NEXT_TRIP", "PLAN");

    private final Door door = RunningProduct.door();
    private Door.Truck soft;
    private Door.Truck sound;

    @BeforeEach
    void aSoftTruckAndASoundOne() {
        sound = door.newTruck();
        soft = door.newTruck();
        long begin = Instant.now().minusSeconds(600).toEpochMilli();
        List<String> readings = new ArrayList<>();
        for (int minute = 0; minute < 8; minute++) {
            long at = begin + minute * 60_000L;
            readings.add(reading(soft.left(), at, 600));
            readings.add(reading(soft.right(), at, 850));
            readings.add(reading(sound.left(), at, 850));
        }
        door.readings("[" + String.join(",", readings) + "]");
    }

    private static String reading(String sensor, long at, int kpa) {
        return "{\"sensor\":\"%s\",\"at\":%d,\"pressureKpa\":%d,\"temperatureC\":20}".formatted(sensor, at, kpa);
    }

    private JsonNode lines(String query) {
        return door.get("/api/v1/vehicle-lines" + query).json();
    }

    private static Map<String, JsonNode> byRef(JsonNode list) {
        return list.get("items")
                .valueStream()
                .collect(Collectors.toMap(one -> one.get("ref").asString(), Function.identity()));
    }

    @Test
    void everyWheelIsAsTheFullListHasIt() {
        Map<String, JsonNode> full = byRef(door.get("/api/v1/vehicles").json());
        JsonNode lines = lines("");
        Map<String, JsonNode> small = byRef(lines);

        assertThat(small).containsOnlyKeys(full.keySet());
        for (Door.Truck truck : List.of(soft, sound)) {
            JsonNode line = small.get(truck.ref());
            JsonNode layout = lines.get("layouts").get(line.get("layout").asInt());
            JsonNode wheels = full.get(truck.ref()).get("wheels");
            assertThat(layout.get("positions")).hasSize(wheels.size());
            for (int i = 0; i < wheels.size(); i++) {
                JsonNode wheel = wheels.get(i);
                String position = wheel.get("position").asString();
                assertThat(layout.get("positions").get(i).asString()).isEqualTo(position);
                assertThat(line.get("sensors").get(i)).isEqualTo(wheel.get("sensor"));
                assertThat(line.get("temperatures").get(i)).isEqualTo(wheel.get("temperatureC"));
                assertThat(text(line.get("conditions").get(position), "OK"))
                        .isEqualTo(wheel.get("condition").asString());
                assertThat(text(line.get("urgencies").get(position), "none"))
                        .isEqualTo(text(wheel.get("urgency"), "none"));
                if (!wheel.get("at").isNull()) {
                    Instant at = Instant.parse(wheel.get("at").asString());
                    Instant of = Instant.parse(lines.get("at").asString());
                    assertThat(of.minusSeconds(line.get("heard").get(i).asLong()))
                            .isBetween(at.minusSeconds(1), at.plusSeconds(1));
                    assertThat(line.get("deviations").get(i).asInt() / 1000.0)
                            .isEqualTo(wheel.get("deviation").asDouble());
                }
            }
        }
        assertThat(small.get(soft.ref()).get("alerts").get(0).get("urgency").asString())
                .isEqualTo("STOP_NOW");
    }

    private static String text(@Nullable JsonNode node, String otherwise) {
        return node == null || node.isNull() ? otherwise : node.asString();
    }

    @Test
    void depotsStandTogetherAndWhoNeedsMostComesFirst() {
        JsonNode items = lines("").get("items");

        LinkedHashSet<String> depots = new LinkedHashSet<>();
        String last = null;
        int need = 0;
        for (JsonNode line : items) {
            String depot = text(line.get("depot"), "");
            if (!depot.equals(last)) {
                assertThat(depots.add(depot)).as("depot %s begins once", depot).isTrue();
                need = 0;
            }
            int own = line.get("alerts").isEmpty()
                    ? URGENCIES.size()
                    : URGENCIES.indexOf(line.get("alerts").get(0).get("urgency").asString());
            assertThat(own).isGreaterThanOrEqualTo(need);
            need = own;
            last = depot;
        }
    }

    @Test
    void aLimitGivesTheBeginningAndSaysHowManyThereAre() {
        JsonNode all = lines("");
        JsonNode first = lines("?limit=1");

        assertThat(first.get("items")).hasSize(1);
        assertThat(first.get("items").get(0).get("ref"))
                .isEqualTo(all.get("items").get(0).get("ref"));
        assertThat(first.get("total").asInt()).isEqualTo(all.get("items").size());
        assertThat(first.get("wheels").asInt())
                .isEqualTo(all.get("items")
                        .valueStream()
                        .mapToInt(line -> line.get("sensors").size())
                        .sum());
    }

    @ParameterizedTest
    @ValueSource(strings = {"0", "-1", "many", "1.5", "99999999999"})
    void aLimitThatIsNoneIsRefused(String limit) {
        assertThat(door.get("/api/v1/vehicle-lines?limit=" + limit).status()).isEqualTo(400);
    }
}
