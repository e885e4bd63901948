package vividcaravan.core.tyres;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What is known of a tyre; what is null nobody has written down.
 *
 * @param maker in people's words
 * @param pattern in people's words
 * @param size as it stands on the sidewall, such as {@code 315/80 R22.5}
 * @param loadIndex load index of the single tyre, 60 to 210
 * @param speedSymbol a letter, such as {@code K} for 110 km/h
 * @param dateCode the four digits of week and year
 * @param isRetread whether it was retreaded
 * @param isDirectional whether its pattern turns one way only
 */
public record Tyre(
        String maker,
        String pattern,
        String size,
        Integer loadIndex,
        String speedSymbol,
        String dateCode,
        Boolean isRetread,
        Boolean isDirectional) {

    /** Nothing is known but that it is there. */
    public static final Tyre UNKNOWN = new Tyre(null, null, null, null, null, null, null, null);

    private static final double MATE_MM = 3;

    /** The same in a few words; empty if nothing is known. */
    public String words() {
        return Stream.of(maker, pattern, size)
                .filter(part -> part != null && !part.isBlank())
                .map(String::strip)
                .collect(Collectors.joining(" "));
    }

    /** What another one of the same make is: all but the date code, which each has of its own. */
    public Tyre asOneOfAKind() {
        return new Tyre(maker, pattern, size, loadIndex, speedSymbol, null, isRetread, isDirectional);
    }

    /** Whether both sizes are known and not the same; they are written with more and with less space. */
    public boolean isOfOtherSize(Tyre other) {
        return size != null && other.size != null && !plain(size).equals(plain(other.size));
    }

    /**
     * How this tyre and its mate on an axle differ too much, in words; empty if they go together or little is known. More than
     * 3 mm of tread, another size, load index or speed symbol, or one retread of two is worth a look [common practice].
     *
     * @param treadMm tread depth at the shallowest, mm, or null
     * @param mateMm the same of the mate
     */
    public List<String> unlikeMate(Double treadMm, Tyre mate, Double mateMm) {
        List<String> differences = new ArrayList<>();
        if (isOfOtherSize(mate)) {
            differences.add("it is a " + size.strip() + " and its mate a " + mate.size.strip());
        }
        if (loadIndex != null && mate.loadIndex != null && !loadIndex.equals(mate.loadIndex)) {
            differences.add("its load index is " + loadIndex + " and its mate's " + mate.loadIndex);
        }
        if (speedSymbol != null
                && mate.speedSymbol != null
                && !plain(speedSymbol).equals(plain(mate.speedSymbol))) {
            differences.add(
                    "its speed symbol is " + speedSymbol.strip() + " and its mate's " + mate.speedSymbol.strip());
        }
        if (treadMm != null && mateMm != null && Math.abs(treadMm - mateMm) > MATE_MM) {
            differences.add(String.format(Locale.ROOT, "their treads differ by %.1f mm", Math.abs(treadMm - mateMm)));
        }
        if (isRetread != null && mate.isRetread != null && !isRetread.equals(mate.isRetread)) {
            differences.add("one of the two is a retread");
        }
        return differences;
    }

    private static String plain(String text) {
        return text.replaceAll("\\s+", "").toUpperCase(Locale.ROOT);
    }
}
