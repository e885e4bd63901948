package vividcaravan.core.alert;

/** What would have to change where alerts of a kind come again and again [common practice in the trade]. */
public enum Remedy {
    LEAK("Filled again and again it is a leak: have nail, valve and bead looked for, and close on a flat trend."),
    HEAT("Have brake and bearing measured. If nothing is found, hold the duty profile against how the vehicle works."),
    ROUND("One pressure round, cold and with a hand gauge, sets all of them; then watch whether it stays."),
    SENSOR("Look at the sensor: battery, seat, antenna. Where several of one age fail, plan all of them in one visit."),
    MAP("Prove which sensor sits where, and record every wheel move."),
    RECEIVER("Look at the receiver’s power and antenna; a long trailer may need a repeater."),
    WALK("Found again and again at one place it has a cause: alignment, load, or how it is mended. Look for that."),
    LIMIT("Try the limit on your own history before you move it: what would it have said, and what missed?");

    private final String words;

    Remedy(String words) {
        this.words = words;
    }

    /** What to do. */
    public String words() {
        return words;
    }

    /** What helps against alerts of {@code kind} at one wheel or vehicle. */
    public static Remedy of(AlertKind kind) {
        return switch (kind) {
            case UNDER_PRESSURE, SLOW_LEAK, FAST_LEAK -> LEAK;
            case HOT_TYRE, HOT_WHEEL_END -> HEAT;
            case OVER_PRESSURE, TWIN_MISMATCH, WEATHER_LOW -> ROUND;
            case SENSOR_SILENT, SENSOR_BATTERY, SENSOR_FAULT -> SENSOR;
            case SENSORS_CROSSED -> MAP;
            case RECEIVER_SILENT -> RECEIVER;
            case REPORTED_FAULT -> WALK;
        };
    }

    /** What helps where a kind calls all over the fleet: what has a limit may have the wrong one. */
    public static Remedy everywhere(AlertKind kind) {
        return switch (kind) {
            case UNDER_PRESSURE, OVER_PRESSURE, HOT_TYRE, HOT_WHEEL_END, TWIN_MISMATCH -> LIMIT;
            default -> of(kind);
        };
    }
}
