package vividcaravan.server.columns;

import java.util.List;
import java.util.Locale;

/**
 * What a column can mean.
 *
 * @param name its name in the interface
 * @param words what people call it
 * @param isRequired whether nothing can be taken without it
 * @param others how else such columns are headed, in small letters without blanks and signs
 */
public record Field(String name, String words, boolean isRequired, List<String> others) {

    /** Whether a column with this heading is most likely meant. */
    boolean fits(String heading) {
        String plain = plain(heading);
        return plain.equals(plain(name)) || plain.equals(plain(words)) || others.contains(plain);
    }

    private static String plain(String text) {
        return text.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]", "");
    }
}
