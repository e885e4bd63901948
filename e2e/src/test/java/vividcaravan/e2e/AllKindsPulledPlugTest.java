package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/**
 * The plug is pulled while people and machines write all kinds of things, and between a reading, the alert that it leads to,
 * the call for it and the text message of that: whatever was answered is there afterwards, and once. More of it with {@code -Dpulled.plugs=50}.
 */
class AllKindsPulledPlugTest {

    private static final int KINDS = 7;
    /** So that the plug is also pulled after a call went out: escalation and delivery look every few seconds. */
    private static final int MOST_ANSWERED = 2_500;

    private static final long BETWEEN_TWO_NANOS = 30_000_000;
    private static final int KILLS = Integer.getInteger("pulled.plugs", 3);

    @TempDir
    Path folder;

    private final AtomicInteger next = new AtomicInteger();
    /** What was answered, by what it is looked for in afterwards. */
    private final Map<String, Queue<String>> answered = new ConcurrentHashMap<>();
    /** The last that was answered and the last that was sent, of what replaces what was before. */
    private final Map<String, int[]> replaced = new ConcurrentHashMap<>();

    private final Queue<String> refused = new ConcurrentLinkedQueue<>();

    private interface Deed {
        void once(Product product, int number);
    }

    private static String fleet() {
        return """
                { "format": "vivid-caravan-fleet", "version": 1, "vehicles": [
                  { "ref": "AK-1", "kind": "RIGID_TRUCK",
                    "axles": [ { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 800 } ],
                    "sensors": [ { "position": "1L", "code": "ABCD01", "fittedAt": "2026-01-01T00:00:00Z" },
                                 { "position": "1R", "code": "ABCD02", "fittedAt": "2026-01-01T00:00:00Z" } ] } ] }""";
    }

    @Test
    void whateverWasAnsweredIsThereAfterwardsAndOnceAndEveryStopNowIsCalledForOnce() throws IOException {
        try (StopNowCalls calls = new StopNowCalls(KILLS)) {
            calls.listen();
            pullThePlug(calls);
        }
    }

    private Product start() {
        return Product.start(
                folder, Map.of("VIVID_API_TOKEN", Product.TOKEN, "VIVID_TEXTS_ALLOW_INSIDE", Boolean.toString(true)));
    }

    private void pullThePlug(StopNowCalls calls) {
        Product product = start();
        post(product, "/api/v1/fleet-imports", fleet());
        calls.team(product);
        post(product, "/api/v1/jobs", "{\"vehicle\":\"AK-1\",\"mount\":\"STRAP\"}");
        String alert = raiseAnAlert(product);
        List<Deed> deeds = deeds(alert);
        Random random = new Random(20_261_128);
        for (int kill = 0; kill < KILLS; kill++) {
            Product running = product;
            List<Thread> people = new ArrayList<>();
            for (Deed deed : deeds) {
                Thread person = new Thread(() -> {
                    try {
                        while (true) {
                            deed.once(running, next.incrementAndGet());
                            // Not as fast as it goes: a call takes seconds, and what was written by then is looked
                            // through.
                            LockSupport.parkNanos(BETWEEN_TWO_NANOS);
                        }
                    } catch (UncheckedIOException e) {
                        // The plug was pulled.
                    }
                });
                person.start();
                people.add(person);
            }
            int round = kill;
            Thread receiver = new Thread(() -> calls.goFlat(running, round));
            receiver.start();
            people.add(receiver);
            Patience.until("every kind was answered once", () -> answered.size() == KINDS || !refused.isEmpty());
            int enough = answeredSoFar() + random.nextInt(MOST_ANSWERED);
            Patience.until("enough was answered", () -> answeredSoFar() >= enough || !refused.isEmpty());
            product.kill();
            people.forEach(AllKindsPulledPlugTest::join);
            product = start();
            // A receiver that got no answer sends again.
            assertThat(calls.goFlat(product, round)).isTrue();
            assertEverythingIsThere(product, alert);
        }
        calls.assertEachWasCalledForOnce(product);
        System.out.printf(
                "%d kills: %d deliveries for two calls each; %s answered, nothing lost, nothing doubled%n",
                KILLS,
                calls.deliveries(),
                answered.entrySet().stream()
                        .map(entry -> entry.getValue().size() + " " + entry.getKey())
                        .toList());
        product.close();
        assertThat(refused).isEmpty();
        assertThat(answered)
                .hasSize(KINDS)
                .allSatisfy((kind, all) -> assertThat(all).as(kind).isNotEmpty());
    }

