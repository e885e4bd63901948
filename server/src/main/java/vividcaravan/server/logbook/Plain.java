package vividcaravan.server.logbook;

import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Text as the book takes it: so that every JSON writer writes it alike, which the chain rests on. */
final class Plain {

    private static final Pattern CONTROL = Pattern.compile("[\\p{Cntrl}&&[^\\n]]");

    private Plain() {}

    /** {@code text} without control characters but line ends, of whole characters, and no longer than {@code longest}. */
    static String text(@Nullable String text, int longest) {
        String whole = new String(String.valueOf(text).getBytes(StandardCharsets.UTF_8), StandardCharsets.UTF_8);
        String plain = CONTROL.matcher(whole).replaceAll(" ");
        if (plain.length() <= longest) {
            return plain;
        }
        int end = Character.isHighSurrogate(plain.charAt(longest - 2)) ? longest - 2 : longest - 1;
        return plain.substring(0, end) + "\u2026";
    }

    /** The same, with null for what was not said. */
    static @Nullable String textOrNull(@Nullable String text, int longest) {
        return text == null || text.isBlank() ? null : text(text.strip(), longest);
    }
}
