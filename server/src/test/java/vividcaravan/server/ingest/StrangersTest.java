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

/** A receiver at a gate hears strangers for months, and the one that is to be paired today is heard all the same. */
@Tag("long")
class StrangersTest {

    private static final Instant NOW = Instant.parse("2026-11-20T12:00:00Z");

    @TempDir
    Path folder;

    @Test
    void whoWasUnheardForLongestGivesWay() {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            Door door = product.door();
            for (int part = 0; part < 3; part++) {
                List<String> readings = new ArrayList<>();
                for (int i = 0; i < 4_000; i++) {
                    readings.add(reading(
                            String.format("%06X", 0xD00000 + part * 4_000 + i),
                            NOW.minus(Duration.ofDays(30)).plusSeconds(part * 4_000L + i),
                            700,
                            20));
                }
                assertThat(door.readings(array(readings))
                                .json()
                                .get("unknownSensors")
                                .asInt())
                        .isEqualTo(4_000);
            }
            door.readings(array(List.of(reading("FEED01", NOW.minusSeconds(60), 800, 20))));
            Strangers strangers = product.bean(Strangers.class);

            assertThat(strangers.heardSince(0).size()).isLessThanOrEqualTo(10_000);
            assertThat(codes(strangers)).contains("FEED01", "D02EDF").doesNotContain("D00000");
            product.restart();
            Strangers afterwards = product.bean(Strangers.class);
            assertThat(codes(afterwards)).contains("FEED01").doesNotContain("D00000");
        }
    }

    private static List<String> codes(Strangers strangers) {
        return strangers.heardSince(0).stream().map(Strangers.Stranger::code).toList();
    }
}