    private int answeredSoFar() {
        return answered.values().stream().mapToInt(Queue::size).sum();
    }

    private static void join(Thread thread) {
        try {
            thread.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static String raiseAnAlert(Product product) {
        List<String> readings = new ArrayList<>();
        long begin = Instant.now().minusSeconds(7_200).toEpochMilli();
        for (int i = 0; i < 20; i++) {
            readings.add(reading("ABCD01", begin + i * 60_000, 690));
            readings.add(reading("ABCD02", begin + i * 60_000, 800));
        }
        product.readings(Product.TOKEN, "[" + String.join(",", readings) + "]");
        return product.json("/api/v1/alerts?vehicle=AK-1").at("/items/0/id").asString();
    }

    private static String reading(String sensor, long at, double kpa) {
        return "{\"sensor\":\"%s\",\"at\":%d,\"pressureKpa\":%s,\"temperatureC\":20}".formatted(sensor, at, kpa);
    }

    private List<Deed> deeds(String alert) {
        long begin = Instant.now().minusSeconds(3_600).toEpochMilli();
        return List.of(
                (product, n) -> add(
                        "readings",
                        Long.toString(begin + n),
                        product,
                        "/api/v1/readings",
                        "[" + reading("ABCD02", begin + n, 800) + "]"),
                (product, n) -> add(
                        "entries",
                        "entry-of-" + n,
                        product,
                        "/api/v1/jobs/1/entries",
                        """
                        {"entries":[{"key":"entry-of-%d","kind":"NOTED","data":{"reason":"n"}}]}"""
                                .formatted(n)),
                (product, n) -> add(
                        "adjustments",
                        "set " + n,
                        product,
                        "/api/v1/vehicles/AK-1/wheels/1L/adjustments",
                        """
                        {"at":"%s","afterKpa":800,"note":"set %d"}"""
                                .formatted(Instant.ofEpochMilli(begin + n), n)),
                (product, n) -> add(
                        "notes",
                        "seen " + n,
                        product,
                        "/api/v1/alerts/" + alert + "/notes",
                        """
                        {"note":"seen %d"}""".formatted(n)),
                (product, n) -> add(
                        "vehicles",
                        "AK-N" + n,
                        product,
                        "/api/v1/vehicles",
                        """
                        {"ref":"AK-N%d","kind":"DOLLY","axles":[{"role":"TRAILER","wheels":"SINGLE","coldPressureKpa":700}]}"""
                                .formatted(n)),
                (product, n) -> add(
                        "tokens",
                        "token " + n,
                        product,
                        "/api/v1/tokens",
                        """
                        {"name":"token %d","scope":"RECEIVER"}""".formatted(n)),
                (product, n) -> add(
                        "plans",
                        "plan",
                        product,
                        "/api/v1/kit-plans",
                        """
                        {"vehicles":["AK-1"],"preference":["STRAP"],"isPreview":false}"""),
                (product, n) -> replace(
                        "stock",
                        n % 90_000,
                        () -> product.put("/api/v1/stock/RECEIVER", Product.TOKEN, "{\"onHand\":" + n % 90_000 + "}")),
                (product, n) -> replace(
                        "limit",
                        5 + n % 9,
                        () -> product.post(
                                "/api/v1/limit-changes",
                                Product.TOKEN,
                                "application/json",
                                "{\"isPreview\":false,\"change\":{\"level\":\"FLEET\",\"limits\":{\"lowPct\":"
                                        + (5 + n % 9) + "}}}")));
    }

    private void add(String kind, String name, Product product, String path, String body) {
        HttpResponse<String> answer = product.post(path, Product.TOKEN, "application/json", body);
        if (answer.statusCode() / 100 == 2 && !answer.body().contains("REFUSED")) {
            answered.computeIfAbsent(kind, k -> new ConcurrentLinkedQueue<>()).add(name);
        } else if (answer.statusCode() != 503 && !isNoFault(answer)) {
            refused.add(path + " " + answer.statusCode() + " " + answer.body());
        }
    }

    /**
     * Describing a vehicle while the fleet's limits change stores nothing and says so, and an alert takes so many notes and no
     * more.
     */
    private static boolean isNoFault(HttpResponse<String> answer) {
        return answer.statusCode() == 409
                && (answer.body().contains("Send it again") || answer.body().contains("it takes no more"));
    }

    private void replace(String kind, int value, java.util.function.Supplier<HttpResponse<String>> write) {
        int[] both = replaced.computeIfAbsent(kind, k -> new int[] {-1, -1});
        both[1] = value;
        HttpResponse<String> answer = write.get();
        if (answer.statusCode() == 200) {
            both[0] = value;
        } else if (answer.statusCode() != 503 && !isNoFault(answer)) {
            refused.add(kind + " " + answer.statusCode() + " " + answer.body());
        }
    }

    private static HttpResponse<String> post(Product product, String path, String body) {
        HttpResponse<String> answer = product.post(path, Product.TOKEN, "application/json", body);
        assertThat(answer.statusCode()).as(answer.body()).isBetween(200, 201);
        return answer;
    }

    private void assertEverythingIsThere(Product product, String alert) {
        Map<String, Map<String, Integer>> there = new HashMap<>();
        product.json("/api/v1/jobs/1/record").get("entries").forEach(entry -> count(there, "entries", entry, "key"));
        product.json("/api/v1/vehicles/AK-1/wheels/1L/changes")
                .get("items")
                .forEach(change -> count(there, "adjustments", change, "note"));
        product.json("/api/v1/alerts/" + alert).get("record").forEach(entry -> count(there, "notes", entry, "note"));
        product.json("/api/v1/vehicles").get("items").forEach(vehicle -> count(there, "vehicles", vehicle, "ref"));
        product.json("/api/v1/tokens").get("items").forEach(token -> count(there, "tokens", token, "name"));
        String cursor = "";
        while (cursor != null) {
            JsonNode page = product.json("/api/v1/vehicles/AK-1/wheels/1R/readings?limit=10000" + cursor);
            page.get("items").forEach(item -> there.computeIfAbsent("readings", k -> new HashMap<>())
                    .merge(
                            Long.toString(
                                    Instant.parse(item.get("at").asString()).toEpochMilli()),
                            1,
                            Integer::sum));
            cursor = page.get("nextCursor").isNull()
                    ? null
                    : "&cursor=" + page.get("nextCursor").asString();
        }
        answered.forEach((kind, names) -> {
            if (!kind.equals("plans")) {
                Map<String, Integer> found = there.getOrDefault(kind, Map.of());
                assertThat(names).as("%s answered", kind).allSatisfy(name -> assertThat(found.getOrDefault(name, 0))
                        .as("%s %s", kind, name)
                        .isEqualTo(1));
            }
        });
        assertThat(product.json("/api/v1/kit-plans").get("items").size())
                .isGreaterThanOrEqualTo(Math.min(200, answered.get("plans").size()));
        assertIsOneOf(
                product.json("/api/v1/stock")
                        .get("items")
                        .valueStream()
                        .filter(item -> item.get("item").asString().equals("RECEIVER"))
                        .findFirst()
                        .orElseThrow()
                        .get("onHand")
                        .asInt(),
                "stock");
        assertIsOneOf(product.json("/api/v1/limits").at("/policy/lowPct").asInt(), "limit");
    }

    private static void count(Map<String, Map<String, Integer>> there, String kind, JsonNode item, String field) {
        if (item.hasNonNull(field)) {
            there.computeIfAbsent(kind, k -> new HashMap<>())
                    .merge(item.get(field).asString(), 1, Integer::sum);
        }
    }

    /** What was answered last, or what was under way when the plug was pulled. */
    private void assertIsOneOf(int value, String kind) {
        int[] both = replaced.get(kind);
        assertThat(value).as(kind).isIn(both[0], both[1]);
        both[0] = value;
    }
}
