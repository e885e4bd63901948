package vividcaravan.server.alerts;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.onTheRoad;
import static vividcaravan.server.Door.reading;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Alerts out, line by line of the integration contract, and what people do to them. */
@ExtendWith(RunningProduct.class)
class AlertsContractTest {

    private final Door door = RunningProduct.door();
    private Door.Truck truck;
    private Instant begin;

    @BeforeEach
    void newTruck() {
        truck = door.newTruck();
        begin = Instant.now().minusSeconds(3_600).truncatedTo(ChronoUnit.SECONDS);
    }

    private void steady(String sensor, int fromMinute, int count, double kpa) {
        door.readings(array(IntStream.range(fromMinute, fromMinute + count)
                .mapToObj(minute -> reading(sensor, begin.plusSeconds(minute * 60L), kpa, 20))
                .toList()));
    }

    private void driven(String sensor, int fromMinute, int count, double kpa) {
        door.readings(array(IntStream.range(fromMinute, fromMinute + count)
                .mapToObj(minute -> onTheRoad(sensor, begin.plusSeconds(minute * 60L), kpa, 20))
                .toList()));
    }

    private JsonNode only() {
        List<JsonNode> alerts = door.alertsOf(truck.ref());
        assertThat(alerts).hasSize(1);
        return alerts.get(0);
    }

    private Door.Answer act(String id, String what, String body) {
        return door.postJson("/api/v1/alerts/" + id + "/" + what, body);
    }

    private List<String> listed(String query) {
        return door.get("/api/v1/alerts?vehicle=" + truck.ref() + query)
                .json()
                .get("items")
                .valueStream()
                .map(item -> item.get("id").asString())
                .toList();
    }

    @Test
    void hasTheDocumentedShape() {
        steady(truck.left(), 0, 4, 700);

        JsonNode alert = only();

        assertThat(alert.get("id").isString()).isTrue();
        assertThat(alert.get("vehicle").asString()).isEqualTo(truck.ref());
        assertThat(alert.get("position").asString()).isEqualTo("1L");
        assertThat(alert.get("kind").asString()).isEqualTo("UNDER_PRESSURE");
        assertThat(alert.get("urgency").asString()).isEqualTo("BEFORE_NEXT_TRIP");
        assertThat(alert.get("state").asString()).isEqualTo("NEW");
        assertThat(Instant.parse(alert.get("openedAt").asString())).isEqualTo(begin.plusSeconds(120));
        assertThat(alert.get("closedAt").isNull()).isTrue();
        assertThat(alert.get("history").get(0).get("at").asString())
                .isEqualTo(alert.get("openedAt").asString());
        assertThat(alert.get("summary").asString()).contains(truck.ref());
        assertThat(alert.get("advice").asString()).isNotBlank();
        assertThat(alert.get("pressureKpa").asDouble()).isEqualTo(700);
        assertThat(alert.get("pressureAt20Kpa").asDouble()).isEqualTo(700);
        assertThat(alert.get("temperatureC").asDouble()).isEqualTo(20);
        assertThat(alert.has("minutesToCritical")).isTrue();
    }

    @Test
    void isOpenUntilItIsClosed() {
        steady(truck.left(), 0, 4, 700);
        String id = only().get("id").asString();
        assertThat(listed("")).containsExactly(id);
        assertThat(listed("&state=open")).containsExactly(id);
        assertThat(listed("&state=closed")).isEmpty();

        steady(truck.left(), 4, 20, 800);

        assertThat(only().get("state").asString()).isEqualTo("CLOSED");
        assertThat(only().get("closedAt").isNull()).isFalse();
        assertThat(listed("")).isEmpty();
        assertThat(listed("&state=closed")).containsExactly(id);
        assertThat(listed("&state=all")).containsExactly(id);
    }

    @Test
    void sinceIsAboutTheLastChange() {
        steady(truck.left(), 0, 4, 700);
        RunningProduct.pass(Duration.ofMillis(5));
        Instant between = RunningProduct.now();
        RunningProduct.pass(Duration.ofMillis(5));
        steady(truck.right(), 0, 4, 700);

        assertThat(door.get("/api/v1/alerts?since=" + between + "&vehicle=" + truck.ref())
                        .json()
                        .get("items")
                        .valueStream()
                        .map(item -> item.get("position").asString()))
                .containsExactly("1R");
    }

