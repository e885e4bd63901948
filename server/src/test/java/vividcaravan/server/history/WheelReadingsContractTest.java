package vividcaravan.server.history;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Readings out, line by line of the integration contract. */
@ExtendWith(RunningProduct.class)
class WheelReadingsContractTest {

    private final Door door = RunningProduct.door();
    private Door.Truck truck;
    private Instant begin;
    private String path;

    @BeforeEach
    void threeHoursOfReadings() {
        truck = door.newTruck();
        path = "/api/v1/vehicles/" + truck.ref() + "/wheels/1L/readings";
        begin = Instant.now().minus(Duration.ofHours(5)).truncatedTo(ChronoUnit.HOURS);
        List<String> readings = new ArrayList<>();
        for (int minute = 0; minute < 180; minute++) {
            readings.add(reading(truck.left(), begin.plusSeconds(minute * 60L), 800 + minute % 60, 20));
        }
        door.readings(array(readings));
    }

    @Test
    void comeOldestFirstWithBothPressures() {
        JsonNode items = door.get(path).json().get("items");

        assertThat(items.size()).isEqualTo(180);
        assertThat(items.get(0).get("at").asString()).isEqualTo(begin.toString());
        assertThat(items.get(179).get("pressureAt20Kpa").asDouble()).isEqualTo(859);
    }

    /** One value at the end of the scale between two good ones is shown, said to be doubtful, and raises nothing. */
    @Test
    void aValueThatNoNeighbourBearsOutIsShownAsDoubtful() {
        Instant wrong = begin.plusSeconds(90 * 60L + 30);
        door.readings(array(List.of(reading(truck.right(), begin.plusSeconds(60), 800, 20))));
        List<String> more = new ArrayList<>();
        for (int minute = 2; minute < 100; minute++) {
            more.add(reading(truck.right(), begin.plusSeconds(minute * 60L), 800, 20));
        }
        more.add(reading(truck.right(), wrong, 1400, 20));
        door.readings(array(more));

        String right = path.replace("/1L/", "/1R/");
        JsonNode items = door.get(right).json().get("items");

        assertThat(items.valueStream().filter(item -> item.has("doubtful")).toList())
                .singleElement()
                .satisfies(item -> {
                    assertThat(item.get("at").asString()).isEqualTo(wrong.toString());
                    assertThat(item.get("pressureKpa").asDouble()).isEqualTo(1400);
                    assertThat(item.get("doubtful").asBoolean()).isTrue();
                });
        // A page that begins with it knows what it followed.
        assertThat(door.get(right + "?limit=1&from=" + wrong)
                        .json()
                        .at("/items/0/doubtful")
                        .asBoolean())
                .isTrue();
        assertThat(door.alertsOf(truck.ref())).isEmpty();
        JsonNode chart = door.get(right.replace("/readings", "/chart")).json();
        assertThat(chart.at("/doubtful/0/at").asString()).isEqualTo(wrong.toString());
        assertThat(chart.get("points").valueStream().map(point -> point.get("pressureKpa")
                        .asDouble()))
                .hasSize(99)
                .allMatch(kpa -> kpa < 900);
    }

    @Test
    void fromIsInclusiveAndToIsExclusive() {
        JsonNode items = door.get(path + "?from=" + begin.plusSeconds(60) + "&to=" + begin.plusSeconds(180))
                .json()
                .get("items");

        assertThat(items.valueStream().map(item -> item.get("at").asString()))
                .containsExactly(
                        begin.plusSeconds(60).toString(), begin.plusSeconds(120).toString());
    }

    @Test
    void pagesGoOnWhereTheLastOneEnded() {
        List<String> seen = new ArrayList<>();
        String cursor = "";
        int pages = 0;
        while (cursor != null) {
            JsonNode page = door.get(path + "?limit=50" + cursor).json();
            page.get("items").forEach(item -> seen.add(item.get("at").asString()));
            cursor = page.get("nextCursor").isNull()
                    ? null
                    : "&cursor=" + page.get("nextCursor").asString();
            pages++;
        }

        assertThat(pages).isEqualTo(4);
        assertThat(seen).hasSize(180).doesNotHaveDuplicates().isSorted();
    }

    /** An hour in which the sensor was changed has two summaries, and a page may end between them. */
    @ParameterizedTest
    @ValueSource(strings = {"hour", "day"})
    void pagesOfSummariesRepeatAndLoseNothingWhereTheSensorWasChanged(String resolution) {
        String second = Door.newCode();
        Instant changed = begin.plusSeconds(90 * 60);
        Door.Answer answer = door.importFleet(Door.document(
                """
                { "ref": "%s", "kind": "RIGID_TRUCK", "axles": [
                    { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 800 } ],
                  "sensors": [ { "position": "1L", "code": "%s", "fittedAt": "%s" } ] }"""
                        .formatted(truck.ref(), second, changed),
                "\"onExisting\": \"update\","));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        List<String> readings = new ArrayList<>();
        for (int minute = 90; minute < 180; minute++) {
            readings.add(reading(second, begin.plusSeconds(minute * 60L), 790, 20));
        }
        door.readings(array(readings));
        String all =
                door.get(path + "?resolution=" + resolution).json().get("items").toString();

        List<String> seen = new ArrayList<>();
        String cursor = "";
        while (cursor != null) {
            JsonNode page = door.get(path + "?resolution=" + resolution + "&limit=1" + cursor)
                    .json();
            page.get("items").forEach(item -> seen.add(item.toString()));
            cursor = page.get("nextCursor").isNull()
                    ? null
                    : "&cursor=" + page.get("nextCursor").asString();
        }

        assertThat("[" + String.join(",", seen) + "]").isEqualTo(all);
        assertThat(all).contains(second).contains(truck.left());
    }

