package vividcaravan.server.workshop.job;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What became of an entry, with the reason in words.
 *
 * @param doubts what speaks against taking a sensor
 * @param theirs what somebody else entered meanwhile
 */
record EntryOutcome(
        @Nullable String key,
        Outcome outcome,
        @Nullable String message,
        List<CodeDoubt> doubts,
        @Nullable JobEntry<?> theirs) {

    /** What became of an entry. */
    enum Outcome {
        STORED,
        /** It was there already. */
        KNOWN,
        /** Somebody else entered something else meanwhile. */
        CONFLICT,
        /** Something speaks against it; say that it is meant. */
        TO_CONFIRM,
        REFUSED
    }

    static EntryOutcome of(EntryRequest request, Outcome outcome) {
        return new EntryOutcome(request.key(), outcome, null, List.of(), null);
    }
}