    @Test
    void pagesWithAUrlSafeCursor() {
        steady(truck.left(), 0, 4, 700);
        steady(truck.right(), 0, 4, 700);

        JsonNode first =
                door.get("/api/v1/alerts?limit=1&vehicle=" + truck.ref()).json();
        String cursor = first.get("nextCursor").asString();
        JsonNode second = door.get("/api/v1/alerts?limit=1&vehicle=" + truck.ref() + "&cursor=" + cursor)
                .json();

        assertThat(cursor).matches("[A-Za-z0-9_-]+");
        assertThat(second.get("items").get(0).get("id").asString())
                .isNotEqualTo(first.get("items").get(0).get("id").asString());
        assertThat(second.get("nextCursor").isNull()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "state=new",
                "state=",
                "since=yesterday",
                "limit=0",
                "limit=1001",
                "limit=many",
                "limit=-1",
                "limit=99999999999",
                "cursor=!!",
                "cursor=AAAA",
                "cursor="
            })
    void aBadQuestionIsAProblemThatNamesItsField(String query) {
        Door.Answer answer = door.get("/api/v1/alerts?" + query);

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.contentType()).startsWith("application/problem+json");
        assertThat(answer.json().get("errors").get(0).get("field").asString())
                .isEqualTo(query.substring(0, query.indexOf('=')));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/api/v1/alerts?since=%FF",
                "/api/v1/alerts?cursor=%F0%9F",
                "/api/v1/alerts?since=-999999999-01-01T00:00:00Z",
                "/api/v1/alerts?since=%2B999999999-12-31T23:59:59Z",
                "/api/v1/alerts?limit=1&limit=2",
                "/api/v1/vehicles/MX/wheels/1L/chart?to=-999999999-01-01T00:00:00Z",
                "/api/v1/vehicles/%2F",
                "/api/v1/vehicles/%FF%FE",
                "/api/v1/alerts;x=1",
                "/%2e%2e/"
            })
    void nothingThatAClientCanAskBreaksTheServer(String path) {
        assertThat(door.get(path.replace("MX", truck.ref())).status()).isLessThan(500);
    }

    @Test
    void brokenFormsDoNotEither() {
        byte[] broken = {(byte) 0xFF, (byte) 0xFE, '=', '%', 'F', 'F'};

        for (String path : List.of("tokens", "accounts", "session", "set-up", "readings", "fleet-imports")) {
            Door.Answer answer = door.send(
                    "POST",
                    "/api/v1/" + path,
                    broken,
                    java.util.Map.of("Content-Type", "application/x-www-form-urlencoded"));
            assertThat(answer.status()).as(path).isBetween(400, 499);
        }
    }

    @Test
    void anUnknownVehicleOrAlertIsNotFound() {
        assertThat(door.get("/api/v1/alerts?vehicle=NOBODY").status()).isEqualTo(404);
        assertThat(door.get("/api/v1/alerts/999999999").status()).isEqualTo(404);
        assertThat(door.get("/api/v1/alerts/nonsense").status()).isEqualTo(404);
        assertThat(act("999999999", "acknowledge", "").status()).isEqualTo(404);
    }

    @Test
    void showsTheWheelAsItIsNow() {
        steady(truck.left(), 0, 4, 700);
        steady(truck.left(), 4, 1, 690);

        assertThat(only().get("pressureKpa").asDouble()).isEqualTo(690);
        assertThat(only().get("summary").asString()).contains("690");
    }

    @Test
    void canBeAcknowledgedOnce() {
        steady(truck.left(), 0, 4, 700);
        String id = only().get("id").asString();

        assertThat(act(id, "acknowledge", "").status()).isEqualTo(200);
        assertThat(only().get("state").asString()).isEqualTo("ACKNOWLEDGED");
        Door.Answer again = act(id, "acknowledge", "");
        assertThat(again.status()).isEqualTo(409);
        assertThat(again.json().get("detail").asString()).contains("acknowledged");
    }

    @Test
    void isClosedByHandWithAReasonThatStaysInTheRecord() {
        steady(truck.left(), 0, 4, 700);
        String id = only().get("id").asString();

        assertThat(act(id, "close", "{}").status()).isEqualTo(400);
        assertThat(act(id, "close", "{\"reason\":\"  \"}").status()).isEqualTo(400);
        assertThat(act(id, "close", "").status()).isEqualTo(400);
        Door.Answer closed = act(id, "close", "{\"reason\":\"valve core changed\"}");

        assertThat(closed.status()).as(closed.text()).isEqualTo(200);
        assertThat(only().get("state").asString()).isEqualTo("CLOSED");
        JsonNode last =
                closed.json().get("record").get(closed.json().get("record").size() - 1);
        assertThat(last.get("change").asString()).isEqualTo("CLOSED");
        assertThat(last.get("note").asString()).isEqualTo("valve core changed");
        assertThat(last.get("who").asString()).isNotBlank();
        assertThat(act(id, "close", "{\"reason\":\"again\"}").status()).isEqualTo(409);
    }

    @Test
    void aTyreRunSoftIsClosedByInspectionOnly() {
        driven(truck.left(), 0, 4, 600);
        String id = only().get("id").asString();
        JsonNode detail = door.get("/api/v1/alerts/" + id).json();

        assertThat(detail.get("isRunSoft").asBoolean()).isTrue();
        assertThat(detail.get("safety").get(0).get("text").asString()).contains("Do not inflate it on the vehicle");
        assertThat(act(id, "close", "{\"reason\":\"filled\"}").status()).isEqualTo(409);
        assertThat(act(id, "close", "{\"reason\":\"sound inside\",\"inspectedBy\":\"B. Quill\"}")
                        .status())
                .isEqualTo(200);
    }

    @Test
    void handlingSurvivesWhatTheReadingsSayNext() {
        steady(truck.left(), 0, 4, 700);
        String id = only().get("id").asString();
        act(id, "acknowledge", "");

        steady(truck.left(), 4, 4, 699);
        assertThat(only().get("state").asString()).isEqualTo("ACKNOWLEDGED");
        steady(truck.left(), 8, 4, 630);

        assertThat(only().get("id").asString()).isEqualTo(id);
        assertThat(only().get("state").asString()).isEqualTo("NEW");
        assertThat(only().get("urgency").asString()).isEqualTo("STOP_NOW");
    }

    @Test
    void canBePutAsideWithAReasonAndAnEndAndTheRecordSaysSo() {
        steady(truck.left(), 0, 4, 700);
        String id = only().get("id").asString();
        String until =
                Instant.now().plusSeconds(3_600).truncatedTo(ChronoUnit.SECONDS).toString();

        Door.Answer answer = act(id, "shelve", "{\"reason\":\"workshop tonight\",\"until\":\"" + until + "\"}");

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.json().get("item").get("state").asString()).isEqualTo("SHELVED");
        assertThat(answer.json().get("shelvedUntil").asString()).isEqualTo(until);
        assertThat(answer.json().get("record").get(1).get("note").asString()).isEqualTo("workshop tonight");
        assertThat(listed("")).containsExactly(id);

        // More urgent: it comes out of its shelf.
        steady(truck.left(), 4, 4, 600);
        assertThat(only().get("state").asString()).isEqualTo("NEW");
        assertThat(only().get("urgency").asString()).isEqualTo("STOP_NOW");
        assertThat(act(id, "shelve", "{\"reason\":\"later\",\"until\":\"" + until + "\"}")
                        .status())
                .isEqualTo(409);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"reason\":\"later\"}",
                "{\"reason\":\"later\",\"until\":\"2020-01-01T00:00:00Z\"}",
                "{\"reason\":\"later\",\"until\":\"2999-01-01T00:00:00Z\"}",
                "{\"until\":\"2999-01-01T00:00:00Z\"}",
                "{\"reason\":\" \",\"until\":\"2999-01-01T00:00:00Z\"}",
                "{\"until\":\"tomorrow\"}"
            })
    void puttingAsideWithoutAReasonOrASensibleEndIsRefused(String body) {
        steady(truck.left(), 0, 4, 700);
        String id = only().get("id").asString();

        assertThat(act(id, "shelve", body).status()).isIn(400, 409);
        assertThat(only().get("state").asString()).isEqualTo("NEW");
    }

    @Test
    void isTakenInHandAndNotesStandInItsRecord() {
        steady(truck.left(), 0, 4, 700);
        String id = only().get("id").asString();

        assertThat(act(id, "take-in-hand", "{\"note\":\"fitter is on his way\"}")
                        .status())
                .isEqualTo(200);
        Door.Answer noted = act(id, "notes", "{\"note\":\"a nail\"}");

        assertThat(only().get("state").asString()).isEqualTo("IN_HAND");
        assertThat(noted.json().get("record").valueStream().map(e -> e.get("change")
                        .asString()))
                .containsExactly("OPENED", "TAKEN_IN_HAND", "NOTED");
        assertThat(act(id, "notes", "{\"note\":\"\"}").status()).isEqualTo(409);
        assertThat(act(id, "notes", "{\"note\":\"" + "x".repeat(1_001) + "\"}").status())
                .isEqualTo(400);
    }

    @Test
    void theDepartureListSaysWhoMayLeaveAndWhyNot() {
        steady(truck.right(), 0, 4, 800);
        steady(truck.left(), 0, 4, 700);

        JsonNode departure = door.get("/api/v1/vehicles/" + truck.ref()).json().get("departure");
        assertThat(departure.get("verdict").asString()).isEqualTo("NOT_YET");
        assertThat(departure.get("reasons").get(0).asString()).isEqualTo("1L under target");

        steady(truck.left(), 4, 30, 800);
        steady(truck.right(), 4, 30, 800);
        JsonNode after = door.get("/api/v1/vehicles/" + truck.ref()).json().get("departure");
        assertThat(after.get("verdict").asString()).isEqualTo("MAY_LEAVE");
        assertThat(after.get("reasons").isEmpty()).isTrue();
    }

    @Test
    void ofTwoPeopleWhoAcknowledgeAtOnceOneIsToldThatItIsDone() throws Exception {
        steady(truck.left(), 0, 4, 700);
        String id = only().get("id").asString();
        ExecutorService people = Executors.newFixedThreadPool(8);
        List<Future<Integer>> answers = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            answers.add(people.submit(() ->
                    door.postJson("/api/v1/alerts/" + id + "/acknowledge", "").status()));
        }
        List<Integer> statuses = new ArrayList<>();
        for (Future<Integer> answer : answers) {
            statuses.add(answer.get());
        }
        people.shutdown();

        assertThat(statuses).containsOnly(200, 409).containsOnlyOnce(200);
        assertThat(door.get("/api/v1/alerts/" + id)
                        .json()
                        .get("record")
                        .valueStream()
                        .filter(entry -> entry.get("change").asString().equals("ACKNOWLEDGED")))
                .hasSize(1);
    }

    @Test
    void whatTwoPeopleSayAtOnceIsBothKept() throws Exception {
        steady(truck.left(), 0, 4, 700);
        String id = only().get("id").asString();
        ExecutorService people = Executors.newFixedThreadPool(2);
        Future<Integer> note = people.submit(
                () -> door.postJson("/api/v1/alerts/" + id + "/notes", "{ \"note\": \"the valve cap is missing\" }")
                        .status());
        Future<Integer> seen = people.submit(
                () -> door.postJson("/api/v1/alerts/" + id + "/acknowledge", "").status());

        assertThat(note.get()).isEqualTo(200);
        assertThat(seen.get()).isEqualTo(200);
        people.shutdown();
        assertThat(door.get("/api/v1/alerts/" + id)
                        .json()
                        .get("record")
                        .valueStream()
                        .map(entry -> entry.get("change").asString()))
                .contains("NOTED", "ACKNOWLEDGED");
    }
}
