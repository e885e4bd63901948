package vividcaravan.core.alert;

import vividcaravan.core.axles.Position;

/** What the judge says of one wheel or the whole vehicle and one family of faults, at the time that settled it. */
public sealed interface Finding {

    /** The wheel, or null for the whole vehicle. */
    Position position();

    /** The family of faults. */
    AlertFamily family();

    /** Reading time, epoch milliseconds. */
    long at();

    /** A fault is there, or has grown. */
    record Raised(Position position, AlertKind kind, Urgency urgency, Evidence evidence) implements Finding {
        @Override
        public AlertFamily family() {
            return kind.family();
        }

        @Override
        public long at() {
            return evidence.at();
        }
    }

    /** What was said is not so: what came later tells of a time that was taken for silence. */
    record Withdrawn(Position position, AlertFamily family, long at) implements Finding {}

    /** The readings are back inside the limits. */
    record Cleared(Position position, AlertFamily family, long at) implements Finding {}

    /** The readings have stayed inside the limits long enough to prove something. */
    record Proven(Position position, AlertFamily family, Proof proof, long at) implements Finding {}

    /** How much the readings after a fault have proved. */
    enum Proof {
        /** Several fresh readings in band. */
        IN_BAND,
        /** In band for twelve hours: the proof that a leak is repaired. */
        FLAT_FOR_TWELVE_HOURS
    }
}
