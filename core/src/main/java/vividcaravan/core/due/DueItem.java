package vividcaravan.core.due;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.tyres.Retorque;
import vividcaravan.core.tyres.TreadWear;

/**
 * Something that is to be done at a vehicle, or at a tyre off every vehicle, by a day.
 *
 * @param thing what it is about, by which it is known again while it is due: {@code GX-05 2LO}
 * @param dueAt epoch milliseconds
 * @param words what is to be done
 */
public record DueItem(Kind kind, String thing, long dueAt, String words) {

    /** What sort of work it is. */
    public enum Kind {
        RETORQUE("wheel nuts"),
        INSPECTION("inspection"),
        BATTERY("battery"),
        TREAD("tread"),
        CALIBRATION("calibration");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** As a reader calls it. */
        public String words() {
            return words;
        }
    }

    private static final long DAY_MILLIS = 24L * 60 * 60 * 1000;
    /** A cell that is said to be weak lasts some weeks more; one visit a month does them all [our judgement]. */
    private static final long BATTERY_MILLIS = 28 * DAY_MILLIS;
    /** A forecast that reaches farther is none to plan by [our judgement]. */
    private static final long AHEAD_MILLIS = 180 * DAY_MILLIS;

    /**
     * The wheel nuts of a vehicle that are to be tightened again, as one visit.
     *
     * @param now epoch milliseconds
     * @param ranKm how far the vehicle has run, km, or null where nothing tells it
     */
    public static Optional<DueItem> ofNuts(String vehicle, List<Retorque> loose, long now, Double ranKm) {
        return loose.isEmpty()
                ? Optional.empty()
                : Optional.of(new DueItem(
                        Kind.RETORQUE,
                        vehicle,
                        loose.stream()
                                .mapToLong(one -> one.dueAt(now, ranKm))
                                .min()
                                .orElseThrow(),
                        "Tighten the wheel nuts again: "
                                + loose.stream()
                                        .map(one -> one.position().code())
                                        .sorted()
                                        .collect(Collectors.joining(", "))
                                + ". The vehicle maker's distance and torque go first."));
    }

    /** What an open alert asks for that is planned: a battery, or an inspection of a tyre that was run soft. */
    public static Optional<DueItem> of(String vehicle, Alert alert) {
        if (alert.position() == null) {
            return Optional.empty();
        }
        String wheel = vehicle + " " + alert.position().code();
        if (alert.kind() == AlertKind.SENSOR_BATTERY) {
            return Optional.of(new DueItem(
                    Kind.BATTERY,
                    wheel,
                    alert.openedAt() + BATTERY_MILLIS,
                    "Change the cell of its sensor, or the sensor; do all of a depot in one visit, before the cold."));
        }
        if (alert.isRunSoft() && alert.kind().family() == AlertFamily.TYRE) {
            return Optional.of(new DueItem(
                    Kind.INSPECTION,
                    wheel,
                    alert.openedAt(),
                    "Take the tyre off, deflated first, and have it inspected inside by a trained person."));
        }
        return Optional.empty();
    }

    /**
     * The cells of a vehicle's sensors that one visit to its depot changes.
     *
     * @param positions codes of the wheels
     * @param at by when, epoch milliseconds
     * @param all how many cells that visit changes in all
     * @param isBeforeCold whether it was brought forward, before weak cells sag in the cold
     */
    public static Optional<DueItem> ofCells(
            String vehicle, List<String> positions, long at, int all, boolean isBeforeCold, long now) {
        return at - now > AHEAD_MILLIS
                ? Optional.empty()
                : Optional.of(new DueItem(
                        Kind.BATTERY,
                        vehicle,
                        at,
                        "Change the cells of "
                                + positions.stream().sorted().collect(Collectors.joining(", "))
                                + ", or the sensors where they are sealed; one visit does " + all + " at the depot"
                                + (isBeforeCold ? ", before weak cells sag in the cold." : ".")));
    }

    /**
     * A hand gauge that is to be calibrated again.
     *
     * @param at from when on it is not to be relied on, epoch milliseconds
     */
    public static Optional<DueItem> ofGauge(String name, long at, long now) {
        return at - now > AHEAD_MILLIS
                ? Optional.empty()
                : Optional.of(new DueItem(
                        Kind.CALIBRATION,
                        "hand gauge " + name,
                        at,
                        "Have it calibrated, or use another: what it shows after that day proves nothing."));
    }

    /**
     * A tread that comes near the least that is allowed.
     *
     * @param now epoch milliseconds
     * @param treadMm the last reading at the shallowest, mm
     */
    public static Optional<DueItem> ofTread(String thing, double treadMm, TreadWear wear, long now) {
        return wear.minimumAt() - now > AHEAD_MILLIS
                ? Optional.empty()
                : Optional.of(new DueItem(
                        Kind.TREAD,
                        thing,
                        wear.minimumAt(),
                        String.format(
                                Locale.ROOT,
                                "Its tread was %.1f mm and wears %.2f mm a month: plan its successor. Local law goes first.",
                                treadMm,
                                wear.mmPerMonth())));
    }
}
