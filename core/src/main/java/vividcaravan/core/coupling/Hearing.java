package vividcaravan.core.coupling;

/**
 * Sensors of one vehicle, heard by one receiver within a minute.
 *
 * @param at when the last of them spoke, epoch milliseconds
 * @param isMoving whether they said that the wheels turn; null where none said
 * @param celsius how warm they were in the middle, °C; NaN where none measured it
 */
public record Hearing(String receiver, long vehicle, long at, Boolean isMoving, double celsius) {

    /** Whether they said that the vehicle stands. */
    boolean isStanding() {
        return Boolean.FALSE.equals(isMoving);
    }
}
