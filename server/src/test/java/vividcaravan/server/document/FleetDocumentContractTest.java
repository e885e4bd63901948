package vividcaravan.server.document;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.document;
import static vividcaravan.server.Door.reading;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Fleet in, fleet out, line by line of the integration contract. */
@ExtendWith(RunningProduct.class)
class FleetDocumentContractTest {

    private static final AtomicInteger NEXT = new AtomicInteger();
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final Door door = RunningProduct.door();
    private final String ref = "FD-" + NEXT.incrementAndGet();

    private static String tractor(String ref, String code) {
        return """
                { "ref": "%s", "kind": "TRACTOR_UNIT", "plate": "KD 41 LUM", "depot": "North yard", "spares": 1,
                  "axles": [
                    { "role": "STEER", "wheels": "SINGLE", "liftable": false, "coldPressureKpa": 850,
                      "limits": { "basis": "COMPENSATED", "lowPct": 10, "lowCriticalPct": 20, "highPct": 15,
                                  "temperatureC": 70, "temperatureCriticalC": 85 } },
                    { "role": "DRIVE", "wheels": "TWIN", "liftable": false, "coldPressureKpa": 780 } ],
                  "sensors": [ { "position": "1L", "code": "%s", "mount": "STRAP",
                                 "fittedAt": "2026-01-03T09:00:00Z" } ] }"""
                .formatted(ref, code);
    }

    private static final String DEPOTS =
            "\"depots\": [ { \"name\": \"North yard\", \"timeZone\": \"Europe/Dublin\", \"altitudeM\": 40 } ],";

    private JsonNode exported(String wanted) {
        return door.get("/api/v1/fleet-export")
                .json()
                .get("vehicles")
                .valueStream()
                .filter(vehicle -> vehicle.get("ref").asString().equals(wanted))
                .findFirst()
                .orElseThrow();
    }

