package vividcaravan.server.workshop.job;

import java.util.Arrays;

/** What somebody entered at a vehicle. */
enum EntryKind {
    /** A wheel was looked at. */
    INSPECTED(true, Said.Inspected.class),
    /** A wheel that failed its inspection is fitted all the same, with a reason. */
    PASSED_ANYWAY(true, Said.PassedAnyway.class),
    /** The sensor was mounted by the procedure. */
    MOUNTED(true, Said.Mounted.class),
    /** A sensor was taken for a wheel. */
    PAIRED(true, Said.Paired.class),
    /** A wheel gets no sensor, with a reason. */
    LEFT_OUT(true, Said.LeftOut.class),
    /** The hand gauge was read. */
    GAUGED(true, Said.Gauged.class),
    /** Air is let in or out at a wheel from now on. */
    AIR_SET(true, Said.AirSet.class),
    /** Air let in at this wheel was seen at this wheel. */
    PROVED(true, Said.Proved.class),
    /** Two wheels had each other's sensors; they were exchanged. */
    EXCHANGED(true, Said.Exchanged.class),
    /** A wheel counts as proven without the proof, with a reason. */
    TAKEN_AS_PROVEN(true, Said.TakenAsProven.class),
    /** Which hand gauge is used, and when it was calibrated. */
    GAUGE_NAMED(false, Said.GaugeNamed.class),
    /** A note. */
    NOTED(false, Said.Noted.class),
    /** The job was ended. */
    CLOSED(false, Said.Closed.class);

    private final boolean isOfWheel;
    private final Class<? extends Said> said;

    EntryKind(boolean isOfWheel, Class<? extends Said> said) {
        this.isOfWheel = isOfWheel;
        this.said = said;
    }

    /** The kind of entry that says this. */
    static EntryKind of(Said said) {
        return Arrays.stream(values())
                .filter(kind -> kind.said == said.getClass())
                .findFirst()
                .orElseThrow();
    }

    /** What an entry of this kind says. */
    Class<? extends Said> said() {
        return said;
    }

    boolean isOfWheel() {
        return isOfWheel;
    }
}
