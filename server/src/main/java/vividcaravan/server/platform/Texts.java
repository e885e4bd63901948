package vividcaravan.server.platform;

import java.util.Optional;

/** Texts that people and programs may send: what could not be stored, shown or addressed is found out at the door. */
public final class Texts {

    private Texts() {}

    /**
     * What is wrong with a text, if anything is, as the end of a sentence that begins with its name.
     *
     * @param most characters that it may have
     * @param isOneLine whether it may have no line breaks
     */
    public static Optional<String> fault(String text, int most, boolean isOneLine) {
        if (text.length() > most) {
            return Optional.of("may have " + most + " characters, has " + text.length() + "; shorten it.");
        }
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean isPair = Character.isHighSurrogate(c)
                    && i + 1 < text.length()
                    && Character.isLowSurrogate(text.charAt(i + 1));
            if (isPair) {
                i++;
            } else if (Character.isSurrogate(c)) {
                return Optional.of("has half a character in it; type it again.");
            } else if (isDirection(c)) {
                return Optional.of("has signs in it that turn the direction of writing; leave them out.");
            } else if (Character.isISOControl(c) && (isOneLine || c != '\n' && c != '\r' && c != '\t')) {
                return Optional.of("has control characters in it; leave them out.");
            }
        }
        return Optional.empty();
    }

    /** Signs that make a text read otherwise than it is stored (Unicode bidirectional controls). */
    private static boolean isDirection(char c) {
        return c >= '\u202A' && c <= '\u202E' || c >= '\u2066' && c <= '\u2069' || c == '\u200E' || c == '\u200F';
    }
}
