package vividcaravan.core.tyres;

import vividcaravan.core.axles.Position;

/**
 * A wheel that was off, whose nuts are to be tightened again: after a distance where one is known, else after days.
 *
 * @param position where it was put on
 * @param offAt when, epoch milliseconds
 * @param dueAt from when it holds a departure up where no distance is known, epoch milliseconds
 * @param km after which distance it is to be done, km
 * @param ranKm how far the vehicle had run then, km as {@link Mileage} counts; null where nothing told it
 */
public record Retorque(Position position, long offAt, long dueAt, int km, Double ranKm) {

    private static final long DAY_MILLIS = 24L * 60 * 60 * 1000;

    /**
     * When nuts are to be tightened again, as a fleet sets it; the vehicle maker's figure goes first.
     *
     * @param km after so far at the latest, km
     * @param days where nothing tells the distance, after so many days it counts as driven
     */
    public record Rule(int km, int days) {
        /** Unless somebody says otherwise: 80 km [50 to 100 km is common practice], or a day [our judgement]. */
        public static final Rule USUAL = new Rule(80, 1);
    }

    /**
     * How far it ran since, km; null where that is not known.
     *
     * @param ranNowKm how far the vehicle has run now, km, or null where nothing tells it
     */
    public Double sinceKm(Double ranNowKm) {
        return ranKm == null || ranNowKm == null ? null : Double.valueOf(Math.max(0, ranNowKm - ranKm));
    }

    /** Whether the distance for it, or the days where none is known, are exceeded by half again at {@code at}, epoch milliseconds. */
    public boolean isOverdue(long at, Double ranNowKm) {
        Double since = sinceKm(ranNowKm);
        return since == null ? at >= dueAt + (dueAt - offAt) / 2 : since >= 1.5 * km;
    }

    /** Whether it is due at {@code at}, epoch milliseconds. */
    public boolean isDue(long at, Double ranNowKm) {
        Double since = sinceKm(ranNowKm);
        return since == null ? at >= dueAt : since >= km;
    }

    /** By when it is to be done as far as can be told at {@code at}: at a vehicle that has not run so far, tomorrow at the soonest. */
    public long dueAt(long at, Double ranNowKm) {
        return sinceKm(ranNowKm) == null
                ? dueAt
                : isDue(at, ranNowKm) ? Math.min(dueAt, at) : Math.max(dueAt, at + DAY_MILLIS);
    }
}
