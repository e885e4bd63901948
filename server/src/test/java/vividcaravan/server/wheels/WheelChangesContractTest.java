package vividcaravan.server.wheels;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.document;
import static vividcaravan.server.Door.reading;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** What people do to a wheel, and what the product makes of it. */
@ExtendWith(RunningProduct.class)
class WheelChangesContractTest {

    private static final List<String> POSITIONS = List.of("1L", "1R", "2L", "2R");

    private final Door door = RunningProduct.door();
    private final Instant now = Instant.now().truncatedTo(ChronoUnit.SECONDS);

    /** A vehicle with four single wheels at 800 kPa; its sensors in the order of {@link #POSITIONS}. */
    private record FourWheels(String ref, List<String> codes) {}

    private FourWheels fourWheels(String more, String axleMore) {
        List<String> codes = List.of(Door.newCode(), Door.newCode(), Door.newCode(), Door.newCode());
        String ref = "W-" + codes.get(0);
        String axle = "{ \"role\": \"%s\", \"wheels\": \"SINGLE\", \"coldPressureKpa\": 800" + axleMore + " }";
        List<String> sensors = new ArrayList<>();
        for (int i = 0; i < codes.size(); i++) {
            sensors.add("{ \"position\": \"" + POSITIONS.get(i) + "\", \"code\": \"" + codes.get(i)
                    + "\", \"mount\": \"VALVE\", \"fittedAt\": \"" + now.minus(Duration.ofDays(30)) + "\" }");
        }
        String vehicle = "{ \"ref\": \"" + ref + "\", \"kind\": \"RIGID_TRUCK\"" + more + ", \"axles\": ["
                + axle.formatted("STEER") + "," + axle.formatted("DRIVE") + "], \"sensors\": ["
                + String.join(",", sensors)
                + "] }";
        Door.Answer answer = door.importFleet(document(vehicle, ""));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return new FourWheels(ref, codes);
    }

    /** Minute by minute from {@code from} to {@code to}: 800 kPa at 20 °C, wheel {@code changed} by {@code kpa} more. */
    private void drive(FourWheels vehicle, Instant from, Instant to, int changed, double kpa) {
        Random random = new Random(20261126);
        List<String> readings = new ArrayList<>();
        for (Instant at = from; at.isBefore(to); at = at.plusSeconds(60)) {
            for (int i = 0; i < 4; i++) {
                double exact = 800 + (i == changed ? kpa : 0) + random.nextDouble() * 2 - 1;
                readings.add(reading(vehicle.codes().get(i), at.plusSeconds(i), Math.round(exact), 20));
            }
        }
        assertThat(door.readings(array(readings)).status()).isEqualTo(200);
    }

    private Door.Answer adjust(String ref, String position, String body) {
        return door.postJson("/api/v1/vehicles/" + ref + "/wheels/" + position + "/adjustments", body);
    }

    private List<JsonNode> changes(String ref, String position) {
        return door.get("/api/v1/vehicles/" + ref + "/wheels/" + position + "/changes")
                .json()
                .get("items")
                .valueStream()
                .toList();
    }

    @Test
    void aPressureThatWasSetIsOnRecordAndInTheChart() {
        FourWheels vehicle = fourWheels("", "");
        Door.Answer answer = adjust(
                vehicle.ref(),
                "1R",
                "{\"at\":\"" + now.minusSeconds(600) + "\",\"beforeKpa\":765.5,\"afterKpa\":800,\"note\":\"cold\"}");

        assertThat(answer.status()).isEqualTo(200);
        JsonNode change = changes(vehicle.ref(), "1R").get(1);
        assertThat(change.get("kind").asString()).isEqualTo("ADJUSTED");
        assertThat(change.get("fromKpa").asDouble()).isEqualTo(765.5);
        assertThat(change.get("note").asString()).isEqualTo("cold");
        assertThat(changes(vehicle.ref(), "1L")).hasSize(1);
        JsonNode chart = door.get("/api/v1/vehicles/" + vehicle.ref() + "/wheels/1R/chart?hours=2")
                .json();
        assertThat(chart.get("changes")).hasSize(1);
    }

    @Test
    void airThatNobodyWroteDownIsAnEventOfTheWheelAndNoAlert() {
        FourWheels vehicle = fourWheels("", "");
        drive(vehicle, now.minus(Duration.ofHours(5)), now.minus(Duration.ofHours(2)), 1, 0);
        drive(vehicle, now.minus(Duration.ofHours(2)), now, 1, 30);

        JsonNode filled = changes(vehicle.ref(), "1R").stream()
                .filter(change -> change.get("kind").asString().equals("FILLED"))
                .findFirst()
                .orElseThrow();
        assertThat(Instant.parse(filled.get("at").asString()))
                .isBetween(
                        now.minus(Duration.ofHours(2)).minusSeconds(60),
                        now.minus(Duration.ofHours(2)).plusSeconds(120));
        assertThat(filled.get("toKpa").asDouble() - filled.get("fromKpa").asDouble())
                .isBetween(24.0, 36.0);
        assertThat(changes(vehicle.ref(), "2L")).hasSize(1);
        assertThat(door.alertsOf(vehicle.ref())).isEmpty();
    }

