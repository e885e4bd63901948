package vividcaravan.core.can;

import java.util.HexFormat;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A message as a text log keeps it: {@code (1436509052.249713) can0 18FEF433#10C3E027FF27005F}.
 *
 * @param at when it was logged, epoch milliseconds
 * @param id its identifier, 11 or 29 bits
 * @param isExtended whether it has 29 bits
 * @param data 0 to 8 bytes
 */
public record CanFrame(long at, int id, boolean isExtended, byte[] data) {

    /** What is no line of such a log. */
    public static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1L;

        Unreadable(String message) {
            super(message, null, false, false);
        }
    }

    private static final int MOST_BYTES = 8;
    private static final int EXTENDED_DIGITS = 8;
    private static final Pattern LINE = Pattern.compile(
            "\\((\\d{1,12})(?:\\.(\\d{1,9}))?\\)\\s+\\S{1,32}\\s+([0-9A-Fa-f]{3}|[0-9A-Fa-f]{8})#([0-9A-Fa-f]*)\\s*");
    /** Longer than any line can be that is one. */
    private static final int LONGEST = 120;

    /**
     * Reads one line.
     *
     * @throws Unreadable if it is none of such a log, in words for whoever looks for it
     */
    public static CanFrame of(String line) throws Unreadable {
        Matcher matcher = line.length() > LONGEST ? null : LINE.matcher(line);
        if (matcher == null || !matcher.matches()) {
            throw new Unreadable("It is not of the form (seconds.micros) interface ID#HEX.");
        }
        String hex = matcher.group(4);
        if (hex.length() % 2 != 0 || hex.length() > 2 * MOST_BYTES) {
            throw new Unreadable("A message has 0 to 8 bytes of two hex digits each; this line may be cut off.");
        }
        String fraction = matcher.group(2) == null ? "" : matcher.group(2);
        long millis = Long.parseLong((fraction + "000").substring(0, 3));
        String id = matcher.group(3);
        return new CanFrame(
                Long.parseLong(matcher.group(1)) * 1000 + millis,
                (int) Long.parseLong(id, 16),
                id.length() == EXTENDED_DIGITS,
                HexFormat.of().parseHex(hex));
    }
}
