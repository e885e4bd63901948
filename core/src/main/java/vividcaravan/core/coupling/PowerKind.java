package vividcaravan.core.coupling;

/** What a receiver or repeater lives on: it has to be there where it is to hang. */
public enum PowerKind {
    VEHICLE_12V("12 V of the vehicle"),
    VEHICLE_24V("24 V of the vehicle"),
    MAINS("mains"),
    BATTERY("its own battery");

    private final String words;

    PowerKind(String words) {
        this.words = words;
    }

    /** As a reader calls it. */
    public String words() {
        return words;
    }
}
