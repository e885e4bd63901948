package vividcaravan.server.platform;

import org.jspecify.annotations.Nullable;

/** Cells of tables that people open with a program that reckons. */
public final class HarmlessCell {

    private HarmlessCell() {}

    /** What people entered must not be taken for a formula by whatever opens the table. */
    public static @Nullable String of(@Nullable String text) {
        return text != null && !text.isEmpty() && "=+-@\t\r".indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
    }
}
