package vividcaravan.server.workshop.round;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** What wheels will read on a cold morning, and the round that lets them start at their targets. */
class SeasonalOutlookTest {

    @TempDir
    Path folder;

    private OwnProduct product;
    private Door.Truck truck;

    @BeforeEach
    void start() {
        product = OwnProduct.in(folder, Instant.parse("2026-11-20T06:00:00Z"));
        truck = product.door().newTruck(product.now().minus(Duration.ofDays(3)));
        List<String> readings = new ArrayList<>();
        for (int hour = 0; hour < 24; hour++) {
            Instant at = product.now().minus(Duration.ofHours(25 - hour));
            double celsius = hour < 8 ? 4 : 20;
            readings.add(reading(truck.left(), at, gauge(800, celsius), celsius));
            readings.add(reading(truck.right(), at, gauge(hour < 12 ? 800 : 715, celsius), celsius));
        }
        product.door().readings(array(readings));
    }

    @AfterEach
    void stop() {
        product.close();
    }

    private static double gauge(double at20, double celsius) {
        return (at20 + 101.325) * (celsius + 273.15) / 293.15 - 101.325;
    }

    private JsonNode outlook(String query) {
        Door.Answer answer = product.door().get("/api/v1/seasonal-outlook" + query);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    @Test
    void saysWhatEachWheelWillReadAndWhatToAddAndTheRoundSaysTheSame() {
        JsonNode outlook = outlook("?morningC=-10");

        assertThat(outlook.get("belowFirst").asInt()).isEqualTo(2);
        assertThat(outlook.get("belowSecond").asInt()).isEqualTo(1);
        assertThat(outlook.at("/items/0/minutes").asInt()).isEqualTo(12);
        JsonNode wheels = outlook.at("/items/0/wheels");
        // The lowest first. 800 kPa at 20 °C is 707.8 at −10 °C; it takes 102.8 more at 20 °C to be 800 then.
        assertThat(wheels.get(0).get("position").asString()).isEqualTo("1R");
        assertThat(wheels.get(1).get("morningKpa").asDouble()).isCloseTo(707.8, within(0.2));
        assertThat(wheels.get(1).get("addKpa").asDouble()).isCloseTo(102.8, within(0.2));

        JsonNode round = product.door()
                .postJson("/api/v1/pressure-rounds", "{ \"vehicles\": [ \"" + truck.ref() + "\" ], \"airC\": -10 }")
                .json();
        assertThat(round.at("/sheet/airC").asDouble()).isEqualTo(-10);
    }

    @Test
    void withoutAWordLastWeeksMorningsAreTaken() {
        JsonNode outlook = outlook("");

        assertThat(outlook.get("isStated").asBoolean()).isFalse();
        assertThat(outlook.get("lastWeekC").asDouble()).isEqualTo(4);
        assertThat(outlook.get("morningC").asDouble()).isEqualTo(4);
        assertThat(outlook("?morningC=20").get("belowFirst").asInt()).isOne();
    }

    /** A month later somebody asks what that round was good for. */
    @Test
    void anEndedRoundSaysWhichWheelsTheColdSinceWouldHaveBroughtBelowTheirLimits() {
        Door door = product.door();
        JsonNode round = door.postJson(
                        "/api/v1/pressure-rounds", "{ \"vehicles\": [ \"" + truck.ref() + "\" ], \"airC\": -10 }")
                .json();
        String sheet = "/api/v1/pressure-rounds/" + round.get("id").asString();
        set("1L", "{ \"beforeKpa\": 800, \"afterKpa\": 900 }");
        set("1R", "{ \"beforeKpa\": 715, \"afterKpa\": 740 }");
        assertThat(door.get(sheet + "/outcome").json().get("wheels"))
                .as("it goes on")
                .isEmpty();
        product.pass(Duration.ofMinutes(5));
        door.readings(array(List.of(
                reading(truck.left(), product.now(), 900, 20), reading(truck.right(), product.now(), 740, 20))));
        // Driven before somebody ends the round: what was set was set cold.
        product.pass(Duration.ofMinutes(40));
        door.readings(array(List.of(
                reading(truck.left(), product.now(), gauge(900, 60), 60),
                reading(truck.right(), product.now(), gauge(740, 60), 60))));
        Door.Answer ended = door.postJson(sheet + "/end", "{ \"isGivenUp\": true }");
        assertThat(ended.status()).as(ended.text()).isEqualTo(200);
        assertThat(door.get(sheet + "/outcome").json().get("coldestC").isNull())
                .as("nothing was heard since")
                .isTrue();

        product.pass(Duration.ofHours(12));
        door.readings(array(List.of(
                reading(truck.left(), product.now(), gauge(900, -9), -9),
                reading(truck.right(), product.now(), gauge(740, -9), -9))));
        product.pass(Duration.ofHours(2));
        JsonNode outcome = door.get(sheet + "/outcome").json();

        assertThat(outcome.get("coldestC").asDouble()).isEqualTo(-9);
        assertThat(outcome.get("spared").asInt()).isOne();
        JsonNode left = outcome.at("/wheels/0");
        assertThat(left.get("position").asString()).isEqualTo("1L");
        // 800 kPa at 20 °C is 710.8 at −9 °C, 900 is 800.9 [computed: constant volume].
        assertThat(left.get("withoutKpa").asDouble()).isCloseTo(710.8, within(0.3));
        assertThat(left.get("withKpa").asDouble()).isCloseTo(800.9, within(0.3));
        assertThat(outcome.at("/wheels/1/isStillBelow").asBoolean()).isTrue();
    }

    private void set(String position, String pressures) {
        Door.Answer answer = product.door()
                .postJson("/api/v1/vehicles/" + truck.ref() + "/wheels/" + position + "/adjustments", pressures);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    @Test
    void whatIsOddIsRefusedOrEmpty() {
        assertThat(product.door().get("/api/v1/seasonal-outlook?morningC=-300").status())
                .isEqualTo(400);
        assertThat(product.door().get("/api/v1/seasonal-outlook?morningC=NaN").status())
                .isEqualTo(400);
        assertThat(product.door().get("/api/v1/seasonal-outlook?morningC=cold").status())
                .isEqualTo(400);
        assertThat(outlook("?depot=nowhere").get("items")).isEmpty();
    }

    @Test
    void noAirIsAdvisedAtAWheelWithAnAlertThatForbidsIt() {
        Door door = product.door();
        door.postJson(
                "/api/v1/accounts",
                "{ \"userName\": \"tansley\", \"displayName\": \"O. Tansley\", \"role\": \"DRIVER\","
                        + " \"password\": \"four words in a row\" }");
        door.putJson("/api/v1/accounts/tansley/vehicles", "{ \"vehicles\": [ \"" + truck.ref() + "\" ] }");
        Browser driver = new Browser(door.withToken(null));
        driver.signIn("tansley", "four words in a row");
        int walked = driver.send(
                        "POST",
                        "/api/v1/vehicles/" + truck.ref() + "/walks",
                        "{ \"faults\": [ { \"position\": \"1L\", \"point\": \"DAMAGE\" } ] }")
                .statusCode();
        assertThat(walked).isEqualTo(201);

        JsonNode wheels = outlook("?morningC=-10").at("/items/0/wheels");

        assertThat(wheels.get(1).get("position").asString()).isEqualTo("1L");
        assertThat(wheels.get(1).get("isUnderAlert").asBoolean()).isTrue();
        assertThat(wheels.get(1).get("addKpa").asDouble()).isZero();
        assertThat(wheels.get(1).get("share20").asDouble())
                .as("with the air that it has")
                .isCloseTo(0, within(0.005));
    }
}
