package vividcaravan.server.description;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Instant;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Describing vehicles by hand, one or many, and what becomes of their states and targets. */
@ExtendWith(RunningProduct.class)
class VehicleDescriptionsContractTest {

    private static final AtomicInteger NEXT = new AtomicInteger();

    private final Door door = RunningProduct.door();
    private final int number = NEXT.incrementAndGet();
    private final String ref = "VD-" + number;
    private final String code = "DE%04X".formatted(number);

    private static final String STEER = "{ \"role\": \"STEER\", \"wheels\": \"SINGLE\", \"coldPressureKpa\": 850 }";
    private static final String DRIVE =
            "{ \"role\": \"DRIVE\", \"wheels\": \"TWIN\", \"coldPressureKpa\": 780, \"unladenPressureKpa\": 600,"
                    + " \"tyreSize\": \"315/80 R22.5\", \"maxPressureKpa\": 900, \"rimInches\": 22.5 }";

    private static String vehicle(String ref, String... axles) {
        return "{ \"ref\": \"" + ref + "\", \"kind\": \"RIGID_TRUCK\", \"depot\": \"Larkmoor\", \"axles\": ["
                + String.join(", ", axles) + "] }";
    }

    private Door.Answer describe(String... axles) {
        return door.postJson("/api/v1/vehicles", vehicle(ref, axles));
    }

    private JsonNode description() {
        return door.get("/api/v1/vehicles/" + ref + "/description").json();
    }

    @Test
    void aDescribedVehicleIsNotInServiceAndIsGivenBackAsItWasSaid() {
        Door.Answer answer = describe(STEER, DRIVE);

        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        JsonNode described = description();
        assertThat(described.get("state").asString()).isEqualTo("DESCRIBED");
        assertThat(described.get("revision").asInt()).isEqualTo(1);
        JsonNode drive = described.get("vehicle").get("axles").get(1);
        assertThat(drive.get("unladenPressureKpa").asDouble()).isEqualTo(600);
        assertThat(drive.get("tyreSize").asString()).isEqualTo("315/80 R22.5");
        JsonNode departure = door.get("/api/v1/vehicles/" + ref).json().get("departure");
        assertThat(departure.get("verdict").asString()).isEqualTo("LOOK_FIRST");
    }

    @Test
    void aDescriptionMovesNoVehicleToAnotherState() {
        String claimed = vehicle(ref, STEER).replace("\"kind\"", "\"state\": \"IN_SERVICE\", \"kind\"");

        assertThat(door.postJson("/api/v1/vehicles", claimed).status()).isEqualTo(400);
        assertThat(describe(STEER).status()).isEqualTo(201);
        assertThat(door.putJson("/api/v1/vehicles/" + ref + "/description?revision=1", claimed)
                        .status())
                .isEqualTo(200);

        assertThat(description().get("state").asString()).isEqualTo("DESCRIBED");
    }

    @Test
    void whatWasGivenBackCanBeSentAgainAfterTheVehicleMovedOn() {
        door.importFleet(Door.document(vehicle(ref, STEER), ""));
        JsonNode given = description();
        assertThat(door.putJson(
                                "/api/v1/vehicles/" + ref + "/state",
                                "{ \"state\": \"OUT_OF_SERVICE\", \"reason\": \"clutch\" }")
                        .status())
                .isEqualTo(200);

        Door.Answer answer = door.putJson(
                "/api/v1/vehicles/" + ref + "/description?revision="
                        + given.get("revision").asInt(),
                given.get("vehicle").toString());

        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(description().get("state").asString()).isEqualTo("OUT_OF_SERVICE");
    }

    @Test
    void whatWasNeverProvenComesIntoServiceByNoWayRound() {
        describe(STEER);
        String out = "{ \"state\": \"OUT_OF_SERVICE\", \"reason\": \"a way round\" }";

        assertThat(door.putJson("/api/v1/vehicles/" + ref + "/state", out).status())
                .isEqualTo(409);
        assertThat(door.putJson("/api/v1/vehicles/" + ref + "/state", "{ \"state\": \"IN_SERVICE\" }")
                        .status())
                .isEqualTo(409);
        assertThat(description().get("state").asString()).isEqualTo("DESCRIBED");
    }

