package vividcaravan.server.ingest;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.onTheRoad;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;
import vividcaravan.server.Patience;

/** What is corrected is answered at once and judged again beside everything else; until then nothing is milder, and no kill takes it. */
class JudgedAgainTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");
    private static final Instant BEGIN = NOW.minus(Duration.ofDays(2));

    @TempDir
    Path folder;

    private OwnProduct product;
    private Door.Truck truck;
    private Door.Truck twin;

    @BeforeEach
    void twoTrucksOfWhichOneEndOfTheAxleLeaks() {
        product = OwnProduct.in(folder, NOW);
        truck = product.door().newTruck(NOW.minus(Duration.ofDays(9)));
        twin = product.door().newTruck(NOW.minus(Duration.ofDays(9)));
        List.of(truck, twin).forEach(one -> drive(one, 0, 1_440));
    }

    @AfterEach
    void stop() {
        product.close();
    }

    /** Both report every other minute; from the second morning on the right one loses 6 kPa an hour. */
    private void drive(Door.Truck one, int first, int minutes) {
        List<String> readings = new ArrayList<>();
        for (int minute = first; minute < first + minutes; minute += 2) {
            Instant at = BEGIN.plusSeconds(minute * 60L);
            readings.add(onTheRoad(one.left(), at, 800, 20));
            readings.add(onTheRoad(one.right(), at, 800 - Math.max(0, minute - 1_000) / 10.0, 20));
        }
        assertThat(product.door().notWaiting().readings(array(readings)).status())
                .isEqualTo(200);
    }

    /** That both tyres changed sides before it began, which somebody writes down now. */
    private Door.Answer swap(Door.Truck one) {
        return swap(product.door(), one);
    }

    private Door.Answer swap(Door door, Door.Truck one) {
        String step =
                "{ \"vehicle\": \"%1$s\", \"position\": \"%2$s\", \"to\": { \"vehicle\": \"%1$s\", \"position\": \"%3$s\" } }";
        return door.postJson(
                "/api/v1/wheel-moves",
                "{ \"at\": \"%s\", \"steps\": [ %s, %s ] }"
                        .formatted(
                                BEGIN.plusSeconds(600),
                                step.formatted(one.ref(), "1L", "1R"),
                                step.formatted(one.ref(), "1R", "1L")));
    }

    private JsonNode vehicle(Door.Truck one) {
        return product.door().get("/api/v1/vehicles/" + one.ref()).json();
    }

    /** What is said of a truck: by wheel, kind, state and when it was opened. */
    private List<String> said(Door.Truck one) {
        return product.door().alertsOf(one.ref()).stream()
                .filter(alert -> !alert.get("state").asString().equals("CLOSED"))
                .map(alert -> alert.get("position").asString() + " "
                        + alert.get("kind").asString() + " "
                        + alert.get("openedAt").asString() + " "
                        + alert.get("urgency").asString())
                .sorted()
                .toList();
    }

    private void pause() {
        product.bean(JudgingAgain.class).stop();
    }

    private void goOn() {
        product.bean(JudgingAgain.class).start();
        settle();
    }

    private void settle() {
        Patience.until("its past is judged again", product.bean(JudgingAgain.class)::isIdle);
    }

    @Test
    void isAnsweredBeforeAndTheAlertFollowsItsWheel() {
        assertThat(said(truck)).singleElement().asString().startsWith("1R SLOW_LEAK");

        assertThat(swap(truck).status()).isEqualTo(201);

        assertThat(vehicle(truck).get("judgedAgain").isNull()).isTrue();
        assertThat(said(truck)).singleElement().asString().startsWith("1L SLOW_LEAK");
        assertThat(said(twin)).singleElement().asString().startsWith("1R SLOW_LEAK");
    }

    /** Nothing is milder than before, it is said how far it is, and readings, acts and pages go on. */
    @Test
    void untilThenTheVehicleIsHeldAndEverythingElseGoesOn() {
        assertThat(vehicle(truck).at("/departure/verdict").asString()).isEqualTo("NOT_YET");
        pause();

        assertThat(swap(product.door().notWaiting(), truck).status()).isEqualTo(201);

        JsonNode owed = vehicle(truck);
        assertThat(owed.at("/judgedAgain/from").asString())
                .isEqualTo(BEGIN.plusSeconds(600).toString());
        assertThat(owed.at("/judgedAgain/share").asDouble()).isZero();
        assertThat(owed.at("/departure/verdict").asString()).isEqualTo("NOT_YET");
        assertThat(owed.at("/departure/reasons").toString()).contains("its past is being judged again");
        drive(truck, 1_440, 10);
        assertThat(vehicle(truck).get("judgedAgain").isNull()).isFalse();

        goOn();

        assertThat(vehicle(truck).get("judgedAgain").isNull()).isTrue();
        assertThat(vehicle(truck).at("/departure/reasons").toString()).doesNotContain("being judged again");
        assertThat(said(truck)).singleElement().asString().startsWith("1L SLOW_LEAK");
    }

    private List<String> asTheTwinThatWasJudgedAtOnce() {
        assertThat(swap(twin).status()).isEqualTo(201);
        return said(twin);
    }

    @Test
    void aRestartTakesNothingOfIt() {
        pause();
        swap(product.door().notWaiting(), truck);

        product.restart();
        settle();

        assertThat(said(truck)).isEqualTo(asTheTwinThatWasJudgedAtOnce());
    }

    /** Readings that come in while it is owed are judged by where their sensor sits now, and once. */
    @Test
    void whatComesInMeanwhileIsCaughtUpWith() {
        pause();
        swap(product.door().notWaiting(), truck);
        for (Door.Truck one : List.of(truck, twin)) {
            drive(one, 1_440, 400);
        }
        goOn();

        assertThat(said(truck)).isEqualTo(asTheTwinThatWasJudgedAtOnce());
        product.restart();
        assertThat(said(truck)).isEqualTo(said(twin));
    }

    @Test
    void whatIsUndoneBeforeItWasJudgedLeavesNothing() {
        List<String> before = said(truck);
        pause();
        String move = swap(product.door().notWaiting(), truck).json().get("id").asString();
        assertThat(product.door()
                        .notWaiting()
                        .send("DELETE", "/api/v1/wheel-moves/" + move, new byte[0], Map.of())
                        .status())
                .isBetween(200, 204);

        goOn();

        assertThat(said(truck)).isEqualTo(before);
        assertThat(vehicle(truck).get("judgedAgain").isNull()).isTrue();
    }

    /** Several acts on a vehicle are one run from the earliest on. */
    @Test
    void severalActsAreOneRun() {
        pause();
        Door door = product.door().notWaiting();
        String move = swap(door, truck).json().get("id").asString();
        door.send("DELETE", "/api/v1/wheel-moves/" + move, new byte[0], Map.of());
        swap(door, truck);
        assertThat(vehicle(truck).at("/judgedAgain/from").asString())
                .isEqualTo(BEGIN.plusSeconds(600).toString());

        goOn();

        assertThat(said(truck)).isEqualTo(asTheTwinThatWasJudgedAtOnce());
    }

    @Test
    void whereNothingWasSaidSinceNothingIsOwed() {
        Door.Truck quiet = product.door().newTruck(NOW.minus(Duration.ofDays(9)));
        pause();

        assertThat(swap(product.door().notWaiting(), quiet).status()).isEqualTo(201);

        assertThat(vehicle(quiet).get("judgedAgain").isNull()).isTrue();
    }
}
