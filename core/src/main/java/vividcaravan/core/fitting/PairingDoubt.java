package vividcaravan.core.fitting;

import java.util.List;

/**
 * Why a sensor should not be taken for a wheel just like that.
 *
 * @param kind what it is
 * @param words what is wrong, in words
 * @param wayOut what to do about it, in words
 * @param codes codes to choose instead, if there are any
 */
public record PairingDoubt(Kind kind, String words, String wayOut, List<String> codes) {

    /** What speaks against it. */
    public enum Kind {
        /** Not six to eight hex digits. */
        NO_CODE(Weight.REFUSED),
        /** Taken out of use, with its tyre or by itself. */
        RETIRED(Weight.REFUSED),
        /** It sits at another wheel of this vehicle. */
        ALREADY_HERE(Weight.TO_CONFIRM),
        /** It sits on another vehicle. */
        ON_ANOTHER_VEHICLE(Weight.TO_CONFIRM),
        /** Another sensor was recorded for this wheel. */
        WHEEL_TAKEN(Weight.TO_CONFIRM),
        /** Nobody heard it, and one that looks alike was heard. */
        LOOKS_LIKE_ANOTHER(Weight.TO_CONFIRM),
        /** Heard, weaker than others nobody has claimed: a neighbour's, perhaps. */
        WEAK_STRANGER(Weight.TO_CONFIRM),
        /** A wheel before it in the walk has no sensor and no reason. */
        WHEEL_SKIPPED(Weight.WORTH_KNOWING),
        /** Held in another way than the job's. */
        ANOTHER_MOUNT(Weight.WORTH_KNOWING),
        /** Not heard yet. */
        NOT_HEARD(Weight.WORTH_KNOWING);

        private final Weight weight;

        Kind(Weight weight) {
            this.weight = weight;
        }

        /** How much it weighs. */
        public Weight weight() {
            return weight;
        }
    }

    /** How much a doubt weighs. */
    public enum Weight {
        /** It cannot be taken. */
        REFUSED,
        /** It is taken only if somebody says that this is meant. */
        TO_CONFIRM,
        /** Said, and no more. */
        WORTH_KNOWING
    }

    public PairingDoubt {
        codes = List.copyOf(codes);
    }
}