    @Test
    void anUpdateOfADocumentMovesAVehicleOnlyWhereItMayGo() {
        door.importFleet(Door.document(vehicle(ref, STEER), ""));
        String fitted = vehicle(ref, STEER).replace("\"kind\"", "\"state\": \"BEING_FITTED\", \"kind\"");
        String out = vehicle(ref, STEER).replace("\"kind\"", "\"state\": \"OUT_OF_SERVICE\", \"kind\"");

        Door.Answer refused = door.importFleet(Door.document(fitted, "\"onExisting\": \"update\","));
        Door.Answer moved = door.importFleet(Door.document(out, "\"onExisting\": \"update\","));

        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.json().at("/errors/0/field").asString()).isEqualTo("$.vehicles[0].state");
        assertThat(moved.status()).as(moved.text()).isEqualTo(200);
        assertThat(description().get("state").asString()).isEqualTo("OUT_OF_SERVICE");
    }

    @Test
    void anUpdateThatSaysNothingOfSensorsLeavesThemWhereTheySit() {
        String withSensor = vehicle(ref, STEER, DRIVE)
                .replaceAll("}$", ", \"sensors\": [ { \"position\": \"1L\", \"code\": \"" + code + "\" } ] }");
        assertThat(door.importFleet(Door.document(withSensor, "")).status()).isEqualTo(200);
        String update = "\"onExisting\": \"update\",";

        door.importFleet(Door.document(vehicle(ref, STEER, DRIVE), update));
        assertThat(door.get("/api/v1/vehicles/" + ref).text()).contains(code);

        String none = vehicle(ref, STEER, DRIVE).replaceAll("}$", ", \"sensors\": [] }");
        door.importFleet(Door.document(none, update));
        assertThat(door.get("/api/v1/vehicles/" + ref).text()).doesNotContain(code);
    }

    @Test
    void lettersThatCannotBeAddressedOrReadAreNoPartOfARef() {
        for (String odd : List.of("\\ud800", "A\\u202eB", "A\\u0000B")) {
            Door.Answer answer = door.postJson("/api/v1/vehicles", vehicle(ref + odd, STEER));

            assertThat(answer.status()).as(odd).isEqualTo(400);
            assertThat(answer.json().at("/errors/0/field").asString()).isEqualTo("$.ref");
        }
    }

    @Test
    void everyFaultIsNamedAndNothingIsStored() {
        Door.Answer answer = describe(
                "{ \"role\": \"STEER\", \"wheels\": \"SINGLE\", \"coldPressureKpa\": -3 }",
                "{ \"role\": \"DRIVE\", \"wheels\": \"TWIN\", \"coldPressureKpa\": 780, \"maxPressureKpa\": 700 }",
                "{ \"role\": \"TAG\", \"wheels\": \"SINGLE\", \"coldPressureKpa\": 780,"
                        + " \"limits\": { \"lowPct\": 25 } }");

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.json().get("errors").valueStream().map(e -> e.get("field")
                        .asString()))
                .containsExactlyInAnyOrder(
                        "$.axles[0].coldPressureKpa", "$.axles[1].coldPressureKpa", "$.axles[2].limits.lowCriticalPct");
        assertThat(door.get("/api/v1/vehicles/" + ref).status()).isEqualTo(404);
    }

    @Test
    void noAxleAndThirteenAxlesAreRefusedInWords() {
        assertThat(describe().text()).contains("1 to 12 axles");
        String[] thirteen = IntStream.range(0, 13).mapToObj(i -> STEER).toArray(String[]::new);
        assertThat(describe(thirteen).text()).contains("1 to 12 axles, here are 13");
        assertThat(door.postJson("/api/v1/vehicles", "[1]").status()).isEqualTo(400);
        assertThat(door.postJson("/api/v1/vehicles", "null").status()).isEqualTo(400);
    }

    @Test
    void theSameRefTwiceIsRefused() {
        describe(STEER, DRIVE);

        Door.Answer again = describe(STEER, DRIVE);

        assertThat(again.status()).isEqualTo(409);
        assertThat(again.text()).contains("already");
    }

    @Test
    void aChangeFromAnOlderRevisionIsRefusedAndTheOthersChangeStays() {
        describe(STEER, DRIVE);
        String mine = "/api/v1/vehicles/" + ref + "/description?revision=1";
        assertThat(door.putJson(mine, vehicle(ref, STEER, DRIVE, STEER)).status())
                .isEqualTo(200);

        Door.Answer late = door.putJson(mine, vehicle(ref, STEER));

        assertThat(late.status()).isEqualTo(409);
        assertThat(late.text()).contains("Somebody else changed");
        assertThat(description().get("vehicle").get("axles")).hasSize(3);
    }

    @Test
    void aVehicleCanGetAnotherRef() {
        describe(STEER, DRIVE);

        Door.Answer renamed = door.putJson(
                "/api/v1/vehicles/" + ref + "/description?revision=1", vehicle(ref + "-new", STEER, DRIVE));

        assertThat(renamed.status()).isEqualTo(200);
        assertThat(door.get("/api/v1/vehicles/" + ref).status()).isEqualTo(404);
        assertThat(door.get("/api/v1/vehicles/" + ref + "-new").status()).isEqualTo(200);
    }

    @Test
    void aSensorAtAWheelThatIsNoMoreIsTakenOff() {
        door.importFleet(Door.document(
                vehicle(ref, STEER, DRIVE)
                        .replace("] }", "], \"sensors\": [ { \"position\": \"2LO\", \"code\": \"" + code + "\" } ] }"),
                ""));

        door.putJson("/api/v1/vehicles/" + ref + "/description?revision=1", vehicle(ref, STEER));

        assertThat(door.get("/api/v1/vehicles/" + ref).json().get("wheels"))
                .allSatisfy(wheel -> assertThat(wheel.hasNonNull("sensor")).isFalse());
        assertThat(door.get("/api/v1/vehicles/" + ref).json().get("state").asString())
                .isEqualTo("IN_SERVICE");
    }

    @Test
    void anotherUseBringsItsTargets() {
        describe(STEER, DRIVE);

        Door.Answer unladen = door.putJson("/api/v1/vehicles/" + ref + "/use", "{ \"use\": \"UNLADEN\" }");

        assertThat(unladen.status()).isEqualTo(200);
        JsonNode axles = door.get("/api/v1/vehicles/" + ref).json().get("axles");
        assertThat(axles.get(0).get("limits").get("targetKpa").asDouble()).isEqualTo(850);
        assertThat(axles.get(1).get("limits").get("targetKpa").asDouble()).isEqualTo(600);
        assertThat(door.putJson("/api/v1/vehicles/" + ref + "/use", "{ \"use\": \"FIELD\" }")
                        .text())
                .contains("No axle of " + ref);
    }

    @Test
    void outOfServiceNothingIsRaisedAndBackInServiceItIsTold() {
        door.importFleet(Door.document(
                vehicle(ref, STEER)
                        .replace(
                                "] }",
                                "], \"sensors\": [ { \"position\": \"1L\", \"fittedAt\":"
                                        + " \"2026-01-03T09:00:00Z\", \"code\": \"" + code + "\" } ] }"),
                ""));
        Instant now = Instant.now();
        String state = "/api/v1/vehicles/" + ref + "/state";
        assertThat(door.putJson(state, "{ \"state\": \"OUT_OF_SERVICE\" }").text())
                .contains("Say why");
        door.putJson(state, "{ \"state\": \"OUT_OF_SERVICE\", \"reason\": \"gearbox\" }");

        door.postJson(
                "/api/v1/readings",
                array(List.of(
                        reading(code, now.minusSeconds(90), 850, 20),
                        reading(code, now.minusSeconds(60), 700, 20),
                        reading(code, now.minusSeconds(30), 699, 20),
                        reading(code, now, 698, 20))));

        assertThat(openOf(ref)).isZero();
        assertThat(door.get("/api/v1/vehicles/" + ref).json().get("alerts")).isEmpty();
        door.putJson(state, "{ \"state\": \"IN_SERVICE\" }");
        assertThat(openOf(ref)).isEqualTo(1);
    }

    private long openOf(String wanted) {
        return door.get("/api/v1/alerts?limit=1000")
                .json()
                .get("items")
                .valueStream()
                .filter(alert -> alert.get("vehicle").asString().equals(wanted))
                .count();
    }

    @Test
    void aVehicleThatIsOnlyDescribedDoesNotComeIntoServiceByItself() {
        describe(STEER, DRIVE);

        Door.Answer answer = door.putJson("/api/v1/vehicles/" + ref + "/state", "{ \"state\": \"IN_SERVICE\" }");

        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.text()).contains("fit-out job");
    }

    private Door.Answer batch(String rows, boolean isPreview) {
        String quoted = rows.replace("\\", "\\\\")
                .replace("\"", "\\\"")
                .replace("\n", "\\n")
                .replace("\t", "\\t");
        return door.postJson(
                "/api/v1/vehicle-batches",
                "{ \"vehicle\": " + vehicle("any", STEER, DRIVE) + ", \"isPreview\": " + isPreview + ", \"rows\": \""
                        + quoted + "\" }");
    }

    @Test
    void fortyAlikeComeFromAPastedListAfterItWasLookedThrough() {
        String rows = IntStream.range(0, 40)
                .mapToObj(i -> "%s-%02d;KD %02d ALI;Sallow Bridge".formatted(ref, i, i))
                .collect(Collectors.joining("\n"));

        JsonNode preview = batch(rows, true).json();
        assertThat(preview.get("rows")).hasSize(40);
        assertThat(preview.get("stored").asInt()).isZero();
        assertThat(door.get("/api/v1/vehicles/" + ref + "-00").status()).isEqualTo(404);

        assertThat(batch(rows, false).json().get("stored").asInt()).isEqualTo(40);
        JsonNode made = door.get("/api/v1/vehicles/" + ref + "-39/description").json();
        assertThat(made.get("vehicle").get("plate").asString()).isEqualTo("KD 39 ALI");
        assertThat(made.get("vehicle").get("depot").asString()).isEqualTo("Sallow Bridge");
    }

    @Test
    void aHeadingMayGiveTheColumnsInAnotherOrder() {
        JsonNode preview = batch("Plate\tRef\nKD 1\t" + ref + "-h", true).json();

        assertThat(preview.get("rows").get(0).get("ref").asString()).isEqualTo(ref + "-h");
        assertThat(preview.get("rows").get(0).get("plate").asString()).isEqualTo("KD 1");
        assertThat(preview.get("faulty").asInt()).isZero();
    }

    @Test
    void tenThousandRowsWithTenFaultsAreAllLookedAtAndNothingIsStored() {
        describe(STEER, DRIVE);
        String rows = IntStream.range(0, 10_000)
                .mapToObj(i -> switch (i % 1_000) {
                    case 3 -> i < 1_000 ? ref : ", no ref " + i;
                    default -> ref + "-m" + i;
                })
                .collect(Collectors.joining("\n"));

        JsonNode outcome = batch(rows, false).json();

        assertThat(outcome.get("rows")).hasSize(10_000);
        assertThat(outcome.get("faulty").asInt()).isEqualTo(10);
        assertThat(outcome.get("stored").asInt()).isZero();
        assertThat(outcome.get("rows").get(3).get("faults").get(0).asString()).contains("already");
        assertThat(outcome.get("rows").get(1_003).get("faults").get(0).asString())
                .contains("missing");
        assertThat(door.get("/api/v1/vehicles/" + ref + "-m0").status()).isEqualTo(404);
    }

    @Test
    void aListThatIsNoneIsRefusedInWords() {
        assertThat(batch("", true).text()).contains("The list is empty");
        assertThat(batch("ref,plate", true).text()).contains("names no vehicle");
        assertThat(batch("\"open", true).status()).isEqualTo(400);
        assertThat(batch("A/1\nB,p,d,more\n" + ref + "-t\n" + ref + "-t", true)
                        .json()
                        .get("rows")
                        .valueStream()
                        .map(row -> row.get("faults").size()))
                .containsExactly(1, 1, 0, 1);
        assertThat(door.postJson("/api/v1/vehicle-batches", "{}").status()).isEqualTo(400);
    }
}
