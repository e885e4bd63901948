package vividcaravan.server.drivers;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** What a person says weighs as much as what a sensor says: on the Desk, at the gate and on the driver's page. */
@ExtendWith(RunningProduct.class)
class WhatDriversReportTest {

    private static final String PASSWORD = "four words in a row";

    private final Door door = RunningProduct.door();
    private Door.Truck truck;
    private String alert;
    private Browser driver;

    @BeforeEach
    void anAlertThatWasSeenAndItsDriver() {
        truck = door.newTruck();
        Instant begin = Instant.now().minusSeconds(600).truncatedTo(ChronoUnit.SECONDS);
        door.readings(array(IntStream.range(0, 6)
                .mapToObj(minute -> reading(truck.left(), begin.plusSeconds(minute * 60L), 700, 20))
                .toList()));
        alert = door.alertsOf(truck.ref()).get(0).get("id").asString();
        String name = "reports-" + alert;
        door.postJson(
                "/api/v1/accounts",
                "{ \"userName\": \"%s\", \"displayName\": \"O. Tansley\", \"role\": \"DRIVER\", \"password\": \"%s\" }"
                        .formatted(name, PASSWORD));
        door.putJson("/api/v1/accounts/" + name + "/vehicles", "{ \"vehicles\": [ \"" + truck.ref() + "\" ] }");
        driver = new Browser(door.withToken(null));
        driver.signIn(name, PASSWORD);
        door.postJson("/api/v1/alerts/" + alert + "/acknowledge", "{}");
    }

    private void say(String answer) {
        int status = driver.send("POST", "/api/v1/alerts/" + alert + "/answers", "{\"answer\":\"" + answer + "\"}")
                .statusCode();
        assertThat(status).isBetween(200, 204);
    }

    private void walk(String point) {
        int status = driver.send(
                        "POST",
                        "/api/v1/vehicles/" + truck.ref() + "/walks",
                        "{\"faults\":[{\"position\":\"1R\",\"point\":\"" + point + "\"}]}")
                .statusCode();
        assertThat(status).isBetween(200, 201);
    }

    private List<JsonNode> reported() {
        return door.alertsOf(truck.ref()).stream()
                .filter(one -> one.get("kind").asString().equals("REPORTED_FAULT"))
                .filter(one -> !one.get("state").asString().equals("CLOSED"))
                .toList();
    }

    private JsonNode departure() {
        return door.get("/api/v1/vehicles/" + truck.ref()).json().get("departure");
    }

    @ParameterizedTest
    @ValueSource(strings = {"SMOKE", "HELP", "FLAT"})
    void smokeHelpAndAFlatTyreAreAFaultOfTheirOwnWhoeverHadSeenTheOther(String answer) {
        say(answer);

        assertThat(reported()).singleElement().satisfies(one -> {
            assertThat(one.get("urgency").asString()).isEqualTo("STOP_NOW");
            assertThat(one.get("state").asString()).isEqualTo("NEW");
        });
        assertThat(departure().get("verdict").asString()).isEqualTo("NOT_YET");
        assertThat(driver.get("/api/v1/driver-page").body()).contains("Do not move the vehicle");
        String own = reported().get(0).get("id").asString();
        assertThat(door.postJson(
                                "/api/v1/alerts/" + own + "/shelve",
                                "{\"reason\":\"later\",\"until\":\""
                                        + Instant.now().plusSeconds(3_600) + "\"}")
                        .status())
                .isBetween(400, 499);
    }

    @Test
    void helpThatIsAskedForAgainCallsAgain() {
        say("HELP");
        String own = reported().get(0).get("id").asString();
        door.postJson("/api/v1/alerts/" + own + "/acknowledge", "{}");
        say("STOPPED");

        say("HELP");

        assertThat(reported().get(0).get("state").asString()).isEqualTo("NEW");
    }

    @Test
    void looksFineLowersNothing() {
        say("FINE");

        assertThat(reported()).isEmpty();
        assertThat(departure().get("verdict").asString()).isEqualTo("NOT_YET");
    }

    @ParameterizedTest
    @CsvSource({
        "FLAT, STOP_NOW",
        "DAMAGE, STOP_NOW",
        "NUTS, STOP_NOW",
        "AIR, STOP_NOW",
        "TWINS, BEFORE_NEXT_TRIP",
        "TREAD, BEFORE_NEXT_TRIP"
    })
    void whatWasFoundOnTheWalkHoldsTheVehicleAndIsNotDeferred(String point, String urgency) {
        walk(point);

        JsonNode own = reported().get(0);
        assertThat(own.get("urgency").asString()).isEqualTo(urgency);
        assertThat(departure().get("verdict").asString()).isEqualTo("NOT_YET");
        assertThat(departure().get("reasons").toString()).contains("1R");
        assertThat(door.postJson(
                                "/api/v1/alerts/" + own.get("id").asString() + "/shelve",
                                "{\"reason\":\"later\",\"until\":\""
                                        + Instant.now().plusSeconds(3_600) + "\"}")
                        .status())
                .isBetween(400, 499);
    }

