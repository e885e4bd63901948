package vividcaravan.server.tyres;

import java.time.LocalDate;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.fitting.TyreDateCode;
import vividcaravan.core.tyres.Tyre;
import vividcaravan.server.platform.Faults;

/**
 * What is known of a tyre; what is left out is not known.
 *
 * @param maker free text, at most 60 characters
 * @param pattern free text, at most 60 characters
 * @param size as on the sidewall, at most 40 characters
 * @param loadIndex 60 to 210
 * @param speedSymbol a letter, or a letter and a figure
 * @param dateCode four digits: week and year
 * @param note at most 500 characters
 */
record TyreRequest(
        @Nullable String maker,
        @Nullable String pattern,
        @Nullable String size,
        @Nullable Integer loadIndex,
        @Nullable String speedSymbol,
        @Nullable String dateCode,
        @Nullable Boolean isRetread,
        @Nullable Boolean isDirectional,
        @Nullable String note) {

    private static final int LONGEST_NOTE = 500;

    /** The tyre it tells of; whatever cannot be is added to {@code faults}. */
    Tyre tyre(Faults faults, LocalDate today) {
        Tyre tyre = new Tyre(
                text(faults, "maker", maker, 60),
                text(faults, "pattern", pattern, 60),
                text(faults, "size", size, 40),
                loadIndex,
                speedSymbol == null || speedSymbol.isBlank()
                        ? null
                        : speedSymbol.strip().toUpperCase(Locale.ROOT),
                dateCode == null || dateCode.isBlank() ? null : dateCode.strip(),
                isRetread,
                isDirectional);
        if (loadIndex != null && (loadIndex < 60 || loadIndex > 210)) {
            faults.add("loadIndex", "A load index is 60 to 210, was " + loadIndex + ".");
        }
        if (tyre.speedSymbol() != null && !tyre.speedSymbol().matches("[A-Z]\\d?")) {
            faults.add("speedSymbol", "A speed symbol is a letter such as K, or A1 to A8.");
        }
        if (tyre.dateCode() != null) {
            try {
                TyreDateCode.read(tyre.dateCode(), today);
            } catch (IllegalArgumentException e) {
                faults.add("dateCode", "Its date code: " + e.getMessage() + ".");
            }
        }
        text(faults, "note", note, LONGEST_NOTE);
        return tyre;
    }

    private static @Nullable String text(Faults faults, String field, @Nullable String value, int longest) {
        if (value == null || value.isBlank()) {
            return null;
        }
        if (value.strip().length() > longest) {
            faults.add(
                    field,
                    "At most " + longest + " characters, was " + value.strip().length() + ".");
        }
        return value.strip();
    }

    @Nullable
    String plainNote() {
        return note == null || note.isBlank() ? null : note.strip();
    }
}
