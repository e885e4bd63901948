package vividcaravan.server.platform;

/** What a receiver may be called. */
public final class ReceiverName {

    /** What is said of a name that is none. */
    public static final String WORDS = "A receiver's name has 1 to 60 letters, digits and - _ . : and nothing else.";

    private static final int LONGEST = 60;

    private ReceiverName() {}

    /** Whether a receiver may be called so. */
    public static boolean isOne(String name) {
        return !name.isEmpty() && name.length() <= LONGEST && name.chars().allMatch(ReceiverName::isAllowed);
    }

    private static boolean isAllowed(int c) {
        return c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c >= '0' && c <= '9' || "-_.:".indexOf(c) >= 0;
    }
}
