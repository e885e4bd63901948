package vividcaravan.server;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

/**
 * Takes every operation of the OpenAPI document and throws malformed, huge, null-ridden and nested input at it: whatever
 * comes, the answer is none of ours breaking, health stays up, and a reading is accepted right after. With a fixed seed; run
 * it for longer with {@code -Dfuzz.rounds=500 -Dfuzz.seed=7}.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
@Tag("long")
class FuzzTest {

    private static final int ROUNDS = Integer.getInteger("fuzz.rounds", 14);
    private static final long SEED = Long.getLong("fuzz.seed", 20_261_128L);
    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");

    private record Operation(String id, String method, String path, JsonNode described) {
        @Override
        public String toString() {
            return id;
        }
    }

    @TempDir
    static Path folder;

    private OwnProduct product;
    private Door door;
    private JsonNode schemas;
    private Door.Truck truck;
    private long nextAt;
    private final List<Operation> operations = new ArrayList<>();

    @BeforeAll
    void start() {
        product = OwnProduct.in(folder, NOW);
        door = product.door();
        truck = door.newTruck(NOW.minusSeconds(86_400));
        nextAt = NOW.minusSeconds(80_000).toEpochMilli();
        door.postJson("/api/v1/jobs", "{ \"vehicle\": \"" + truck.ref() + "\", \"mount\": \"STRAP\" }");
        door.postJson("/api/v1/pressure-rounds", "{ \"vehicles\": [ \"" + truck.ref() + "\" ] }");
        door.postJson(
                "/api/v1/kit-plans",
                "{ \"vehicles\": [ \"%s\" ], \"preference\": [ \"STRAP\" ], \"isPreview\": false }"
                        .formatted(truck.ref()));
        JsonNode document = door.get("/api/v1/openapi.json").json();
        schemas = document.at("/components/schemas");
        JsonNode paths = document.get("paths");
        for (String path : paths.propertyNames()) {
            for (String method : paths.get(path).propertyNames()) {
                JsonNode operation = paths.get(path).get(method);
                String id = operation.get("operationId").asString();
                // A stream has no end to wait for, and a backup is made once below.
                if (!id.equals("live") && !id.equals("makeBackup")) {
                    operations.add(new Operation(id, method.toUpperCase(Locale.ROOT), path, operation));
                }
            }
        }
    }

    @AfterAll
    void stop() {
        product.close();
    }

    Stream<Operation> operations() {
        return operations.stream();
    }

    @ParameterizedTest
    @MethodSource("operations")
    void whateverComesNothingBreaks(Operation operation) {
        Random random = new Random(SEED ^ operation.id().hashCode());
        FuzzedJson json = new FuzzedJson(random, schemas);
        for (int round = 0; round < ROUNDS; round++) {
            String path = path(operation, random);
            byte[] body = operation.described().has("requestBody")
                    ? json.body(operation.described().at("/requestBody/content"))
                    : random.nextInt(4) == 0 ? json.body(null) : null;
            String type = contentType(random);
            Door.Answer answer = door.send(operation.method(), path, body, Map.of("Content-Type", type));

            assertThat(answer.status())
                    .as(
                            "%s %s as %s with %s, answered %s",
                            operation.method(),
                            path,
                            type,
                            shown(body),
                            shown(answer.text().getBytes(StandardCharsets.UTF_8)))
                    .isLessThan(500);
            assertStandsAfter(operation.method() + " " + path + " with " + shown(body));
        }
    }

    private void assertStandsAfter(String what) {
        assertThat(door.get("/actuator/health").status())
                .as("health after " + what)
                .isEqualTo(200);
        Door.Answer taken =
                door.readings(array(List.of(reading(truck.left(), Instant.ofEpochMilli(nextAt++), 800, 20))));
        assertThat(taken.status()).as("a reading after " + what).isEqualTo(200);
        JsonNode counts = taken.json();
        // A described vehicle or a retired sensor is kept all the same; only a sensor taken away is a stranger.
        assertThat(counts.get("accepted").asInt() + counts.get("unknownSensors").asInt())
                .as("a reading after " + what)
                .isEqualTo(1);
    }

    private static String contentType(Random random) {
        return switch (random.nextInt(12)) {
            case 0 -> "application/*";
            case 1 -> "text/plain";
            case 2 -> "application/x-ndjson";
            case 3 -> "application/json; charset=utf-16";
            case 4 -> "application/x-www-form-urlencoded";
            default -> "application/json";
        };
    }

    private String path(Operation operation, Random random) {
        String path = operation.path();
        StringBuilder query = new StringBuilder();
        for (JsonNode parameter : operation.described().path("parameters")) {
            String name = parameter.get("name").asString();
            String value = URLEncoder.encode(value(name, random), StandardCharsets.UTF_8)
                    .replace("+", "%20");
            if (parameter.get("in").asString().equals("path")) {
                path = path.replace("{" + name + "}", value.isEmpty() ? "0" : value);
            } else if (parameter.get("in").asString().equals("query") && random.nextInt(3) > 0) {
                query.append(query.isEmpty() ? '?' : '&')
                        .append(name)
                        .append('=')
                        .append(value);
            }
        }
        return path + query;
    }

    private String value(String name, Random random) {
        if (random.nextInt(3) > 0) {
            switch (name) {
                case "ref", "vehicle":
                    return truck.ref();
                case "position":
                    return "1L";
                case "id", "revision":
                    return Integer.toString(1 + random.nextInt(3));
                case "code":
                    return truck.right();
                case "mount":
                    return "CAP";
                case "item":
                    return "RECEIVER";
                default:
            }
        }
        return FuzzedJson.oddText(random);
    }

    private static String shown(byte[] body) {
        String text = body == null ? "nothing" : new String(body, StandardCharsets.UTF_8);
        return text.length() > 400 ? text.substring(0, 400) + "… (" + text.length() + ")" : text;
    }
}
