package vividcaravan.core.judge.rules;

import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.AxleRole;

/** Everything a wheel is watched for, the most urgent of its family first. */
public enum Limit {
    FAST_FALL(AlertKind.FAST_LEAK),
    /** At the second limit, by a leak: that says more than that it is there. */
    LEAK_SECOND(AlertKind.SLOW_LEAK),
    LOW_SECOND(AlertKind.UNDER_PRESSURE),
    HOT_END_STOP(AlertKind.HOT_WHEEL_END),
    HOT_STOP(AlertKind.HOT_TYRE),
    LEAK_SOON(AlertKind.SLOW_LEAK),
    /** Far under target, by a leak. */
    LEAK_LOW(AlertKind.SLOW_LEAK),
    RUN_SOFT(AlertKind.UNDER_PRESSURE),
    /** As far below, and nothing shows that it was driven so: it may have been. */
    SOFT(AlertKind.UNDER_PRESSURE),
    LOW_NEXT_STOP(AlertKind.UNDER_PRESSURE),
    LOW_WHEN_COLD(AlertKind.UNDER_PRESSURE),
    LEAK_HIDDEN(AlertKind.SLOW_LEAK),
    HOT_END(AlertKind.HOT_WHEEL_END),
    HOT(AlertKind.HOT_TYRE),
    LEAK(AlertKind.SLOW_LEAK),
    SEEP_SOON(AlertKind.SLOW_LEAK),
    LOW(AlertKind.UNDER_PRESSURE),
    HIGH(AlertKind.OVER_PRESSURE),
    HIGH_WHEN_COLD(AlertKind.OVER_PRESSURE),
    SEEP(AlertKind.SLOW_LEAK),
    MISMATCH(AlertKind.TWIN_MISMATCH),
    FAULT(AlertKind.SENSOR_FAULT),
    STUCK(AlertKind.SENSOR_FAULT),
    SILENT(AlertKind.SENSOR_SILENT),
    CROSSED(AlertKind.SENSORS_CROSSED),
    MISPLACED(AlertKind.SENSORS_CROSSED),
    BATTERY(AlertKind.SENSOR_BATTERY);

    static final Limit[] ALL = values();

    private final AlertKind kind;
    private final AlertFamily family;

    Limit(AlertKind kind) {
        this.kind = kind;
        this.family = kind.family();
    }

    /** What an alert of it is called. */
    public AlertKind kind() {
        return kind;
    }

    AlertFamily family() {
        return family;
    }

    /** What to do once it is reached; a spare never stops anybody. */
    public Urgency urgency(WheelRules rules) {
        Urgency urgency =
                switch (this) {
                    case FAST_FALL, LEAK_SECOND, LOW_SECOND, HOT_STOP, HOT_END_STOP -> Urgency.STOP_NOW;
                    case RUN_SOFT, SOFT, LOW_NEXT_STOP, LOW_WHEN_COLD, HOT, HOT_END, LEAK_HIDDEN, LEAK_SOON, LEAK_LOW ->
                        Urgency.NEXT_STOP;
                    case LOW, HIGH, HIGH_WHEN_COLD, LEAK, SEEP_SOON, MISMATCH, CROSSED -> Urgency.BEFORE_NEXT_TRIP;
                    case FAULT, STUCK, SILENT, MISPLACED ->
                        rules.role() == AxleRole.STEER ? Urgency.BEFORE_NEXT_TRIP : Urgency.PLAN;
                    case BATTERY, SEEP -> Urgency.PLAN;
                };
        return rules.position().isSpare() ? urgency.atMost(Urgency.BEFORE_NEXT_TRIP) : urgency;
    }
}
