package vividcaravan.core.alert;

import java.util.EnumSet;
import java.util.Set;

/**
 * Where an alert is in its life. After IEC 62682 / ISA-18.2 [from memory]: unacknowledged, acknowledged, returned,
 * shelved; with <em>in hand</em> for what somebody is already working on.
 */
public enum AlertState {
    NEW("not seen yet"),
    ACKNOWLEDGED("seen"),
    IN_HAND("in hand"),
    /** The readings are back inside the limits, but that is not yet proof. */
    RECOVERED("back in band"),
    SHELVED("put aside"),
    CLOSED("closed");

    private final String words;

    AlertState(String words) {
        this.words = words;
    }

    /** The state as a reader calls it. */
    public String words() {
        return words;
    }

    /** The states that may follow this one; anything not listed here is not allowed. */
    public Set<AlertState> next() {
        return switch (this) {
            case NEW -> EnumSet.of(ACKNOWLEDGED, IN_HAND, RECOVERED, SHELVED, CLOSED);
            case ACKNOWLEDGED -> EnumSet.of(NEW, IN_HAND, RECOVERED, SHELVED, CLOSED);
            case IN_HAND -> EnumSet.of(NEW, RECOVERED, CLOSED);
            case RECOVERED -> EnumSet.of(NEW, CLOSED);
            case SHELVED -> EnumSet.of(NEW, RECOVERED, CLOSED);
            case CLOSED -> EnumSet.of(NEW);
        };
    }

    /** Whether {@code state} may follow this one. */
    public boolean allows(AlertState state) {
        return next().contains(state);
    }
}
