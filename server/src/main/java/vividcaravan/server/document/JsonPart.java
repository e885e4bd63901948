package vividcaravan.server.document;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Texts;

/** A part of a JSON document together with its JSON path (RFC 9535); every fault found is collected, none thrown. */
final class JsonPart {

    private final JsonNode node;
    private final String path;
    private final Faults faults;

    private JsonPart(JsonNode node, String path, Faults faults) {
        this.node = node;
        this.path = path;
        this.faults = faults;
    }

    static JsonPart root(JsonNode node, Faults faults) {
        return new JsonPart(node, "$", faults);
    }

    String path() {
        return path;
    }

    void fault(String message) {
        faults.add(path, message);
    }

    void fault(String name, String message) {
        faults.add(path + "." + name, message);
    }

    /** Whether this is an object; a fault otherwise. Names that are not known are faults, each by its name. */
    boolean isObjectOf(String... known) {
        if (!node.isObject()) {
            fault("Write an object here, such as {…}.");
            return false;
        }
        Set<String> allowed = new LinkedHashSet<>(Arrays.asList(known));
        for (String name : node.propertyNames()) {
            if (!allowed.contains(name)) {
                fault(name, "\"" + name + "\" is not known here. Known are: " + String.join(", ", allowed) + ".");
            }
        }
        return true;
    }

    private JsonNode value(String name) {
        JsonNode value = node.get(name);
        return value == null || value.isNull() ? null : value;
    }

    /** A text, or null where it is absent or at fault. */
    String text(String name, boolean isRequired, int longest) {
        JsonNode value = value(name);
        if (value == null) {
            if (isRequired) {
                fault(name, "\"" + name + "\" is missing.");
            }
            return null;
        }
        if (!value.isString() || value.stringValue().isBlank()) {
            fault(name, "\"" + name + "\" must be a text that is not blank.");
            return null;
        }
        String text = value.stringValue().strip();
        Optional<String> wrong = Texts.fault(text, longest, true);
        if (wrong.isPresent()) {
            fault(name, "\"" + name + "\" " + wrong.get());
            return null;
        }
        return text;
    }

    /** A number, or null where it is absent or at fault. */
    Double number(String name, boolean isRequired, double least, double most) {
        JsonNode value = value(name);
        if (value == null) {
            if (isRequired) {
                fault(name, "\"" + name + "\" is missing.");
            }
            return null;
        }
        double number = value.isNumber() ? value.asDouble(Double.NaN) : Double.NaN;
        if (!(number >= least && number <= most)) {
            fault(
                    name,
                    "\"" + name + "\" must be a number from " + plain(least) + " to " + plain(most) + ", was "
                            + shown(value) + ".");
            return null;
        }
        return number;
    }

    /** A whole number, or {@code otherwise} where it is absent or at fault. */
    int whole(String name, int otherwise, int least, int most) {
        Double number = number(name, false, least, most);
        if (number == null) {
            return otherwise;
        }
        if (number != Math.rint(number)) {
            fault(name, "\"" + name + "\" must be a whole number, was " + number + ".");
            return otherwise;
        }
        return number.intValue();
    }

    /** True or false, or {@code otherwise} where it is absent or at fault. */
    boolean flag(String name, boolean otherwise) {
        JsonNode value = value(name);
        if (value == null) {
            return otherwise;
        }
        if (!value.isBoolean()) {
            fault(name, "\"" + name + "\" must be true or false, was " + shown(value) + ".");
            return otherwise;
        }
        return value.booleanValue();
    }

    /** A moment from 1970 on, or null where it is absent or at fault. */
    Instant time(String name, boolean isRequired) {
        String text = text(name, isRequired, 40);
        if (text == null) {
            return null;
        }
        try {
            Instant at = OffsetDateTime.parse(text).toInstant();
            if (at.isBefore(Instant.EPOCH)) {
                fault(name, text + " is before 1970.");
                return null;
            }
            return at;
        } catch (DateTimeException e) {
            fault(name, "\"" + text + "\" is no time; write it like 2026-01-03T09:00:00Z.");
            return null;
        }
    }

    /** One of an enum's names, or null where it is absent or at fault. */
    <E extends Enum<E>> E choice(String name, boolean isRequired, Class<E> choices) {
        String text = value(name) == null && !isRequired ? null : text(name, isRequired, 60);
        if (text == null) {
            return null;
        }
        for (E choice : choices.getEnumConstants()) {
            if (choice.name().equals(text)) {
                return choice;
            }
        }
        fault(name, "\"" + text + "\" is none of " + Arrays.toString(choices.getEnumConstants()) + ".");
        return null;
    }

    /** An object, or null where it is absent. */
    JsonPart part(String name) {
        JsonNode value = value(name);
        return value == null ? null : new JsonPart(value, path + "." + name, faults);
    }

    /** The elements of an array; none where it is absent or at fault. */
    List<JsonPart> parts(String name, boolean isRequired) {
        List<JsonPart> parts = new ArrayList<>();
        JsonNode value = value(name);
        if (value == null) {
            if (isRequired) {
                fault(name, "\"" + name + "\" is missing.");
            }
        } else if (!value.isArray()) {
            fault(name, "\"" + name + "\" must be an array, such as […].");
        } else {
            for (int i = 0; i < value.size(); i++) {
                parts.add(new JsonPart(value.get(i), path + "." + name + "[" + i + "]", faults));
            }
        }
        return parts;
    }

    boolean has(String name) {
        return value(name) != null;
    }

    private static String plain(double number) {
        return number == Math.rint(number) ? Long.toString((long) number) : Double.toString(number);
    }

    private static String shown(JsonNode value) {
        String text = value.toString();
        return text.length() > 40 ? text.substring(0, 40) + "…" : text;
    }
}
