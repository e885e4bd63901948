package vividcaravan.server.alerts;

import java.util.Optional;
import vividcaravan.core.alert.Alert;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.View;

/**
 * What is said of a tyre with its alert: that it was scrapped, or that another was put on, each of which ends the tyre at its wheel;
 * or that it was inspected off the vehicle, after which its wheel came on again.
 */
public interface TyreEnd {

    /**
     * What became of a tyre.
     *
     * @param isScrapped whether it cannot come back
     * @param isChanged whether another was put on
     * @param isInspected whether somebody inspected it, by name
     */
    record Fate(boolean isScrapped, boolean isChanged, boolean isInspected) {

        /** Whether the tyre ends at its wheel with it. */
        public boolean isEnd() {
            return isScrapped || isChanged;
        }

        /** Whether the wheel was off: nobody inspects a tyre inside where it stands. */
        boolean wasOff() {
            return isEnd() || isInspected;
        }
    }

    /** Ends the tyre at the wheel of {@code alert}; empty where there is none. */
    Optional<Deed> end(Pen pen, FleetVehicle vehicle, Alert alert, Fate fate, String who);

    /**
     * @throws Refusal if the tyre at the wheel of {@code alert} was moved just now
     */
    void refuseIfNotEndable(View view, FleetVehicle vehicle, Alert alert);

    /**
     * @throws Refusal if what was said of the tyre with this alert cannot be taken back any more
     */
    void refuseIfNotUndoable(View view, long alert);

    /** Takes back what was said of the tyre with this alert; empty where nothing was. */
    Optional<Deed> undo(Pen pen, long alert, String who);
}
