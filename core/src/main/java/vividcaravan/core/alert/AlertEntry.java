package vividcaravan.core.alert;

/**
 * One line of an alert's record.
 *
 * @param at reading time for what the judge did, clock time for what a person did; epoch milliseconds
 * @param change what happened
 * @param kind the alert's kind from then on
 * @param urgency the alert's urgency from then on
 * @param who the person, or null for the judge
 * @param note the reason given, or null
 */
public record AlertEntry(long at, Change change, AlertKind kind, Urgency urgency, String who, String note) {

    /** What can happen to an alert. */
    public enum Change {
        OPENED,
        GREW,
        RETURNED,
        RECOVERED,
        ACKNOWLEDGED,
        TAKEN_IN_HAND,
        SHELVED,
        UNSHELVED,
        ASSIGNED,
        COUNTED_WITH,
        STANDS_ALONE,
        REOPENED,
        TAKEN_BACK,
        JOB_RAISED,
        JOB_ENDED,
        NOTED,
        /** Nobody had acknowledged it: somebody was called. */
        ESCALATED,
        /** A driver was told what to do. */
        INSTRUCTED,
        /** The driver has it before their eyes. */
        DRIVER_READ,
        /** The driver sent a photograph; the note is its number. */
        DRIVER_PHOTO,
        DRIVER_STOPPED,
        DRIVER_LOOKED,
        DRIVER_NEEDS_HELP,
        PROVEN,
        CLOSED,
        /** The sensor map was corrected: the readings belonged to another wheel. */
        WITHDRAWN,
        /** The tyre left the wheel, and took its fault along. */
        TYRE_LEFT,
        /** What a person reported was of another wheel, or something else. */
        CORRECTED;

        /** Whether a driver said it from beside the vehicle. */
        public boolean isAnswer() {
            return this == DRIVER_STOPPED || this == DRIVER_LOOKED || this == DRIVER_NEEDS_HELP;
        }

        /** Whether a person changed something by it, which can be taken back. */
        public boolean isAct() {
            return switch (this) {
                case ACKNOWLEDGED,
                        TAKEN_IN_HAND,
                        SHELVED,
                        ASSIGNED,
                        COUNTED_WITH,
                        STANDS_ALONE,
                        REOPENED,
                        JOB_RAISED,
                        CLOSED -> true;
                default -> false;
            };
        }

        /** Whether it is only words, which change nothing. */
        public boolean isSaying() {
            return this == NOTED || this == DRIVER_PHOTO || isNews() || isAnswer();
        }

        /** Whether it says only that somebody was reached, which nobody decides on. */
        public boolean isNews() {
            return this == DRIVER_READ || this == ESCALATED;
        }

        /** Whether the judge's evidence changed, as against a person's dealing with it. */
        public boolean isStep() {
            return this == OPENED || this == GREW || this == RETURNED;
        }
    }
}
