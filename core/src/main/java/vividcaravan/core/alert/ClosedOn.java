package vividcaravan.core.alert;

/** On the strength of what an alert was closed. */
public enum ClosedOn {
    /** The readings proved that all is well. */
    READINGS("on proof by readings"),
    /** A named person inspected it: a tyre that was run soft off the vehicle; or its tyre was scrapped. */
    INSPECTION("on an inspection"),
    /** Somebody's word and reason: no proof. */
    WORD("without proof"),
    /** The readings belonged to another wheel, or showed that there was nothing. */
    WITHDRAWN("withdrawn"),
    /** The tyre went elsewhere; what speaks against it went along. */
    TYRE_LEFT("with its tyre, which left the wheel"),
    /** What a person reported was of another wheel, or something else; it stands there. */
    CORRECTION("as a mistake in the report");

    private final String words;

    ClosedOn(String words) {
        this.words = words;
    }

    /** The same in words, behind that it was closed. */
    public String words() {
        return words;
    }
}
