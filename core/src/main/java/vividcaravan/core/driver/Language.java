package vividcaravan.core.driver;

import java.util.Locale;

/** A language in which drivers are told what to do. Each has a file of its texts, {@code words_….properties}. */
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
