package vividcaravan.server.platform;

import org.jspecify.annotations.Nullable;

/** Cells of tables that people open with a program that reckons. */
public final class HarmlessCell {

    private HarmlessCell() {}

    private static final String RECKONED = "=+-@\t\r";

    /** What was written so is read again as it was. */
    public static String read(String cell) {
        boolean isMarked = cell.length() > 1 && cell.charAt(0) == '\'' && RECKONED.indexOf(cell.charAt(1)) >= 0;
        return isMarked ? cell.substring(1) : cell;
    }

    /** What people entered must not be taken for a formula by whatever opens the table. */
    public static @Nullable String of(@Nullable String text) {
        return text != null && !text.isEmpty() && RECKONED.indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
    }
}
