package vividcaravan.server.logbook;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What was before and after a deed, of one thing that it changed.
 *
 * @param what in plain words, such as {@code Target of axle 2}
 * @param unit of figures: kPa gauge, °C, %, mm, in, m, or {@link #TIME}; null for words and numbers without one
 * @param before null if there was nothing
 * @param after null if there is nothing any more
 */
public record Difference(String what, @Nullable String unit, @Nullable String before, @Nullable String after) {

    /** The unit of what is a moment, written as ISO 8601 in UTC. */
    public static final String TIME = "time";

    private static final int LONGEST = 500;
    private static final int DECIMALS = 3;

    /** Holds no more than the book has room for. */
    public Difference {
        what = Plain.text(what, LONGEST);
        before = before == null ? null : Plain.text(before, LONGEST);
        after = after == null ? null : Plain.text(after, LONGEST);
    }

    /** Of words or plain numbers; empty if nothing changed. */
    public static Optional<Difference> of(String what, @Nullable Object before, @Nullable Object after) {
        return of(what, null, before, after);
    }

    /** Of figures in {@code unit}; empty if nothing changed. */
    public static Optional<Difference> of(
            String what, @Nullable String unit, @Nullable Object before, @Nullable Object after) {
        String was = words(before);
        String is = words(after);
        return Objects.equals(was, is) ? Optional.empty() : Optional.of(new Difference(what, unit, was, is));
    }

    private static @Nullable String words(@Nullable Object value) {
        if (value instanceof Boolean isSo) {
            return isSo ? "yes" : "no";
        }
        return value instanceof Double number && Double.isFinite(number)
                ? plain(number)
                : Objects.toString(value, null);
    }

    private static String plain(double number) {
        BigDecimal rounded = BigDecimal.valueOf(number).setScale(DECIMALS, RoundingMode.HALF_UP);
        return (rounded.signum() == 0 ? BigDecimal.ZERO : rounded.stripTrailingZeros()).toPlainString();
    }
}
