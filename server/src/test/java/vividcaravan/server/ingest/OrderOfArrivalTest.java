package vividcaravan.server.ingest;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** The same day comes out the same however it arrives: in one piece or many, with the map right or corrected later. */
@ExtendWith(RunningProduct.class)
class OrderOfArrivalTest {

    private final Door door = RunningProduct.door();
    private final Instant begin = Instant.now().minus(Duration.ofDays(3)).truncatedTo(ChronoUnit.MINUTES);

    private record Measured(Instant at, double kpa, double celsius) {}

    /** A made-up day of one tyre: leaks, repairs, heat. */
    private List<Measured> day(long seed) {
        Random random = new Random(seed);
        List<Measured> day = new ArrayList<>();
        double kpa = 800;
        double drift = 0;
        double celsius = 25;
        Instant at = begin;
        for (int i = 0; i < 400; i++) {
            if (random.nextInt(30) == 0) {
                drift = random.nextInt(3) == 0 ? -random.nextDouble() * 18 : 0;
            }
            if (random.nextInt(80) == 0) {
                kpa = 800;
                drift = 0;
            }
            kpa = Math.max(50, kpa + drift + random.nextDouble() * 2 - 1);
            celsius = Math.max(0, Math.min(100, celsius + random.nextDouble() * 6 - 2.9));
            at = at.plusSeconds(60 + random.nextInt(60));
            day.add(new Measured(at, Math.round(kpa * 10) / 10.0, Math.round(celsius)));
        }
        return day;
    }

    private static List<String> of(String sensor, List<Measured> day) {
        return day.stream()
                .map(m -> reading(sensor, m.at(), m.kpa(), m.celsius()))
                .toList();
    }

    private static List<Measured> between(List<Measured> day, Instant from, Instant to) {
        return day.stream()
                .filter(m -> !m.at().isBefore(from) && m.at().isBefore(to))
                .toList();
    }

    private static String both(Door.Truck truck, List<Measured> left, List<Measured> right) {
        List<String> all = new ArrayList<>(of(truck.left(), left));
        all.addAll(of(truck.right(), right));
        return array(all);
    }

    /** What the alerts of a vehicle say, without their identities and without the server's clock. */
    private List<String> said(String ref) {
        return door.alertsOf(ref).stream()
                .filter(alert -> !isWithdrawn(alert))
                .map(alert ->
                        alert.get("position").asString() + " " + alert.get("kind") + " " + alert.get("urgency") + " "
                                + alert.get("state") + " " + alert.get("openedAt") + " " + alert.get("closedAt") + " "
                                + alert.get("history"))
                .sorted()
                .toList();
    }

    private boolean isWithdrawn(JsonNode alert) {
        return door.get("/api/v1/alerts/" + alert.get("id").asString())
                .json()
                .get("record")
                .valueStream()
                .anyMatch(entry -> entry.get("change").asString().equals("WITHDRAWN"));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void aBacklogGivesTheSameAlertsHoweverItIsSplit(long seed) {
        Door.Truck whole = door.newTruck();
        Door.Truck parts = door.newTruck();
        List<Measured> left = day(seed);
        List<Measured> right = day(seed + 100);
        door.readings(both(whole, left, right));

        Random random = new Random(seed);
        Instant end = Stream.concat(left.stream(), right.stream())
                .map(Measured::at)
                .max(Instant::compareTo)
                .orElseThrow();
        // In order for the vehicle; within a request in any.
        for (Instant from = begin; !from.isAfter(end); ) {
            Instant to = from.plusSeconds(60 + random.nextInt(5_000));
            List<String> some = new ArrayList<>(of(parts.left(), between(left, from, to)));
            some.addAll(of(parts.right(), between(right, from, to)));
            java.util.Collections.shuffle(some, random);
            door.readings(array(some));
            from = to;
        }

        assertThat(said(parts.ref())).isEqualTo(said(whole.ref()));
        assertThat(said(whole.ref())).isNotEmpty();
    }

    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14, 15, 16})
    void aMoveRecordedAfterwardsComesOutAsIfItHadBeenKnown(long seed) {
        List<Measured> first = day(seed);
        List<Measured> second = day(seed + 100);
        Instant fitted = begin.minus(Duration.ofDays(1));
        Instant moved = first.get(200).at();
        // Known in time: the sensors change sides in the middle of the day.
        Door.Truck knew = door.newTruck(fitted);
        moveAcross(knew, moved);
        door.readings(both(knew, first, second));

        // Learned afterwards.
        Door.Truck learned = door.newTruck(fitted);
        door.readings(both(learned, first, second));
        moveAcross(learned, moved);

        assertThat(said(learned.ref())).isEqualTo(said(knew.ref()));
        assertThat(sensorsOf(learned.ref(), "1L")).containsExactly(learned.left(), learned.right());
    }

    private void moveAcross(Door.Truck truck, Instant moved) {
        Door.Truck crossed = new Door.Truck(truck.ref(), truck.right(), truck.left());
        Door.Answer answer =
                door.importFleet(Door.document(Door.vehicle(crossed, moved), "\"onExisting\": \"update\","));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    private List<String> sensorsOf(String ref, String position) {
        return door.get("/api/v1/vehicles/" + ref + "/wheels/" + position + "/readings?limit=10000&from=" + begin)
                .json()
                .get("items")
                .valueStream()
                .map(item -> item.get("sensor").asString())
                .distinct()
                .toList();
    }

    @Test
    void aBacklogOfTheSensorThatSatThereBeforeIsJudgedInItsPlace() {
        Instant fitted = begin.minus(Duration.ofDays(1));
        Instant moved = begin.plus(Duration.ofHours(2));
        Door.Truck truck = door.newTruck(fitted);
        String replacement = Door.newCode();
        door.importFleet(Door.document(
                Door.vehicle(new Door.Truck(truck.ref(), replacement, truck.right()), moved)
                        .replace(
                                "\"code\": \"" + truck.right() + "\", \"fittedAt\": \"" + moved + "\"",
                                "\"code\": \"" + truck.right() + "\""),
                "\"onExisting\": \"update\","));
        door.readings(array(List.of(
                reading(replacement, moved.plusSeconds(60), 800, 20),
                reading(replacement, moved.plusSeconds(120), 800, 20))));

        // The receiver was out of coverage; the old sensor's last hour arrives now.
        door.readings(array(List.of(
                reading(truck.left(), moved.minusSeconds(180), 600, 20),
                reading(truck.left(), moved.minusSeconds(120), 600, 20))));

        JsonNode alert = door.alertsOf(truck.ref()).get(0);
        assertThat(alert.get("urgency").asString()).isEqualTo("STOP_NOW");
        assertThat(Instant.parse(alert.get("openedAt").asString())).isEqualTo(moved.minusSeconds(120));
        assertThat(door.alertsOf(truck.ref())).hasSize(1);
    }

    @Test
    void whatReturnsWithinADayKeepsItsIdentityAcrossRequests() {
        Door.Truck truck = door.newTruck();
        List<String> low = new ArrayList<>();
        for (int round = 0; round < 3; round++) {
            for (int minute = 0; minute < 40; minute++) {
                low.add(reading(
                        truck.left(),
                        begin.plus(Duration.ofHours(20L * round)).plusSeconds(minute * 60L),
                        minute < 5 ? 700 : 800,
                        20));
            }
        }
        low.forEach(one -> door.readings("[" + one + "]"));

        assertThat(door.alertsOf(truck.ref())).hasSize(1);
        assertThat(door.alertsOf(truck.ref()).get(0).get("history").size()).isEqualTo(3);
    }
}
