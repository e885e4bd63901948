package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetSocketAddress;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/**
 * The plug is pulled between a reading, the alert that it leads to, the call for it and the text message of that: each comes about,
 * and once. More of it with {@code -Dpulled.plugs=50}.
 */
class CallsPulledPlugTest {

    private static final int KILLS = Integer.getInteger("pulled.plugs", 3);
    private static final int TRUCKS_A_KILL = 2;
    /** Longer than it takes from a reading to its message: escalation and delivery look every few seconds. */
    private static final int LATEST_KILL_MILLIS = 16_000;

    private record Call(String key, String text) {}

    @TempDir
    Path folder;

    private final Trucks trucks = new Trucks("PC-", 0x6F0000, KILLS * TRUCKS_A_KILL);
    private final Queue<Call> calls = new ConcurrentLinkedQueue<>();
    private final Instant begin = Instant.now().minus(Duration.ofHours(1));
    private HttpServer service;

    @BeforeEach
    void aService() throws IOException {
        service = HttpServer.create(new InetSocketAddress("localhost", 0), 0);
        service.createContext("/send", exchange -> {
            String text = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
            calls.add(new Call(exchange.getRequestHeaders().getFirst("Idempotency-Key"), text));
            exchange.sendResponseHeaders(200, -1);
            exchange.close();
        });
        service.start();
    }

    @AfterEach
    void isGone() {
        service.stop(0);
    }

    private Product start() {
        return Product.start(
                folder, Map.of("VIVID_API_TOKEN", Product.TOKEN, "VIVID_TEXTS_ALLOW_INSIDE", Boolean.toString(true)));
    }

    @Test
    void everyStopNowIsCalledForAndOnce() {
        Product product = start();
        team(product);
        Random random = new Random(20_261_129);
        for (int kill = 0; kill < KILLS; kill++) {
            Product running = product;
            int first = kill * TRUCKS_A_KILL;
            Thread receiver = new Thread(() -> goFlat(running, first));
            receiver.start();
            Product.pause(random.nextInt(LATEST_KILL_MILLIS));
            product.kill();
            join(receiver);
            product = start();
            // A receiver that got no answer sends again.
            assertThat(goFlat(product, first)).isTrue();
        }
        Product last = product;
        for (int truck = 0; truck < KILLS * TRUCKS_A_KILL; truck++) {
            String ref = trucks.ref(truck);
            Patience.until("somebody was told of " + ref, () -> !keysOf(ref).isEmpty());
        }
        for (int truck = 0; truck < KILLS * TRUCKS_A_KILL; truck++) {
            assertCalledOnce(last, trucks.ref(truck));
        }
        System.out.printf(
                "%d kills: %d alerts, each called for once; %d deliveries%n",
                KILLS, KILLS * TRUCKS_A_KILL, calls.size());
        product.close();
    }

    private void team(Product product) {
        post(product, "/api/v1/fleet-imports", trucks.document());
        post(
                product,
                "/api/v1/accounts",
                "{\"userName\":\"wren\",\"displayName\":\"A. Wren\",\"role\":\"MANAGER\",\"password\":\""
                        + InOwnFleet.PASSWORD + "\"}");
        put(product, "/api/v1/accounts/wren/phone", "{\"phone\":\"020 910 0177\"}");
        put(
                product,
                "/api/v1/texts/service",
                "{\"url\":\"http://localhost:" + service.getAddress().getPort() + "/send\"}");
        put(product, "/api/v1/duty/settings", "{\"waitMinutes\":120}");
    }

    private static void post(Product product, String path, String body) {
        HttpResponse<String> answer = product.post(path, Product.TOKEN, "application/json", body);
        assertThat(answer.statusCode()).as(answer.body()).isBetween(200, 201);
    }

    private static void put(Product product, String path, String body) {
        HttpResponse<String> answer = product.put(path, Product.TOKEN, body);
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
    }

    /** Tyres that go flat within minutes; gives whether that was answered. */
    private boolean goFlat(Product product, int first) {
        List<String> readings = new ArrayList<>();
        for (int truck = first; truck < first + TRUCKS_A_KILL; truck++) {
            for (int minute = 0; minute < 12; minute++) {
                readings.add("{\"sensor\":\"%s\",\"at\":\"%s\",\"pressureKpa\":%d,\"temperatureC\":20,\"moving\":true}"
                        .formatted(trucks.code(truck, 0), begin.plusSeconds(minute * 60L), 800 - 35 * minute));
            }
        }
        try {
            return product.post(
                                    "/api/v1/readings",
                                    Product.TOKEN,
                                    "application/json",
                                    "[" + String.join(",", readings) + "]")
                            .statusCode()
                    == 200;
        } catch (UncheckedIOException e) {
            // The plug was pulled.
            return false;
        }
    }

    private Set<String> keysOf(String ref) {
        Pattern own = Pattern.compile("\\b" + ref + "\\b");
        return calls.stream()
                .filter(call -> own.matcher(call.text()).find())
                .map(Call::key)
                .collect(Collectors.toSet());
    }

    private void assertCalledOnce(Product product, String ref) {
        JsonNode alerts = product.json("/api/v1/alerts?vehicle=" + ref).get("items");
        assertThat(alerts).as("alerts of %s", ref).hasSize(1);
        assertThat(alerts.get(0).get("urgency").asString()).isEqualTo("STOP_NOW");
        long steps = product.json("/api/v1/alerts/" + alerts.get(0).get("id").asString())
                .get("record")
                .valueStream()
                .filter(entry -> entry.get("change").asString().equals("ESCALATED"))
                .count();
        assertThat(steps).as("calls in the record of %s", ref).isEqualTo(1);
        assertThat(keysOf(ref)).as("messages of %s", ref).hasSize(1);
    }

    private static void join(Thread thread) {
        try {
            thread.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
