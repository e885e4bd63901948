package vividcaravan.server.workshop.job;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** A reason why an entry is not stored; those before and after it may be. */
final class EntryNotStored extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final EntryOutcome.Outcome outcome;
    private final transient List<CodeDoubt> doubts;
    private final transient @Nullable JobEntry<?> theirs;

    private EntryNotStored(
            EntryOutcome.Outcome outcome, String message, List<CodeDoubt> doubts, @Nullable JobEntry<?> theirs) {
        super(message);
        this.outcome = outcome;
        this.doubts = doubts;
        this.theirs = theirs;
    }

    static EntryNotStored refused(String message) {
        return new EntryNotStored(EntryOutcome.Outcome.REFUSED, message, List.of(), null);
    }

    static EntryNotStored conflict(String message, JobEntry<?> theirs) {
        return new EntryNotStored(EntryOutcome.Outcome.CONFLICT, message, List.of(), theirs);
    }

    static EntryNotStored doubtful(EntryOutcome.Outcome outcome, List<CodeDoubt> doubts) {
        return new EntryNotStored(outcome, doubts.get(0).words(), doubts, null);
    }

    EntryOutcome outcomeOf(EntryRequest request) {
        return new EntryOutcome(request.key(), outcome, getMessage(), doubts, theirs);
    }
}
