package vividcaravan.core.tyres;

import vividcaravan.core.axles.Position;

/**
 * A wheel that was off, whose nuts are to be tightened again.
 *
 * @param position where it was put on
 * @param offAt when, epoch milliseconds
 * @param dueAt from when it holds a departure up, epoch milliseconds
 * @param km after which distance it is to be done, km
 */
public record Retorque(Position position, long offAt, long dueAt, int km) {

    /**
     * When nuts are to be tightened again, as a fleet sets it; the vehicle maker's figure goes first.
     *
     * @param km after so far at the latest, km
     * @param days nobody tells the distance, so after so many days it counts as driven
     */
    public record Rule(int km, int days) {
        /** Unless somebody says otherwise: 80 km [50 to 100 km is common practice], or a day [our judgement]. */
        public static final Rule USUAL = new Rule(80, 1);
    }

    /** Whether the days for it are exceeded by half again at {@code at}, epoch milliseconds. */
    public boolean isOverdue(long at) {
        return at >= dueAt + (dueAt - offAt) / 2;
    }

    /** Whether it is due at {@code at}, epoch milliseconds. */
    public boolean isDue(long at) {
        return at >= dueAt;
    }
}
