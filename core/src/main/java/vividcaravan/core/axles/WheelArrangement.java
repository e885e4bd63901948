package vividcaravan.core.axles;

/** How many tyres stand at an axle end. */
public enum WheelArrangement {
    SINGLE("single", 1),
    WIDE_SINGLE("wide single", 1),
    TWIN("twin", 2);

    private final String words;
    private final int tyresPerSide;

    WheelArrangement(String words, int tyresPerSide) {
        this.words = words;
        this.tyresPerSide = tyresPerSide;
    }

    /** Tyres at each end of the axle, 1 or 2. */
    public int tyresPerSide() {
        return tyresPerSide;
    }

    /** As a reader calls it. */
    public String words() {
        return words;
    }
}
