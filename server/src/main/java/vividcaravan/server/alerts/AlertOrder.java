package vividcaravan.server.alerts;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.Map;
import java.util.stream.Collectors;
import vividcaravan.core.alert.Urgency;
import vividcaravan.server.platform.Refusal;

/** In which order alerts are handed out, and how a later page is found again. */
enum AlertOrder {
    /** The one opened last first. */
    NEWEST {
        @Override
        String clause() {
            return " order by a.id desc";
        }

        @Override
        String cursor(AlertRow last) {
            return encode("a" + last.id);
        }

        @Override
        void after(String cursor, StringBuilder where, Map<String, Object> parameters) {
            where.append(" and a.id < :before");
            parameters.put("before", number(decode(cursor, 'a')));
        }
    },
    /** The most urgent first, and of these the one opened last: however many there are, the worst is on the first page. */
    URGENCY {
        @Override
        String clause() {
            return " order by " + RANK + ", a.id desc";
        }

        @Override
        String cursor(AlertRow last) {
            return encode("u" + last.urgency.ordinal() + "." + last.id);
        }

        @Override
        void after(String cursor, StringBuilder where, Map<String, Object> parameters) {
            String[] parts = decode(cursor, 'u').split("\\.", 2);
            where.append(" and (" + RANK + " > :rank or " + RANK + " = :rank and a.id < :before)");
            parameters.put("rank", (int) number(parts[0]));
            parameters.put("before", number(parts[parts.length - 1]));
        }
    };

    /** Urgencies stand in their order of need. */
    private static final String RANK = Arrays.stream(Urgency.values())
            .map(urgency -> "when a.urgency = " + urgency.name() + " then " + urgency.ordinal())
            .collect(Collectors.joining(" ", "case ", " else 9 end"));

    /** How the query ends. */
    abstract String clause();

    /** Where to go on after {@code last}. */
    abstract String cursor(AlertRow last);

    /**
     * Goes on where an earlier page ended.
     *
     * @throws Refusal if the server did not give this cursor
     */
    abstract void after(String cursor, StringBuilder where, Map<String, Object> parameters);

    private static String encode(String text) {
        return Base64.getUrlEncoder().withoutPadding().encodeToString(text.getBytes(StandardCharsets.UTF_8));
    }

    private static String decode(String cursor, char kind) {
        try {
            String text = new String(Base64.getUrlDecoder().decode(cursor), StandardCharsets.UTF_8);
            if (text.length() > 1 && text.charAt(0) == kind) {
                return text.substring(1);
            }
        } catch (IllegalArgumentException e) {
            // Said below.
        }
        throw unknown();
    }

    private static long number(String text) {
        try {
            return Long.parseLong(text);
        } catch (NumberFormatException e) {
            throw unknown();
        }
    }

    private static Refusal unknown() {
        return Refusal.badRequest("cursor", "This cursor was not given by the server. Begin again without one.");
    }
}