    private static List<String> fields(Door.Answer answer) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(400);
        assertThat(answer.contentType()).startsWith("application/problem+json");
        return answer.json()
                .get("errors")
                .valueStream()
                .map(fault -> fault.get("field").asString())
                .toList();
    }

    @Test
    void takesTheExampleAndGivesItBack() {
        String code = Door.newCode();
        Door.Answer answer = door.importFleet(document(tractor(ref, code), DEPOTS));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.json()).isEqualTo(JSON.readTree("{\"vehicles\":1,\"sensors\":1}"));
        JsonNode vehicle = exported(ref);
        assertThat(vehicle)
                .isEqualTo(JSON.readTree(tractor(ref, code)
                        .replace("850", "850.0")
                        .replace("780", "780.0")
                        .replace(": 10,", ": 10.0,")
                        .replace(": 20,", ": 20.0,")
                        .replace(": 15,", ": 15.0,")
                        .replace(": 70,", ": 70.0,")
                        .replace(": 85 ", ": 85.0 ")));
    }

    @Test
    void whatComesOutGoesInAgainAndChangesNothing() {
        door.importFleet(document(tractor(ref, Door.newCode()), DEPOTS));
        String out = door.get("/api/v1/fleet-export").text();

        Door.Answer again = door.importFleet(out.replaceFirst("\\{", "{\"onExisting\":\"update\","));

        assertThat(again.status()).as(again.text()).isEqualTo(200);
        assertThat(door.get("/api/v1/fleet-export").text()).isEqualTo(out);
    }

    @Test
    void onlyTheRequiredFieldsAreRequired() {
        String code = Door.newCode();
        String least =
                """
                { "ref": "%s", "kind": "DOLLY",
                  "axles": [ { "role": "TRAILER", "wheels": "TWIN", "coldPressureKpa": 800 } ],
                  "sensors": [ { "position": "1LO", "code": "%s" } ] }"""
                        .formatted(ref, code);

        assertThat(door.importFleet(document(least, "")).status()).isEqualTo(200);

        JsonNode vehicle = exported(ref);
        assertThat(vehicle.get("spares").asInt()).isZero();
        assertThat(vehicle.get("axles").get(0).get("liftable").asBoolean()).isFalse();
        assertThat(vehicle.has("depot")).isFalse();
        Instant fitted =
                Instant.parse(vehicle.get("sensors").get(0).get("fittedAt").asString());
        assertThat(Duration.between(fitted, Instant.now()).abs()).isLessThan(Duration.ofMinutes(1));
        JsonNode limits =
                door.get("/api/v1/vehicles/" + ref).json().get("axles").get(0).get("limits");
        assertThat(limits.get("basis").asString()).isEqualTo("COMPENSATED");
        assertThat(limits.get("lowKpa").asDouble()).isEqualTo(720);
        assertThat(limits.get("lowCriticalKpa").asDouble()).isEqualTo(640);
        assertThat(limits.get("highKpa").asDouble()).isEqualTo(920, org.assertj.core.data.Offset.offset(1e-6));
        assertThat(limits.get("temperatureC").asDouble()).isEqualTo(70);
        assertThat(limits.get("temperatureCriticalC").asDouble()).isEqualTo(85);
    }

    @Test
    void anUnknownDepotIsMade() {
        String depot = "Depot " + ref;
        door.importFleet(document(tractor(ref, Door.newCode()).replace("North yard", depot), ""));

        JsonNode made = door.get("/api/v1/fleet-export")
                .json()
                .get("depots")
                .valueStream()
                .filter(d -> d.get("name").asString().equals(depot))
                .findFirst()
                .orElseThrow();
        assertThat(made.get("timeZone").asString()).isEqualTo("UTC");
        assertThat(made.get("altitudeM").asDouble()).isZero();
    }

    @ParameterizedTest(name = "{0} → {2}")
    @CsvSource(
            delimiter = '|',
            value = {
                "\"ref\": \"REF\"           | \"ref\": \"\"               | $.vehicles[0].ref",
                "\"ref\": \"REF\"           | \"ref\": \"A/B\"            | $.vehicles[0].ref",
                "\"ref\": \"REF\"           | \"ref\": \"..\"             | $.vehicles[0].ref",
                "\"ref\": \"REF\",          |                             | $.vehicles[0].ref",
                "TRACTOR_UNIT               | LORRY                       | $.vehicles[0].kind",
                "\"kind\": \"TRACTOR_UNIT\",|                             | $.vehicles[0].kind",
                "\"spares\": 1              | \"spares\": -1              | $.vehicles[0].spares",
                "\"spares\": 1              | \"spares\": 1.5             | $.vehicles[0].spares",
                "\"spares\": 1              | \"spares\": \"one\"         | $.vehicles[0].spares",
                "\"spares\": 1              | \"wheels\": 1               | $.vehicles[0].wheels",
                "STEER                      | FRONT                       | $.vehicles[0].axles[0].role",
                "SINGLE                     | TRIPLE                      | $.vehicles[0].axles[0].wheels",
                "\"liftable\": false        | \"liftable\": 0             | $.vehicles[0].axles[0].liftable",
                "\"coldPressureKpa\": 850   | \"coldPressureKpa\": 49     | $.vehicles[0].axles[0].coldPressureKpa",
                "\"coldPressureKpa\": 850   | \"coldPressureKpa\": 1201   | $.vehicles[0].axles[0].coldPressureKpa",
                "\"coldPressureKpa\": 850   | \"coldPressureKpa\": \"850\"| $.vehicles[0].axles[0].coldPressureKpa",
                "\"coldPressureKpa\": 850   | \"coldPressureKpa\": 1e999  | $.vehicles[0].axles[0].coldPressureKpa",
                "\"coldPressureKpa\": 850,  |                             | $.vehicles[0].axles[0].coldPressureKpa",
                "COMPENSATED                | HOT                         | $.vehicles[0].axles[0].limits.basis",
                "\"lowCriticalPct\": 20     | \"lowCriticalPct\": 10      | $.vehicles[0].axles[0].limits.lowCriticalPct",
                "\"lowPct\": 10             | \"lowPct\": 25              | $.vehicles[0].axles[0].limits.lowCriticalPct",
                "\"lowPct\": 10             | \"lowPct\": 0               | $.vehicles[0].axles[0].limits.lowPct",
                "\"highPct\": 15            | \"highPct\": 70             | $.vehicles[0].axles[0].limits.highPct",
                "\"temperatureCriticalC\": 85 | \"temperatureCriticalC\": 70 | $.vehicles[0].axles[0].limits.temperatureCriticalC",
                "\"lowPct\": 10             | \"lowest\": 10              | $.vehicles[0].axles[0].limits.lowest",
                "\"position\": \"1L\"       | \"position\": \"1LO\"       | $.vehicles[0].sensors[0].position",
                "\"position\": \"1L\"       | \"position\": \"3L\"        | $.vehicles[0].sensors[0].position",
                "\"position\": \"1L\"       | \"position\": \"S2\"        | $.vehicles[0].sensors[0].position",
                "\"position\": \"1L\"       | \"position\": \"left\"      | $.vehicles[0].sensors[0].position",
                "\"position\": \"1L\",      |                             | $.vehicles[0].sensors[0].position",
                "\"code\": \"CODE\"         | \"code\": \"12345\"         | $.vehicles[0].sensors[0].code",
                "\"code\": \"CODE\"         | \"code\": \"123456789\"     | $.vehicles[0].sensors[0].code",
                "\"code\": \"CODE\"         | \"code\": \"12345O\"        | $.vehicles[0].sensors[0].code",
                "\"code\": \"CODE\"         | \"code\": 123456            | $.vehicles[0].sensors[0].code",
                "STRAP                      | TAPE                        | $.vehicles[0].sensors[0].mount",
                "2026-01-03T09:00:00Z       | last year                   | $.vehicles[0].sensors[0].fittedAt",
                "2026-01-03T09:00:00Z       | 2099-01-03T09:00:00Z        | $.vehicles[0].sensors[0].fittedAt",
                "Europe/Dublin              | Atlantis                    | $.depots[0].timeZone",
                "\"altitudeM\": 40          | \"altitudeM\": 90000        | $.depots[0].altitudeM",
                "\"version\": 1             | \"version\": 2              | $.version",
                "\"version\": 1,            |                             | $.version",
                "vivid-caravan-fleet        | other-fleet                 | $.format",
            })
    void aFaultIsNamedByItsPathAndChangesNothing(String right, String wrong, String field) {
        String code = Door.newCode();
        String good = document(tractor(ref, code), DEPOTS);
        String bad = good.replace(
                right.strip().replace("REF", ref).replace("CODE", code), wrong == null ? "" : wrong.strip());
        assertThat(bad).isNotEqualTo(good);

        assertThat(fields(door.importFleet(bad))).contains(field);
        assertThat(door.get("/api/v1/vehicles/" + ref).status()).isEqualTo(404);
    }

    @Test
    void everyFaultOfADocumentIsListed() {
        String bad = document(tractor(ref, Door.newCode()) + "," + tractor(ref, "nonsense"), "\"extra\": 1,")
                .replace("\"STEER\"", "\"FRONT\"");

        assertThat(fields(door.importFleet(bad)))
                .contains(
                        "$.extra",
                        "$.vehicles[0].axles[0].role",
                        "$.vehicles[1].axles[0].role",
                        "$.vehicles[1].ref",
                        "$.vehicles[1].sensors[0].code");
    }

    @Test
    void aSensorSitsInOnePlaceOnly() {
        String code = Door.newCode();
        String twice = document(tractor(ref, code) + "," + tractor(ref + "b", code), "");
        assertThat(fields(door.importFleet(twice))).containsExactly("$.vehicles[1].sensors[0].code");

        door.importFleet(document(tractor(ref, code), ""));
        Door.Answer elsewhere = door.importFleet(document(tractor(ref + "c", code), ""));
        assertThat(fields(elsewhere)).containsExactly("$.vehicles[0].sensors[0].code");
        assertThat(elsewhere.text()).contains(ref);
    }

    @Test
    void anExistingVehicleIsAFaultUnlessUpdateIsSaid() {
        String code = Door.newCode();
        door.importFleet(document(tractor(ref, code), ""));

        assertThat(fields(door.importFleet(document(tractor(ref, code), "")))).containsExactly("$.vehicles[0].ref");
        Door.Answer update =
                door.importFleet(document(tractor(ref, code).replace("850", "830"), "\"onExisting\": \"update\","));
        assertThat(update.status()).isEqualTo(200);
        assertThat(exported(ref).get("axles").get(0).get("coldPressureKpa").asDouble())
                .isEqualTo(830);
        assertThat(fields(door.importFleet(document("", "\"onExisting\": \"merge\","))))
                .containsExactly("$.onExisting");
    }

    @Test
    void anUpdateTakesOffSensorsThatItDoesNotNameAndKeepsTheirHistory() {
        String code = Door.newCode();
        door.importFleet(document(tractor(ref, code), ""));
        Instant before = Instant.now().minusSeconds(60);
        door.readings(array(List.of(reading(code, before, 850, 20))));

        String without = tractor(ref, code).replaceAll("(?s)\"sensors\": \\[.*\\] \\}", "\"sensors\": [] }");
        Door.Answer update = door.importFleet(document(without, "\"onExisting\": \"update\","));

        assertThat(update.status()).as(update.text()).isEqualTo(200);
        assertThat(exported(ref).get("sensors").size()).isZero();
        assertThat(door.get("/api/v1/vehicles/" + ref)
                        .json()
                        .get("wheels")
                        .get(0)
                        .get("condition")
                        .asString())
                .isEqualTo("NO_SENSOR");
        assertThat(door.get("/api/v1/vehicles/" + ref + "/wheels/1L/readings")
                        .json()
                        .get("items")
                        .size())
                .isEqualTo(1);
        // It is free for another vehicle now.
        assertThat(door.importFleet(document(
                                tractor(ref + "d", code)
                                        .replace(
                                                "2026-01-03T09:00:00Z",
                                                Instant.now().toString()),
                                ""))
                        .status())
                .isEqualTo(200);
    }

    @Test
    void importedVehiclesAreInServiceAtOnce() {
        String code = Door.newCode();
        door.importFleet(document(tractor(ref, code), ""));

        door.readings(array(List.of(
                reading(code, Instant.now().minusSeconds(60), 500, 20),
                reading(code, Instant.now().minusSeconds(30), 500, 20))));

        assertThat(door.alertsOf(ref)).hasSize(1);
    }

    @Test
    void aChangedLimitHoldsFromTheNextReading() {
        Door.Truck truck = door.newTruck();
        Instant begin = Instant.now().minusSeconds(600);
        for (int i = 0; i < 4; i++) {
            door.readings(array(List.of(reading(truck.left(), begin.plusSeconds(i * 30L), 760, 20))));
        }
        assertThat(door.alertsOf(truck.ref())).isEmpty();

        door.importFleet(document(
                Door.vehicle(truck, Instant.now().minus(Duration.ofDays(60))).replace("800", "850"),
                "\"onExisting\": \"update\","));
        for (int i = 4; i < 8; i++) {
            door.readings(array(List.of(reading(truck.left(), begin.plusSeconds(i * 30L), 760, 20))));
        }

        assertThat(door.alertsOf(truck.ref()).get(0).get("kind").asString()).isEqualTo("UNDER_PRESSURE");
    }

    @Test
    void altitudeBelongsToTheJudgement() {
        String code = Door.newCode();
        String high = tractor(ref, code).replace("North yard", "Pass " + ref);
        door.importFleet(document(high, "\"depots\": [ { \"name\": \"Pass " + ref + "\", \"altitudeM\": 2000 } ],"));
        door.readings(array(List.of(reading(code, Instant.now().minusSeconds(30), 800, 60))));

        JsonNode item = door.get("/api/v1/vehicles/" + ref + "/wheels/1L/readings")
                .json()
                .get("items")
                .get(0);

        // (800 + 101.325)·293.15/333.15 − 79.50, with 79.50 kPa at 2000 m [ISO 2533]; computed by hand.
        assertThat(item.get("pressureAt20Kpa").asDouble()).isEqualTo(713.61, org.assertj.core.data.Offset.offset(0.02));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "nonsense",
                "[]",
                "42",
                "\"text\"",
                "null",
                "{",
                "{\"format\":\"x\",\"format\":\"y\"}",
                "{} {}"
            })
    void aBodyThatIsNoDocumentIsAProblem(String body) {
        Door.Answer answer = door.importFleet(body);

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.contentType()).startsWith("application/problem+json");
    }

    @Test
    void deepNestingAndBrokenTextAreProblemsToo() {
        String deep = "{\"vehicles\":" + "[".repeat(5_000) + "]".repeat(5_000) + "}";
        byte[] broken = document(tractor(ref, Door.newCode()), "").getBytes(StandardCharsets.ISO_8859_1);
        broken[60] = (byte) 0xFF;

        assertThat(door.importFleet(deep).status()).isEqualTo(400);
        assertThat(door.send("POST", "/api/v1/fleet-imports", broken, Map.of("Content-Type", "application/json"))
                        .status())
                .isEqualTo(400);
    }

    @Test
    void aThousandVehiclesWithTwelveSensorsEachGoInWithinOneRequest() {
        String axles = "{ \"role\": \"DRIVE\", \"wheels\": \"TWIN\", \"coldPressureKpa\": 800 }";
        List<String> positions =
                List.of("1LO", "1LI", "1RI", "1RO", "2LO", "2LI", "2RI", "2RO", "3LO", "3LI", "3RI", "3RO");
        String vehicles = IntStream.range(0, 1_000)
                .mapToObj(v -> "{ \"ref\": \"BIG-" + v + "\", \"kind\": \"SEMI_TRAILER\", \"axles\": ["
                        + String.join(",", List.of(axles, axles, axles)) + "], \"sensors\": ["
                        + String.join(
                                ",",
                                IntStream.range(0, 12)
                                        .mapToObj(s -> "{ \"position\": \"" + positions.get(s) + "\", \"code\": \""
                                                + String.format("%08X", 0xC0000000L + v * 12L + s) + "\" }")
                                        .toList())
                        + "] }")
                .reduce((a, b) -> a + "," + b)
                .orElseThrow();

        Door.Answer answer = door.importFleet(document(vehicles, ""));

        assertThat(answer.json()).isEqualTo(JSON.readTree("{\"vehicles\":1000,\"sensors\":12000}"));
        assertThat(door.get("/api/v1/vehicles/BIG-999").json().get("wheels").size())
                .isEqualTo(12);
    }
}
