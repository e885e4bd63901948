package vividcaravan.core.judge;

import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.function.Consumer;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;

/**
 * What was last said of one wheel and one family of faults, so that a finding is reported when it changes and not with
 * every reading; and how long the wheel has been well since.
 */
final class Standing {

    /** A fault that lasts is reported again after this much reading time, so that a closed alert is not lost. */
    private static final long REMIND_MILLIS = 24L * 60 * 60 * 1000;

    private static final int READINGS_IN_BAND = 5;
    private static final long IN_BAND_MILLIS = 10L * 60 * 1000;
    private static final long FLAT_MILLIS = 12L * 60 * 60 * 1000;

    private final AlertFamily family;
    private AlertKind kind;
    private Urgency urgency;
    private boolean isRunSoft;
    private long saidAt;
    private long wellSince;
    private int wellReadings;
    /** A sensor that is new at a wheel has yet to show that the wheel is well: an older alert may stand there. */
    private Finding.Proof proofDue = Finding.Proof.IN_BAND;

    private boolean isClearingDue = true;

    Standing(AlertFamily family) {
        this.family = family;
    }

    AlertFamily family() {
        return family;
    }

    /** Whether this differs from what was last said, or that is a day old. */
    boolean isNews(AlertKind newKind, Urgency newUrgency, boolean newRunSoft, long at) {
        return newKind != kind || newUrgency != urgency || newRunSoft != isRunSoft || at - saidAt >= REMIND_MILLIS;
    }

    /**
     * Passes on what is new.
     *
     * @param raised the finding if it is news, otherwise null
     * @param isFaulty whether the fault is there
     * @param isWell whether this reading is a fresh one well inside every limit
     */
    void report(
            Finding.Raised raised,
            boolean isFaulty,
            boolean isWell,
            Position position,
            long at,
            Consumer<Finding> findings) {
        if (raised != null) {
            kind = raised.kind();
            urgency = raised.urgency();
            isRunSoft = raised.evidence().isRunSoft();
            saidAt = at;
            proofDue = null;
            isClearingDue = false;
            findings.accept(raised);
        } else if (!isFaulty && kind != null) {
            kind = null;
            urgency = null;
            isRunSoft = false;
            proofDue = Finding.Proof.IN_BAND;
            wellSince = at;
            wellReadings = 0;
            findings.accept(new Finding.Cleared(position, family, at));
        } else if (proofDue != null) {
            prove(isWell, position, at, findings);
        }
    }

    /** Takes back what was last said, as if it had not been. */
    void withdraw(Position position, long at, Consumer<Finding> findings) {
        if (kind != null) {
            kind = null;
            urgency = null;
            isRunSoft = false;
            proofDue = null;
            isClearingDue = false;
            findings.accept(new Finding.Withdrawn(position, family, at));
        }
    }

    private void prove(boolean isWell, Position position, long at, Consumer<Finding> findings) {
        if (!isWell || wellSince == 0) {
            wellSince = at;
            wellReadings = 0;
            return;
        }
        wellReadings = Math.min(wellReadings + 1, READINGS_IN_BAND);
        long well = at - wellSince;
        if (proofDue == Finding.Proof.IN_BAND && wellReadings >= READINGS_IN_BAND && well >= IN_BAND_MILLIS) {
            if (isClearingDue) {
                findings.accept(new Finding.Cleared(position, family, at));
                isClearingDue = false;
            }
            findings.accept(new Finding.Proven(position, family, Finding.Proof.IN_BAND, at));
            proofDue = Finding.Proof.FLAT_FOR_TWELVE_HOURS;
        } else if (proofDue == Finding.Proof.FLAT_FOR_TWELVE_HOURS && well >= FLAT_MILLIS) {
            findings.accept(new Finding.Proven(position, family, Finding.Proof.FLAT_FOR_TWELVE_HOURS, at));
            proofDue = null;
        }
    }

    void writeTo(DataOutput out) throws IOException {
        out.writeByte(kind == null ? -1 : kind.ordinal());
        out.writeByte(urgency == null ? -1 : urgency.ordinal());
        out.writeBoolean(isRunSoft);
        out.writeLong(saidAt);
        out.writeLong(wellSince);
        out.writeByte(wellReadings);
        out.writeByte(proofDue == null ? -1 : proofDue.ordinal());
        out.writeBoolean(isClearingDue);
    }

    void readFrom(DataInput in) throws IOException {
        kind = orNull(AlertKind.values(), in.readByte());
        urgency = orNull(Urgency.values(), in.readByte());
        isRunSoft = in.readBoolean();
        saidAt = in.readLong();
        wellSince = in.readLong();
        wellReadings = in.readByte();
        proofDue = orNull(Finding.Proof.values(), in.readByte());
        isClearingDue = in.readBoolean();
    }

    private static <T> T orNull(T[] values, int ordinal) {
        return ordinal < 0 ? null : values[ordinal];
    }
}
