package vividcaravan.server.alerts;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** However many alerts came since, an old one to stop now is on the first page of what the Desk asks for. */
@Tag("long")
class MostUrgentFirstTest {

    private static final Instant NOW = Instant.parse("2026-11-20T12:00:00Z");
    private static final int LESSER = 1_050;

    @TempDir
    Path folder;

    @Test
    void anOldStopNowDoesNotFallBehindTheNewestThousand() {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            Door door = product.door();
            Door.Truck worst = door.newTruck(NOW.minusSeconds(90_000));
            low(door, List.of(worst), 50_000, 560);
            String id = door.alertsOf(worst.ref()).get(0).get("id").asString();
            assertThat(door.alertsOf(worst.ref()).get(0).get("urgency").asString())
                    .isEqualTo("STOP_NOW");
            lesser(door);

            JsonNode page = door.get("/api/v1/alerts?limit=1000&order=urgency").json();

            assertThat(page.at("/items/0/id").asString()).isEqualTo(id);
            assertThat(page.get("items")).hasSize(1_000);
            JsonNode rest = door.get("/api/v1/alerts?limit=1000&order=urgency&cursor="
                            + page.get("nextCursor").asString())
                    .json();
            Set<String> ids = new HashSet<>();
            page.get("items").forEach(item -> ids.add(item.get("id").asString()));
            rest.get("items").forEach(item -> assertThat(ids.add(item.get("id").asString()))
                    .isTrue());
            assertThat(ids).hasSize(LESSER + 1);
            assertThat(door.get("/api/v1/alerts?order=newest&limit=1000").text())
                    .doesNotContain("\"" + id + "\"");
            assertThat(door.get("/api/v1/alerts?order=oldest").status()).isEqualTo(400);
            assertThat(door.get("/api/v1/alerts?order=urgency&cursor=YTE").status())
                    .isEqualTo(400);
        }
    }

    private static void lesser(Door door) {
        List<Door.Truck> trucks = new ArrayList<>();
        List<String> vehicles = new ArrayList<>();
        for (int i = 0; i < LESSER; i++) {
            Door.Truck truck = new Door.Truck("MU-" + i, Door.newCode(), Door.newCode());
            trucks.add(truck);
            vehicles.add(Door.vehicle(truck, NOW.minusSeconds(90_000)));
        }
        assertThat(door.importFleet(Door.document(String.join(",", vehicles), ""))
                        .status())
                .isEqualTo(200);
        low(door, trucks, 20_000, 700);
    }

    private static void low(Door door, List<Door.Truck> trucks, int secondsAgo, double kpa) {
        List<String> readings = new ArrayList<>();
        for (Door.Truck truck : trucks) {
            for (int i = 0; i < 12; i++) {
                Instant at = NOW.minusSeconds(secondsAgo).plusSeconds(i * 60L);
                readings.add(reading(truck.left(), at, kpa, 20));
                readings.add(reading(truck.right(), at, 800, 20));
            }
        }
        assertThat(door.readings(array(readings)).status()).isEqualTo(200);
    }
}
