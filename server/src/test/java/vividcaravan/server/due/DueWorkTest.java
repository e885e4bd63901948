package vividcaravan.server.due;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.onTheRoad;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** Work that comes due, from whatever it comes, as a list, as a table and for a calendar. */
class DueWorkTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");
    private static final String TRUCK =
            """
            { "ref": "=LM-32", "kind": "RIGID_TRUCK", "depot": "High Tarn", "axles": [
                { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 800 } ],
              "sensors": [ { "position": "1L", "code": "D00001", "fittedAt": "2026-10-01T00:00:00Z" } ] }""";

    @TempDir
    Path folder;

    private OwnProduct product;
    private Door door;

    @BeforeEach
    void start() {
        product = OwnProduct.in(folder, NOW);
        door = product.door();
        String depot =
                "\"depots\": [ { \"name\": \"High Tarn\", \"timeZone\": \"Pacific/Auckland\", \"altitudeM\": 620 } ],";
        assertThat(door.importFleet(Door.document(TRUCK, depot)).status()).isEqualTo(200);
    }

    @AfterEach
    void stop() {
        product.close();
    }

    private static String step(String from, String to) {
        return "{ \"vehicle\": \"=LM-32\", \"position\": \"%s\", \"to\": { \"vehicle\": \"=LM-32\", \"position\": \"%s\" } }"
                .formatted(from, to);
    }

    private void moveAndWearAndRunSoft() {
        Door.Answer moved = door.postJson(
                "/api/v1/wheel-moves", "{ \"steps\": [" + step("1L", "1R") + "," + step("1R", "1L") + "] }");
        assertThat(moved.status()).as(moved.text()).isEqualTo(201);
        String tyre = moved.json().at("/steps/0/tyre").asString();
        for (String read :
                List.of("{ \"points\": [ 6.2 ], \"at\": \"2026-09-01T00:00:00Z\" }", "{ \"points\": [ 5.2, 5.8 ] }")) {
            door.postJson("/api/v1/tyres/" + tyre + "/treads", read);
        }
        product.pass(Duration.ofHours(1));
        Instant from = product.now().minusSeconds(900);
        door.readings(array(IntStream.range(0, 15)
                .mapToObj(minute -> onTheRoad("D00001", from.plusSeconds(minute * 60L), 600, 20))
                .toList()));
    }

    private JsonNode items() {
        return door.get("/api/v1/due-work").json().get("items");
    }

    @Test
    void nutsInspectionsAndTreadsAreOneListInTheOrderOfTheirDays() {
        assertThat(items()).isEmpty();

        moveAndWearAndRunSoft();

        assertThat(items())
                .extracting(item ->
                        item.get("kind").asString() + " " + item.get("thing").asString())
                .containsExactly("INSPECTION =LM-32 1R", "RETORQUE =LM-32", "TREAD =LM-32 1R");
        assertThat(items().get(0).get("isOverdue").asBoolean()).isTrue();
        assertThat(items().get(1).get("dueAt").asString()).isEqualTo("2026-11-21T06:00:00Z");
        assertThat(items().get(2).get("depot").asString()).isEqualTo("High Tarn");
    }

    @Test
    void cellsOfADepotAreChangedInOneVisitBeforeTheyEnd() {
        product.pass(Duration.ofHours(5));
        Instant from = product.now().minus(Duration.ofHours(5));
        door.readings(array(IntStream.range(0, 290)
                .mapToObj(minute -> "{ \"sensor\": \"D00001\", \"at\": \"%s\", \"pressureKpa\": 800,"
                                .formatted(from.plusSeconds(minute * 60L))
                        + " \"temperatureC\": 25, \"batteryMv\": 2650 }")
                .toList()));

        JsonNode visit = door.get("/api/v1/battery-visits").json().at("/items/0");
        assertThat(visit.get("depot").asString()).isEqualTo("High Tarn");
        JsonNode cell = visit.at("/cells/0");
        assertThat(cell.get("sensor").asString()).isEqualTo("D00001");
        assertThat(cell.get("warmMv").asInt()).isEqualTo(2_650);
        assertThat(cell.get("basis").asString()).contains("gives little when warm");
        // Half of the way from where a cell begins to fall to its end, of nine months: two to seven from now.
        assertThat(cell.get("earliest").asString()).startsWith("2027-01");
        assertThat(cell.get("latest").asString()).startsWith("2027-06");
        assertThat(visit.get("on").asString()).startsWith("2027-01");
        assertThat(items())
                .extracting(item ->
                        item.get("kind").asString() + " " + item.get("words").asString())
                .singleElement()
                .asString()
                .startsWith("BATTERY Change the cells of 1L");
        Door.Answer table = door.get("/api/v1/battery-visits.csv");
        assertThat(table.text()).contains(",'=LM-32,1L,D00001,2650,");
        product.restart();
        assertThat(product.door()
                        .get("/api/v1/battery-visits")
                        .json()
                        .at("/items/0/cells/0/warmMv")
                        .asInt())
                .isEqualTo(2_650);
    }

    @Test
    void theTableHasNoFormulas() {
        moveAndWearAndRunSoft();

        Door.Answer table = door.get("/api/v1/due-work.csv");

        assertThat(table.contentType()).startsWith("text/csv");
        assertThat(table.text().lines().skip(1)).hasSize(3).allMatch(line -> line.contains(",'=LM-32"));
    }

    /** What RFC 5545 asks of a calendar: section 3.6 of its begin and end, 3.1 of its lines, 3.8.7.2 and 3.8.4.7 of an event. */
    @Test
    void aCalendarTakesItBySecretLinkWithWholeDaysOfTheDepotUntilTheLinkIsEnded() {
        moveAndWearAndRunSoft();
        JsonNode token = door.postJson("/api/v1/tokens", "{ \"name\": \"wall calendar\", \"scope\": \"CALENDAR\" }")
                .json();
        Door stranger = door.withToken(null);
        String path = "/api/v1/calendars/" + token.get("secret").asString();

        Door.Answer feed = stranger.get(path);

        assertThat(feed.status()).isEqualTo(200);
        assertThat(feed.contentType()).startsWith("text/calendar");
        assertThat(feed.text()).startsWith("BEGIN:VCALENDAR\r\n").endsWith("END:VCALENDAR\r\n");
        assertThat(feed.text().split("\r\n")).allMatch(line -> line.getBytes().length <= 75);
        assertThat(feed.text().split("BEGIN:VEVENT")).hasSize(4);
        // Six in the morning of the 21st at Greenwich is the evening of that day in Auckland; what is overdue stands on
        // today.
        assertThat(feed.text())
                .contains("UID:RETORQUE.-LM-32@vivid-caravan")
                .contains("DTSTART;VALUE=DATE:20261121\r\n")
                .contains("DTSTART;VALUE=DATE:20261120\r\n")
                .contains("SUMMARY:=LM-32: wheel nuts")
                .contains("DTSTAMP:");
        assertThat(stranger.get("/api/v1/calendars/vc_guessed").status()).isEqualTo(404);
        assertThat(door.withToken(token.get("secret").asString())
                        .get("/api/v1/due-work")
                        .status())
                .isEqualTo(403);

        door.send("DELETE", "/api/v1/tokens/" + token.at("/token/id").asString(), new byte[0], Map.of());

        assertThat(stranger.get(path).status()).isEqualTo(404);
    }
}
