package vividcaravan.core.alert;

import java.util.Arrays;
import java.util.Optional;
import vividcaravan.core.axles.Position;

/**
 * What a driver says of an alert from beside the vehicle: few answers, each one press, since it is given in the cold and from
 * a phone. The words go on behind the driver's name.
 */
public enum DriverAnswer {
    STOPPED(AlertEntry.Change.DRIVER_STOPPED, "has stopped"),
    FLAT(AlertEntry.Change.DRIVER_LOOKED, "looked: it is flat"),
    HOT(AlertEntry.Change.DRIVER_LOOKED, "looked: it is hot"),
    SMOKE(AlertEntry.Change.DRIVER_LOOKED, "looked: there is smoke"),
    FINE(AlertEntry.Change.DRIVER_LOOKED, "looked: it looks fine"),
    CANNOT_SEE(AlertEntry.Change.DRIVER_LOOKED, "cannot see the wheel"),
    HELP(AlertEntry.Change.DRIVER_NEEDS_HELP, "needs help");

    /** What a call for help reads as a fault of its own. */
    static final String HELP_SEEN = "the driver needs help";

    private final AlertEntry.Change change;
    private final String words;

    DriverAnswer(AlertEntry.Change change, String words) {
        this.change = change;
        this.words = words;
    }

    /** What it is in an alert's record. */
    AlertEntry.Change change() {
        return change;
    }

    /** The answer as the Desk reads it. */
    public String words() {
        return words;
    }

    /**
     * The fault of its own that an answer reports, whatever the alert says that it answers: smoke, a call for help and a flat
     * tyre stop the vehicle and call people, whoever had seen the other alert before.
     *
     * @param position the wheel that the alert is about, or null
     * @param who user name of the driver
     */
    public Optional<Sight> sight(Position position, String who) {
        return switch (this) {
            case SMOKE -> Optional.of(new Sight(position, Urgency.STOP_NOW, who, "smoke", false, true));
            case HELP -> Optional.of(new Sight(null, Urgency.STOP_NOW, who, HELP_SEEN, false, true));
            case FLAT ->
                position == null
                        ? Optional.empty()
                        : Optional.of(new Sight(position, Urgency.STOP_NOW, who, "flat", true, false));
            default -> Optional.empty();
        };
    }

    /** The answer that the Desk reads as {@code words}. */
    public static Optional<DriverAnswer> find(String words) {
        return Arrays.stream(values())
                .filter(answer -> answer.words.equals(words))
                .findFirst();
    }

    /** Whether somebody has to do something at once after an answer of these words, whatever the sensors say. */
    public static boolean isUrgent(String words) {
        return HELP.words.equals(words) || SMOKE.words.equals(words);
    }
}
