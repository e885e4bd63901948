package vividcaravan.server.moves;

import java.util.Arrays;
import java.util.Optional;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.driver.WalkPoint;

/**
 * Known trouble of a tyre, which goes with it: run soft, a leak that is not proven closed, and what a person saw on it. Heat and nuts
 * belong to the wheel end and stay.
 */
final class Trouble {

    private Trouble() {}

    /** A move that is dated no further back than this is one of now: no sensor's clock is far ahead. */
    private static final long NOW_MILLIS = 3L * 60 * 1000;

    /**
     * Whether an alert stood when a tyre was moved at {@code at}; what came later is of the tyre that has stood there since.
     *
     * @param now clock time, epoch milliseconds
     */
    static boolean stood(Alert alert, long at, long now) {
        return now - at <= NOW_MILLIS || alert.openedAt() <= at;
    }

    /** Whether an alert leaves a wheel with its tyre. */
    static boolean goesAlong(Alert alert) {
        return alert.goesWithTyre() || isSeenOnTyre(alert);
    }

    /** Whether a person saw it on the tyre itself. */
    static boolean isSeenOnTyre(Alert alert) {
        return alert.kind().family() == AlertFamily.SEEN
                && alert.state() != AlertState.CLOSED
                && (alert.isRunSoft()
                        || Arrays.stream(WalkPoint.values())
                                .anyMatch(point -> point.isOfTyre() && alert.hasSeen(point.words())));
    }

    /** Whether something else was seen there too, which stays at the wheel. */
    static boolean staysToo(Alert alert) {
        return alert.kind().family() == AlertFamily.SEEN
                && Arrays.stream(WalkPoint.values())
                        .anyMatch(point -> !point.isOfTyre() && alert.hasSeen(point.words()));
    }

    /** Whether it stands at the next wheel at once; what only pressure says, the readings there say again. */
    static boolean standsAtNextWheel(Alert alert) {
        return isSeenOnTyre(alert) || alert.wasLeak() || alert.isRunSoft();
    }

    /** Why a tyre that lies somewhere is not to be fitted, as a sentence; empty where nothing speaks against it. */
    static Optional<String> mark(Alert alert, String where) {
        if (alert.isRunSoft()) {
            return Optional.of("Run at 80 % of its target or less at " + where + ".");
        }
        if (isSeenOnTyre(alert) && alert.urgency() != Urgency.PLAN) {
            return Optional.of("Seen on it at " + where + ": " + alert.kind().words() + ".");
        }
        return alert.wasLeak()
                ? Optional.of("It leaked at " + where + ", and is not proven closed.")
                : Optional.empty();
    }
}
