package vividcaravan.server.writer;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** What one asker sends is one asker's affair: everybody else's readings go on, and health stays up. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
@Tag("long")
class OneWriteHarmsNoOtherTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");

    @TempDir
    static Path folder;

    private OwnProduct product;
    private Door door;
    private Door.Truck truck;
    private String job;
    private String otherJob;
    private long nextAt = NOW.minusSeconds(7_200).toEpochMilli();

    @BeforeAll
    void start() {
        product = OwnProduct.in(folder, NOW);
        door = product.door();
        truck = door.newTruck(NOW.minusSeconds(86_400));
        job = openJob(truck);
        otherJob = openJob(door.newTruck(NOW.minusSeconds(86_400)));
    }

    @AfterAll
    void stop() {
        product.close();
    }

    private String openJob(Door.Truck vehicle) {
        return door.postJson("/api/v1/jobs", "{ \"vehicle\": \"" + vehicle.ref() + "\", \"mount\": \"STRAP\" }")
                .json()
                .get("id")
                .asString();
    }

    private void assertOthersGoOn() {
        assertThat(door.get("/actuator/health").status()).isEqualTo(200);
        Door.Answer taken =
                door.readings(array(List.of(reading(truck.left(), Instant.ofEpochMilli(nextAt++), 800, 20))));
        assertThat(taken.status()).isEqualTo(200);
        assertThat(taken.json().get("accepted").asInt()).isEqualTo(1);
        assertThat(product.bean(SingleWriter.class).isBroken()).isFalse();
    }

    private JsonNode entered(String toJob, String... entries) {
        Door.Answer answer = door.postJson(
                "/api/v1/jobs/" + toJob + "/entries", "{ \"entries\": [" + String.join(",", entries) + "] }");
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json().get("outcomes");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{ \"key\": \"odd-entry-1\", \"kind\": \"INSPECTED\", \"position\": \"1L\", \"data\": { \"treadMm\": [null] } }",
                "{ \"key\": \"odd-entry-2\", \"kind\": \"NOTED\", \"at\": \"-1000000000-01-01T00:00:00Z\", \"data\": { \"reason\": \"x\" } }",
                "{ \"key\": \"odd-entry-3\", \"kind\": \"NOTED\", \"at\": \"+1000000000-12-31T00:00:00Z\", \"data\": { \"reason\": \"x\" } }",
                "{ \"key\": \"odd-entry-4\", \"kind\": \"MOUNTED\", \"position\": \"1L\", \"data\": { \"mount\": \"STRAP\", \"stepsDone\": [null] } }",
                "{ \"key\": \"odd-entry-5\", \"kind\": \"GAUGED\", \"position\": \"1L\", \"data\": { \"gaugeKpa\": 800, \"before\": { \"1L\": null } } }",
                "{ \"key\": \"odd-entry-6\", \"kind\": \"GAUGE_NAMED\", \"data\": { \"gaugeName\": \"G\", \"calibratedOn\": \"-999999999-01-01\" } }",
            })
    void anOddEntryIsRefusedByItselfAndItsNeighboursAreStored(String odd) {
        String key = odd.replaceAll(".*(odd-entry-\\d).*", "$1");
        JsonNode outcomes = entered(
                job,
                "{ \"key\": \"before-%s\", \"kind\": \"NOTED\", \"data\": { \"reason\": \"before\" } }".formatted(key),
                odd,
                "{ \"key\": \"behind-%s\", \"kind\": \"NOTED\", \"data\": { \"reason\": \"behind\" } }".formatted(key));

        assertThat(outcomes.valueStream().map(one -> one.get("outcome").asString()))
                .containsExactly("STORED", "REFUSED", "STORED");
        assertOthersGoOn();
    }

    @ParameterizedTest
    @ValueSource(strings = {"dateCode", "code", "other", "reason", "gaugeName", "damage", "tyre"})
    void anOverlongFieldIsRefusedAndSaysHowLongItMayBe(String field) {
        JsonNode outcome = entered(
                        job,
                        "{ \"key\": \"long-%s\", \"kind\": \"NOTED\", \"data\": { \"reason\": \"x\", \"%s\": \"%s\" } }"
                                .formatted(field, field, "y".repeat(9_000)))
                .get(0);

        assertThat(outcome.get("outcome").asString()).isEqualTo("REFUSED");
        assertThat(outcome.get("message").asString()).contains(field).contains("characters");
        assertOthersGoOn();
    }

    @Test
    void aKeyThatAnotherJobUsedIsAKeyLikeAnyOther() {
        String entry = "{ \"key\": \"one-key-for-two\", \"kind\": \"NOTED\", \"data\": { \"reason\": \"x\" } }";

        assertThat(entered(job, entry).get(0).get("outcome").asString()).isEqualTo("STORED");
        assertThat(entered(otherJob, entry).get(0).get("outcome").asString()).isEqualTo("STORED");
        assertThat(entered(otherJob, entry).get(0).get("outcome").asString()).isEqualTo("KNOWN");
        assertOthersGoOn();
    }

    /** In honest use: a limit of a whole large fleet, at some 180 characters an axle more than a million. */
    @Test
    void aLimitOfSixThousandAxlesIsChangedAndUndone() {
        List<String> vehicles = new ArrayList<>();
        for (int v = 0; v < 1_000; v++) {
            String axles = "{ \"role\": \"STEER\", \"wheels\": \"SINGLE\", \"coldPressureKpa\": 850 },"
                    + IntStream.range(0, 5)
                            .mapToObj(i -> "{ \"role\": \"DRIVE\", \"wheels\": \"SINGLE\", \"coldPressureKpa\": 780 }")
                            .reduce((a, b) -> a + "," + b)
                            .orElseThrow();
            vehicles.add("{ \"ref\": \"MANY-%d\", \"kind\": \"BUS\", \"axles\": [%s] }".formatted(v, axles));
        }
        assertThat(door.importFleet(Door.document(String.join(",", vehicles), ""))
                        .status())
                .isEqualTo(200);

        Door.Answer changed = door.postJson(
                "/api/v1/limit-changes",
                "{ \"isPreview\": false, \"change\": { \"level\": \"AXLES\", \"kind\": \"BUS\","
                        + " \"limits\": { \"lowPct\": 11 } } }");

        assertThat(changed.status()).as(changed.text()).isEqualTo(200);
        assertThat(changed.json().get("axles").size()).isEqualTo(6_000);
        assertOthersGoOn();
        Door.Answer undone = door.postJson(
                "/api/v1/limit-changes/" + changed.json().get("batch").asString() + "/undo", "");
        assertThat(undone.status()).as(undone.text()).isEqualTo(200);
        assertThat(door.get("/api/v1/vehicles/MANY-999")
                        .json()
                        .at("/axles/3/policy/lowPct")
                        .asDouble())
                .isEqualTo(10);
    }

    @Test
    void readingsOfOneSensorBeyondWhatAnHourHoldsAreRejectedAndNothingElseIs() {
        Door.Truck busy = door.newTruck(NOW.minusSeconds(86_400));
        long hour = NOW.minusSeconds(4 * 3_600).toEpochMilli();
        StringBuilder lines = new StringBuilder();
        for (int i = 0; i < 300_000; i++) {
            lines.append("{\"sensor\":\"")
                    .append(busy.left())
                    .append("\",\"at\":")
                    .append(hour + i * 10L);
            lines.append(",\"pressureKpa\":800,\"temperatureC\":20}\n");
        }

        JsonNode answer = door.lines(lines.toString()).json();

        assertThat(answer.get("accepted").asInt()).isEqualTo(40_000);
        assertThat(answer.get("rejectedTotal").asInt()).isEqualTo(260_000);
        assertThat(answer.get("rejected").size()).isEqualTo(1_000);
        assertThat(answer.at("/rejected/0/index").asInt()).isEqualTo(40_000);
        assertThat(answer.at("/rejected/0/message").asString()).contains("40000");
        // What is there already is a duplicate, however full the hour is; the next hour has room.
        JsonNode again = door.readings(array(List.of(
                        reading(busy.left(), Instant.ofEpochMilli(hour + 10), 800, 20),
                        reading(busy.left(), Instant.ofEpochMilli(hour + 399_999), 800, 20),
                        reading(busy.left(), Instant.ofEpochMilli(hour + 3_600_000), 800, 20))))
                .json();
        assertThat(again.get("duplicates").asInt()).isEqualTo(1);
        assertThat(again.get("rejectedTotal").asInt()).isEqualTo(1);
        assertThat(again.at("/rejected/0/index").asInt()).isEqualTo(1);
        assertThat(again.get("accepted").asInt()).isEqualTo(1);
        assertOthersGoOn();

        product.pass(Duration.ofHours(2));
        product.restart();
        door = product.door();
        assertOthersGoOn();
        JsonNode kept = door.get("/api/v1/vehicles/" + busy.ref() + "/wheels/1L/readings?limit=10000")
                .json();
        assertThat(kept.get("items").size()).isEqualTo(10_000);
    }

    /** The first readings of an hour are written, then its end; the rest comes between, each body before the last. */
    @Test
    void lateReadingsOfAFullHourDoNotHoldUpTheWriter() {
        Door.Truck busy = door.newTruck(NOW.minusSeconds(86_400));
        long hour = NOW.minusSeconds(6 * 3_600).toEpochMilli();
        List<String> readings = new ArrayList<>();
        readings.add(reading(busy.left(), Instant.ofEpochMilli(hour + 3_000_000), 800, 20));
        for (int i = 0; i < 39_000; i++) {
            readings.add("{\"sensor\":\"%s\",\"at\":%d,\"pressureKpa\":800,\"temperatureC\":20}"
                    .formatted(busy.left(), hour + i * 20L));
        }

        long begun = System.nanoTime();
        assertThat(door.readings(array(readings)).json().get("accepted").asInt())
                .isEqualTo(39_001);
        long inOrder = System.nanoTime() - begun;
        List<String> late = new ArrayList<>();
        for (int i = 0; i < 39_000; i++) {
            late.add("{\"sensor\":\"%s\",\"at\":%d,\"pressureKpa\":800,\"temperatureC\":20}"
                    .formatted(busy.left(), hour + i * 20L + 7));
        }
        begun = System.nanoTime();
        JsonNode answer = door.readings(array(late)).json();
        long tooLate = System.nanoTime() - begun;

        assertThat(answer.get("accepted").asInt()).isEqualTo(999);
        assertThat(answer.get("rejectedTotal").asInt()).isEqualTo(38_001);
        // By one look at the block for each of them it would be a minute of the writer's time and more, against a
        // second.
        assertThat(tooLate).isLessThan(10 * inOrder);
    }
}
