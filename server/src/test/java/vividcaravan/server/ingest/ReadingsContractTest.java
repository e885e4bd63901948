package vividcaravan.server.ingest;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Readings in, line by line of the integration contract. */
class ReadingsContractTest extends ReadingsOfATruck {

    @Test
    void countsWhatBecameOfEachReading() {
        Door.Answer answer = door.readings(array(List.of(
                reading(truck.left(), now.minusSeconds(60), 800, 20),
                reading(truck.left(), now.minusSeconds(60), 700, 30),
                reading("FEDCBA99", now, 800, 20),
                reading(truck.left(), now, 2001, 20),
                reading(truck.right(), now, 801, 21))));

        assertThat(answer.status()).isEqualTo(200);
        assertCounts(answer.json(), 2, 1, 1, 1);
        assertThat(answer.json().get("rejected").get(0).get("index").asInt()).isEqualTo(3);
        assertThat(answer.json().get("rejected").get(0).get("message").asString())
                .contains("pressureKpa");
        assertThat(stored("1L")).hasSize(1);
        assertThat(stored("1L").get(0).get("pressureKpa").asDouble()).isEqualTo(800);
    }

    @Test
    void takesOneReadingALineWithBlankLinesBetween() {
        String lines = reading(truck.left(), now.minusSeconds(3), 800, 20)
                + "\r\n\n  \n"
                + reading(truck.left(), now.minusSeconds(2), 800, 20)
                + "\n{\"sensor\":\"" + truck.left() + "\"}\n"
                + reading(truck.left(), now.minusSeconds(1), 800, 20);

        Door.Answer answer = door.lines(lines);

        assertCounts(answer.json(), 3, 0, 0, 1);
        assertThat(answer.json().get("rejected").get(0).get("index").asInt()).isEqualTo(2);
    }

    @Test
    void comparesCodesInUpperCase() {
        assertCounts(
                door.readings(array(List.of(reading(truck.left().toLowerCase(), now, 800, 20))))
                        .json(),
                1,
                0,
                0,
                0);
    }

    @Test
    void keepsEveryMillisecondEveryThousandthAndWhatElseWasSaid() {
        Instant at = now.minusSeconds(5).truncatedTo(ChronoUnit.SECONDS).plusMillis(7);
        door.readings(
                """
                [{"sensor":"%s","at":%d,"pressureKpa":799.125,"temperatureC":-3.25,
                  "batteryMv":2980,"rssiDbm":-81,"moving":true}]"""
                        .formatted(truck.left(), at.toEpochMilli()));

        JsonNode item = stored("1L").get(0);

        assertThat(Instant.parse(item.get("at").asString())).isEqualTo(at);
        assertThat(item.get("pressureKpa").asDouble()).isEqualTo(799.125);
        assertThat(item.get("temperatureC").asDouble()).isEqualTo(-3.25);
        // (799.125 + 101.325)·293.15/269.9 − 101.325 = 876.694, computed by hand; a tenth is what it means.
        assertThat(item.get("pressureAt20Kpa").asDouble()).isEqualTo(876.7);
        assertThat(item.get("sensor").asString()).isEqualTo(truck.left());
    }

    @Test
    void aTimeMayHaveAnOffset() {
        String body =
                "[{\"sensor\":\"%s\",\"at\":\"2026-11-20T08:31:07.5+02:00\",\"pressureKpa\":800,\"temperatureC\":20}]"
                        .formatted(truck.left());

        assertCounts(door.readings(body).json(), 1, 0, 0, 0);
        assertThat(stored("1L").get(0).get("at").asString()).isEqualTo("2026-11-20T06:31:07.500Z");
    }

    static List<String> unacceptable() {
        return List.of(
                "\"sensor\":null",
                "\"sensor\":123456",
                "\"sensor\":\"12345\"",
                "\"sensor\":\"123456789\"",
                "\"sensor\":\"12345G\"",
                "\"sensor\":[\"A1B2C3\"]",
                "\"at\":null",
                "\"at\":\"yesterday\"",
                "\"at\":\"2026-02-30T00:00:00Z\"",
                "\"at\":\"2026-11-20T06:31:07\"",
                "\"at\":1.5e12",
                "\"at\":-1",
                "\"at\":99999999999999999999",
                "\"at\":true",
                "\"pressureKpa\":\"800\"",
                "\"pressureKpa\":true",
                "\"pressureKpa\":NaN",
                "\"pressureKpa\":Infinity",
                "\"pressureKpa\":1e999",
                "\"pressureKpa\":-10.001",
                "\"pressureKpa\":2000.001",
                "\"pressureKpa\":{}",
                "\"temperatureC\":-60.001",
                "\"temperatureC\":200.001",
                "\"temperatureC\":-Infinity",
                "\"temperatureC\":[[[]]]",
                "\"batteryMv\":\"low\"",
                "\"batteryMv\":-1",
                "\"rssiDbm\":{}",
                "\"moving\":1",
                "\"moving\":\"yes\"",
                "\"pressureKpa\":" + "9".repeat(5000),
                "\"sensor\":" + "[".repeat(5000) + "]".repeat(5000));
    }

