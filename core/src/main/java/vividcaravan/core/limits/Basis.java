package vividcaravan.core.limits;

/** Which pressure the limits are held against. */
public enum Basis {
    /** The pressure brought to 20 °C. */
    COMPENSATED("at 20 °C"),
    /** The raw gauge value. */
    GAUGE("as the gauge shows");

    private final String words;

    Basis(String words) {
        this.words = words;
    }

    /** As a reader calls it. */
    public String words() {
        return words;
    }
}
