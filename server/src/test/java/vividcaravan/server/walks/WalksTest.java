package vividcaravan.server.walks;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Locale;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.Pictures;
import vividcaravan.server.RunningProduct;

/** The walk round before the first trip: kept, shown where vehicles leave, and a fault found is an alert that readings do not settle. */
@ExtendWith(RunningProduct.class)
class WalksTest {

    private static final String PASSWORD = "a password of tests";

    private final Door door = RunningProduct.door();
    private Door.Truck truck;
    private Browser driver;

    @BeforeEach
    void aTruckAndItsDriver() {
        truck = door.newTruck();
        driver = driver("walks-" + truck.ref(), "\"" + truck.ref() + "\"");
    }

    private Browser driver(String name, String vehicles) {
        door.postJson(
                "/api/v1/accounts",
                "{ \"userName\": \"%s\", \"displayName\": \"O. Tansley\", \"role\": \"DRIVER\", \"password\": \"%s\" }"
                        .formatted(name.toLowerCase(Locale.ROOT), PASSWORD));
        door.putJson("/api/v1/accounts/" + name + "/vehicles", "{ \"vehicles\": [ " + vehicles + " ] }");
        Browser browser = new Browser(door.withToken(null));
        browser.signIn(name, PASSWORD);
        return browser;
    }

    private JsonNode walk(int status, String faults) {
        var answer = driver.send("POST", walks(), "{ \"faults\": " + faults + " }");
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(status);
        return new JsonMapper().readTree(answer.body());
    }

    private String walks() {
        return "/api/v1/vehicles/" + truck.ref() + "/walks";
    }

    private JsonNode departure() {
        for (JsonNode depot : door.get("/api/v1/departures").json().get("items")) {
            for (JsonNode line : depot.get("vehicles")) {
                if (line.get("ref").asString().equals(truck.ref())) {
                    return line;
                }
            }
        }
        throw new AssertionError("No line for " + truck.ref());
    }

    private JsonNode page() {
        return new JsonMapper().readTree(driver.get("/api/v1/driver-page").body());
    }

    @Test
    void isShownToItsDriverAndWhereVehiclesLeave() {
        assertThat(page().at("/walks/0/at").isNull()).isTrue();
        assertThat(departure().get("walkedAt").isNull()).isTrue();

        assertThat(walk(201, "[]").get("alerts")).isEmpty();

        assertThat(Instant.parse(page().at("/walks/0/at").asString()))
                .isAfter(Instant.now().minusSeconds(60));
        assertThat(departure().get("walkedAt").isNull()).isFalse();
        assertThat(door.alertsOf(truck.ref())).isEmpty();
    }

    /** A yard does not wait every Monday. */
    @Test
    void takesThePlaceOfOldValuesAndIsTheSameVerdictForAll() {
        Instant friday = Instant.now().minus(3, ChronoUnit.DAYS).truncatedTo(ChronoUnit.SECONDS);
        truck = door.newTruck(friday.minus(1, ChronoUnit.DAYS));
        driver = driver("walks-" + truck.ref(), "\"" + truck.ref() + "\"");
        door.readings(array(IntStream.range(0, 8)
                .boxed()
                .flatMap(minute -> Stream.of(truck.left(), truck.right())
                        .map(sensor -> reading(sensor, friday.plusSeconds(minute * 60L), 800, 20)))
                .toList()));
        assertOneVerdict("LOOK_FIRST");

        walk(201, "[]");
        assertOneVerdict("MAY_LEAVE");

        walk(201, "[ { \"position\": \"1L\", \"point\": \"FLAT\" } ]");
        assertOneVerdict("NOT_YET");
        assertThat(page().at("/tasks/0/instruction/doNow").asString()).doesNotContain("You may drive");
    }

    @Test
    void whatIsOutOfServiceLeavesForNobodyAndTheDriverIsToldInTheirLanguage() {
        assertThat(driver.send(
                                "PUT",
                                "/api/v1/session/preferences",
                                "{ \"pressureUnit\": \"KPA\", \"temperatureUnit\": \"CELSIUS\", \"theme\": \"SYSTEM\", \"language\": \"DE\" }")
                        .statusCode())
                .isEqualTo(200);
        door.putJson(
                "/api/v1/vehicles/" + truck.ref() + "/state", "{ \"state\": \"OUT_OF_SERVICE\", \"reason\": \"HU\" }");

        assertOneVerdict("NOT_YET");
        assertThat(page().at("/leaving/0/words").asString()).isEqualTo("Darf nicht abfahren");
        assertThat(page().at("/leaving/0/reasons/0").asString()).isEqualTo("außer Betrieb: HU");
    }

