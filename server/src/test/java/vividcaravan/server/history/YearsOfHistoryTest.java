package vividcaravan.server.history;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipInputStream;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;
import vividcaravan.server.Patience;

/** Months pass: readings go after the retention, summaries stay, and what comes late finds its place. */
@Tag("long")
class YearsOfHistoryTest {

    private static final Instant BEGIN = Instant.parse("2026-01-05T00:00:00Z");

    @TempDir
    Path folder;

    private static final String FLEET =
            """
            { "format": "vivid-caravan-fleet", "version": 1, "vehicles": [
              { "ref": "LM-21", "kind": "RIGID_TRUCK", "axles": [
                  { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 800 } ],
                "sensors": [
                  { "position": "1L", "code": "%s", "fittedAt": "2026-01-01T00:00:00Z" },
                  { "position": "1R", "code": "%s", "fittedAt": "2026-01-01T00:00:00Z" } ] } ]%s }""";

    private static JsonNode items(OwnProduct product, String query) {
        return product.door()
                .get("/api/v1/vehicles/LM-21/wheels/1L/readings?" + query)
                .json()
                .get("items");
    }

    /** Two readings an hour from 6 to 8 o'clock, at a pressure that tells the day. */
    private static void drive(OwnProduct product, int day) {
        List<String> readings = new ArrayList<>();
        for (int half = 0; half < 4; half++) {
            Instant at = BEGIN.plus(Duration.ofDays(day)).plus(Duration.ofMinutes(360 + half * 30L));
            readings.add(reading("AA0001", at, 780 + day % 30 + half, 20));
            readings.add(reading("AA0002", at, 790, 20));
        }
        assertThat(product.door()
                        .readings(array(readings))
                        .json()
                        .get("accepted")
                        .asInt())
                .isEqualTo(8);
    }

    private static List<Long> weeks(OwnProduct product) {
        try (StatelessSession session = product.bean(SessionFactory.class).openStatelessSession()) {
            return session
                    .createNativeQuery(
                            "select table_name from information_schema.tables where table_name like 'READING\\_BLOCK\\_W%'",
                            String.class)
                    .getResultList()
                    .stream()
                    .map(name -> Long.parseLong(name.replaceAll("\\D+", "")))
                    .sorted()
                    .toList();
        }
    }

    @Test
    void readingsGoAfterTheRetentionAndSummariesStayForGood() throws InterruptedException {
        Instant morning = BEGIN.plus(Duration.ofHours(9));
        try (OwnProduct product = OwnProduct.in(folder, morning, "--vivid.retention-days=12")) {
            product.door().importFleet(FLEET.formatted("AA0001", "AA0002", ""));
            SummaryStore summaries = product.bean(SummaryStore.class);
            for (int day = 0; day < 40; day++) {
                drive(product, day);
                product.pass(Duration.ofDays(1));
                long yesterday = SummaryStore.day(product.now().toEpochMilli());
                Patience.until("the past is summed up", () -> summaries.writtenBefore() >= yesterday);
            }

            Patience.until("old weeks are gone", () -> weeks(product).size() <= 4);
            JsonNode raw = items(product, "from=2026-01-01T00:00:00Z&limit=10000");
            JsonNode days = items(product, "resolution=day&from=2026-01-01T00:00:00Z&limit=1000");
            JsonNode hours = items(product, "resolution=hour&from=2026-01-05T00:00:00Z&to=2026-01-06T00:00:00Z");

            // A week goes as a whole, so up to a week more than the retention is kept.
            assertThat(raw.size()).isBetween(12 * 4, 20 * 4);
            assertThat(product.door()
                            .get("/api/v1/logbook?kind=READINGS_LET_GO")
                            .json()
                            .get("items"))
                    .as("it is told that they go")
                    .isNotEmpty();
            assertThat(days.size()).isEqualTo(40);
            JsonNode first = days.get(0);
            assertThat(first.get("at").asString()).isEqualTo("2026-01-05T00:00:00Z");
            assertThat(first.get("pressureKpa").asDouble()).isEqualTo(781.5);
            assertThat(first.get("summary").get("minPressureKpa").asDouble()).isEqualTo(780);
            assertThat(first.get("summary").get("maxPressureKpa").asDouble()).isEqualTo(783);
            assertThat(first.get("summary").get("count").asInt()).isEqualTo(4);
            assertThat(hours.size()).isEqualTo(2);
            assertThat(hours.get(1).get("pressureKpa").asDouble()).isEqualTo(782.5);

            product.restart();

            assertThat(items(product, "resolution=day&from=2026-01-01T00:00:00Z&limit=1000"))
                    .isEqualTo(days);
        }
    }

    /** Dublin's clocks went back on 25 October 2026 [EU directive 2000/84/EC: the last Sunday of October]. */
    @ParameterizedTest(name = "{0}: the day of {1} has {2} hours")
    @CsvSource({
        "UTC, 2026-10-25T00:00:00Z, 24",
        "Europe/Dublin, 2026-10-24T23:00:00Z, 25",
        "Asia/Kolkata, 2026-10-24T18:30:00Z, 24",
        "Australia/Lord_Howe, 2026-10-24T13:00:00Z, 24",
    })
    void aDayIsOneByTheDepotsClock(String zone, String begins, int hours) {
        Instant now = Instant.parse("2026-10-28T09:00:00Z");
        try (OwnProduct product = OwnProduct.in(folder, now)) {
            String depot = ", \"depots\": [ { \"name\": \"Yard\", \"timeZone\": \"" + zone + "\" } ]";
            Door.Answer in = product.door()
                    .importFleet(FLEET.formatted("AA0001", "AA0002", depot)
                            .replace("\"kind\"", "\"depot\": \"Yard\", \"kind\""));
            assertThat(in.status()).as(in.text()).isEqualTo(200);
            List<String> readings = new ArrayList<>();
            // In the middle of every hour by the world's clock.
            for (int hour = 0; hour < 96; hour++) {
                readings.add(
                        reading("AA0001", Instant.parse("2026-10-23T00:30:00Z").plus(Duration.ofHours(hour)), 800, 20));
            }
            product.door().readings(array(readings));

            JsonNode day = items(product, "resolution=day")
                    .valueStream()
                    .filter(one -> one.get("at").asString().equals(begins))
                    .findFirst()
                    .orElseThrow();

            assertThat(day.get("summary").get("count").asInt()).isEqualTo(hours);
        }
    }

