package vividcaravan.server.due;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** Hand gauges, and that their calibration comes due. */
class GaugesDueTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");

    @TempDir
    static Path folder;

    private static OwnProduct product;
    private static Door door;

    @BeforeAll
    static void start() {
        product = OwnProduct.in(folder, NOW);
        door = product.door();
    }

    @AfterAll
    static void stop() {
        product.close();
    }

    private Door.Answer keep(String name, String entry) {
        return door.putJson("/api/v1/hand-gauges/" + name, entry);
    }

    @Test
    void aGaugeIsDueOnItsDayAndDoneOnceItIsCalibratedAgain() {
        keep("LK%201", "{ \"calibratedOn\": \"2026-01-31\", \"everyMonths\": 12 }");
        Door.Answer kept = keep("LK%202", "{ \"calibratedOn\": \"2025-11-01\" }");

        assertThat(kept.status()).as(kept.text()).isEqualTo(200);
        assertThat(kept.json().get("items"))
                .extracting(one -> one.get("name").asString())
                .containsExactly("LK 2", "LK 1");
        assertThat(kept.json().at("/items/0/isOverdue").asBoolean()).isTrue();
        assertThat(kept.json().at("/items/1/dueOn").asString()).isEqualTo("2027-01-31");
        JsonNode due = door.get("/api/v1/due-work").json().get("items");
        assertThat(due)
                .extracting(one -> one.get("thing").asString())
                .containsExactly("hand gauge LK 2", "hand gauge LK 1");
        assertThat(due.get(0).get("isOverdue").asBoolean()).isTrue();
        assertThat(door.get("/api/v1/due-work.csv").text()).contains("calibration,hand gauge LK 2");

        keep("LK%202", "{ \"calibratedOn\": \"2026-11-19\", \"everyMonths\": 24 }");

        assertThat(door.get("/api/v1/due-work").json().get("items"))
                .extracting(one -> one.get("thing").asString())
                .containsExactly("hand gauge LK 1");
        product.pass(Duration.ofDays(80));
        assertThat(door.get("/api/v1/due-work").json().at("/items/0/isOverdue").asBoolean())
                .isTrue();
        assertThat(door.send("DELETE", "/api/v1/hand-gauges/LK%201", null, Map.of())
                        .status())
                .isEqualTo(204);
        assertThat(door.get("/api/v1/due-work").json().get("items")).isEmpty();
        assertThat(door.send("DELETE", "/api/v1/hand-gauges/LK%201", null, Map.of())
                        .status())
                .isEqualTo(404);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{ } | calibratedOn",
                "{ \"calibratedOn\": \"2031-12-24\" } | calibratedOn",
                "{ \"calibratedOn\": \"0001-01-01\" } | calibratedOn",
                "{ \"calibratedOn\": \"2026-01-01\", \"everyMonths\": 0 } | everyMonths",
                "{ \"calibratedOn\": \"2026-01-01\", \"depot\": \"Nowhere\" } | depot"
            })
    void whatCannotBeIsSaidAtItsField(String entry, String field) {
        Door.Answer answer = keep("G1", entry);

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.json().at("/errors/0/field").asString()).isEqualTo(field);
    }
}
