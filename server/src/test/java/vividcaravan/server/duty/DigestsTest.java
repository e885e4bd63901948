package vividcaravan.server.duty;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** What is not urgent is mailed once a day, at the hour of the depot. */
@ExtendWith(RunningProduct.class)
class DigestsTest {

    private static final ZoneId AUCKLAND = ZoneId.of("Pacific/Auckland");

    private final Door door = RunningProduct.door();

    @AfterEach
    void noMore() {
        door.putJson("/api/v1/duty/settings", "{ \"waitMinutes\": 5 }");
    }

    private List<JsonNode> lettersOf(String depot) {
        return door.get("/api/v1/outbox")
                .json()
                .get("items")
                .valueStream()
                .filter(mail -> mail.get("subject").asString().startsWith(depot))
                .toList();
    }

    /** A manager who came by a letter, so that there is an address. */
    private void managerWithAddress(String name) {
        door.postJson(
                "/api/v1/invitations", "{ \"email\": \"%s@example.org\", \"role\": \"MANAGER\" }".formatted(name));
        String text = door.get("/api/v1/outbox")
                .json()
                .get("items")
                .valueStream()
                .filter(mail -> mail.get("recipient").asString().equals(name + "@example.org"))
                .findFirst()
                .orElseThrow()
                .get("text")
                .asString();
        String secret = text.replaceAll("(?s).*/join#(\\S+).*", "$1");
        Browser browser = new Browser(door.withToken(null));
        browser.get("/api/v1/session");
        assertThat(browser.send(
                                "POST",
                                "/api/v1/join",
                                "{ \"secret\": \"%s\", \"userName\": \"%s\", \"displayName\": \"A. Reader\", \"password\": \"a password of tests\" }"
                                        .formatted(secret, name))
                        .statusCode())
                .isEqualTo(200);
    }

    @Test
    void isWrittenOnceAtTheHourOfTheDepot() {
        Door.Truck truck = door.newTruck();
        String depot = "Far yard of " + truck.ref();
        managerWithAddress("reader-" + truck.ref().toLowerCase(java.util.Locale.ROOT));
        door.putJson(
                "/api/v1/depots",
                "{ \"name\": \"%s\", \"timeZone\": \"%s\", \"altitudeM\": 0 }".formatted(depot, AUCKLAND));
        door.importFleet(
                ("{ \"format\": \"vivid-caravan-fleet\", \"version\": 1, \"onExisting\": \"update\", \"vehicles\": [ { \"ref\":"
                                + " \"%s\", \"kind\": \"RIGID_TRUCK\", \"depot\": \"%s\", \"axles\": [ { \"role\": \"STEER\", \"wheels\":"
                                + " \"SINGLE\", \"coldPressureKpa\": 800 } ], \"sensors\": [ { \"position\": \"1L\", \"code\": \"%s\" } ] } ] }")
                        .formatted(truck.ref(), depot, truck.left()));
        Instant begin = Instant.now().minusSeconds(600).truncatedTo(ChronoUnit.SECONDS);
        door.readings(array(IntStream.range(0, 4)
                .mapToObj(minute -> reading(truck.left(), begin.plusSeconds(minute * 60L), 700, 20))
                .toList()));
        assertThat(door.putJson("/api/v1/duty/settings", "{ \"waitMinutes\": 5, \"digestHour\": 6 }")
                        .json()
                        .get("digestHour")
                        .asInt())
                .isEqualTo(6);
        Digests digests = RunningProduct.bean(Digests.class);
        Instant six = LocalDate.now(AUCKLAND)
                .plusDays(3)
                .atTime(6, 5)
                .atZone(AUCKLAND)
                .toInstant();

        digests.write(six.minus(Duration.ofMinutes(10)));
        assertThat(lettersOf(depot)).isEmpty();
        digests.write(six);
        digests.write(six.plus(Duration.ofMinutes(20)));

        int readers = lettersOf(depot).size();
        assertThat(readers).isPositive();
        assertThat(lettersOf(depot).get(0).get("text").asString())
                .contains("Before next trip")
                .contains(truck.ref());
        assertThat(lettersOf(depot).get(0).get("subject").asString()).contains("none of them urgent");
        digests.write(six.plus(Duration.ofDays(1)));
        assertThat(lettersOf(depot)).hasSize(2 * readers);
    }

    @ParameterizedTest
    @ValueSource(strings = {"-1", "24", "\"six\""})
    void anHourThatNoDayHasIsRefused(String hour) {
        assertThat(door.putJson("/api/v1/duty/settings", "{ \"waitMinutes\": 5, \"digestHour\": " + hour + " }")
                        .status())
                .isEqualTo(400);
    }
}