    @Test
    void aLateReadingIsMergedIntoItsClosedHour() throws InterruptedException {
        try (OwnProduct product = OwnProduct.in(folder, BEGIN.plus(Duration.ofHours(9)))) {
            product.door().importFleet(FLEET.formatted("AA0001", "AA0002", ""));
            drive(product, 0);
            product.pass(Duration.ofDays(2));
            SummaryStore summaries = product.bean(SummaryStore.class);
            Patience.until(
                    "the past is summed up",
                    () -> summaries.writtenBefore() == SummaryStore.day(BEGIN.toEpochMilli()) + 2);

            product.door().readings(array(List.of(reading("AA0001", BEGIN.plusSeconds(6 * 3600 + 60), 700, 20))));
            JsonNode atOnce = items(product, "resolution=day&from=2026-01-05T00:00:00Z");
            product.restart();
            product.pass(Duration.ofHours(2));
            BlockStore blocks = product.bean(BlockStore.class);
            Patience.until("the past is summed up", () -> blocks.dirty().isEmpty());
            JsonNode afterwards = items(product, "resolution=day&from=2026-01-05T00:00:00Z");

            assertThat(atOnce.get(0).get("summary").get("count").asInt()).isEqualTo(5);
            assertThat(atOnce.get(0).get("summary").get("minPressureKpa").asDouble())
                    .isEqualTo(700);
            assertThat(afterwards).isEqualTo(atOnce);
            assertThat(items(product, "from=2026-01-05T00:00:00Z").size()).isEqualTo(5);
        }
    }

    @Test
    void anHourInWhichASensorWasMovedIsSplitBetweenTheWheels() throws InterruptedException {
        try (OwnProduct product = OwnProduct.in(folder, BEGIN.plus(Duration.ofHours(9)))) {
            Door door = product.door();
            door.importFleet(FLEET.formatted("AA0001", "AA0002", ""));
            drive(product, 0);
            product.pass(Duration.ofDays(2));
            SummaryStore summaries = product.bean(SummaryStore.class);
            Patience.until(
                    "the past is summed up",
                    () -> summaries.writtenBefore() == SummaryStore.day(BEGIN.toEpochMilli()) + 2);

            // Recorded two days later: the two were swapped at 06:15 of the first day.
            String swapped = FLEET.formatted("AA0002", "AA0001", ", \"onExisting\": \"update\"")
                    .replace("2026-01-01T00:00:00Z", "2026-01-05T06:15:00Z");
            assertThat(door.importFleet(swapped).status()).isEqualTo(200);
            JsonNode hours = items(product, "resolution=hour&from=2026-01-05T00:00:00Z");

            assertThat(hours.valueStream().map(h -> h.get("sensor").asString()))
                    .containsExactly("AA0001", "AA0002", "AA0002");
            assertThat(hours.valueStream()
                            .map(h -> h.get("summary").get("count").asInt()))
                    .containsExactly(1, 1, 2);
        }
    }

    @Test
    void aDatabaseOfTheFirstReleasedSchemaIsTakenOver() throws IOException, InterruptedException {
        try (InputStream released = getClass().getResourceAsStream("/released/schema-001.zip");
                ZipInputStream zip = new ZipInputStream(released)) {
            zip.getNextEntry();
            Files.copy(zip, folder.resolve("vivid-caravan.mv.db"));
        }
        // It was made on 25 November 2026: 240 readings of four sensors, half of them in blocks, half in the journal.
        Instant then = Instant.parse("2026-11-25T03:10:00Z");
        try (OwnProduct product = OwnProduct.in(folder, then)) {
            String wheel = "/api/v1/vehicles/GX-05/wheels/2LO/readings";
            JsonNode raw = product.door()
                    .get(wheel + "?from=2026-11-20T00:00:00Z")
                    .json()
                    .get("items");
            SummaryStore summaries = product.bean(SummaryStore.class);
            Patience.until(
                    "the past is summed up", () -> summaries.writtenBefore() == SummaryStore.day(then.toEpochMilli()));
            JsonNode days = product.door()
                    .get(wheel + "?resolution=day&from=2026-11-20T00:00:00Z")
                    .json()
                    .get("items");

            assertThat(raw.size()).isEqualTo(240);
            assertThat(raw.get(239).get("pressureKpa").asDouble())
                    .isCloseTo(780 - 239 * 0.7, org.assertj.core.data.Offset.offset(1e-6));
            assertThat(days.size()).isEqualTo(1);
            assertThat(days.get(0).get("summary").get("count").asInt()).isEqualTo(240);
            assertThat(product.door().alertsOf("GX-05")).singleElement().satisfies(alert -> assertThat(
                            alert.get("urgency").asString())
                    .isEqualTo("STOP_NOW"));
            assertThat(product.door().get("/api/v1/fleet-export").text()).contains("\"High Tarn\"", "\"A10004\"");
        }
    }
}
