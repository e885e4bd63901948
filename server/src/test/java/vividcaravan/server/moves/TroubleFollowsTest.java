package vividcaravan.server.moves;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.onTheRoad;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/**
 * A leak that was topped up goes with its tyre through whatever people do: swaps, another vehicle, the spare's place, the store, moves
 * dated back, undos in any order. It is of that tyre after each act, and of no other.
 */
class TroubleFollowsTest {

    private static final int ACTS = 16;
    private static final List<String> WHEELS =
            List.of("LM-31 1L", "LM-31 1R", "LM-31 2L", "LM-31 2R", "LM-31 S1", "LM-32 1L", "LM-32 1R");

    @TempDir
    static Path folder;

    private static OwnProduct product;
    private final Map<String, String> tyres = new HashMap<>();

    @BeforeAll
    static void start() {
        product = OwnProduct.in(folder, Instant.parse("2026-11-20T06:00:00Z"));
    }

    @AfterAll
    static void stop() {
        product.close();
    }

    private void twoTrucks() {
        product.beginTest();
        Instant fitted = product.now().minus(Duration.ofDays(9));
        String sensors = String.join(
                ",",
                IntStream.range(0, 4)
                        .mapToObj(i ->
                                "{ \"position\": \"%s\", \"code\": \"A0000%d\", \"mount\": \"STRAP\", \"fittedAt\": \"%s\" }"
                                        .formatted(WHEELS.get(i).substring(6), i, fitted))
                        .toList());
        String axle = "{ \"role\": \"%s\", \"wheels\": \"SINGLE\", \"coldPressureKpa\": 800 }";
        String first = "{ \"ref\": \"LM-31\", \"kind\": \"RIGID_TRUCK\", \"spares\": 1, \"axles\": [ "
                + axle.formatted("STEER") + ", " + axle.formatted("DRIVE") + " ], \"sensors\": [ " + sensors + " ] }";
        String second =
                "{ \"ref\": \"LM-32\", \"kind\": \"RIGID_TRUCK\", \"axles\": [ " + axle.formatted("STEER") + " ] }";
        assertThat(product.door()
                        .importFleet(Door.document(first + "," + second, ""))
                        .status())
                .isEqualTo(200);
        for (String wheel : WHEELS) {
            String path = "/api/v1/vehicles/" + wheel.replace(" ", "/wheels/") + "/tyre";
            Door.Answer described =
                    product.door().putJson(path, "{ \"size\": \"315/80 R 22.5\", \"dateCode\": \"1224\" }");
            assertThat(described.status()).as(described.text()).isLessThan(300);
            tyres.put(wheel, tyreAt(wheel).get("id").asString());
        }
    }

    private JsonNode tyreAt(String wheel) {
        return product.door()
                .get("/api/v1/vehicles/" + wheel.substring(0, 5) + "/tyres")
                .json()
                .get("items")
                .valueStream()
                .filter(tyre -> tyre.get("position").asString().equals(wheel.substring(6)))
                .findFirst()
                .orElseThrow();
    }

    private void leakAndTopUp() {
        Instant from = product.now();
        product.pass(Duration.ofMinutes(190));
        List<String> sensors = List.of("A00000", "A00001", "A00002", "A00003");
        product.door()
                .readings(array(IntStream.range(0, 185)
                        .boxed()
                        .flatMap(minute -> sensors.stream().map(one -> {
                            boolean isLeaking = one.equals("A00002") && minute < 150;
                            Instant at = from.plusSeconds(minute * 60L + sensors.indexOf(one));
                            return onTheRoad(one, at, isLeaking ? 800 - 0.5 * minute : 800, 20);
                        }))
                        .toList()));
    }

    private static String place(String wheel) {
        return "\"vehicle\": \"" + wheel.substring(0, 5) + "\", \"position\": \"" + wheel.substring(6) + "\"";
    }

    private static String step(String from, String to, String more) {
        return "{ " + place(from) + ", \"to\": { " + to + " }" + more + " }";
    }

    private String where(String tyre) {
        JsonNode now = product.door().get("/api/v1/tyres/" + tyre).json().get("tyre");
        return now.get("vehicle").isNull()
                ? "STORE"
                : now.get("vehicle").asString() + " " + now.get("position").asString();
    }

    private void assertThatItIsOfThatTyreAlone(String leaking, String acts) {
        tyres.values().forEach(tyre -> {
            JsonNode trouble =
                    product.door().get("/api/v1/tyres/" + tyre).json().at("/tyre/trouble");
            boolean isKnown = trouble.valueStream()
                    .anyMatch(one -> one.get("kind").asString().equals("SLOW_LEAK"));
            assertThat(isKnown)
                    .as("%s at %s after %s: %s", tyre, where(tyre), acts, trouble)
                    .isEqualTo(tyre.equals(leaking));
        });
    }

    @ParameterizedTest
    @ValueSource(longs = {2, 7})
    void aLeakGoesWithItsTyreThroughWhateverIsDone(long seed) {
        Random random = new Random(seed);
        twoTrucks();
        leakAndTopUp();
        String leaking = tyres.get("LM-31 2L");
        List<String> moves = new ArrayList<>();
        List<String> acts = new ArrayList<>();
        assertThatItIsOfThatTyreAlone(leaking, "the leak");
        for (int act = 0; act < ACTS; act++) {
            product.pass(Duration.ofMinutes(5));
            Door.Answer answer;
            if (!moves.isEmpty() && random.nextInt(3) == 0) {
                String move = moves.get(random.nextInt(3) == 0 ? random.nextInt(moves.size()) : moves.size() - 1);
                answer = product.door().send("DELETE", "/api/v1/wheel-moves/" + move, new byte[0], Map.of());
                acts.add("undo " + move + " " + answer.status());
                if (answer.status() == 200) {
                    moves.remove(move);
                }
            } else {
                String body = move(random, random.nextBoolean() ? where(leaking) : null);
                answer = product.door().postJson("/api/v1/wheel-moves", body);
                acts.add(body + " " + answer.status());
                if (answer.status() == 201) {
                    moves.add(answer.json().get("id").asString());
                }
            }
            assertThat(answer.status()).as(acts + " " + answer.text()).isIn(200, 201, 400, 409);
            assertThatItIsOfThatTyreAlone(leaking, acts.toString());
        }
        assertThat(acts).as("something was done").anyMatch(act -> act.endsWith("201"));
    }

    /** Two wheels change places, or one is put into the store, or a tyre of the store comes to a wheel; some dated back. */
    private String move(Random random, String preferred) {
        String from = preferred != null && !preferred.equals("STORE") ? preferred : WHEELS.get(random.nextInt(7));
        String to = WHEELS.get(random.nextInt(7));
        String at = random.nextInt(4) == 0 ? "\"at\": \"" + product.now().minus(Duration.ofMinutes(2)) + "\", " : "";
        List<String> lying = tyres.values().stream()
                .filter(tyre -> where(tyre).equals("STORE"))
                .sorted()
                .toList();
        if (!lying.isEmpty() && random.nextInt(3) == 0) {
            String tyre = lying.get(random.nextInt(lying.size()));
            return "{ " + at + "\"steps\": [ { \"tyre\": \"" + tyre + "\", \"to\": { " + place(to) + " } } ] }";
        }
        if (random.nextInt(5) == 0) {
            return "{ " + at + "\"steps\": [ " + step(from, "\"kind\": \"STORE\"", ", \"sensor\": \"OFF\"") + " ] }";
        }
        return "{ " + at + "\"steps\": [ " + step(from, place(to), "") + ", " + step(to, place(from), "") + " ] }";
    }
}
