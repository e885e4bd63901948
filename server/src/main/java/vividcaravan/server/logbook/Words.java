package vividcaravan.server.logbook;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The words of entries. A search for a word reads only those thousands of entries in whose words it occurs, so that it stays
 * fast however long the book is.
 */
public final class Words {

    /** So many entries share a row of words. */
    public static final long BLOCK = 1_000;

    private static final int LONGEST = 900_000;

    private final Set<String> words = new TreeSet<>();

    /** Everything that can be searched for in an entry, in small letters. */
    public static String of(LogbookEntry entry) {
        Deed deed = entry.deed();
        Stream<String> said = Stream.of(
                entry.author().id(),
                entry.author().name(),
                deed.thing().name(),
                deed.words(),
                deed.why() == null ? "" : deed.why());
        Stream<String> differences = deed.differences().stream()
                .flatMap(one -> Stream.of(
                        one.what(), one.before() == null ? "" : one.before(), one.after() == null ? "" : one.after()));
        return Stream.concat(said, differences).collect(Collectors.joining(" ")).toLowerCase(Locale.ROOT);
    }

    /** What is looked for: every one of these has to occur. */
    public static List<String> wanted(String text) {
        return Arrays.stream(text.toLowerCase(Locale.ROOT).split("\\s+"))
                .filter(word -> !word.isBlank())
                .toList();
    }

    void add(LogbookEntry entry) {
        words.addAll(List.of(of(entry).split("\\s+")));
    }

    void clear() {
        words.clear();
    }

    /** All of them in a row; if that would be too long, nothing, which is found by everything. */
    String text() {
        String text = String.join(" ", words);
        return text.length() > LONGEST ? "" : text;
    }
}
