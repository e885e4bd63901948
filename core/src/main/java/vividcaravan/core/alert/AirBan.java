package vividcaravan.core.alert;

import java.util.stream.Stream;
import vividcaravan.core.axles.Position;

/**
 * Where no figure of air is advised, to add or to let out: at a wheel with a tyre that ran soft, open heat, a leak that is not proven
 * closed, exchanged sensors, or what a person saw. There the alert's own advice comes first.
 */
public final class AirBan {

    private AirBan() {}

    /**
     * Whether one of {@code open} forbids it at a wheel.
     *
     * @param open the vehicle's open alerts, told or not
     */
    public static boolean isAt(Position position, Stream<Alert> open) {
        return open.anyMatch(alert -> isOf(alert, position) && forbids(alert));
    }

    private static boolean isOf(Alert alert, Position position) {
        return position.equals(alert.position())
                || alert.kind() == AlertKind.SENSORS_CROSSED
                        && position.equals(alert.evidence().other());
    }

    private static boolean forbids(Alert alert) {
        boolean isReported = alert.kind() == AlertKind.REPORTED_FAULT && alert.urgency() != Urgency.PLAN;
        return alert.isRunSoft()
                || alert.wasLeak()
                || alert.isActive()
                        && (alert.kind().isHeat() || alert.kind() == AlertKind.SENSORS_CROSSED || isReported);
    }
}
