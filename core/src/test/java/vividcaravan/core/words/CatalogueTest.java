package vividcaravan.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Properties;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Departure;

/** Every place has its texts in every language, and each file says all that the English one says. */
class CatalogueTest {

    private static final Pattern PLACE = Pattern.compile("\\{\\d}");

    /** Figures and codes alone are alike in any language. */
    private static final Pattern WITHOUT_WORDS = Pattern.compile("(\\{\\d}|[ :,]|h)*");

    static Stream<Path> places() throws IOException {
        try (Stream<Path> files = Files.walk(Path.of("src/main/resources"))) {
            return files.filter(file -> file.endsWith("words.properties")).toList().stream();
        }
    }

    private static Properties file(Path file) throws IOException {
        Properties texts = new Properties();
        try (Reader reader = Files.newBufferedReader(file)) {
            texts.load(reader);
        }
        return texts;
    }

    @ParameterizedTest
    @MethodSource("places")
    void everyLanguageSaysAllThatEnglishSaysAndInItsOwnWords(Path place) throws IOException {
        Properties english = file(place);
        for (Language language : Language.values()) {
            if (language == Language.EN) {
                continue;
            }
            Properties own =
                    file(place.resolveSibling("words_" + language.locale().getLanguage() + ".properties"));
            assertThat(new TreeSet<>(own.stringPropertyNames()))
                    .isEqualTo(new TreeSet<>(english.stringPropertyNames()));
            for (String key : english.stringPropertyNames()) {
                String text = english.getProperty(key);
                assertThat(placesIn(own.getProperty(key))).as(key).isEqualTo(placesIn(text));
                assertThat(own.getProperty(key)).as(key).isNotBlank();
                if (!WITHOUT_WORDS.matcher(text).matches()) {
                    assertThat(own.getProperty(key)).as(key).isNotEqualTo(text);
                }
            }
        }
    }

    private static List<String> placesIn(String text) {
        return PLACE.matcher(text).results().map(MatchResult::group).sorted().toList();
    }

    @Test
    void aTextIsFilledAndAnApostropheStays() {
        Catalogue words = Catalogue.of(Departure.class, Language.EN);

        assertThat(words.text("leave.out", "Marrable’s brake, {1}")).isEqualTo("out of service: Marrable’s brake, {1}");
        assertThat(words.startingWith("kind.")).containsEntry("HOT_TYRE", "hot").doesNotContainKey("kind.HOT_TYRE");
    }

    /** A kind is called the same wherever it is read. */
    @Test
    void everyKindOfAlertHasItsWords() {
        Catalogue words = Catalogue.of(Departure.class, Language.EN);
        for (AlertKind kind : AlertKind.values()) {
            assertThat(words.text("kind." + kind)).isEqualTo(kind.words());
        }
    }
}
