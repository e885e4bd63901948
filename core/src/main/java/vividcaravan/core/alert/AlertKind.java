package vividcaravan.core.alert;

/** What the evidence says is happening. Within a family the earlier kind says more and is kept at equal urgency. */
public enum AlertKind {
    FAST_LEAK(AlertFamily.TYRE),
    SLOW_LEAK(AlertFamily.TYRE),
    HOT_WHEEL_END(AlertFamily.TYRE),
    HOT_TYRE(AlertFamily.TYRE),
    UNDER_PRESSURE(AlertFamily.TYRE),
    OVER_PRESSURE(AlertFamily.TYRE),
    TWIN_MISMATCH(AlertFamily.TYRE),
    SENSOR_FAULT(AlertFamily.SENSOR),
    SENSOR_SILENT(AlertFamily.SENSOR),
    SENSOR_BATTERY(AlertFamily.BATTERY),
    SENSORS_CROSSED(AlertFamily.MAP),
    WEATHER_LOW(AlertFamily.WEATHER),
    RECEIVER_SILENT(AlertFamily.RECEIVER);

    private final AlertFamily family;

    AlertKind(AlertFamily family) {
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
}
