package vividcaravan.server;

import java.util.regex.Pattern;

/**
 * Gives each test of a class vehicles of its own in the product that they share: what the test calls LM-31, A00001 or cab-1
 * is LM-31-07, A0000107, cab-1-07 to the product, on the way there and back, so that no test finds what another left behind.
 */
final class OwnNames {

    /** Vehicles, receivers, and codes of sensors, as tests with vehicles of their own name them. */
    private static final String NAMES = "\\b(?:[A-Z]{2}-\\d{1,2}|(?:cab|box)-\\d|[A-F]0000\\d)";

    private static final Pattern BARE = Pattern.compile("(" + NAMES + ")(?![-\\w])");

    private final String ending;
    private final Pattern own;

    /**
     * @param number of the test, 0 to 99
     */
    OwnNames(int number) {
        ending = "%02d".formatted(number);
        own = Pattern.compile("(" + NAMES + ")-?" + ending + "(?![-\\w])");
    }

    /** As the product knows them. */
    String out(String text) {
        return BARE.matcher(text)
                .replaceAll(name -> name.group(1) + (name.group(1).contains("-") ? "-" : "") + ending);
    }

    /** As the test knows them. */
    String back(String text) {
        return own.matcher(text).replaceAll("$1");
    }
}
