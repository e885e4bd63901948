package vividcaravan.core.alert;

import vividcaravan.core.axles.Position;

/**
 * What somebody saw that no sensor sees. It counts as a sensor's word does.
 *
 * @param position the wheel, or null for the vehicle
 * @param urgency what it calls for
 * @param who user name of the person who saw it
 * @param words what was seen
 * @param isFlat whether the tyre was seen flat: it counts as run soft until a named inspection
 * @param isCall whether somebody calls for help or sees smoke, which calls people each time that it is said
 */
public record Sight(Position position, Urgency urgency, String who, String words, boolean isFlat, boolean isCall) {

    /** A fault that was seen on a tyre that holds its air. */
    public Sight(Position position, Urgency urgency, String who, String words) {
        this(position, urgency, who, words, false, false);
    }
}
