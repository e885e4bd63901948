package vividcaravan.core.words;

import java.util.Locale;

/** A language of the product. Each place has a file of its texts in each, {@code words_….properties}; see {@link Catalogue}. */
public enum Language {
    EN("English", Locale.ENGLISH),
    DE("Deutsch", Locale.GERMAN);

    private final String words;
    private final Locale locale;

    Language(String words, Locale locale) {
        this.words = words;
        this.locale = locale;
    }

    /** What it calls itself. */
    public String words() {
        return words;
    }

    /** Its locale; its language tag is what a page says of itself. */
    public Locale locale() {
        return locale;
    }
}
