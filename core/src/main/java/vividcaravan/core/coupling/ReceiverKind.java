package vividcaravan.core.coupling;

/** What hears sensors and passes on what they say. */
public enum ReceiverKind {
    RECEIVER("receiver"),
    REPEATER("repeater");

    private final String words;

    ReceiverKind(String words) {
        this.words = words;
    }

    /** As a reader calls it. */
    public String words() {
        return words;
    }
}
