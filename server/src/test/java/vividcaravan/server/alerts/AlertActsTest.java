package vividcaravan.server.alerts;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

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

/** What is done to one alert or to many, by one person or by two at once. */
@ExtendWith(RunningProduct.class)
class AlertActsTest {

    private final Door door = RunningProduct.door();
    private Door.Truck truck;
    private String left;
    private String right;

    @BeforeEach
    void twoAlerts() {
        truck = door.newTruck();
        Instant begin = Instant.now().minusSeconds(3_600).truncatedTo(ChronoUnit.SECONDS);
        for (String sensor : List.of(truck.left(), truck.right())) {
            door.readings(array(IntStream.range(0, 4)
                    .mapToObj(minute -> reading(sensor, begin.plusSeconds(minute * 60L), 700, 20))
                    .toList()));
        }
        left = of("1L").get("id").asString();
        right = of("1R").get("id").asString();
    }

    private JsonNode of(String position) {
        return door.alertsOf(truck.ref()).stream()
                .filter(alert -> alert.get("position").asString().equals(position))
                .findFirst()
                .orElseThrow();
    }

    private Door.Answer act(String act, String alerts, String more) {
        return door.postJson(
                "/api/v1/alert-acts", "{ \"act\": \"%s\", \"alerts\": [ %s ]%s }".formatted(act, alerts, more));
    }

    private static String chosen(String id) {
        return "{ \"id\": \"" + id + "\" }";
    }

    private static String seen(String id, int version) {
        return "{ \"id\": \"%s\", \"version\": %d }".formatted(id, version);
    }

    private String both() {
        return chosen(left) + "," + chosen(right);
    }

    @Test
    void oneActIsDoneToManyAndTakenBackFromAll() {
        JsonNode done = act("ACKNOWLEDGE", both(), "").json();
        assertThat(done.get("done").valueStream().map(item -> item.get("state").asString()))
                .containsExactly("ACKNOWLEDGED", "ACKNOWLEDGED");
        assertThat(done.get("refused").isEmpty()).isTrue();

        JsonNode back = act("TAKE_BACK", both(), "").json();
        assertThat(back.get("done").valueStream().map(item -> item.get("state").asString()))
                .containsExactly("NEW", "NEW");
        assertThat(door.get("/api/v1/alerts/" + left)
                        .json()
                        .get("canBeTakenBack")
                        .asBoolean())
                .isFalse();
    }

    @Test
    void whatIsRefusedToOneIsDoneToTheOthers() {
        act("TAKE_IN_HAND", chosen(left), "");

        JsonNode answer =
                act("ACKNOWLEDGE", both() + "," + chosen("999999999"), "").json();

        assertThat(answer.get("done").valueStream().map(item -> item.get("id").asString()))
                .containsExactly(right);
        assertThat(answer.get("refused").valueStream().map(one -> one.get("id").asString()))
                .containsExactly(left, "999999999");
        assertThat(answer.at("/refused/0/message").asString()).contains("cannot become acknowledged");
    }

    @Test
    void whoeverActsOnWhatChangedMeanwhileIsTold() {
        int version = of("1L").get("version").asInt();
        act("TAKE_IN_HAND", chosen(left), "");

        JsonNode answer =
                act("CLOSE", seen(left, version), ", \"reason\": \"filled\"").json();

        assertThat(answer.get("done").isEmpty()).isTrue();
        assertThat(answer.at("/refused/0/message").asString())
                .contains("Something came in between")
                .contains("in hand");
        assertThat(of("1L").get("state").asString()).isEqualTo("IN_HAND");
    }

    @Test
    void readingsThatSayMoreStopAClosingAndNotThatSomebodyDealsWithIt() {
        int version = of("1L").get("version").asInt();
        Instant later = Instant.now().minusSeconds(1_200).truncatedTo(ChronoUnit.SECONDS);
        door.readings(array(IntStream.range(0, 4)
                .mapToObj(minute -> reading(truck.left(), later.plusSeconds(minute * 60L), 600, 20))
                .toList()));
        assertThat(of("1L").get("version").asInt()).isGreaterThan(version);

        assertThat(act("CLOSE", seen(left, version), ", \"reason\": \"filled\"")
                        .json()
                        .at("/refused/0/message")
                        .asString())
                .contains("Something came in between");
        assertThat(act("ACKNOWLEDGE", seen(left, version), "")
                        .json()
                        .get("done")
                        .isEmpty())
                .isTrue();
        assertThat(act("RAISE_JOB", seen(left, version), "")
                        .json()
                        .at("/done/0/hasJob")
                        .asBoolean())
                .isTrue();
        assertThat(act("ASSIGN", seen(left, version), "")
                        .json()
                        .at("/refused/0/message")
                        .asString())
                .contains("opened a repair");
    }

