package vividcaravan.core.alert;

/** Whether an alert was right, as whoever closed it says: the product's own precision in the field. */
public enum Verdict {
    RIGHT("it was right"),
    NOT_WORTH_IT("right, but not worth an alert"),
    NOTHING_FOUND("nothing was found");

    private final String words;

    Verdict(String words) {
        this.words = words;
    }

    /** The same in words. */
    public String words() {
        return words;
    }
}
