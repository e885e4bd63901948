package vividcaravan.server;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Bodies that look like what the OpenAPI document describes, and are odd somewhere. */
final class FuzzedJson {

    private static final List<String> ODD_TEXTS = List.of(
            "",
            " ",
            "0",
            "-1",
            "1e999",
            "99999999999999999999",
            "null",
            "../../etc",
            "%00",
            "a\u0000b",
            "\ud800",
            "\u202eright",
            "😀",
            "<img src=x>",
            "'; drop table vehicle; --",
            "+1000000000-12-31T23:59:59.999999999Z",
            "-1000000000-01-01T00:00:00Z",
            "2026-11-20T06:31:07Z",
            "9999-12-31T23:59:59Z",
            "2026-02-30",
            "S1",
            "1L",
            "A1B2C3");

    private static final List<String> ODD_VALUES = List.of(
            "null",
            "true",
            "0",
            "-1",
            "1.5",
            "1e308",
            "-1e308",
            "9223372036854775807",
            "1" + "0".repeat(300),
            "0." + "1".repeat(350),
            "[]",
            "{}",
            "[null]",
            "[[],[null]]",
            "{\"\":null}",
            "\"\"",
            "\"\\ud800\"",
            "\"\\u0000\"",
            "\"\\u202e\"",
            "\"-1000000000-01-01T00:00:00Z\"",
            "\"+1000000000-12-31T23:59:59.999999999Z\"");

    private final Random random;
    private final JsonNode schemas;

    FuzzedJson(Random random, JsonNode schemas) {
        this.random = random;
        this.schemas = schemas;
    }

    static String oddText(Random random) {
        return random.nextInt(8) == 0
                ? "x".repeat(random.nextInt(3_000))
                : ODD_TEXTS.get(random.nextInt(ODD_TEXTS.size()));
    }

    /**
     * A body.
     *
     * @param content what the document says of it; null for none
     */
    byte[] body(@Nullable JsonNode content) {
        String text =
                switch (random.nextInt(12)) {
                    case 0 -> ODD_VALUES.get(random.nextInt(ODD_VALUES.size()));
                    case 1 -> "{";
                    case 2 -> "{\"a\":".repeat(2_000) + "1" + "}".repeat(2_000);
                    case 3 -> "[".repeat(5_000);
                    case 4 -> "\u0000\u0001 not json";
                    default -> {
                        JsonNode json = content == null
                                ? null
                                : content.path("application/json").get("schema");
                        yield json == null ? odd() : made(json, 0);
                    }
                };
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private String odd() {
        return random.nextInt(12) == 0
                ? "\"" + "y".repeat(8_100 + random.nextInt(4_000)) + "\""
                : ODD_VALUES.get(random.nextInt(ODD_VALUES.size()));
    }

    private String made(JsonNode schema, int depth) {
        if (random.nextInt(9) == 0 || depth > 8) {
            return odd();
        }
        if (schema.has("$ref")) {
            return made(schemas.get(schema.get("$ref").asString().replaceFirst(".*/", "")), depth);
        }
        if (schema.has("anyOf")) {
            return made(
                    schema.get("anyOf").get(random.nextInt(schema.get("anyOf").size())), depth);
        }
        if (schema.has("enum")) {
            return "\""
                    + schema.get("enum")
                            .get(random.nextInt(schema.get("enum").size()))
                            .asString() + "\"";
        }
        return switch (type(schema)) {
            case "object" -> object(schema, depth);
            case "array" -> array(schema, depth);
            case "string" -> text(schema);
            case "integer" -> Integer.toString(random.nextInt(20) - 2);
            case "number" -> Double.toString(random.nextInt(12_000) / 10.0 - 20);
            case "boolean" -> Boolean.toString(random.nextBoolean());
            default -> "null";
        };
    }

    private String type(JsonNode schema) {
        JsonNode type = schema.path("type");
        return type.isArray() ? type.get(random.nextInt(type.size())).asString() : type.asString("null");
    }

    private String text(JsonNode schema) {
        if (schema.path("format").asString("").startsWith("date")) {
            return random.nextBoolean() ? "\"2026-11-20T05:00:00Z\"" : "\"2026-11-20\"";
        }
        String text = oddText(random);
        return "\""
                + text.replace("\\", "\\\\")
                        .replace("\"", "\\\"")
                        .replace("\u0000", "\\u0000")
                        .replace("\ud800", "\\ud800")
                + "\"";
    }

    private String array(JsonNode schema, int depth) {
        int count = random.nextInt(10) == 0 ? 600 : random.nextInt(4);
        List<String> elements = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            elements.add(random.nextInt(8) == 0 ? "null" : made(schema.get("items"), depth + 1));
        }
        return "[" + String.join(",", elements) + "]";
    }

    private String object(JsonNode schema, int depth) {
        List<String> fields = new ArrayList<>();
        JsonNode properties = schema.path("properties");
        for (String name : properties.propertyNames()) {
            if (random.nextInt(5) > 0) {
                fields.add("\"" + name + "\":" + made(properties.get(name), depth + 1));
            }
        }
        if (random.nextInt(10) == 0) {
            fields.add("\"" + oddText(random).replaceAll("[^a-z]", "") + "\":" + odd());
        }
        return "{" + String.join(",", fields) + "}";
    }
}
