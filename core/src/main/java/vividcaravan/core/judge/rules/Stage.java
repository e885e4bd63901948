package vividcaravan.core.judge.rules;

import vividcaravan.core.judge.memory.Memory;

/**
 * One limit with its deadband and on-delay: raised after enough readings beyond the limit in a row, let go after
 * {@value #READINGS_TO_CLEAR} in a row back inside the deadband; between the two nothing changes, so it cannot chatter.
 */
public final class Stage {

    static final int READINGS_TO_CLEAR = 3;

    /** Sensors that report seldom need not be waited for: two readings this far apart are enough. */
    private static final long PATIENCE_MILLIS = 5L * 60 * 1000;

    private boolean isRaised;
    private int beyond;
    private int inside;
    private long beyondSince;

    /** Whether the limit is held to be reached. */
    public boolean isRaised() {
        return isRaised;
    }

    /** Raises it at once: somebody else counted. */
    public void raise(long at) {
        beyondSince = isRaised ? beyondSince : at;
        isRaised = true;
    }

    /** When it was first beyond the limit, epoch milliseconds. */
    public long raisedAt() {
        return beyondSince;
    }

    /** Lets it go at once. */
    public void clear() {
        isRaised = false;
        beyond = 0;
        inside = 0;
    }

    /** Whether the latest reading was beyond the limit or not yet back inside the deadband. */
    boolean isUneasy() {
        return isRaised || beyond > 0;
    }

    /**
     * Takes in one reading.
     *
     * @param isBeyond whether it is beyond the limit
     * @param isInside whether it is back inside the deadband
     * @param readingsNeeded readings beyond the limit in a row that raise it, 1 or more
     */
    public void update(boolean isBeyond, boolean isInside, long at, int readingsNeeded) {
        if (isBeyond) {
            beyondSince = beyond == 0 ? at : beyondSince;
            beyond = Math.min(beyond + 1, 100);
            inside = 0;
            isRaised |= beyond >= readingsNeeded || beyond >= 2 && at - beyondSince >= PATIENCE_MILLIS;
        } else {
            beyond = 0;
            inside = isInside ? Math.min(inside + 1, 100) : 0;
            isRaised &= inside < READINGS_TO_CLEAR;
        }
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        isRaised = memory.flag("isRaised", isRaised);
        beyond = memory.count("beyond", beyond);
        inside = memory.count("inside", inside);
        beyondSince = memory.time("beyondSince", beyondSince);
    }
}
