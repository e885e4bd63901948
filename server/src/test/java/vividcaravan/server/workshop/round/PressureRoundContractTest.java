package vividcaravan.server.workshop.round;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.onTheRoad;
import static vividcaravan.server.Door.reading;

import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

@ExtendWith(RunningProduct.class)
class PressureRoundContractTest {

    private static final String ROUNDS = "/api/v1/pressure-rounds";

    private final Door door = RunningProduct.door();

    private JsonNode opened(String ref, String more) {
        Door.Answer answer = door.postJson(ROUNDS, "{ \"vehicles\": [\"" + ref + "\"]" + more + " }");
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json();
    }

    private static JsonNode wheel(JsonNode round, int number) {
        return round.at("/sheet/vehicles/0/wheels/" + number);
    }

    private JsonNode now(JsonNode round) {
        return door.get(ROUNDS + "/" + round.get("id").asString()).json();
    }

    private Door.Answer post(JsonNode round, String what, String body) {
        return door.postJson(ROUNDS + "/" + round.get("id").asString() + "/" + what, body);
    }

    @Test
    void saysWhatToDoAtEveryWheelAndAgainWhenAReadingCame() {
        Door.Truck truck = door.newTruck();
        Instant now = Instant.now();
        door.readings(array(List.of(
                reading(truck.left(), now.minusSeconds(9), 765, 12),
                // 600 kPa at 12 °C are 620 at 20 °C: below 80 % of 800 [computed].
                reading(truck.right(), now.minusSeconds(9), 600, 12))));

        JsonNode round = opened(truck.ref(), ", \"airC\": 12");

        assertThat(wheel(round, 0).get("action").asString()).isEqualTo("ADD");
        assertThat(wheel(round, 0).get("changeKpa").asDouble()).isCloseTo(35, within(1e-6));
        assertThat(wheel(round, 0).get("toDo").asString().replace('\u00a0', ' '))
                .isEqualTo("add 35 kPa");
        assertThat(wheel(round, 1).get("action").asString()).isEqualTo("DO_NOT_INFLATE");
        assertThat(round.get("unsettled").asInt()).isEqualTo(2);

        door.readings(array(List.of(reading(truck.left(), now, 800, 12))));
        assertThat(wheel(now(round), 0).get("action").asString()).isEqualTo("RIGHT");
        assertThat(now(round).get("unsettled").asInt()).isEqualTo(1);
    }

    @Test
    void afterTheFieldATyreIsFilledForTheRoad() {
        String ref = "FT-" + Door.newCode();
        String code = Door.newCode();
        Instant now = Instant.now();
        Door.Answer in = door.importFleet(Door.document(
                """
                { "ref": "%s", "kind": "FARM_TRACTOR",
                  "axles": [ { "role": "DRIVE", "wheels": "SINGLE", "coldPressureKpa": 160, "fieldPressureKpa": 100 } ],
                  "sensors": [ { "position": "1L", "code": "%s", "mount": "VALVE", "fittedAt": "2026-01-03T09:00:00Z" } ] }"""
                        .formatted(ref, code),
                ""));
        assertThat(in.status()).as(in.text()).isEqualTo(200);
        use(ref, "FIELD");
        door.readings(array(List.of(reading(code, now.minusSeconds(9), 100, 12))));
        JsonNode round = opened(ref, ", \"airC\": 12");
        assertThat(wheel(round, 0).get("action").asString()).isEqualTo("RIGHT");

        use(ref, "ROAD");

        assertThat(wheel(now(round), 0).get("action").asString()).isEqualTo("ADD");
        assertThat(wheel(now(round), 0).get("changeKpa").asDouble()).isCloseTo(60, within(0.1));
    }

    private void use(String ref, String use) {
        Door.Answer set = door.putJson("/api/v1/vehicles/" + ref + "/use", "{ \"use\": \"" + use + "\" }");
        assertThat(set.status()).as(set.text()).isEqualTo(200);
    }

    @Test
    void whatWasSetIsAnsweredAndStandsOnTheSheet() {
        Door.Truck truck = door.newTruck();
        Instant now = Instant.now();
        door.readings(array(List.of(
                reading(truck.left(), now.minusSeconds(60), 765, 12),
                reading(truck.right(), now.minusSeconds(60), 800, 12))));
        JsonNode round = opened(truck.ref(), ", \"airC\": 12");
        assertThat(wheel(round, 0).get("set").isNull()).isTrue();

        set(truck.ref(), "1L", 765, 780);
        assertThat(wheel(now(round), 0).at("/set/afterKpa").asDouble()).isEqualTo(780);
        assertThat(wheel(now(round), 0).get("isSettled").asBoolean())
                .as("still low")
                .isFalse();

        set(truck.ref(), "1L", 780, 798);
        assertThat(wheel(now(round), 0).at("/set/beforeKpa").asDouble()).isEqualTo(780);
        assertThat(wheel(now(round), 0).get("isSettled").asBoolean())
                .as("by the hand gauge")
                .isTrue();

        door.readings(array(List.of(reading(truck.left(), now.plusSeconds(60), 770, 12))));
        assertThat(wheel(now(round), 0).get("isSettled").asBoolean())
                .as("its sensor says otherwise")
                .isFalse();

        door.readings(array(List.of(reading(truck.left(), now.plusSeconds(90), 798, 12))));
        Door.Answer ended = post(round, "end", "{}");
        assertThat(ended.status()).as(ended.text()).isEqualTo(200);
        assertThat(wheel(ended.json(), 0).at("/set/afterKpa").asDouble()).isEqualTo(798);
    }

