package vividcaravan.core.judge.siblings;

import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.Reading;

/** Whether the vehicle moves, as far as its sensors say; many do not. */
public final class Movement {

    /** Parked this long, the tyres are as cold as the air [common practice: 3 to 4 h]. */
    public static final long SOAK_MILLIS = 4L * 60 * 60 * 1000;

    private static final long LATELY_MILLIS = 12L * 60 * 1000;
    /** What a wheel shows so soon after it stopped, it was driven at [our judgement]. */
    private static final long JUST_STOPPED_MILLIS = 30L * 60 * 1000;

    /** After the first metres of a cold morning a tyre that is still low on the gauge is driven so [our judgement]. */
    private static final long LONG_MILLIS = 10L * 60 * 1000;

    private static final long NEVER = Long.MAX_VALUE;

    private boolean isStanding;
    private long saidAt = Long.MIN_VALUE / 2;
    private long standsSince = NEVER;
    private long movesSince = Long.MIN_VALUE / 2;
    /** Since when it has been heard to move without a silence in between. */
    private long heardMovingSince = Long.MIN_VALUE / 2;

    private long movedAt = Long.MIN_VALUE / 2;

    /** Takes in what a reading says of it. */
    public void take(Reading reading) {
        if (reading.moving() == null) {
            return;
        }
        if (isStanding && reading.moving()) {
            movesSince = reading.at();
        }
        // What it did while nobody heard it, nobody knows.
        if (reading.moving() && (isStanding || reading.at() - saidAt > LATELY_MILLIS)) {
            heardMovingSince = reading.at();
        }
        movedAt = reading.moving() ? reading.at() : movedAt;
        isStanding = !reading.moving();
        saidAt = reading.at();
        standsSince = isStanding ? Math.min(standsSince, reading.at()) : NEVER;
    }

    /** Whether a sensor said lately that it stands, and none since that it moves. */
    public boolean isStanding(long at) {
        return isStanding && at - saidAt <= LATELY_MILLIS;
    }

    /** Whether any sensor said lately what it does. */
    public boolean isKnown(long at) {
        return at - saidAt <= LATELY_MILLIS;
    }

    /** Whether it is known to have stood so long that its tyres are cold. */
    public boolean isSoaked(long at) {
        return standsSince != NEVER && at - standsSince >= SOAK_MILLIS;
    }

    /**
     * Whether what a wheel shows at {@code at} it may have been driven at: unless the sensors say that it stands, and has for
     * a while.
     */
    public boolean mayJustHaveDriven(long at) {
        return standsSince == NEVER || at - standsSince <= JUST_STOPPED_MILLIS;
    }

    /**
     * What is known of whether a wheel's tyre is driven at what it shows at {@code at}.
     *
     * @param hasWarmed whether it, or its mates, warmed as driving warms them
     */
    public Driving driving(long at, boolean hasWarmed) {
        boolean isPossible = mayJustHaveDriven(at);
        boolean isByWarmth = hasWarmed && isPossible && !isKnown(at);
        return new Driving(
                isPossible,
                isPossible && at - movedAt <= JUST_STOPPED_MILLIS || isByWarmth,
                wasMoving(at) && at - heardMovingSince >= LONG_MILLIS || isByWarmth);
    }

    /** Whether a sensor said that it moves after {@code since}. */
    public boolean hasMovedSince(long since) {
        return movedAt > since;
    }

    /** Whether it moved at {@code at}, as far as a sensor said so, then or shortly before. */
    public boolean wasMoving(long at) {
        return !isStanding && at >= movesSince && at - saidAt <= LATELY_MILLIS;
    }

    /** Whether at {@code at} it moves, and has for {@code millis}. */
    public boolean hasMovedFor(long at, long millis) {
        return wasMoving(at) && at - movesSince >= millis;
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        isStanding = memory.flag("isStanding", isStanding);
        saidAt = memory.time("saidAt", saidAt);
        standsSince = memory.time("standsSince", standsSince);
        movesSince = memory.time("movesSince", movesSince);
        heardMovingSince = memory.time("heardMovingSince", heardMovingSince);
        movedAt = memory.time("movedAt", movedAt);
    }
}
