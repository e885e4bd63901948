package vividcaravan.server.duty;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** A stop now that nobody acknowledges goes from one to the next, and then to all managers. */
@ExtendWith(RunningProduct.class)
class EscalationsTest {

    private final Door door = RunningProduct.door();
    private final Instant now = Instant.now();
    private Door.Truck truck;
    private String depot;
    private String first;
    private String second;

    @BeforeEach
    void aDepotWithTwoOnDuty() {
        truck = door.newTruck();
        depot = "Yard of " + truck.ref();
        first = person("first");
        second = person("second");
        door.putJson(
                "/api/v1/depots", "{ \"name\": \"%s\", \"timeZone\": \"UTC\", \"altitudeM\": 0 }".formatted(depot));
        assertThat(door.importFleet(
                                ("{ \"format\": \"vivid-caravan-fleet\", \"version\": 1, \"onExisting\": \"update\", \"vehicles\": [ {"
                                                + " \"ref\": \"%s\", \"kind\": \"RIGID_TRUCK\", \"depot\": \"%s\", \"axles\": [ {"
                                                + " \"role\": \"STEER\", \"wheels\": \"SINGLE\", \"coldPressureKpa\": 800 } ], \"sensors\":"
                                                + " [ { \"position\": \"1L\", \"code\": \"%s\" } ] } ] }")
                                        .formatted(truck.ref(), depot, truck.left()))
                        .status())
                .isEqualTo(200);
    }

    private String person(String name) {
        String userName = name + "-" + truck.ref().toLowerCase(java.util.Locale.ROOT);
        door.postJson(
                "/api/v1/accounts",
                "{ \"userName\": \"%s\", \"displayName\": \"%s\", \"role\": \"TECHNICIAN\", \"password\": \"a password of tests\" }"
                        .formatted(userName, name));
        return userName;
    }

    private String shift(String who) {
        String day = now.atZone(ZoneOffset.UTC).minusHours(12).getDayOfWeek().name();
        // A day and a night around this moment, whichever hour it is.
        String from = now.minus(Duration.ofHours(12))
                .atZone(ZoneOffset.UTC)
                .toLocalTime()
                .truncatedTo(ChronoUnit.MINUTES)
                .toString();
        return "{ \"who\": \"%s\", \"day\": \"%s\", \"from\": \"%s\", \"to\": \"%s\" }".formatted(who, day, from, from);
    }

    private Door.Answer duty(String shifts) {
        return door.putJson("/api/v1/duty", "{ \"depot\": \"%s\", \"shifts\": [ %s ] }".formatted(depot, shifts));
    }

    private String stopNow() {
        Instant begin = now.minusSeconds(600).truncatedTo(ChronoUnit.SECONDS);
        door.readings(array(IntStream.range(0, 4)
                .mapToObj(minute -> reading(truck.left(), begin.plusSeconds(minute * 60L), 560, 20))
                .toList()));
        JsonNode alert = door.alertsOf(truck.ref()).get(0);
        assertThat(alert.get("urgency").asString()).isEqualTo("STOP_NOW");
        return alert.get("id").asString();
    }

    private List<String> calls(String alert) {
        return door.get("/api/v1/alerts/" + alert)
                .json()
                .get("record")
                .valueStream()
                .filter(entry -> entry.get("change").asString().equals("ESCALATED"))
                .map(entry -> entry.get("note").asString())
                .toList();
    }

    private void after(int minutes) {
        RunningProduct.bean(Escalations.class).escalate(now.plus(Duration.ofMinutes(minutes)));
    }

    @Test
    void goesFromOneToTheNextUntilSomebodyAcknowledges() {
        assertThat(duty(shift(first) + "," + shift(second)).status()).isEqualTo(200);
        String alert = stopNow();

        after(1);
        after(3);
        assertThat(calls(alert)).hasSize(1);
        assertThat(calls(alert).get(0)).startsWith("first");
        after(7);
        assertThat(calls(alert)).hasSize(2);
        assertThat(calls(alert).get(1)).contains("Nobody has acknowledged it").contains("second");

        door.postJson("/api/v1/alerts/" + alert + "/acknowledge", "{}");
        after(30);

        assertThat(calls(alert)).hasSize(2);
    }

    @Test
    void whereNobodyIsOnDutyItIsWrittenDownWhoWasCalledInstead() {
        door.postJson(
                "/api/v1/accounts",
                "{ \"userName\": \"boss-%s\", \"displayName\": \"The boss\", \"role\": \"MANAGER\", \"password\": \"a password of tests\" }"
                        .formatted(truck.ref().toLowerCase(java.util.Locale.ROOT)));
        String alert = stopNow();

        after(1);

        assertThat(calls(alert)).hasSize(1);
        assertThat(calls(alert).get(0)).contains("The boss, no mail address");
    }

    @Test
    void theListSaysWhoIsOnDutyNowAndIsKeptAsItWasEntered() {
        duty(shift(second) + "," + shift(first));

        JsonNode own = door.get("/api/v1/duty")
                .json()
                .get("depots")
                .valueStream()
                .filter(one -> one.get("depot").asString().equals(depot))
                .findFirst()
                .orElseThrow();
        assertThat(own.get("now").valueStream().map(JsonNode::asString)).containsExactly(second, first);
        assertThat(own.get("shifts")).hasSize(2);
        assertThat(door.putJson("/api/v1/duty/settings", "{ \"waitMinutes\": 5 }")
                        .json()
                        .get("waitMinutes")
                        .asInt())
                .isEqualTo(5);
    }

    @Test
    void whoLeftTheTeamIsNotCalledAndDoesNotHoldUpTheList() {
        duty(shift(first) + "," + shift(first) + "," + shift(second));
        door.send("DELETE", "/api/v1/accounts/" + first, new byte[0], java.util.Map.of());

        assertThat(duty(shift(first) + "," + shift(second)).status()).isEqualTo(200);

        String alert = stopNow();
        after(1);
        assertThat(calls(alert).get(0)).startsWith("second");
        assertThat(duty(shift(second)).status()).isEqualTo(200);
        assertThat(duty(shift(first)).status()).isEqualTo(400);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{ \"who\": \"nobody-known\", \"day\": \"MONDAY\", \"from\": \"22:00\", \"to\": \"06:00\" }",
                "{ \"who\": \"nobody-known\", \"day\": \"SOMEDAY\", \"from\": \"22:00\", \"to\": \"06:00\" }",
                "{ \"day\": \"MONDAY\", \"from\": \"25:00\", \"to\": \"06:00\" }",
                "null",
                "{}"
            })
    void aShiftThatCannotBeIsRefused(String shift) {
        assertThat(duty(shift).status()).isEqualTo(400);
        assertThat(door.putJson("/api/v1/duty/settings", "{ \"waitMinutes\": 0 }")
                        .status())
                .isEqualTo(400);
        assertThat(door.putJson("/api/v1/duty", "{ \"depot\": \"Nowhere\" }").status())
                .isEqualTo(400);
    }
}
