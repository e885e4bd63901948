package vividcaravan.core.alert;

/**
 * What people made of an alert beyond its state.
 *
 * @param assignee user name of whoever is to deal with it, or null
 * @param sameCauseAs identity of the alert that stands for this one too, or null
 * @param verdict whether it was right, as somebody said who closed it, or null
 * @param before what the last act replaced while that can be taken back, or null
 */
public record Handling(String assignee, Long sameCauseAs, Verdict verdict, Before before) {

    /** Nobody did anything yet. */
    public static final Handling NONE = new Handling(null, null, null, null);

    /** How an alert stood before an act. */
    public record Before(AlertState state, Long closedAt, Long shelvedUntil, String assignee, Long sameCauseAs) {}

    Handling of(String whom) {
        return new Handling(whom, sameCauseAs, verdict, before);
    }

    Handling with(Long leading) {
        return new Handling(assignee, leading, verdict, before);
    }

    Handling saying(Verdict said) {
        return new Handling(assignee, sameCauseAs, said, before);
    }

    Handling after(Alert replaced) {
        Handling then = replaced.handling();
        return new Handling(
                assignee,
                sameCauseAs,
                verdict,
                new Before(
                        replaced.state(),
                        replaced.closedAt(),
                        replaced.shelvedUntil(),
                        then.assignee,
                        then.sameCauseAs));
    }

    /** The same, with nothing to be taken back. */
    Handling forGood() {
        return new Handling(assignee, sameCauseAs, verdict, null);
    }
}