    @Test
    void ofTwoAtOnceOneIsTold() throws Exception {
        int version = of("1L").get("version").asInt();
        ExecutorService people = Executors.newFixedThreadPool(8);
        List<Future<JsonNode>> answers = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            String reason = ", \"reason\": \"found by person " + i + "\"";
            answers.add(people.submit(
                    () -> act("CLOSE", seen(left, version), reason).json()));
        }
        int done = 0;
        for (Future<JsonNode> answer : answers) {
            done += answer.get().get("done").size();
        }
        people.shutdown();
        assertThat(done).isEqualTo(1);
        JsonNode record = door.get("/api/v1/alerts/" + left).json().get("record");
        assertThat(record.valueStream()
                        .filter(entry -> entry.get("change").asString().equals("CLOSED")))
                .hasSize(1);
    }

    @Test
    void oneStandsForAnotherOfTheSameCauseUntilItIsClosed() {
        JsonNode done = act("COUNT_WITH", chosen(right), ", \"leading\": \"" + left + "\"")
                .json();
        assertThat(done.at("/done/0/sameCauseAs").asString()).isEqualTo(left);
        assertThat(done.at("/done/0/state").asString()).isEqualTo("ACKNOWLEDGED");

        assertThat(act("COUNT_WITH", chosen(left), ", \"leading\": \"" + right + "\"")
                        .json()
                        .at("/refused/0/message")
                        .asString())
                .contains("itself counted with another");
        act("STAND_ALONE", chosen(right), "");
        assertThat(of("1R").get("sameCauseAs").isNull()).isTrue();
    }

    @Test
    void itIsKeptHowAnAlertWasClosedAndOpenedAgain() {
        JsonNode closed = act("CLOSE", chosen(left), ", \"reason\": \"looked\", \"verdict\": \"NOTHING_FOUND\"")
                .json()
                .at("/done/0");
        assertThat(closed.get("closedOn").asString()).isEqualTo("WORD");
        assertThat(closed.get("verdict").asString()).isEqualTo("NOTHING_FOUND");

        assertThat(act("REOPEN", chosen(left), "")
                        .json()
                        .at("/refused/0/message")
                        .asString())
                .contains("needs a reason");
        JsonNode again = act("REOPEN", chosen(left), ", \"reason\": \"it hisses still\"")
                .json()
                .at("/done/0");
        assertThat(again.get("id").asString()).isEqualTo(left);
        assertThat(again.get("state").asString()).isEqualTo("NEW");
        assertThat(again.get("closedOn").isNull()).isTrue();
    }

    @Test
    void itIsGivenToWhomTheTeamHas() {
        assertThat(act("ASSIGN", chosen(left), ", \"assignee\": \"nobody-known\"")
                        .status())
                .isEqualTo(400);
        String name = "fitter-" + left;
        door.postJson(
                "/api/v1/accounts",
                "{ \"userName\": \"%s\", \"displayName\": \"C. Sorrel\", \"role\": \"TECHNICIAN\", \"password\": \"a password of tests\" }"
                        .formatted(name));

        JsonNode given =
                act("ASSIGN", chosen(left), ", \"assignee\": \"" + name + "\"").json();

        assertThat(given.at("/done/0/assignee").asString()).isEqualTo(name);
        assertThat(door.get("/api/v1/alerts/" + left).json().get("record").toString())
                .contains("for C. Sorrel");
        assertThat(act("ASSIGN", chosen(left), "").json().at("/done/0/assignee").isNull())
                .isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{}",
                "{ \"act\": \"ACKNOWLEDGE\" }",
                "{ \"act\": \"ACKNOWLEDGE\", \"alerts\": [] }",
                "{ \"act\": \"ACKNOWLEDGE\", \"alerts\": [ null ] }",
                "{ \"act\": \"ACKNOWLEDGE\", \"alerts\": [ {} ] }",
                "{ \"act\": \"ACKNOWLEDGE\", \"alerts\": [ { \"id\": \"one\" } ] }",
                "{ \"act\": \"FORGET\", \"alerts\": [ { \"id\": \"1\" } ] }",
                "{ \"act\": \"SHELVE\", \"reason\": \"later\", \"alerts\": [ { \"id\": \"1\" } ] }",
                "{ \"act\": \"CLOSE\", \"alerts\": [ { \"id\": \"1\" } ] }",
                "{ \"act\": \"COUNT_WITH\", \"alerts\": [ { \"id\": \"1\" } ] }"
            })
    void whatIsNotSaidWellIsRefused(String body) {
        Door.Answer answer = door.postJson("/api/v1/alert-acts", body);

        assertThat(answer.status()).isIn(400, 404);
        assertThat(answer.json().get("detail").asString()).isNotBlank();
    }
}