    @Test
    void aTyreThatWasFoundFlatIsClosedByANamedInspectionOnly() {
        walk("FLAT");
        String own = reported().get(0).get("id").asString();

        assertThat(door.postJson("/api/v1/alerts/" + own + "/close", "{\"reason\":\"pumped up\"}")
                        .status())
                .isBetween(400, 499);
        assertThat(departure().get("reasons").toString()).contains("1R run soft: inspection off the vehicle");
        assertThat(door.postJson(
                                "/api/v1/alerts/" + own + "/close",
                                "{\"reason\":\"sound inside\",\"inspectedBy\":\"R. Tansley\"}")
                        .status())
                .isEqualTo(200);
    }

    private Door.Answer act(String act, String alert, String more) {
        return door.postJson(
                "/api/v1/alert-acts",
                "{ \"act\": \"%s\", \"alerts\": [ { \"id\": \"%s\" } ]%s }".formatted(act, alert, more));
    }

    @ParameterizedTest
    @ValueSource(strings = {"DAMAGE", "AIR", "NUTS", "TWINS", "TREAD", "OTHER"})
    void whatAPersonSawIsTakenAwayByANamedInspectionOnly(String point) {
        walk(point);
        String own = reported().get(0).get("id").asString();

        assertThat(act("CLOSE", own, ", \"reason\": \"looks well\"")
                        .json()
                        .at("/refused/0/message")
                        .asString())
                .contains("say who inspected it");
        assertThat(door.postJson("/api/v1/alerts/" + own + "/close", "{\"reason\":\"looks well\"}")
                        .status())
                .isEqualTo(409);
        assertThat(departure().get("reasons").toString()).contains("1R fault reported");
        assertThat(act("CLOSE", own, ", \"reason\": \"dirt\", \"inspectedBy\": \"B. Quill\"")
                        .json()
                        .at("/done/0/closedOn")
                        .asString())
                .isEqualTo("INSPECTION");
        assertThat(reported()).isEmpty();
    }

    @Test
    void aReportOfTheWrongWheelIsPutRightAndCallsThere() {
        walk("DAMAGE");
        String own = reported().get(0).get("id").asString();
        act("ACKNOWLEDGE", own, "");

        Door.Answer corrected = act("CORRECT", own, ", \"position\": \"1L\"");

        assertThat(corrected.json().at("/done/0/closedOn").asString()).isEqualTo("CORRECTION");
        assertThat(reported()).singleElement().satisfies(one -> {
            assertThat(one.get("position").asString()).isEqualTo("1L");
            assertThat(one.get("state").asString()).isEqualTo("NEW");
            assertThat(one.get("urgency").asString()).isEqualTo("STOP_NOW");
        });
        assertThat(departure().get("reasons").toString())
                .contains("1L fault reported: cut, bulge or visible cord (corrected: it was reported at 1R)")
                .doesNotContain("1R fault");
        String there = reported().get(0).get("id").asString();
        act("CORRECT", there, ", \"position\": \"1R\"");
        assertThat(departure().get("reasons").toString())
                .contains("1R fault reported")
                .doesNotContain("1L fault");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "''|Say at which wheel it is",
                ", \"position\": \"9L\"|9L",
                ", \"position\": \"1R\"|says so already",
                ", \"position\": \"\"|wheel",
                ", \"point\": \"VALVE\"|named inspection"
            })
    void aCorrectionThatCannotBeIsRefusedAndChangesNothing(String more, String words) {
        walk("FLAT");
        String own = reported().get(0).get("id").asString();

        Door.Answer answer = act("CORRECT", own, more);

        assertThat(answer.status()).isLessThan(500);
        assertThat(answer.text()).contains(words);
        assertThat(reported())
                .singleElement()
                .satisfies(one -> assertThat(one.get("position").asString()).isEqualTo("1R"));
        assertThat(act("CORRECT", alert, ", \"position\": \"1L\"").text()).contains("the readings did");
    }

    @Test
    void aFlatTyreStaysFlatAtTheWheelThatIsMeant() {
        walk("FLAT");

        act("CORRECT", reported().get(0).get("id").asString(), ", \"position\": \"1L\"");

        String there = reported().get(0).get("id").asString();
        assertThat(departure().get("reasons").toString()).contains("1L run soft: inspection off the vehicle");
        assertThat(act("CLOSE", there, ", \"reason\": \"pumped up\"").json().get("done"))
                .isEmpty();
    }
}
