package vividcaravan.server;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpHeaders;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Speaks to the product as an outside program does. */
public final class Door {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final AtomicInteger NEXT = new AtomicInteger(1);
    private static final HttpClient HTTP = HttpClient.newBuilder()
            .version(HttpClient.Version.HTTP_1_1)
            .connectTimeout(Duration.ofSeconds(10))
            .build();

    public final String address;
    private final String token;
    private final OwnNames names;
    private final Runnable settling;

    /**
     * @param names what this test calls its vehicles otherwise than the product does, or null
     * @param settling waits until the product has judged again what an act asked for
     */
    Door(String address, String token, OwnNames names, Runnable settling) {
        this.settling = settling;
        this.address = address;
        this.token = token;
        this.names = names;
    }

    /** The same door with another token, or none if null. */
    public Door withToken(String other) {
        return new Door(address, other, names, settling);
    }

    /** This door for what must not wait until the product has judged again what an act asked for. */
    public Door notWaiting() {
        return new Door(address, token, names, () -> {});
    }

    /** What came back. */
    public record Answer(int status, String text, HttpHeaders headers) {
        public JsonNode json() {
            try {
                return JSON.readTree(text);
            } catch (JacksonException e) {
                throw new AssertionError("no JSON in " + status + ": " + text, e);
            }
        }

        public String contentType() {
            return headers.firstValue("Content-Type").orElse("");
        }
    }

    public Answer send(String method, String path, byte[] body, Map<String, String> headers) {
        if (names == null) {
            return sendAsItIs(method, path, body, headers);
        }
        byte[] own = body == null
                ? null
                : names.out(new String(body, StandardCharsets.UTF_8)).getBytes(StandardCharsets.UTF_8);
        Answer answer = sendAsItIs(method, names.out(path), own, headers);
        return new Answer(answer.status(), names.back(answer.text()), answer.headers());
    }

    private Answer sendAsItIs(String method, String path, byte[] body, Map<String, String> headers) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address + path))
                .timeout(Duration.ofSeconds(120))
                .method(
                        method,
                        body == null
                                ? HttpRequest.BodyPublishers.noBody()
                                : HttpRequest.BodyPublishers.ofInputStream(() -> new ByteArrayInputStream(body)));
        headers.forEach(request::header);
        if (token != null) {
            request.header("Authorization", "Bearer " + token);
        }
        try {
            HttpResponse<String> response =
                    HTTP.send(request.build(), HttpResponse.BodyHandlers.ofString(StandardCharsets.UTF_8));
            if (!method.equals("GET")) {
                settling.run();
            }
            return new Answer(response.statusCode(), response.body(), response.headers());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    public Answer get(String path) {
        return send("GET", path, null, Map.of());
    }

    public Answer postJson(String path, String body) {
        return send("POST", path, body.getBytes(StandardCharsets.UTF_8), Map.of("Content-Type", "application/json"));
    }

    public Answer putJson(String path, String body) {
        return send("PUT", path, body.getBytes(StandardCharsets.UTF_8), Map.of("Content-Type", "application/json"));
    }

    public Answer readings(String array) {
        return postJson("/api/v1/readings", array);
    }

    public Answer lines(String lines) {
        return send(
                "POST",
                "/api/v1/readings",
                lines.getBytes(StandardCharsets.UTF_8),
                Map.of("Content-Type", "application/x-ndjson"));
    }

    public Answer importFleet(String document) {
        return postJson("/api/v1/fleet-imports", document);
    }

    /** A code that no other test uses. */
    public static String newCode() {
        return String.format("%06X", 0xB00000 + NEXT.getAndIncrement());
    }

    /** A new vehicle with one steer axle at 800 kPa and sensors at 1L and 1R, fitted long ago. */
    public Truck newTruck() {
        return newTruck(Instant.now().minus(Duration.ofDays(60)));
    }

    public Truck newTruck(Instant fittedAt) {
        Truck truck = new Truck("T-" + NEXT.getAndIncrement(), newCode(), newCode());
        Answer answer = importFleet(document(vehicle(truck, fittedAt), ""));
        if (answer.status() != 200) {
            throw new AssertionError(answer.text());
        }
        return truck;
    }

    /** A vehicle of the tests. */
    public record Truck(String ref, String left, String right) {}

    public static String vehicle(Truck truck, Instant fittedAt) {
        return """
                { "ref": "%s", "kind": "RIGID_TRUCK", "axles": [
                    { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 800 } ],
                  "sensors": [
                    { "position": "1L", "code": "%s", "fittedAt": "%s" },
                    { "position": "1R", "code": "%s", "fittedAt": "%s" } ] }"""
                .formatted(truck.ref(), truck.left(), fittedAt, truck.right(), fittedAt);
    }

    public static String document(String vehicles, String more) {
        return "{ \"format\": \"vivid-caravan-fleet\", \"version\": 1, " + more + " \"vehicles\": [ " + vehicles
                + " ] }";
    }

    public static String reading(String sensor, Instant at, double kpa, double celsius) {
        return "{\"sensor\":\"" + sensor + "\",\"at\":\"" + at + "\",\"pressureKpa\":" + kpa + ",\"temperatureC\":"
                + celsius + "}";
    }

    /** One whose sensor says that the vehicle moves. */
    public static String onTheRoad(String sensor, Instant at, double kpa, double celsius) {
        return reading(sensor, at, kpa, celsius).replace("}", ",\"moving\":true}");
    }

    public static String array(List<String> readings) {
        return "[" + String.join(",", readings) + "]";
    }

    /** Every alert of a vehicle, open or closed. */
    public List<JsonNode> alertsOf(String ref) {
        return get("/api/v1/alerts?state=all&limit=1000&vehicle=" + ref)
                .json()
                .get("items")
                .valueStream()
                .toList();
    }
}
