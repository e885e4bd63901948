package vividcaravan.core.axles;

/** How many tyres stand at an axle end. */
public enum WheelArrangement {
    SINGLE(1),
    WIDE_SINGLE(1),
    TWIN(2);

    private final int tyresPerSide;

    WheelArrangement(int tyresPerSide) {
        this.tyresPerSide = tyresPerSide;
    }

    /** Tyres at each end of the axle, 1 or 2. */
    public int tyresPerSide() {
        return tyresPerSide;
    }
}