    private void set(String ref, String position, double before, double after) {
        Door.Answer set = door.postJson(
                "/api/v1/vehicles/" + ref + "/wheels/" + position + "/adjustments",
                "{ \"beforeKpa\": %s, \"afterKpa\": %s }".formatted(before, after));
        assertThat(set.status()).as(set.text()).isBetween(200, 201);
    }

    @Test
    void isDoneWhenEveryWheelReadsRightOrHasAReasonAndThenTheSheetIsKept() {
        Door.Truck truck = door.newTruck();
        Instant now = Instant.now();
        door.readings(array(List.of(
                reading(truck.left(), now.minusSeconds(9), 800, 12),
                reading(truck.right(), now.minusSeconds(9), 630, 12))));
        JsonNode round = opened(truck.ref(), ", \"airC\": 12");
        assertThat(post(round, "end", "{}").status()).as("one wheel is left").isEqualTo(409);

        Door.Answer given = post(
                round,
                "reasons",
                "{ \"vehicle\": \"%s\", \"position\": \"1R\", \"reason\": \"off the vehicle, to the tyre shop\" }"
                        .formatted(truck.ref()));
        assertThat(given.status()).as(given.text()).isEqualTo(200);
        Door.Answer ended = post(round, "end", "{}");

        assertThat(ended.status()).as(ended.text()).isEqualTo(200);
        assertThat(ended.json().get("state").asString()).isEqualTo("DONE");
        door.readings(array(List.of(reading(truck.left(), now, 500, 12))));
        JsonNode kept = now(round);
        assertThat(wheel(kept, 0).get("gaugeKpa").asDouble())
                .as("as it was then")
                .isEqualTo(800);
        assertThat(wheel(kept, 1).get("reason").asString()).contains("tyre shop");
        assertThat(wheel(kept, 1).get("reasonBy").asString()).isEqualTo("configured token");
        assertThat(post(round, "end", "{}").status()).isEqualTo(409);
        assertThat(post(
                                round,
                                "reasons",
                                "{ \"vehicle\": \"" + truck.ref() + "\", \"position\": \"1L\", \"reason\": \"x\" }")
                        .status())
                .isEqualTo(409);
        assertThat(door.get(ROUNDS).text()).contains("\"" + truck.ref() + "\"");
    }

    @Test
    void whatIsSentTwiceCountsOnce() {
        Door.Truck truck = door.newTruck();
        JsonNode round = opened(truck.ref(), "");
        String reason = "{ \"vehicle\": \"" + truck.ref() + "\", \"position\": \"1L\", \"reason\": \"right by hand\" }";
        String set = "{ \"at\": \"" + Instant.now() + "\", \"afterKpa\": 750 }";
        String wheel = "/api/v1/vehicles/" + truck.ref() + "/wheels/1R";

        for (int i = 0; i < 2; i++) {
            assertThat(post(round, "reasons", reason).json().get("unsettled").asInt())
                    .isEqualTo(1);
            assertThat(door.postJson(wheel + "/adjustments", set).status()).isEqualTo(200);
        }

        assertThat(door.get(wheel + "/changes")
                        .json()
                        .get("items")
                        .valueStream()
                        .filter(change -> change.get("kind").asString().equals("ADJUSTED")))
                .hasSize(1);
    }

    @Test
    void aRoundCanBeGivenUpAndSaysSo() {
        Door.Truck truck = door.newTruck();
        JsonNode round = opened(truck.ref(), "");

        Door.Answer ended = post(round, "end", "{ \"isGivenUp\": true }");

        assertThat(ended.json().get("state").asString()).isEqualTo("GIVEN_UP");
        assertThat(ended.json().get("unsettled").asInt()).isEqualTo(2);
    }