    /** The gate, the vehicle and its driver's page. */
    private void assertOneVerdict(String verdict) {
        assertThat(departure().get("verdict").asString()).as("gate").isEqualTo(verdict);
        assertThat(door.get("/api/v1/vehicles/" + truck.ref())
                        .json()
                        .at("/departure/verdict")
                        .asString())
                .as("vehicle")
                .isEqualTo(verdict);
        assertThat(page().at("/leaving/0/verdict").asString()).as("driver").isEqualTo(verdict);
    }

    @Test
    void raisesAnAlertForEachPlaceThatNoReadingSettles() {
        JsonNode alerts = walk(
                        201,
                        """
                        [ { "position": "1L", "point": "NUTS", "words": "two of ten" },
                          { "position": "1L", "point": "VALVE" }, { "point": "OTHER", "words": "mud flap gone" } ]""")
                .get("alerts");

        assertThat(alerts).hasSize(2);
        Instant begin = Instant.now().minusSeconds(900).truncatedTo(ChronoUnit.SECONDS);
        door.readings(array(IntStream.range(0, 12)
                .boxed()
                .flatMap(minute -> Stream.of(truck.left(), truck.right())
                        .map(sensor -> reading(sensor, begin.plusSeconds(minute * 60L), 850, 20)))
                .toList()));

        JsonNode nuts =
                door.get("/api/v1/alerts/" + alerts.get(0).asString()).json().get("item");
        assertThat(nuts.get("kind").asString()).isEqualTo("REPORTED_FAULT");
        assertThat(nuts.get("urgency").asString()).isEqualTo("STOP_NOW");
        assertThat(nuts.get("state").asString()).isEqualTo("NEW");
        assertThat(nuts.get("summary").asString()).contains("wheel nut").contains("“two of ten”");
        assertThat(door.get("/api/v1/alerts/" + alerts.get(1).asString())
                        .json()
                        .at("/item/position")
                        .isNull())
                .isTrue();
        assertThat(departure().get("verdict").asString()).isEqualTo("NOT_YET");
        assertThat(departure().get("reasons").toString()).contains("1L fault reported: wheel nut loose");
        assertThat(page().at("/tasks/0/instruction/doNow").asString()).isEqualTo("Do not move the vehicle.");

        JsonNode again =
                walk(201, "[ { \"position\": \"1L\", \"point\": \"VALVE\" } ]").get("alerts");
        assertThat(again.get(0).asString()).isEqualTo(alerts.get(0).asString());
    }

    @Test
    void takesAPhotographOfWhatWasFound() {
        String alert = walk(201, "[ { \"position\": \"1R\", \"point\": \"DAMAGE\" } ]")
                .at("/alerts/0")
                .asString();

        assertThat(driver.send("POST", "/api/v1/alerts/" + alert + "/photos", Pictures.body(Pictures.jpeg(16)))
                        .statusCode())
                .isEqualTo(201);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{ }",
                "{ \"faults\": [ { } ] }",
                "{ \"faults\": [ null ] }",
                "{ \"faults\": [ { \"point\": \"NOTHING\" } ] }",
                "{ \"faults\": [ { \"point\": \"NUTS\", \"position\": \"9L\" } ] }",
                "{ \"faults\": [ { \"point\": \"NUTS\" }, { \"point\": \"NUTS\" } ] }"
            })
    void whatMakesNoSenseIsRefusedAndNothingKept(String request) {
        assertThat(driver.send("POST", walks(), request).statusCode()).isBetween(400, 422);

        assertThat(departure().get("walkedAt").isNull()).isTrue();
        assertThat(door.alertsOf(truck.ref())).isEmpty();
    }

    @Test
    void isNoneOfAnotherDriversBusiness() {
        Browser other = driver("not-" + truck.ref(), "");

        assertThat(other.send("POST", walks(), "{ \"faults\": [] }").statusCode())
                .isEqualTo(404);
    }
}
