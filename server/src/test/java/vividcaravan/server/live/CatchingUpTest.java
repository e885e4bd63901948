package vividcaravan.server.live;

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
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** Whoever is further behind than the 2,000 changes that are held ready misses none all the same. */
@Tag("long")
class CatchingUpTest {

    private static final Instant NOW = Instant.parse("2026-11-20T12:00:00Z");
    private static final int TRUCKS = 1_050;

    @TempDir
    Path folder;

    @Test
    void whoIsFarBehindGetsEveryAlertOnceAndThenWhatComes() throws Exception {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            Door door = product.door();
            List<Door.Truck> trucks = new ArrayList<>();
            List<String> vehicles = new ArrayList<>();
            List<String> readings = new ArrayList<>();
            for (int i = 0; i < TRUCKS; i++) {
                Door.Truck truck = new Door.Truck("CU-" + i, Door.newCode(), Door.newCode());
                trucks.add(truck);
                vehicles.add(Door.vehicle(truck, NOW.minusSeconds(90_000)));
                for (int minute = 0; minute < 4; minute++) {
                    readings.add(reading(truck.left(), NOW.minusSeconds(20_000 - minute * 60L), 700, 20));
                    readings.add(reading(truck.right(), NOW.minusSeconds(20_000 - minute * 60L), 690, 20));
                }
            }
            assertThat(door.importFleet(Door.document(String.join(",", vehicles), ""))
                            .status())
                    .isEqualTo(200);
            assertThat(door.readings(array(readings)).status()).isEqualTo(200);

            try (OpenStream stream = OpenStream.of(door, "0")) {
                Set<String> seen = new HashSet<>();
                while (seen.size() < 2 * TRUCKS) {
                    OpenStream.Event alert = stream.next("alert");
                    assertThat(seen.add(alert.data().get("id").asString()))
                            .as("each once")
                            .isTrue();
                }

                Door.Truck first = trucks.get(0);
                List<String> worse = new ArrayList<>();
                for (int minute = 0; minute < 4; minute++) {
                    worse.add(reading(first.left(), NOW.minusSeconds(9_000 - minute * 60L), 500, 20));
                }
                door.readings(array(worse));
                assertThat(stream.next("alert", first.ref())
                                .data()
                                .get("urgency")
                                .asString())
                        .isEqualTo("STOP_NOW");
            }
        }
    }
}