    @Test
    void theAirOutsideIsTheCoolestTyresUnlessSomebodySays() {
        Door.Truck truck = door.newTruck();
        Instant now = Instant.now();
        door.readings(array(List.of(reading(truck.left(), now, 800, 12), reading(truck.right(), now, 960, 50))));

        JsonNode guessed = opened(truck.ref(), "").get("sheet");
        assertThat(guessed.get("airC").asDouble()).isEqualTo(12);
        assertThat(guessed.get("isAirGuessed").asBoolean()).isTrue();
        assertThat(wheel(opened(truck.ref(), ", \"airC\": 20"), 1).get("action").asString())
                .isEqualTo("LET_COOL");
    }

    private static String said(String code, Instant at, double kpa, double celsius, boolean moving) {
        return "{\"sensor\":\"%s\",\"at\":\"%s\",\"pressureKpa\":%s,\"temperatureC\":%s,\"moving\":%s}"
                .formatted(code, at, kpa, celsius, moving);
    }

    @Test
    void noAirIsLetOutOfTyresThatHaveJustRunHoweverTheAirIsKnown() {
        Door.Truck truck = door.newTruck();
        Instant now = Instant.now();
        // 800 kPa at 20 °C show 878 at 45 °C.
        door.readings(array(List.of(
                said(truck.left(), now.minusSeconds(60), 878, 45, true),
                said(truck.right(), now.minusSeconds(60), 878, 45, true))));

        for (String air : List.of("", ", \"airC\": 20", ", \"airC\": 45")) {
            assertThat(wheel(opened(truck.ref(), air), 0).get("action").asString())
                    .as(air)
                    .isIn("RIGHT", "LET_COOL");
        }
    }

    @Test
    void airIsLetOutOfASoakedTyreOnceSomebodySaysWhatTheAirOutsideHas() {
        Door.Truck truck = door.newTruck();
        Instant now = Instant.now();
        door.readings(array(List.of(
                said(truck.left(), now.minusSeconds(5 * 3_600), 860, 12, false),
                said(truck.left(), now.minusSeconds(30), 860, 12, false))));

        JsonNode stated = wheel(opened(truck.ref(), ", \"airC\": 12"), 0);
        JsonNode guessed = wheel(opened(truck.ref(), ""), 0);

        assertThat(stated.get("action").asString()).isEqualTo("LET_OUT");
        assertThat(stated.get("changeKpa").asDouble()).isCloseTo(-60, within(1e-6));
        assertThat(guessed.get("action").asString()).isEqualTo("LET_COOL");
    }

    @Test
    void aTyreThatRanSoftIsNotToBeFilledThoughItReadsRightAgain() {
        Door.Truck truck = door.newTruck();
        Instant begin = Instant.now().minusSeconds(300);
        for (int i = 0; i < 3; i++) {
            door.readings(array(List.of(onTheRoad(truck.left(), begin.plusSeconds(i * 60L), 600, 20))));
        }
        door.readings(array(List.of(reading(truck.left(), begin.plusSeconds(240), 800, 20))));

        JsonNode wheel = wheel(opened(truck.ref(), ", \"airC\": 20"), 0);

        assertThat(wheel.get("gaugeKpa").asDouble()).isEqualTo(800);
        assertThat(wheel.get("action").asString()).isEqualTo("DO_NOT_INFLATE");
        assertThat(wheel.get("isSettled").asBoolean()).isFalse();
    }

    @Test
    void whatWasSaidLongAgoSaysNothing() {
        Door.Truck truck = door.newTruck();
        door.readings(array(List.of(reading(truck.left(), Instant.now().minusSeconds(3_600), 700, 12))));

        JsonNode wheel = wheel(opened(truck.ref(), ""), 0);

        assertThat(wheel.hasNonNull("action")).isFalse();
        assertThat(wheel.hasNonNull("at")).isTrue();
        assertThat(wheel.get("isSettled").asBoolean()).isFalse();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{}",
                "[]",
                "{ \"vehicles\": [] }",
                "{ \"vehicles\": [null] }",
                "{ \"vehicles\": [\"X\"], \"airC\": 99 }",
                "{ \"vehicles\": [\"X\"], \"airC\": \"warm\" }"
            })
    void nonsenseIsRefusedInWords(String body) {
        assertThat(door.postJson(ROUNDS, body).status()).isEqualTo(400);
    }

    @Test
    void whatIsNotThereIsSaid() {
        JsonNode round = opened(door.newTruck().ref(), "");

        assertThat(door.postJson(ROUNDS, "{ \"vehicles\": [\"nowhere\"] }").status())
                .isEqualTo(404);
        assertThat(door.get(ROUNDS + "/999999").status()).isEqualTo(404);
        assertThat(door.get(ROUNDS + "/x").status()).isEqualTo(404);
        assertThat(post(round, "reasons", "{ \"vehicle\": \"other\", \"position\": \"1L\", \"reason\": \"x\" }")
                        .status())
                .isEqualTo(400);
        assertThat(post(round, "reasons", "{}").status()).isEqualTo(400);
    }
}