    /** 1L and 2R at their levels, or at each other's. */
    private void driveExchanged(FourWheels vehicle, Instant from, Instant to, boolean isExchanged) {
        Random random = new Random(20261128);
        double[] levels = isExchanged ? new double[] {780, 800, 800, 860} : new double[] {860, 800, 800, 780};
        List<String> readings = new ArrayList<>();
        for (Instant at = from; at.isBefore(to); at = at.plusSeconds(60)) {
            for (int i = 0; i < 4; i++) {
                double exact = levels[i] + random.nextDouble() * 2 - 1;
                readings.add(reading(vehicle.codes().get(i), at.plusSeconds(i), Math.round(exact), 20));
            }
        }
        assertThat(door.readings(array(readings)).status()).isEqualTo(200);
    }

    @Test
    void sensorsThatChangedPlacesAreOfferedForExchangeAndJudgedAgainAtTheRightWheels() {
        FourWheels vehicle = fourWheels("", "");
        driveExchanged(vehicle, now.minus(Duration.ofHours(5)), now.minus(Duration.ofHours(2)), false);
        driveExchanged(vehicle, now.minus(Duration.ofHours(2)), now.minus(Duration.ofHours(1)), true);
        JsonNode crossed = door.alertsOf(vehicle.ref()).stream()
                .filter(alert -> alert.get("kind").asString().equals("SENSORS_CROSSED")
                        && alert.get("position").asString().equals("1L"))
                .findFirst()
                .orElseThrow();
        JsonNode detail =
                door.get("/api/v1/alerts/" + crossed.get("id").asString()).json();
        assertThat(detail.get("exchangeWith").asString()).isEqualTo("2R");

        String exchanges = "/api/v1/vehicles/" + vehicle.ref() + "/sensor-exchanges";
        Door.Answer done = door.postJson(
                exchanges,
                "{\"position\":\"1L\",\"other\":\"2R\",\"at\":"
                        + crossed.get("openedAt").toString() + "}");
        assertThat(done.status()).as(done.text()).isEqualTo(204);

        JsonNode last = door.get("/api/v1/vehicles/" + vehicle.ref() + "/wheels/1L/readings?from="
                        + now.minus(Duration.ofMinutes(70)))
                .json()
                .at("/items/0");
        assertThat(last.get("sensor").asString()).isEqualTo(vehicle.codes().get(3));
        assertThat(last.get("pressureKpa").asDouble()).isBetween(858.0, 862.0);
        assertThat(door.alertsOf(vehicle.ref()).stream()
                        .filter(alert -> !alert.get("state").asString().equals("CLOSED"))
                        .map(alert -> alert.get("kind").asString()))
                .doesNotContain("SENSORS_CROSSED");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{}",
                "{\"position\":\"1L\"}",
                "{\"position\":\"1L\",\"other\":\"1L\"}",
                "{\"position\":\"9L\",\"other\":\"1L\"}",
                "{\"position\":\"1L\",\"other\":\"1R\",\"at\":\"2040-01-01T00:00:00Z\"}",
                "{\"position\":\"1L\",\"other\":\"1R\",\"at\":\"2020-01-01T00:00:00Z\"}"
            })
    void anExchangeThatCannotBeIsRefusedWithWhatToDo(String body) {
        FourWheels vehicle = fourWheels("", "");

        Door.Answer answer = door.postJson("/api/v1/vehicles/" + vehicle.ref() + "/sensor-exchanges", body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(400);
        assertThat(answer.json().get("detail").asString()).isNotBlank();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"afterKpa\":-5}|400",
                "{\"afterKpa\":2500}|400",
                "{\"at\":\"2020-01-01T00:00:00Z\"}|400",
                "{\"at\":\"2040-01-01T00:00:00Z\"}|400",
                "{\"at\":\"yesterday\"}|400",
                "[]|400",
                "{}|400"
            })
    void whatCannotBeIsRefused(String body, int status) {
        FourWheels vehicle = fourWheels("", "");

        Door.Answer answer = adjust(vehicle.ref(), "2L", body);

        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        if (status == 400) {
            assertThat(changes(vehicle.ref(), "2L")).hasSize(1);
        }
    }

    @Test
    void onlyWhoMayHandleWheelsMayRecordAndOnlyWheelsThatAreThere() {
        FourWheels vehicle = fourWheels("", "");

        assertThat(adjust(vehicle.ref(), "7R", "{}").status()).isEqualTo(404);
        assertThat(adjust("nobody", "1L", "{}").status()).isEqualTo(404);
        assertThat(door.withToken(null)
                        .postJson("/api/v1/vehicles/" + vehicle.ref() + "/wheels/1L/adjustments", "{}")
                        .status())
                .isIn(401, 403);
    }

    @Test
    void airLetInAtOneWheelAndSeenAtAnotherCrossesTheTwo() {
        FourWheels vehicle = fourWheels("", "");
        Instant filled = now.minus(Duration.ofMinutes(40));
        drive(vehicle, now.minus(Duration.ofHours(4)), filled, -1, 0);
        adjust(vehicle.ref(), "1L", "{\"at\":\"" + filled + "\",\"afterKpa\":830}");
        drive(vehicle, filled.plusSeconds(60), now.minusSeconds(60), 1, 32);

        JsonNode alert = door.alertsOf(vehicle.ref()).get(0);
        assertThat(door.alertsOf(vehicle.ref())).hasSize(1);
        assertThat(alert.get("kind").asString()).isEqualTo("SENSORS_CROSSED");
        assertThat(alert.get("position").asString()).isEqualTo("1L");
        JsonNode detail =
                door.get("/api/v1/alerts/" + alert.get("id").asString()).json();
        assertThat(detail.get("causes").get(0).get("because").asString()).contains("axle 1 right");
    }

    @Test
    void airSeenWhereItWasLetInSaysNothing() {
        FourWheels vehicle = fourWheels("", "");
        Instant filled = now.minus(Duration.ofMinutes(40));
        drive(vehicle, now.minus(Duration.ofHours(4)), filled, -1, 0);
        adjust(vehicle.ref(), "1R", "{\"at\":\"" + filled + "\"}");
        drive(vehicle, filled.plusSeconds(60), now.minusSeconds(60), 1, 32);

        assertThat(door.alertsOf(vehicle.ref())).isEmpty();
    }

    @Test
    void anotherTargetIsAChangeOfItsAxle() {
        FourWheels vehicle = fourWheels("", "");
        JsonNode export = door.get("/api/v1/fleet-export").json();
        String own = export.get("vehicles")
                .valueStream()
                .filter(v -> v.get("ref").asString().equals(vehicle.ref()))
                .findFirst()
                .orElseThrow()
                .toString();
        door.importFleet(document(own.replaceFirst("800\\.0", "840.0"), "\"onExisting\":\"update\","));

        JsonNode change = changes(vehicle.ref(), "1L").get(1);
        assertThat(change.get("kind").asString()).isEqualTo("LIMITS_CHANGED");
        assertThat(change.get("toKpa").asDouble()).isEqualTo(840);
        assertThat(changes(vehicle.ref(), "2L")).hasSize(1);
    }

    @Test
    void whatAVehicleDoesAndItsAxlesPeculiaritiesGoOutAsTheyCameIn() {
        FourWheels vehicle =
                fourWheels(", \"duty\": \"CITY_BUS\"", ", \"ballasted\": true, \"automaticInflation\": true");

        JsonNode item = door.get("/api/v1/vehicles/" + vehicle.ref()).json();
        assertThat(item.get("duty").asString()).isEqualTo("CITY_BUS");
        // A city bus warns at 80 and stops at 90 °C [our judgement].
        assertThat(item.get("axles").get(0).get("limits").get("temperatureC").asDouble())
                .isEqualTo(80);
        assertThat(item.get("axles").get(1).get("isBallasted").asBoolean()).isTrue();
        JsonNode exported = door.get("/api/v1/fleet-export")
                .json()
                .get("vehicles")
                .valueStream()
                .filter(v -> v.get("ref").asString().equals(vehicle.ref()))
                .findFirst()
                .orElseThrow();
        assertThat(exported.get("duty").asString()).isEqualTo("CITY_BUS");
        assertThat(exported.get("axles").get(0).get("automaticInflation").asBoolean())
                .isTrue();
    }

    @Test
    void anUnknownDutyIsRefusedByName() {
        Door.Answer answer = door.importFleet(document(
                "{ \"ref\": \"D-1\", \"kind\": \"BUS\", \"duty\": \"RACING\", \"axles\": [ { \"role\": \"STEER\","
                        + " \"wheels\": \"SINGLE\", \"coldPressureKpa\": 800 } ] }",
                ""));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.json().get("errors").get(0).get("field").asString()).isEqualTo("$.vehicles[0].duty");
    }

    /** 800 kPa at 20 °C are 691 at −15 °C [gas law]: 13.6 % under target on the gauge. */
    @Test
    void aColdNightIsOneNoteForTheVehicle() {
        FourWheels vehicle = fourWheels("", "");
        drive(vehicle, now.minus(Duration.ofHours(9)), now.minus(Duration.ofHours(7)), -1, 0);
        List<String> morning = new ArrayList<>();
        for (int minute = 0; minute < 8; minute++) {
            for (int i = 0; i < 4; i++) {
                Instant at = now.minus(Duration.ofMinutes(10 - minute)).plusSeconds(i);
                morning.add(reading(vehicle.codes().get(i), at, 691, -15));
            }
        }
        door.readings(array(morning));

        List<JsonNode> alerts = door.alertsOf(vehicle.ref());
        assertThat(alerts).hasSize(1);
        assertThat(alerts.get(0).get("kind").asString()).isEqualTo("WEATHER_LOW");
        assertThat(alerts.get(0).get("position").isNull()).isTrue();
        assertThat(alerts.get(0).get("urgency").asString()).isEqualTo("PLAN");
        JsonNode detail =
                door.get("/api/v1/alerts/" + alerts.get(0).get("id").asString()).json();
        assertThat(detail.get("shownPosition").asString()).isIn(POSITIONS);
    }
}
