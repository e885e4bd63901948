package vividcaravan.server.drivers;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** A driver is told what to do, sees it on their page in their language, and what became of it stands at the Desk. */
@ExtendWith(RunningProduct.class)
class InstructionsTest {

    private static final String PASSWORD = "a password of tests";

    private final Door door = RunningProduct.door();
    private Door.Truck truck;
    private String alert;
    private String name;
    private Browser driver;

    @BeforeEach
    void aLowTyreAndItsDriver() {
        truck = door.newTruck();
        Instant begin = Instant.now().minusSeconds(600).truncatedTo(ChronoUnit.SECONDS);
        door.readings(array(IntStream.range(0, 6)
                .mapToObj(minute -> reading(truck.left(), begin.plusSeconds(minute * 60L), 700, 20))
                .toList()));
        alert = door.alertsOf(truck.ref()).get(0).get("id").asString();
        name = "drives-" + alert;
        door.postJson(
                "/api/v1/accounts",
                "{ \"userName\": \"%s\", \"displayName\": \"O. Tansley\", \"role\": \"DRIVER\", \"password\": \"%s\" }"
                        .formatted(name, PASSWORD));
        door.putJson("/api/v1/accounts/" + name + "/vehicles", "{ \"vehicles\": [ \"" + truck.ref() + "\" ] }");
        driver = new Browser(door.withToken(null));
        driver.signIn(name, PASSWORD);
    }

    private String instructions() {
        return "/api/v1/alerts/" + alert + "/instructions";
    }

    private JsonNode told() {
        return door.get(instructions()).json().at("/told/0");
    }

    private JsonNode page() {
        return new JsonMapper().readTree(driver.get("/api/v1/driver-page").body());
    }

    private void speak(String language) {
        driver.send(
                "PUT",
                "/api/v1/session/preferences",
                "{ \"pressureUnit\": \"BAR\", \"temperatureUnit\": \"CELSIUS\", \"theme\": \"SYSTEM\", \"language\": \""
                        + language + "\" }");
    }

    @Test
    void theDriverIsToldAndEachStepIsSeenAtTheDesk() {
        assertThat(door.get(instructions()).json().at("/drivers/0/text").asString())
                .contains(truck.ref());

        door.postJson(instructions(), "{ \"driver\": \"" + name + "\" }");

        assertThat(told().at("/deliveries/0/state").asString()).isEqualTo("SENT");
        assertThat(door.get("/api/v1/alerts/" + alert).json().at("/item/state").asString())
                .isEqualTo("ACKNOWLEDGED");
        assertThat(page().at("/tasks/0/told").isNull()).isFalse();
        assertThat(page().at("/tasks/0/isRead").asBoolean()).isFalse();

        driver.send("POST", "/api/v1/alerts/" + alert + "/reads", null);
        driver.send("POST", "/api/v1/alerts/" + alert + "/reads", null);

        assertThat(told().at("/deliveries/0/state").asString()).isEqualTo("SEEN");
        assertThat(page().at("/tasks/0/isRead").asBoolean()).isTrue();
        JsonNode record = door.get("/api/v1/alerts/" + alert).json().get("record");
        assertThat(record.valueStream()
                        .filter(entry -> entry.get("change").asString().equals("DRIVER_READ")))
                .hasSize(1);

        driver.send("POST", "/api/v1/alerts/" + alert + "/answers", "{ \"answer\": \"FLAT\" }");

        assertThat(told().at("/deliveries/0/state").asString()).isEqualTo("ANSWERED");
        assertThat(page().get("tasks").valueStream().map(task -> task.at("/said/answer")
                        .asString("")))
                .contains("FLAT");
    }

    @Test
    void whatIsSentIsInTheDriversLanguageAndStaysAsItWasSent() {
        speak("DE");
        assertThat(page().at("/tasks/0/instruction/where").asString())
                .isEqualTo(truck.ref() + ", Achse 1 von vorn, linke Seite");

        door.postJson(instructions(), "{ \"driver\": \"" + name + "\" }");
        speak("EN");

        assertThat(told().get("language").asString()).isEqualTo("DE");
        assertThat(told().get("text").asString()).contains("Achse 1 von vorn");
        assertThat(page().at("/tasks/0/instruction/where").asString()).contains("axle 1 counted from the front");
    }

    @Test
    void thePageSaysWhomToCall() {
        String depot = "Yard of " + truck.ref();
        door.putJson(
                "/api/v1/depots",
                "{ \"name\": \"%s\", \"timeZone\": \"UTC\", \"altitudeM\": 0, \"phone\": \"+353 1 555 0100\" }"
                        .formatted(depot));
        assertThat(page().at("/tasks/0/call").isNull()).isTrue();
        door.postJson(
                "/api/v1/fleet-imports",
                ("{ \"format\": \"vivid-caravan-fleet\", \"version\": 1, \"onExisting\": \"update\", \"vehicles\": [ {"
                                + " \"ref\": \"%s\", \"kind\": \"RIGID_TRUCK\", \"depot\": \"%s\", \"axles\": [ { \"role\": \"STEER\","
                                + " \"wheels\": \"SINGLE\", \"coldPressureKpa\": 800 } ], \"sensors\": [ { \"position\": \"1L\", \"code\":"
                                + " \"%s\" }, { \"position\": \"1R\", \"code\": \"%s\" } ] } ] }")
                        .formatted(truck.ref(), depot, truck.left(), truck.right()));

        assertThat(page().at("/tasks/0/call/phone").asString()).isEqualTo("+353 1 555 0100");
        assertThat(door.get(instructions()).json().at("/drivers/0/text").asString())
                .endsWith("Call " + depot + ": +353 1 555 0100");
        assertThat(door.putJson(
                                "/api/v1/depots",
                                "{ \"name\": \"%s\", \"timeZone\": \"UTC\", \"altitudeM\": 0, \"phone\": \"ask Ann\" }"
                                        .formatted(depot))
                        .status())
                .isEqualTo(400);
        assertThat(door.get("/api/v1/fleet-export").text()).contains("+353 1 555 0100");
    }

    @Test
    void onlyWhoDrivesTheVehicleIsToldAndOnlyOfWhatIsOpen() {
        assertThat(door.postJson(instructions(), "{ \"driver\": \"somebody-else\" }")
                        .status())
                .isEqualTo(400);
        assertThat(door.postJson(instructions(), "{}").status()).isEqualTo(400);
        Door.Truck other = door.newTruck();
        assertThat(page().get("vehicles").asInt()).isEqualTo(1);
        assertThat(page().toString()).doesNotContain(other.ref());

        door.postJson("/api/v1/alerts/" + alert + "/close", "{ \"reason\": \"filled\" }");

        assertThat(door.postJson(instructions(), "{ \"driver\": \"" + name + "\" }")
                        .status())
                .isEqualTo(409);
        assertThat(driver.send("POST", "/api/v1/alerts/" + alert + "/reads", null)
                        .statusCode())
                .isEqualTo(404);
        assertThat(page().get("tasks").isEmpty()).isTrue();
    }
}
