package vividcaravan.core.alert;

/** What the evidence says is happening. Within a family the earlier kind says more and is kept at equal urgency. */
public enum AlertKind {
    FAST_LEAK("going flat", AlertFamily.TYRE),
    SLOW_LEAK("slow leak", AlertFamily.TYRE),
    HOT_WHEEL_END("hot wheel end", AlertFamily.TYRE),
    HOT_TYRE("hot", AlertFamily.TYRE),
    UNDER_PRESSURE("under target", AlertFamily.TYRE),
    OVER_PRESSURE("over target", AlertFamily.TYRE),
    TWIN_MISMATCH("twins differ", AlertFamily.TYRE),
    SENSOR_FAULT("sensor faulty", AlertFamily.SENSOR),
    SENSOR_SILENT("sensor silent", AlertFamily.SENSOR),
    SENSOR_BATTERY("sensor battery", AlertFamily.BATTERY),
    SENSORS_CROSSED("sensors crossed", AlertFamily.MAP),
    WEATHER_LOW("cold weather", AlertFamily.WEATHER),
    RECEIVER_SILENT("receiver silent", AlertFamily.RECEIVER),
    /** Found by somebody on the walk round; the sensors see none of it. */
    REPORTED_FAULT("fault reported", AlertFamily.SEEN);

    private final String words;
    private final AlertFamily family;

    AlertKind(String words, AlertFamily family) {
        this.words = words;
        this.family = family;
    }

    /** The family of faults this kind belongs to. */
    public AlertFamily family() {
        return family;
    }

    /** Whether this kind says more about the fault than {@code other} does. */
    boolean saysMoreThan(AlertKind other) {
        return ordinal() < other.ordinal();
    }

    /** Whether the tyre is the worse the less air is in it. */
    public boolean isLossOfAir() {
        return isLeak() || this == UNDER_PRESSURE || this == TWIN_MISMATCH;
    }

    /** Whether it is the worse the hotter it gets. */
    public boolean isHeat() {
        return this == HOT_TYRE || this == HOT_WHEEL_END;
    }

    /** Whether this kind is a loss of air, which topping up does not repair. */
    public boolean isLeak() {
        return this == FAST_LEAK || this == SLOW_LEAK;
    }

    /** As a reader calls it. */
    public String words() {
        return words;
    }
}
