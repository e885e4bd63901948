package vividcaravan.server.platform;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import org.jspecify.annotations.Nullable;

/** Reads query parameters and says in words what is wrong with them. */
public final class QueryParameters {

    private static final Instant EARLIEST = Instant.parse("0001-01-01T00:00:00Z");
    private static final Instant LATEST = Instant.parse("9999-12-31T23:59:59Z");

    private QueryParameters() {}

    /**
     * A time, or null where it is absent.
     *
     * @throws Refusal if it is no RFC 3339 time
     */
    public static @Nullable Instant time(String name, @Nullable String text) {
        if (text == null) {
            return null;
        }
        try {
            // A plus sign that was not encoded arrives as a space.
            Instant time = OffsetDateTime.parse(text.replace(' ', '+')).toInstant();
            // Farther out there is nothing, and milliseconds and the database run out of numbers.
            return time.isBefore(EARLIEST) ? EARLIEST : time.isAfter(LATEST) ? LATEST : time;
        } catch (DateTimeException e) {
            throw Refusal.badRequest(name, "\"" + text + "\" is no time; write it like 2026-11-20T06:31:07Z.");
        }
    }

    /**
     * How many are wanted.
     *
     * @throws Refusal if it is not a whole number from 1 to {@code most}
     */
    public static int limit(@Nullable String text, int otherwise, int most) {
        return number("limit", text, otherwise, most);
    }

    /**
     * A whole number, or {@code otherwise} where it is absent.
     *
     * @throws Refusal if it is not a whole number from 1 to {@code most}
     */
    public static int number(String name, @Nullable String text, int otherwise, int most) {
        if (text == null) {
            return otherwise;
        }
        try {
            int number = Integer.parseInt(text);
            if (number >= 1 && number <= most) {
                return number;
            }
        } catch (NumberFormatException e) {
            // Said below, together with numbers out of range.
        }
        throw Refusal.badRequest(name, name + " must be a whole number from 1 to " + most + ", was \"" + text + "\".");
    }

    /**
     * The identity in a path.
     *
     * @param what what is looked for, such as {@code alert}
     * @throws Refusal if it cannot be one
     */
    public static long id(String what, String text) {
        try {
            return Long.parseLong(text);
        } catch (NumberFormatException e) {
            throw Refusal.notFound("There is no " + what + " \"" + text + "\".");
        }
    }
}
