package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ConcurrentSkipListSet;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/**
 * Accepted means on disk: the process is killed under load again and again, and every acknowledged reading and the alert
 * it led to are there afterwards, none twice.
 */
class PulledPlugTest {

    private static final int KILLS = 5;
    private static final int CLIENTS = 4;
    private static final int BATCH = 50;
    /** Of each client, before the plug is pulled. */
    private static final int MOST_BATCHES = 40;

    private static final int VEHICLES = 8;
    private static final Trucks TRUCKS = new Trucks("PP-", 0xABC000, VEHICLES);

    @TempDir
    Path folder;

    private final AtomicLong next = new AtomicLong();
    private final long begin = Instant.now().minusSeconds(86_400).toEpochMilli();
    /** Times acknowledged of each sensor. */
    private final Map<String, Set<Long>> acknowledged = new ConcurrentHashMap<>();
    /** What a client found wrong; it would end with its thread otherwise. */
    private final Queue<Throwable> trouble = new ConcurrentLinkedQueue<>();
    /** Alerts seen by somebody before the plug was pulled: identity, and when it opened as what. */
    private final Map<String, String> alertsSeen = new ConcurrentHashMap<>();

    @Test
    void losesNothingThatWasAcknowledgedAndDoublesNothing() {
        Product product = Product.startWithToken(folder);
        assertThat(product.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", TRUCKS.document())
                        .statusCode())
                .isEqualTo(200);
        Random random = new Random(20_261_120);
        for (int kill = 0; kill < KILLS; kill++) {
            Product running = product;
            List<Thread> clients = new ArrayList<>();
            for (int c = 0; c < CLIENTS; c++) {
                int client = c;
                Thread thread = new Thread(() -> sendUntilTheEnd(running, client));
                thread.start();
                clients.add(thread);
            }
            int enough = acknowledged() + CLIENTS * BATCH * (1 + random.nextInt(MOST_BATCHES));
            Patience.until("the clients are at work", () -> acknowledged() > enough || !trouble.isEmpty());
            product.kill();
            clients.forEach(PulledPlugTest::join);
            assertThat(trouble).as("what the clients met").isEmpty();

            product = Product.startWithToken(folder);
            assertEverythingIsThere(product);
        }
        product.close();
        assertThat(acknowledged())
                .as("acknowledged readings, or nothing was tested")
                .isGreaterThan(KILLS * CLIENTS * BATCH);
        assertThat(alertsSeen).isNotEmpty();
    }

    private int acknowledged() {
        return acknowledged.values().stream().mapToInt(Set::size).sum();
    }

    private static void join(Thread thread) {
        try {
            thread.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Sends batches for two vehicles of its own until the server is gone; low pressure now and then. */
    private void sendUntilTheEnd(Product product, int client) {
        try {
            while (true) {
                List<String> readings = new ArrayList<>();
                Map<String, List<Long>> sent = new java.util.HashMap<>();
                for (int i = 0; i < BATCH; i++) {
                    String sensor = TRUCKS.code(client * 2 + i % 2, i / 2 % 2);
                    long number = next.incrementAndGet();
                    long at = begin + number * 250;
                    double kpa = number / 2_000 % 2 == 0 ? 800 : 690;
                    readings.add("{\"sensor\":\"%s\",\"at\":%d,\"pressureKpa\":%s,\"temperatureC\":20}"
                            .formatted(sensor, at, kpa));
                    sent.computeIfAbsent(sensor, s -> new ArrayList<>()).add(at);
                }
                JsonNode answer = product.readings(Product.TOKEN, "[" + String.join(",", readings) + "]");
                assertThat(answer.get("accepted").asInt()).isEqualTo(BATCH);
                sent.forEach((sensor, times) -> acknowledged
                        .computeIfAbsent(sensor, s -> new ConcurrentSkipListSet<>())
                        .addAll(times));
                noteAlerts(product, TRUCKS.ref(client * 2));
            }
        } catch (UncheckedIOException e) {
            // The plug was pulled.
        } catch (RuntimeException | AssertionError e) {
            trouble.add(e);
        }
    }

    private void noteAlerts(Product product, String vehicle) {
        product.json("/api/v1/alerts?state=all&limit=1000&vehicle=" + vehicle)
                .get("items")
                .forEach(alert -> alertsSeen.merge(alert.get("id").asString(), toldOf(alert), (was, is) -> is));
    }

    /** When it opened, and every step of what it was since: whatever comes later is added to these. */
    private static String toldOf(JsonNode alert) {
        StringBuilder told = new StringBuilder(alert.get("openedAt").asString());
        alert.get("history").forEach(step -> told.append("; ")
                .append(step.get("at").asString())
                .append(' ')
                .append(step.get("kind").asString())
                .append(' ')
                .append(step.get("urgency").asString()));
        return told.toString();
    }

    private void assertEverythingIsThere(Product product) {
        for (int v = 0; v < VEHICLES; v++) {
            for (int wheel = 0; wheel < 2; wheel++) {
                List<Long> stored = stored(product, TRUCKS.ref(v), wheel == 0 ? "1L" : "1R");
                Set<Long> once = new HashSet<>(stored);
                assertThat(once).as("nothing twice").hasSameSizeAs(stored);
                Set<Long> lost = new TreeSet<>(acknowledged.getOrDefault(TRUCKS.code(v, wheel), Set.of()));
                lost.removeAll(once);
                assertThat(lost).as("acknowledged and lost of PP-%d", v).isEmpty();
            }
        }
        Map<String, String> there = new java.util.HashMap<>();
        String cursor = "";
        while (cursor != null) {
            JsonNode page = product.json("/api/v1/alerts?state=all&limit=1000" + cursor);
            page.get("items").forEach(alert -> {
                String before = there.put(alert.get("id").asString(), toldOf(alert));
                assertThat(before).as("no alert twice").isNull();
            });
            cursor = page.get("nextCursor").isNull()
                    ? null
                    : "&cursor=" + page.get("nextCursor").asString();
        }
        // On a slow machine the plug is pulled before there is any.
        assertThat(there.keySet()).containsAll(alertsSeen.keySet());
        assertThat(alertsSeen)
                .allSatisfy((id, told) ->
                        assertThat(there.get(id)).as("alert %s", id).startsWith(told));
    }

    private static List<Long> stored(Product product, String vehicle, String position) {
        List<Long> stored = new ArrayList<>();
        String cursor = "";
        while (cursor != null) {
            JsonNode page = product.json(
                    "/api/v1/vehicles/" + vehicle + "/wheels/" + position + "/readings?limit=10000" + cursor);
            page.get("items")
                    .forEach(item ->
                            stored.add(Instant.parse(item.get("at").asString()).toEpochMilli()));
            cursor = page.get("nextCursor").isNull()
                    ? null
                    : "&cursor=" + page.get("nextCursor").asString();
        }
        return stored;
    }
}