    @Test
    void hoursAndDaysAreSummaries() {
        JsonNode hours = door.get(path + "?resolution=hour").json().get("items");
        JsonNode days = door.get(path + "?resolution=day").json().get("items");

        assertThat(hours.size()).isEqualTo(3);
        JsonNode first = hours.get(0);
        assertThat(first.get("at").asString()).isEqualTo(begin.toString());
        // The mean of 800 to 859.
        assertThat(first.get("pressureKpa").asDouble()).isEqualTo(829.5);
        assertThat(first.get("summary").get("count").asInt()).isEqualTo(60);
        assertThat(first.get("summary").get("minPressureKpa").asDouble()).isEqualTo(800);
        assertThat(first.get("summary").get("maxPressureKpa").asDouble()).isEqualTo(859);
        assertThat(days.valueStream()
                        .mapToInt(day -> day.get("summary").get("count").asInt())
                        .sum())
                .isEqualTo(180);
    }

    @Test
    void aLateReadingIsSummarisedInItsPlace() {
        door.readings(array(List.of(reading(truck.left(), begin.plusSeconds(30), 1000, 20))));

        JsonNode first = door.get(path + "?resolution=hour").json().get("items").get(0);

        assertThat(first.get("summary").get("count").asInt()).isEqualTo(61);
        assertThat(first.get("summary").get("maxPressureKpa").asDouble()).isEqualTo(1000);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "from=then",
                "to=now",
                "limit=0",
                "limit=10001",
                "resolution=minute",
                "cursor=%25",
                "cursor=AAAA",
                "from=2026-11-21T00:00:00Z&to=2026-11-20T00:00:00Z"
            })
    void aBadQuestionIsAProblem(String query) {
        assertThat(door.get(path + "?" + query).status()).isEqualTo(400);
    }

    @Test
    void anUnknownWheelIsNotFoundAndTheOthersAreNamed() {
        Door.Answer answer = door.get("/api/v1/vehicles/" + truck.ref() + "/wheels/2LO/readings");

        assertThat(answer.status()).isEqualTo(404);
        assertThat(answer.json().get("detail").asString()).contains("1L, 1R");
        assertThat(door.get("/api/v1/vehicles/NOBODY/wheels/1L/readings").status())
                .isEqualTo(404);
    }

    @Test
    void aTimeWayOutIsAnswered() {
        assertThat(door.get(path + "?from=0001-01-01T00:00:00Z&to=9999-01-01T00:00:00Z")
                        .json()
                        .get("items")
                        .size())
                .isEqualTo(180);
    }

    @Test
    void theChartHoldsTheWheelAgainstItsSiblings() {
        door.readings(array(List.of(reading(truck.right(), begin.plusSeconds(60), 780, 20))));

        JsonNode chart = door.get("/api/v1/vehicles/" + truck.ref() + "/wheels/1L/chart?hours=12")
                .json();

        assertThat(chart.get("points").size()).isEqualTo(180);
        assertThat(chart.get("siblingWheels").asInt()).isEqualTo(1);
        assertThat(chart.get("siblings").get(0).get("lowKpa").asDouble()).isEqualTo(780);
        assertThat(door.get("/api/v1/vehicles/" + truck.ref() + "/wheels/1L/chart?hours=0")
                        .status())
                .isEqualTo(400);
    }

    @Test
    void aLongChartIsMadeOfMeans() {
        JsonNode chart = door.get("/api/v1/vehicles/" + truck.ref() + "/wheels/1L/chart?hours=504")
                .json();

        assertThat(chart.get("points").size()).isEqualTo(3);
        assertThat(chart.get("points").get(0).get("pressureKpa").asDouble()).isEqualTo(829.5);
        assertThat(chart.get("points").get(0).get("at").asString())
                .isEqualTo(begin.plusSeconds(1_800).toString());
    }

    @Test
    void aFallingPressureHasAnOutlookAndASteadyOneHasNone() {
        Door.Truck other = door.newTruck();
        Instant start = Instant.now().minus(Duration.ofHours(2)).truncatedTo(ChronoUnit.SECONDS);
        List<String> readings = new ArrayList<>();
        for (int minute = 0; minute < 120; minute++) {
            Instant at = start.plusSeconds(minute * 60L);
            readings.add(reading(other.left(), at, 790 - minute * 0.2, 20));
            readings.add(reading(other.right(), at, 790 + minute % 2, 20));
        }
        door.readings(array(readings));

        JsonNode falling = door.get("/api/v1/vehicles/" + other.ref() + "/wheels/1L/chart?hours=12")
                .json()
                .get("forecast");

        assertThat(falling.get("kpaPerHour").asDouble()).isEqualTo(-12);
        assertThat(falling.get("criticalKpa").asDouble()).isEqualTo(640);
        // From 790 kPa at 12 kPa an hour: 12.5 h after the start.
        assertThat(Duration.between(
                                start.plus(Duration.ofMinutes(750)),
                                Instant.parse(falling.get("criticalAt").asString()))
                        .abs())
                .isLessThan(Duration.ofMinutes(2));
        assertThat(falling.get("earliestAt").asString())
                .isLessThan(falling.get("criticalAt").asString());
        assertThat(door.get("/api/v1/vehicles/" + other.ref() + "/wheels/1R/chart?hours=12")
                        .json()
                        .get("forecast")
                        .isNull())
                .isTrue();
    }
}
