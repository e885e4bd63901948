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

    /** After so far at the latest [50 to 100 km is common practice]; the vehicle maker's figure goes first. */
    public static final int USUAL_KM = 80;

    /** Nobody tells the distance, so after so many days it counts as driven [our judgement]. */
    public static final int USUAL_DAYS = 1;

    /** Whether it is due at {@code at}, epoch milliseconds. */
    public boolean isDue(long at) {
        return at >= dueAt;
    }
}
