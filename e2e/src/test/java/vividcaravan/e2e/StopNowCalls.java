package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetSocketAddress;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Queue;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/** Tyres that go flat, and the text messages that call for them: each alert is called for, and once. */
final class StopNowCalls implements AutoCloseable {

    private static final int TRUCKS_A_ROUND = 2;

    private record Call(String key, String text) {}

    private final int rounds;
    private final Trucks trucks;
    private final Queue<Call> calls = new ConcurrentLinkedQueue<>();
    private final Instant begin = Instant.now().minus(Duration.ofHours(1));
    private HttpServer service;

    StopNowCalls(int rounds) {
        this.rounds = rounds;
        trucks = new Trucks("PC-", 0x6F0000, rounds * TRUCKS_A_ROUND);
    }

    /** Begins a service of text messages, which keeps what it is sent. */
    void listen() throws IOException {
        service = HttpServer.create(new InetSocketAddress("localhost", 0), 0);
        service.createContext("/send", exchange -> {
            String text = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
            calls.add(new Call(exchange.getRequestHeaders().getFirst("Idempotency-Key"), text));
            exchange.sendResponseHeaders(200, -1);
            exchange.close();
        });
        service.start();
    }

    @Override
    public void close() {
        service.stop(0);
    }

    /** Somebody who can be called, and the vehicles. */
    void team(Product product) {
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

    /** Tyres of a round that go flat within minutes; gives whether that was answered. */
    boolean goFlat(Product product, int round) {
        int first = round * TRUCKS_A_ROUND;
        List<String> readings = new ArrayList<>();
        for (int truck = first; truck < first + TRUCKS_A_ROUND; truck++) {
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
        // On a slow machine the other sensors have been silent for long enough to say so; that is right and called for
        // by nobody.
        List<JsonNode> alerts = product.json("/api/v1/alerts?vehicle=" + ref)
                .get("items")
                .valueStream()
                .filter(alert -> !alert.get("kind").asString().equals("SENSOR_SILENT"))
                .toList();
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

    /** Waits for the calls of every round, and holds each against the record of its alert. */
    void assertEachWasCalledForOnce(Product product) {
        for (int truck = 0; truck < rounds * TRUCKS_A_ROUND; truck++) {
            String ref = trucks.ref(truck);
            Patience.until("somebody was told of " + ref, () -> !keysOf(ref).isEmpty());
        }
        for (int truck = 0; truck < rounds * TRUCKS_A_ROUND; truck++) {
            assertCalledOnce(product, trucks.ref(truck));
        }
    }

    int deliveries() {
        return calls.size();
    }
}
