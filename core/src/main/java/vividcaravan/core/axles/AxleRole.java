package vividcaravan.core.axles;

/** What an axle is there for. */
public enum AxleRole {
    STEER("steer"),
    DRIVE("drive"),
    TAG("tag"),
    LIFT("lift"),
    TRAILER("trailer");

    private final String words;

    AxleRole(String words) {
        this.words = words;
    }

    /** As a reader calls it. */
    public String words() {
        return words;
    }
}
