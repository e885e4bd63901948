package vividcaravan.server.limits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Instant;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Limits at their three levels, changed for many at once, shown before and undone after. */
@ExtendWith(RunningProduct.class)
class LimitsContractTest {

    private static final AtomicInteger NEXT = new AtomicInteger();

    private final Door door = RunningProduct.door();
    private final int number = NEXT.incrementAndGet();
    private final String ref = "LC-" + number;
    private final String left = "E1%04X".formatted(number);

    @BeforeEach
    void bringIn() {
        Door.Answer answer = door.importFleet(Door.document(
                """
                { "ref": "%s", "kind": "DOLLY", "depot": "Limits %d", "axles": [
                  { "role": "TRAILER", "wheels": "SINGLE", "coldPressureKpa": 800, "tyreSize": "385/65 R22.5" },
                  { "role": "TRAILER", "wheels": "SINGLE", "coldPressureKpa": 800,
                    "limits": { "lowPct": 12 } } ],
                  "sensors": [ { "position": "1L", "code": "%s", "fittedAt": "2026-01-03T09:00:00Z" } ] }"""
                        .formatted(ref, number, left),
                ""));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    private Door.Answer change(String change, boolean isPreview) {
        return door.postJson(
                "/api/v1/limit-changes", "{ \"isPreview\": " + isPreview + ", \"change\": { " + change + " } }");
    }

    private String here() {
        return "\"level\": \"AXLES\", \"vehicles\": [\"" + ref + "\"]";
    }

    private JsonNode axle(int axle) {
        return door.get("/api/v1/vehicles/" + ref).json().get("axles").get(axle - 1);
    }

    private double lowKpa(int axle) {
        return axle(axle).get("limits").get("lowKpa").asDouble();
    }

    private String levelOfLow(int axle) {
        return axle(axle).get("levels").get("lowPct").asString();
    }

    @Test
    void aTemplateReachesItsAxlesExceptWhereOneSaysOtherwise() {
        String template = "\"level\": \"TEMPLATE\", \"kind\": \"DOLLY\", \"role\": \"TRAILER\"";
        JsonNode made =
                change(template + ", \"limits\": { \"lowPct\": 8 }", false).json();
        try {
            assertThat(lowKpa(1)).isCloseTo(736, within(1e-6));
            assertThat(levelOfLow(1)).isEqualTo("TEMPLATE");
            assertThat(lowKpa(2)).isCloseTo(704, within(1e-6));
            assertThat(levelOfLow(2)).isEqualTo("AXLE");
        } finally {
            assertThat(door.postJson(
                                    "/api/v1/limit-changes/" + made.get("batch").asString() + "/undo", "")
                            .status())
                    .isEqualTo(200);
        }
        assertThat(levelOfLow(1)).isEqualTo("FLEET");
    }

    @Test
    void theFleetsPolicyReachesWhatInheritsItAndIsUndone() {
        JsonNode made = change("\"level\": \"FLEET\", \"limits\": { \"highPct\": 16 }", false)
                .json();
        try {
            assertThat(axle(1).get("limits").get("highKpa").asDouble()).isCloseTo(928, within(1e-6));
        } finally {
            door.postJson("/api/v1/limit-changes/" + made.get("batch").asString() + "/undo", "");
        }
        assertThat(axle(1).get("limits").get("highKpa").asDouble()).isCloseTo(920, within(1e-6));
        assertThat(door.get("/api/v1/limits")
                        .json()
                        .get("policy")
                        .get("highPct")
                        .asDouble())
                .isEqualTo(15);
    }

    private Door.Answer undo(JsonNode made) {
        return door.postJson("/api/v1/limit-changes/" + made.get("batch").asString() + "/undo", "");
    }

    @Test
    void undoingTouchesNothingButWhatTheChangeChanged() {
        JsonNode made = change(here() + ", \"axle\": 1, \"limits\": { \"lowPct\": 9 }", false)
                .json();
        change(here() + ", \"axle\": 1, \"coldPressureKpa\": 850", false);
        change(here() + ", \"axle\": 1, \"limits\": { \"highPct\": 13 }", false);

        Door.Answer undone = undo(made);

        assertThat(undone.status()).as(undone.text()).isEqualTo(200);
        assertThat(axle(1).at("/limits/targetKpa").asDouble()).isEqualTo(850);
        assertThat(axle(1).at("/policy/highPct").asDouble()).isEqualTo(13);
        assertThat(levelOfLow(1)).isEqualTo("FLEET");
    }

    @Test
    void whatWasChangedAgainSinceIsNotUndone() {
        JsonNode made = change(here() + ", \"axle\": 1, \"limits\": { \"lowPct\": 9 }", false)
                .json();
        change(here() + ", \"axle\": 1, \"limits\": { \"lowPct\": 8 }", false);

        Door.Answer undone = undo(made);

        assertThat(undone.status()).isEqualTo(409);
        assertThat(undone.text()).contains("lowPct is 8.0 by now").contains(ref);
        assertThat(axle(1).at("/policy/lowPct").asDouble()).isEqualTo(8);
    }

    @Test
    void aVehicleThatHasAnotherRefByNowIsFoundAndOneThatTookItsRefIsLeftAlone() {
        JsonNode made = change(here() + ", \"axle\": 2, \"limits\": { \"lowPct\": 9 }", false)
                .json();
        JsonNode described =
                door.get("/api/v1/vehicles/" + ref + "/description").json();
        String renamed = described.get("vehicle").toString().replace("\"" + ref + "\"", "\"" + ref + "-OLD\"");
        assertThat(door.putJson(
                                "/api/v1/vehicles/" + ref + "/description?revision="
                                        + described.get("revision").asInt(),
                                renamed)
                        .status())
                .isEqualTo(200);
        door.importFleet(Door.document(
                """
                { "ref": "%s", "kind": "DOLLY", "axles": [
                  { "role": "TRAILER", "wheels": "SINGLE", "coldPressureKpa": 700 },
                  { "role": "TRAILER", "wheels": "SINGLE", "coldPressureKpa": 700, "limits": { "lowPct": 9 } } ] }"""
                        .formatted(ref),
                ""));

        Door.Answer undone = undo(made);

        assertThat(undone.status()).as(undone.text()).isEqualTo(200);
        assertThat(door.get("/api/v1/vehicles/" + ref + "-OLD")
                        .json()
                        .at("/axles/1/policy/lowPct")
                        .asDouble())
                .isEqualTo(12);
        assertThat(axle(2).at("/policy/lowPct").asDouble()).isEqualTo(9);
    }

    @Test
    void whatAChangeWouldOpenIsShownAndNothingIsChangedByLooking() {
        door.readings(array(List.of(reading(left, Instant.now(), 735, 20))));

        JsonNode preview =
                change(here() + ", \"limits\": { \"lowPct\": 5 }", true).json();

        assertThat(preview.get("axles")).hasSize(2);
        assertThat(preview.get("opens").get(0).get("position").asString()).isEqualTo("1L");
        assertThat(preview.get("opens").get(0).get("words").asString()).contains("below the first limit");
        assertThat(preview.hasNonNull("batch")).isFalse();
        assertThat(lowKpa(1)).isCloseTo(720, within(1e-6));
    }

    @Test
    void theReferenceIsMovedWithItsConsequencesShownFirst() {
        door.readings(array(List.of(reading(left, Instant.now(), 760, 20))));
        String winter = here() + ", \"limits\": { \"referenceC\": 0 }";

        JsonNode preview = change(winter, true).json();

        // 800 kPa at 0 °C are 866 at 20 °C, and 760 are 12 % less.
        JsonNode first = preview.get("axles").get(0);
        assertThat(first.get("before").get("targetKpa").asDouble()).isEqualTo(800);
        assertThat(first.get("after").get("targetKpa").asDouble()).isCloseTo(866, within(0.05));
        assertThat(first.get("after").get("coldKpa").asDouble()).isEqualTo(800);
        assertThat(preview.get("opens").get(0).get("words").asString()).contains("below the first limit");
        assertThat(axle(1).get("limits").get("targetKpa").asDouble()).isEqualTo(800);

        change(winter, false);
        JsonNode limits = axle(1).get("limits");
        assertThat(limits.get("targetKpa").asDouble()).isCloseTo(866, within(0.05));
        assertThat(limits.get("referenceC").asDouble()).isZero();
        assertThat(limits.get("coldKpa").asDouble()).isEqualTo(800);
        assertThat(door.get("/api/v1/fleet-export").text()).contains("\"referenceC\"");
    }

    @Test
    void aTyreWithLiquidInItIsHeldToItsColdTargetWhateverTheReference() {
        String tractor = ref + "-B";
        assertThat(door.importFleet(Door.document(
                                """
                                { "ref": "%s", "kind": "DOLLY", "axles": [
                                  { "role": "TRAILER", "wheels": "SINGLE", "coldPressureKpa": 160, "ballasted": true,
                                    "limits": { "referenceC": 0 } },
                                  { "role": "TRAILER", "wheels": "SINGLE", "coldPressureKpa": 160,
                                    "limits": { "referenceC": 0 } } ] }"""
                                        .formatted(tractor),
                                ""))
                        .status())
                .isEqualTo(200);

        JsonNode axles = door.get("/api/v1/vehicles/" + tractor).json().get("axles");

        assertThat(axles.get(0).get("limits").get("targetKpa").asDouble()).isEqualTo(160);
        assertThat(axles.get(1).get("limits").get("targetKpa").asDouble()).isCloseTo(179.1, within(0.05));
    }

    @Test
    void aReferenceThatNoYardHasIsRefused() {
        assertThat(change(here() + ", \"limits\": { \"referenceC\": -60 }", true)
                        .text())
                .contains("targets hold at");
    }

    @Test
    void whatAChangeWouldCloseIsShown() {
        door.readings(array(List.of(reading(left, Instant.now(), 715, 20))));

        JsonNode preview =
                change(here() + ", \"limits\": { \"lowPct\": 15 }", true).json();

        assertThat(preview.get("closes").get(0).get("position").asString()).isEqualTo("1L");
        assertThat(preview.get("opens")).isEmpty();
    }

    @Test
    void chosenAxlesAreChangedAndTheOthersLeftAlone() {
        change(here() + ", \"tyreSize\": \"385/65 R22.5\", \"coldPressureKpa\": 900", false);

        assertThat(axle(1).get("limits").get("targetKpa").asDouble()).isEqualTo(900);
        assertThat(axle(2).get("limits").get("targetKpa").asDouble()).isEqualTo(800);

        change(here() + ", \"axle\": 2, \"inherit\": [\"lowPct\"]", false);
        assertThat(levelOfLow(2)).isEqualTo("FLEET");
    }

    @Test
    void aChangeThatSomeAxleCannotStandChangesNone() {
        // The second axle's own first limit is 12 %.
        JsonNode outcome = change(here() + ", \"limits\": { \"lowCriticalPct\": 11 }", false)
                .json();

        assertThat(outcome.get("faults").get(0).get("axle").asInt()).isEqualTo(2);
        assertThat(outcome.hasNonNull("batch")).isFalse();
        assertThat(axle(1).get("limits").get("lowCriticalKpa").asDouble()).isCloseTo(640, within(1e-6));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "'' | level",
                "\"level\": \"TEMPLATE\" | kind and a role",
                "\"level\": \"FLEET\", \"limits\": { \"lowPct\": 25 } | farther below",
                "\"level\": \"FLEET\", \"limits\": { \"lowPct\": -1 } | above 0",
                "\"level\": \"AXLES\", \"vehicles\": [\"nowhere\"] | No axle fits",
                "\"level\": \"AXLES\", \"coldPressureKpa\": -5 | 50 to 1200"
            })
    void nonsenseIsRefusedInWords(String change, String words) {
        Door.Answer answer = change(change, false);

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.text()).contains(words);
    }

    @Test
    void whatWasUndoneCannotBeUndoneAgain() {
        String batch = change(here() + ", \"limits\": { \"highPct\": 20 }", false)
                .json()
                .get("batch")
                .asString();
        String undo = "/api/v1/limit-changes/" + batch + "/undo";

        assertThat(door.postJson(undo, "").status()).isEqualTo(200);
        assertThat(door.postJson(undo, "").status()).isEqualTo(404);
        assertThat(door.postJson("/api/v1/limit-changes/x/undo", "").status()).isEqualTo(404);
    }

    /** 25 % above 90 psi is 112.5; 117 is 30 % [computed]. */
    @ParameterizedTest
    @CsvSource({
        "620.528, 25, 806.687, PSI, 775.66",
        "780, 10, 860, BAR, 0",
        "780, 10, 870, BAR, 858",
        "800, -10, 720, KPA, 0"
    })
    void aFigureThatIsNotItsPercentageIsPointedOut(
            double target, double pct, double entered, String unit, double right) {
        JsonNode checked = door.get("/api/v1/limits/stated-figure?targetKpa=" + target + "&pct=" + pct + "&enteredKpa="
                        + entered + "&unit=" + unit)
                .json();

        if (right == 0) {
            assertThat(checked.hasNonNull("rightKpa")).isFalse();
        } else {
            assertThat(checked.get("rightKpa").asDouble()).isCloseTo(right, within(0.01));
        }
        assertThat(door.get("/api/v1/limits/stated-figure?targetKpa=x&pct=1&enteredKpa=1&unit=BAR")
                        .status())
                .isEqualTo(400);
    }
}
