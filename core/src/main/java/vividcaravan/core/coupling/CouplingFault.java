package vividcaravan.core.coupling;

/** Why a vehicle cannot be hooked behind another. */
public enum CouplingFault {
    ITSELF("A vehicle cannot be hooked behind itself."),
    NO_TRAILER("Only trailers, dollies and implements are hooked behind another vehicle."),
    PULLS_ALREADY("Something is hooked behind it already at that time. Uncouple that first, or hook this behind that."),
    PULLED_LATER("It was hooked behind another after that time. Uncouple or correct that first."),
    CIRCLE("That would hook a vehicle behind itself by way of others."),
    TOO_LONG("A combination has " + Combinations.LONGEST + " vehicles at most."),
    BACKWARDS("It cannot end before it begins.");

    private final String words;

    CouplingFault(String words) {
        this.words = words;
    }

    /** A sentence for whoever tried. */
    public String words() {
        return words;
    }
}
