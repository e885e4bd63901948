package vividcaravan.core.alert;

/** What is to be done, as an instruction; the most urgent first. */
public enum Urgency {
    /** At the first safe place; a parked vehicle does not move. */
    STOP_NOW("Stop now"),
    NEXT_STOP("Next safe stop"),
    BEFORE_NEXT_TRIP("Before next trip"),
    PLAN("Plan it in");

    private final String words;

    Urgency(String words) {
        this.words = words;
    }

    /** The instruction as the reader sees it. */
    public String words() {
        return words;
    }

    /** Whether this asks for action sooner than {@code other}. */
    public boolean isMoreUrgentThan(Urgency other) {
        return ordinal() < other.ordinal();
    }

    /** The less urgent of the two. */
    public Urgency atMost(Urgency cap) {
        return isMoreUrgentThan(cap) ? cap : this;
    }
}
