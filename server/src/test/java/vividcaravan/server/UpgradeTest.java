package vividcaravan.server;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/**
 * A data folder as the version before the logbook left it: two trucks over three days, one of them losing 14 kPa an hour at
 * 2LO for the last six hours; a described bus with an open job, a kit plan, limits that were changed, a driver with a
 * vehicle, a token, an invitation that was not used.
 */
class UpgradeTest {

    private static final String BEFORE = "/upgrade/before-the-logbook.zip";
    /** The leak was last heard at 12:00; the folder was left at 14:34. */
    private static final Instant NOW = Instant.parse("2026-11-28T14:40:00Z");

    @TempDir
    Path folder;

    private OwnProduct product;
    private Door door;

    @BeforeEach
    void start() throws Exception {
        try (InputStream file = Objects.requireNonNull(UpgradeTest.class.getResourceAsStream(BEFORE));
                ZipInputStream zip = new ZipInputStream(file)) {
            zip.getNextEntry();
            Files.copy(zip, folder.resolve("vivid-caravan.mv.db"));
        }
        product = OwnProduct.in(folder, NOW);
        door = product.door();
    }

    @AfterEach
    void stop() {
        product.close();
    }

    @Test
    void everythingThatWasKeptIsThere() {
        assertThat(door.get("/api/v1/vehicles").json().get("items")).hasSize(3);
        assertThat(door.get("/api/v1/depots").json().at("/items/0/altitudeM").asDouble())
                .isEqualTo(35);
        JsonNode alert = door.alertsOf("LM-01").get(0);
        assertThat(alert.get("kind").asString()).isEqualTo("SLOW_LEAK");
        assertThat(alert.get("state").asString()).isEqualTo("ACKNOWLEDGED");
        assertThat(alert.get("position").asString()).isEqualTo("2LO");
        JsonNode readings = door.get("/api/v1/vehicles/LM-01/wheels/2LO/readings?limit=1000")
                .json()
                .get("items");
        assertThat(readings).hasSize(222);
        assertThat(door.get("/api/v1/vehicles/LM-02/wheels/1L/changes").text())
                .contains("ADJUSTED", "LIMITS_CHANGED", "SENSOR_FITTED");
        assertThat(door.get("/api/v1/vehicles/LM-02/description").text()).contains("\"lowPct\":12");
        assertThat(door.get("/api/v1/jobs").json().at("/items/0/vehicle").asString())
                .isEqualTo("LM-03");
        assertThat(door.get("/api/v1/kit-plans").json().get("items")).hasSize(1);
        JsonNode team = door.get("/api/v1/accounts").json();
        assertThat(team.at("/items/1/vehicles/0").asString()).isEqualTo("LM-02");
        assertThat(team.at("/invitations/0/email").asString()).isEqualTo("sedge@example.org");
        assertThat(new Browser(door.withToken(null))
                        .signIn("quill", "a password of tests")
                        .statusCode())
                .isEqualTo(200);
    }

    @Test
    void theBookBeginsAndIsWhole() {
        JsonNode book = door.get("/api/v1/logbook").json().get("items");

        assertThat(book).hasSize(1);
        assertThat(book.at("/0/kind").asString()).isEqualTo("BOOK_BEGUN");
        assertThat(door.get("/api/v1/logbook/proof").json().get("isWhole").asBoolean())
                .isTrue();
    }

    /** Twelve more readings are too few for a judge that knows nothing, and enough for one that goes on. */
    @Test
    void theJudgeGoesOnWithWhatItHadLearned() {
        // It knows that the wheel was low before anything is heard of it again.
        JsonNode wheel = door.get("/api/v1/vehicles/LM-01").json().findParents("position").stream()
                .filter(one -> one.get("position").asString().equals("2LO"))
                .findFirst()
                .orElseThrow();
        assertThat(wheel.toString()).contains("\"condition\":\"LOW\"");

        List<String> readings = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            Instant at = Instant.parse("2026-11-28T12:10:00Z").plusSeconds(i * 600L);
            double warm = (273.15 + 30) / 293.15;
            double left = (760 - 84 - 14 * (i + 1) / 6.0 + 101.3) * warm - 101.3;
            double others = (760 + 101.3) * warm - 101.3;
            readings.add(reading("A00003", at, left, 30));
            for (String code : List.of("A00004", "A00005", "A00006")) {
                readings.add(reading(code, at.plusSeconds(1), others, 30));
            }
        }
        assertThat(door.readings(array(readings)).json().get("accepted").asInt())
                .isEqualTo(48);

        List<JsonNode> alerts = door.alertsOf("LM-01").stream()
                .filter(alert -> alert.get("position").asString().equals("2LO"))
                .toList();

        assertThat(alerts).hasSize(1);
        assertThat(alerts.get(0).get("kind").asString()).isEqualTo("SLOW_LEAK");
        assertThat(alerts.get(0).get("urgency").asString()).isIn("NEXT_STOP", "STOP_NOW");
        assertThat(alerts.get(0).get("openedAt").asString()).startsWith("2026-11-28T0");
    }
}
