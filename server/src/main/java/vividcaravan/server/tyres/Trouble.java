package vividcaravan.server.tyres;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;
import vividcaravan.core.driver.WalkPoint;
import vividcaravan.core.tyres.WhatWent;
import vividcaravan.server.fleet.FleetVehicle;

/**
 * Known trouble of a tyre, which goes with it: run soft, a leak that is not proven closed, and what a person saw on it. Heat and nuts
 * belong to the wheel end and stay.
 */
public final class Trouble {

    private Trouble() {}

    /** A move that is dated no further back than this is one of now: no sensor's clock is far ahead. */
    private static final long NOW_MILLIS = 3L * 60 * 1000;

    /**
     * Whether an alert stood when a tyre was moved at {@code at}; what came later is of the tyre that has stood there since.
     *
     * @param now clock time, epoch milliseconds
     */
    public static boolean stood(Alert alert, long at, long now) {
        return now - at <= NOW_MILLIS || alert.openedAt() <= at;
    }

    /** An alert that stood then, as it was; a sensor's clock may be ahead of a move of now, which takes it as it is. */
    public static Alert then(Alert alert, long at, long now) {
        return now - at <= NOW_MILLIS ? alert : alert.asOf(at);
    }

    /** Whether an alert leaves a wheel with its tyre. */
    public static boolean goesAlong(Alert alert) {
        return goesAlong(alert, null);
    }

    /** Whether an alert leaves a wheel with what {@code went}. */
    public static boolean goesAlong(Alert alert, @Nullable WhatWent went) {
        return alert.goesWithTyre() || isSeenOn(alert, went);
    }

    /** Whether a person saw it on the tyre itself. */
    public static boolean isSeenOnTyre(Alert alert) {
        return isSeenOn(alert, null);
    }

    private static boolean isSeenOn(Alert alert, @Nullable WhatWent went) {
        return alert.kind().family() == AlertFamily.SEEN
                && alert.state() != AlertState.CLOSED
                && (alert.isRunSoft()
                        || Arrays.stream(WalkPoint.values())
                                .anyMatch(point -> goes(point, went) && alert.hasSeen(point.words())));
    }

    /**
     * Whether something of it stays at the wheel too: something else that was seen there, or, where the rim stays with its valve, a
     * leak of which nobody knows yet where it is.
     */
    public static boolean staysToo(Alert alert, @Nullable WhatWent went) {
        boolean isOfTheRim = went == WhatWent.TYRE_ALONE && alert.wasLeak() && !alert.isRunSoft();
        return isOfTheRim
                || alert.kind().family() == AlertFamily.SEEN
                        && Arrays.stream(WalkPoint.values())
                                .anyMatch(point -> !goes(point, went) && alert.hasSeen(point.words()));
    }

    /** A valve goes with its rim. */
    private static boolean goes(WalkPoint point, @Nullable WhatWent went) {
        return point.isOfTyre() || point == WalkPoint.VALVE && went == WhatWent.WHOLE_WHEEL;
    }

    /** Whether it stands at the next wheel at once; what only pressure says, the readings there say again. */
    public static boolean standsAtNextWheel(Alert alert) {
        return alert.kind().family() == AlertFamily.SEEN || alert.wasLeak() || alert.isRunSoft();
    }

    /** Why a tyre that lies somewhere is not to be fitted, as a sentence; empty where nothing speaks against it. */
    public static Optional<String> mark(Alert alert, String where) {
        if (alert.isRunSoft()) {
            return Optional.of("Run at 80 % of its target or less at " + where + ".");
        }
        if (alert.kind().family() == AlertFamily.SEEN && alert.urgency() != Urgency.PLAN) {
            return Optional.of("Seen on it at " + where + ": " + alert.lastSeen() + ".");
        }
        return alert.wasLeak()
                ? Optional.of("It leaked at " + where + ", and is not proven closed.")
                : Optional.empty();
    }

    /**
     * Known trouble of a tyre.
     *
     * @param id by which an inspection names it while its tyre lies somewhere; null at a wheel, and of a tread
     * @param kind of the alert that told of it; LOW_TREAD where a tread gauge did
     * @param since since when it is known
     * @param seenBy user name of the person who saw it; null where readings told of it
     * @param words what it is, as a sentence
     */
    public record KnownTrouble(
            @Nullable String id, String kind, Instant since, @Nullable String seenBy, String words) {}

    /** What is known, in words that do not say where. */
    public static String words(Alert alert) {
        if (alert.kind().family() == AlertFamily.SEEN) {
            return alert.lastSeen();
        }
        return alert.isRunSoft()
                ? "Run at 80 % of its target or less."
                : alert.kind().words() + ".";
    }

    /** The alerts that are open against the tyre at a wheel; safe to ask. */
    public static List<Alert> against(FleetVehicle vehicle, Position position) {
        return Stream.concat(vehicle.openAlerts().stream(), vehicle.untoldAlerts().stream())
                .filter(alert -> position.equals(alert.position()) && goesAlong(alert))
                .toList();
    }

    /** What is open against the tyre at a wheel, in words. */
    public static List<KnownTrouble> at(FleetVehicle vehicle, Position position) {
        String where = vehicle.description().ref() + " " + position.code();
        return against(vehicle, position).stream()
                .map(alert -> new KnownTrouble(
                        null,
                        alert.kind().name(),
                        Instant.ofEpochMilli(alert.openedAt()),
                        alert.lastSeenBy().orElse(null),
                        mark(alert, where).orElse(alert.kind().words() + " at " + where + ".")))
                .toList();
    }
}
