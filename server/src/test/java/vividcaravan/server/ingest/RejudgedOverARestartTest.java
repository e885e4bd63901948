package vividcaravan.server.ingest;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** What a backlog led to that came after the wheel's next sensor had spoken is not forgotten by a restart. */
@Tag("long")
class RejudgedOverARestartTest {

    private static final Instant NOW = Instant.parse("2026-11-20T12:00:00Z");

    @TempDir
    Path folder;

    private static String vehicle(String code, String right, Instant at) {
        return """
                { "ref": "RJ-1", "kind": "RIGID_TRUCK", "axles": [
                    { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 800 } ],
                  "sensors": [ { "position": "1L", "code": "%s", "fittedAt": "%s" },
                               { "position": "1R", "code": "%s", "fittedAt": "%s" } ] }"""
                .formatted(code, at, right, NOW.minus(Duration.ofDays(5)));
    }

    @Test
    void theWheelStandsAfterwardsAsItStoodBefore() {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            Door door = product.door();
            String first = Door.newCode();
            String second = Door.newCode();
            String right = Door.newCode();
            door.importFleet(Door.document(vehicle(first, right, NOW.minus(Duration.ofDays(5))), ""));
            Instant changed = NOW.minus(Duration.ofHours(4));
            assertThat(door.importFleet(Door.document(vehicle(second, right, changed), "\"onExisting\": \"update\","))
                            .status())
                    .isEqualTo(200);
            List<String> live = new ArrayList<>();
            List<String> backlog = new ArrayList<>();
            for (int minute = 0; minute < 240; minute++) {
                live.add(reading(second, changed.plusSeconds(minute * 60L), 800 - minute * 0.3, 30));
                live.add(reading(right, changed.plusSeconds(minute * 60L), 800, 30));
                backlog.add(reading(first, changed.minusSeconds((240 - minute) * 60L), 800 - minute * 0.5, 30));
            }
            door.readings(array(live));
            door.readings(array(backlog));
            String before = door.get("/api/v1/vehicles/RJ-1").text();
            String alerts = door.get("/api/v1/alerts?state=all&vehicle=RJ-1").text();
            assertThat(alerts).contains("LEAK");

            product.restart();
            assertThat(product.door().get("/api/v1/vehicles/RJ-1").text()).isEqualTo(before);

            // And it goes on from there, where a judge that had forgotten would begin to learn.
            List<String> on = new ArrayList<>();
            for (int minute = 0; minute < 20; minute++) {
                on.add(reading(second, NOW.minusSeconds(1_000).plusSeconds(minute * 50L), 728 - minute * 0.3, 30));
                on.add(reading(right, NOW.minusSeconds(1_000).plusSeconds(minute * 50L), 800, 30));
            }
            product.door().readings(array(on));
            assertThat(product.door().alertsOf("RJ-1")).hasSameSizeAs(door(alerts));
        }
    }

    private static List<tools.jackson.databind.JsonNode> door(String alerts) {
        return new Door.Answer(200, alerts, null)
                .json()
                .get("items")
                .valueStream()
                .toList();
    }
}
