package vividcaravan.server.workshop.job;

/** What somebody entered at a vehicle. */
enum EntryKind {
    /** A wheel was looked at. */
    INSPECTED(true),
    /** A wheel that failed its inspection is fitted all the same, with a reason. */
    PASSED_ANYWAY(true),
    /** The sensor was mounted by the procedure. */
    MOUNTED(true),
    /** A sensor was taken for a wheel. */
    PAIRED(true),
    /** A wheel gets no sensor, with a reason. */
    LEFT_OUT(true),
    /** The hand gauge was read. */
    GAUGED(true),
    /** Air is let in or out at a wheel from now on. */
    AIR_SET(true),
    /** Air let in at this wheel was seen at this wheel. */
    PROVED(true),
    /** Two wheels had each other's sensors; they were exchanged. */
    EXCHANGED(true),
    /** A wheel counts as proven without the proof, with a reason. */
    TAKEN_AS_PROVEN(true),
    /** Which hand gauge is used, and when it was calibrated. */
    GAUGE_NAMED(false),
    /** A note. */
    NOTED(false),
    /** The job was ended. */
    CLOSED(false);

    private final boolean isOfWheel;

    EntryKind(boolean isOfWheel) {
        this.isOfWheel = isOfWheel;
    }

    boolean isOfWheel() {
        return isOfWheel;
    }
}
