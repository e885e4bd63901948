package vividcaravan.core.judge;

import java.util.Optional;
import vividcaravan.core.alert.Departure;

/** How a wheel is at a glance. */
public enum WheelCondition {
    OK("well"),
    LOW("low"),
    LOW_CRITICAL("below the second limit"),
    HIGH("over the high limit"),
    HOT("hot"),
    HOT_CRITICAL("above the stop temperature"),
    SILENT("silent"),
    ASLEEP("asleep"),
    FAULT("sensor cannot measure"),
    NO_SENSOR("no sensor");

    private final String words;

    WheelCondition(String words) {
        this.words = words;
    }

    /** The condition as a reader calls it. */
    public String words() {
        return words;
    }

    /**
     * Why a wheel in this condition is not watched; empty if it is.
     *
     * @param isHeard whether its sensor was ever heard
     */
    public Optional<Departure.Blind> blind(boolean isHeard) {
        return switch (this) {
            case NO_SENSOR -> Optional.of(Departure.Blind.NO_SENSOR);
            case SILENT -> Optional.of(Departure.Blind.SILENT);
            case FAULT -> Optional.of(Departure.Blind.FAULT);
            default -> isHeard ? Optional.empty() : Optional.of(Departure.Blind.NEVER_HEARD);
        };
    }

    /** Sensors sleep some 5 to 10 minutes after stopping [common practice]. */
    static final long ASLEEP_AFTER_MILLIS = 10L * 60 * 1000;

    /** All wheels report within some 5 minutes of a start, a new tyre within 6 [common practice]; twice that. */
    static final long SILENT_AFTER_MILLIS = 12L * 60 * 1000;

    /**
     * The condition as it looks at {@code now}: silent when siblings report and this wheel does not, asleep when none do.
     *
     * @param judged what the judge last said
     * @param wheelHeardAt when this wheel was last heard, or null if never; epoch milliseconds
     * @param vehicleHeardAt when any wheel of the vehicle was last heard, or null if never
     * @param isSpare a spare sleeps while its siblings talk, and is never silent
     */
    public static WheelCondition seenAt(
            long now, WheelCondition judged, Long wheelHeardAt, Long vehicleHeardAt, boolean isSpare) {
        boolean isVehicleAwake = vehicleHeardAt != null && now - vehicleHeardAt <= ASLEEP_AFTER_MILLIS;
        boolean isBehind =
                wheelHeardAt == null || vehicleHeardAt != null && vehicleHeardAt - wheelHeardAt > SILENT_AFTER_MILLIS;
        if (isBehind && vehicleHeardAt != null && !isSpare && isVehicleAwake) {
            return SILENT;
        }
        if (judged == OK && (wheelHeardAt == null || now - wheelHeardAt > ASLEEP_AFTER_MILLIS)) {
            return ASLEEP;
        }
        return judged;
    }
}
