package vividcaravan.server.sensorbook;

/** Where a sensor is. */
public enum SensorState {
    FITTED("at a wheel"),
    IN_TYRE("inside a tyre off every vehicle"),
    IN_STOCK("in stock"),
    OUT_OF_USE("out of use");

    private final String words;

    SensorState(String words) {
        this.words = words;
    }

    /** What it is called. */
    public String words() {
        return words;
    }
}
