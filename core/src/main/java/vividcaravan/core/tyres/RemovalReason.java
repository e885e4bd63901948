package vividcaravan.core.tyres;

/** Why a tyre comes off its vehicle [the usual ones in practice; local lists may go further]. */
public enum RemovalReason {
    WORN("worn down"),
    UNEVEN_WEAR("worn unevenly"),
    PUNCTURE("punctured"),
    RUN_LOW("run low or flat"),
    HEAT("run hot"),
    DAMAGE("cut, bulge or other damage"),
    AGE("too old"),
    BEAD_OR_RIM("bead, rim or valve"),
    SEASON("other tyres for the season"),
    ROTATION("changed round"),
    OTHER("for another reason");

    private final String words;

    RemovalReason(String words) {
        this.words = words;
    }

    /** As a reader calls it. */
    public String words() {
        return words;
    }
}
