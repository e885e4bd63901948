package vividcaravan.core.judge.sensors;

import java.util.function.Consumer;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Evidence;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.alert.Others;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.siblings.Movement;

/**
 * A vehicle that went quiet as a whole while it was known to move: its receiver is dead, or out of coverage. No reading can
 * tell, so a clock asks; a backlog takes it back.
 */
public final class ReceiverWatch {

    private static final long NOT_SAID = Long.MIN_VALUE;

    private long heardAt = NOT_SAID;
    private long saidAt = NOT_SAID;

    /** Takes note of a word from any of the vehicle's sensors. */
    public void hear(long at, Consumer<Finding> findings) {
        if (saidAt != NOT_SAID && at > heardAt) {
            if (at < saidAt) {
                findings.accept(new Finding.Withdrawn(null, AlertFamily.RECEIVER, at));
            } else {
                findings.accept(new Finding.Cleared(null, AlertFamily.RECEIVER, at));
                findings.accept(new Finding.Proven(null, AlertFamily.RECEIVER, Finding.Proof.IN_BAND, at));
            }
            saidAt = NOT_SAID;
        }
        heardAt = Math.max(heardAt, at);
    }

    /** Whether at {@code now} it has been quiet for so long though it was moving when it was last heard. */
    public boolean isQuiet(long now, long quietMillis, Movement movement) {
        return isQuiet(now, quietMillis) && movement.wasMoving(heardAt);
    }

    /**
     * Whether at {@code now} nothing was heard of it for so long, whatever it did then: for a vehicle that cannot be asleep, since
     * another one that it is coupled to moves.
     */
    public boolean isQuiet(long now, long quietMillis) {
        return saidAt == NOT_SAID && heardAt != NOT_SAID && now - heardAt >= quietMillis;
    }

    /** Takes it back where only the vehicle before it made it seem to move, and that is uncoupled now. */
    public void uncoupled(long now, Movement movement, Consumer<Finding> findings) {
        if (saidAt != NOT_SAID && !movement.wasMoving(heardAt)) {
            findings.accept(new Finding.Withdrawn(null, AlertFamily.RECEIVER, now));
            saidAt = NOT_SAID;
        }
    }

    /** Whether it is said to be silent. */
    public boolean isSilent() {
        return saidAt != NOT_SAID;
    }

    /** Says so. */
    public void fallSilent(long now, int wheels, Consumer<Finding> findings) {
        saidAt = now;
        Others others = new Others(wheels, null, null, null, null, null, null);
        findings.accept(new Finding.Raised(
                null,
                AlertKind.RECEIVER_SILENT,
                Urgency.BEFORE_NEXT_TRIP,
                Evidence.ofSilence(now, heardAt, null, others)));
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        heardAt = memory.time("heardAt", heardAt);
        saidAt = memory.time("saidAt", saidAt);
    }
}
