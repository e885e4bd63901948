package vividcaravan.core.alert;

/** What a fault is a fault of. One wheel has at most one open alert of each family, so one fault is one alert. */
public enum AlertFamily {
    TYRE,
    SENSOR,
    BATTERY,
    MAP,
    WEATHER,
    RECEIVER,
    /** What people saw; no reading raises it and none settles it. */
    SEEN
}