    private String with(String field) {
        String name = field.substring(1, field.indexOf('"', 1));
        List<String> fields = new ArrayList<>(List.of(
                "\"sensor\":\"" + truck.left() + "\"",
                "\"at\":\"" + now + "\"",
                "\"pressureKpa\":800",
                "\"temperatureC\":20"));
        fields.removeIf(other -> other.startsWith("\"" + name + "\""));
        fields.add(field);
        return "{" + String.join(",", fields) + "}";
    }

    @ParameterizedTest
    @MethodSource("unacceptable")
    void aBadReadingIsRejectedByNameAndNeverSpoilsItsNeighbours(String field) {
        String before = reading(truck.left(), now.minusSeconds(2), 800, 20);
        String after = reading(truck.left(), now.minusSeconds(1), 800, 20);
        String name = field.substring(1, field.indexOf('"', 1));

        Door.Answer asArray = door.readings("[" + before + "," + with(field) + "," + after + "]");
        Door.Answer asLines = door.lines(before + "\n" + with(field) + "\n" + after + "\n");

        assertThat(asArray.status()).isEqualTo(200);
        assertCounts(asArray.json(), 2, 0, 0, 1);
        JsonNode rejected = asArray.json().get("rejected").get(0);
        assertThat(rejected.get("index").asInt()).isEqualTo(1);
        assertThat(rejected.get("message").asString()).contains(name);
        assertThat(asLines.status()).isEqualTo(200);
        assertCounts(asLines.json(), 0, 2, 0, 1);
    }

    @ParameterizedTest
    @ValueSource(strings = {"sensor", "at", "pressureKpa", "temperatureC"})
    void aMissingFieldIsNamed(String name) {
        String whole = reading(truck.left(), now, 800, 20);
        String without = whole.replaceFirst("\"" + name + "\":[^,}]*,?", "").replace(",}", "}");

        JsonNode answer = door.readings("[" + without + "]").json();

        assertCounts(answer, 0, 0, 0, 1);
        assertThat(answer.get("rejected").get(0).get("message").asString()).contains("\"" + name + "\" is missing");
    }

    @ParameterizedTest
    @ValueSource(strings = {"-10", "2000", "0", "799.5"})
    void theEndsOfTheRangeAreAccepted(String kpa) {
        String body = "[{\"sensor\":\"%s\",\"at\":\"%s\",\"pressureKpa\":%s,\"temperatureC\":-60}]"
                .formatted(truck.left(), now, kpa);

        assertCounts(door.readings(body).json(), 1, 0, 0, 0);
    }

    @Test
    void nullMeansThatTheSensorReportedAFault() {
        List<String> faults = IntStream.range(0, 3)
                .mapToObj(i -> "{\"sensor\":\"%s\",\"at\":\"%s\",\"pressureKpa\":null,\"temperatureC\":null}"
                        .formatted(truck.left(), now.minusSeconds(120 - 30L * i)))
                .toList();

        assertCounts(door.readings(array(faults)).json(), 3, 0, 0, 0);
        assertThat(stored("1L").get(0).get("pressureKpa").isNull()).isTrue();
        assertThat(door.alertsOf(truck.ref()).get(0).get("kind").asString()).isEqualTo("SENSOR_FAULT");
    }

    @Test
    void whatIsAcceptedIsJudgedBeforeTheAnswer() {
        door.readings(array(List.of(
                reading(truck.left(), now.minusSeconds(120), 600, 20),
                reading(truck.left(), now.minusSeconds(60), 600, 20))));

        JsonNode alert = door.alertsOf(truck.ref()).get(0);

        assertThat(alert.get("urgency").asString()).isEqualTo("STOP_NOW");
        assertThat(Instant.parse(alert.get("openedAt").asString())).isEqualTo(now.minusSeconds(60));
    }

