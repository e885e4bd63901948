package vividcaravan.core.words;

import java.text.MessageFormat;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.TreeMap;

/**
 * The texts of one place in one language: key to text. A place is a package, its texts are the files {@code words.properties}
 * (English) and {@code words_de.properties} beside its classes. In a text with {@code {0}} an apostrophe is written ’.
 */
public final class Catalogue {

    private final ResourceBundle texts;

    private Catalogue(ResourceBundle texts) {
        this.texts = texts;
    }

    /**
     * The texts of a place.
     *
     * @param place a class of the package whose texts they are
     * @throws java.util.MissingResourceException if it has none
     */
    public static Catalogue of(Class<?> place, Language language) {
        return new Catalogue(ResourceBundle.getBundle(
                place.getPackageName() + ".words",
                language.locale(),
                place.getClassLoader(),
                ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES)));
    }

    /**
     * A text.
     *
     * @param arguments what stands for {0}, {1} …
     * @throws java.util.MissingResourceException if there is none under {@code key}
     */
    public String text(String key, Object... arguments) {
        return new MessageFormat(texts.getString(key), texts.getLocale()).format(arguments);
    }

    /** All texts whose key begins with {@code prefix}, by the rest of their key, unfilled. */
    public Map<String, String> startingWith(String prefix) {
        Map<String, String> found = new TreeMap<>();
        texts.keySet().stream()
                .filter(key -> key.startsWith(prefix))
                .forEach(key -> found.put(key.substring(prefix.length()), texts.getString(key)));
        return found;
    }
}