    @Test
    void eachRequestIsJudgedByTimeWhateverItsOrder() {
        List<String> falling = new ArrayList<>();
        for (int minute = 60; minute >= 0; minute--) {
            falling.add(reading(truck.left(), now.minusSeconds(minute * 60L), 620 + minute * 3, 20));
        }
        Collections.shuffle(falling, new java.util.Random(5));

        door.readings(array(falling));

        List<String> urgencies = door.alertsOf(truck.ref())
                .get(0)
                .get("history")
                .valueStream()
                .map(step -> step.get("urgency").asString())
                .toList();
        assertThat(urgencies).containsExactly("BEFORE_NEXT_TRIP", "NEXT_STOP", "STOP_NOW");
    }

    @Test
    void anOlderReadingIsKeptInItsPlaceAndChangesNothingMore() {
        door.readings(array(List.of(reading(truck.left(), now, 800, 20))));

        Door.Answer late = door.readings(array(List.of(
                reading(truck.left(), now.minusSeconds(120), 300, 20),
                reading(truck.left(), now.minusSeconds(60), 300, 20))));

        assertCounts(late.json(), 2, 0, 0, 0);
        assertThat(stored("1L").stream().map(item -> item.get("pressureKpa").asDouble()))
                .containsExactly(300.0, 300.0, 800.0);
        assertThat(door.alertsOf(truck.ref())).isEmpty();
    }

    @Test
    void aReadingFromTheFutureIsRejectedAndTheClockIsShownAsWrong() {
        Door.Answer soon = door.readings(array(List.of(reading(truck.left(), now.plusSeconds(90), 800, 20))));
        Door.Answer later = door.readings(array(List.of(reading(truck.right(), now.plusSeconds(200), 800, 20))));

        assertCounts(soon.json(), 1, 0, 0, 0);
        assertCounts(later.json(), 0, 0, 0, 1);
        assertThat(later.json().get("rejected").get(0).get("message").asString())
                .contains("future");
        JsonNode wheels = door.get("/api/v1/vehicles/" + truck.ref()).json().get("wheels");
        assertThat(wheels.get(0).get("isClockWrong").asBoolean()).isFalse();
        assertThat(wheels.get(1).get("isClockWrong").asBoolean()).isTrue();
    }

    @Test
    void aReadingOlderThanTheRetentionIsRejected() {
        Door.Answer answer =
                door.readings(array(List.of(reading(truck.left(), now.minus(Duration.ofDays(91)), 800, 20))));

        assertCounts(answer.json(), 0, 0, 0, 1);
        assertThat(answer.json().get("rejected").get(0).get("message").asString())
                .contains("90 days");
    }

    @Test
    void aReadingBeforeTheFittingIsKeptAndNotJudged() {
        truck = door.newTruck(now.minus(Duration.ofDays(1)));

        Door.Answer answer = door.readings(array(List.of(
                reading(truck.left(), now.minus(Duration.ofDays(2)), 300, 20),
                reading(truck.left(), now.minus(Duration.ofDays(2)).plusSeconds(60), 300, 20))));

        assertCounts(answer.json(), 2, 0, 0, 0);
        assertThat(door.alertsOf(truck.ref())).isEmpty();
        assertThat(stored("1L")).isEmpty();
        assertCounts(
                door.readings(array(List.of(reading(truck.left(), now.minus(Duration.ofDays(2)), 1, 1))))
                        .json(),
                0,
                1,
                0,
                0);
    }

    @Test
    void oneFieldGivenTwiceIsAMistake() {
        String twice = "[{\"sensor\":\"%s\",\"at\":\"%s\",\"pressureKpa\":800,\"pressureKpa\":300,\"temperatureC\":20}]"
                .formatted(truck.left(), now);

        assertThat(door.readings(twice)
                        .json()
                        .get("rejected")
                        .get(0)
                        .get("message")
                        .asString())
                .contains("given twice");
    }

    @Test
    void anUnknownCodeIsKeptAsAStranger() {
        String code = "FACADE";

        door.readings(array(
                List.of(reading(code, now.minusSeconds(60), 640, 20), reading(code.toLowerCase(), now, 650, 21))));

        Object[] stranger;
        try (StatelessSession session =
                RunningProduct.bean(SessionFactory.class).openStatelessSession()) {
            stranger = session.createNativeQuery(
                            "select readings, pressure_kpa from stranger where code = :code", Object[].class)
                    .setParameter("code", code)
                    .getSingleResult();
        }
        assertThat(stranger).containsExactly(2L, 650.0);
    }
}
