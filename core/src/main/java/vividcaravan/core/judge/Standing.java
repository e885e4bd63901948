package vividcaravan.core.judge;

import java.util.function.Consumer;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.memory.Memory;

/**
 * What was last said of one wheel and one family of faults, so that a finding is reported when it changes and not with
 * every reading; and how long the wheel has been well since.
 */
final class Standing {

    /** A fault that lasts is reported again after this much reading time, so that what was closed returns within a day. */
    private static final long REMIND_MILLIS = 12L * 60 * 60 * 1000;

    private static final int READINGS_IN_BAND = 5;
    private static final long IN_BAND_MILLIS = 10L * 60 * 1000;
    private static final long FLAT_MILLIS = 12L * 60 * 60 * 1000;
    /** A leak that was stopped loses no more than this within those hours, share of target [our judgement]. */
    private static final double FLAT_SHARE = 0.01;
    /** So much of it was driven, since many a leak opens on the road only [our judgement]. */
    private static final long FLAT_DRIVEN_MILLIS = 4L * 60 * 60 * 1000;
    /** Between two readings further apart than this nobody knows what the vehicle did. */
    private static final long LONGEST_GAP_MILLIS = 15L * 60 * 1000;
    /** A fault that gets worse is reported again in steps so small that what was closed meanwhile returns in time. */
    private static final double WORSE_SHARE = 0.001;

    private static final double WORSE_C = 1;

    private final AlertFamily family;
    private AlertKind kind;
    private Urgency urgency;
    private boolean isRunSoft;
    /** Whether the step that explains it was said with it. */
    private boolean isStepSaid;

    private long saidAt;
    /** The lowest and highest share of target and the highest temperature said so far of this fault. */
    private double saidLowest = Double.NaN;

    private double saidHighest = Double.NaN;
    private double saidHottest = Double.NaN;
    private long wellSince;
    private long wellAt;
    private int wellReadings;
    /** Since when it is to be flat, at which share of target, and how much of that was driven. */
    private long flatSince;

    private double flatShare;
    private long flatDriven;
    /** A sensor that is new at a wheel has yet to show that the wheel is well: an older alert may stand there. */
    private Finding.Proof proofDue = Finding.Proof.IN_BAND;

    private boolean isClearingDue = true;

    Standing(AlertFamily family) {
        this.family = family;
    }

    AlertFamily family() {
        return family;
    }

    /** Whether this differs from what was last said, or that is half a day old. */
    boolean isNews(AlertKind newKind, Urgency newUrgency, boolean newRunSoft, boolean isStepKnown, long at) {
        return newKind != kind
                || newUrgency != urgency
                || newRunSoft != isRunSoft
                || isStepKnown && !isStepSaid
                || at - saidAt >= REMIND_MILLIS;
    }

    /**
     * Whether the wheel is further off than was said of it.
     *
     * @param share pressure at 20 °C over target
     * @param celsius what the sensor shows
     */
    boolean isFurther(double share, double celsius) {
        if (kind == null) {
            return false;
        }
        return kind.isLossOfAir() && share <= saidLowest - WORSE_SHARE
                || kind == AlertKind.OVER_PRESSURE && share >= saidHighest + WORSE_SHARE
                || kind.isHeat() && celsius >= saidHottest + WORSE_C;
    }

    /**
     * Passes on what is new.
     *
     * @param raised the finding if it is news, otherwise null
     * @param isFaulty whether the fault is there
     * @param isWell whether this reading is a fresh one well inside every limit
     * @param share how much air the wheel has, share of target
     * @param mayMove whether it may be moving, as far as its sensor says
     */
    void report(
            Finding.Raised raised,
            boolean isFaulty,
            boolean isWell,
            double share,
            boolean mayMove,
            Position position,
            long at,
            Consumer<Finding> findings) {
        if (raised != null) {
            kind = raised.kind();
            urgency = raised.urgency();
            isRunSoft = raised.evidence().isRunSoft();
            isStepSaid = raised.evidence().step() != null;
            saidAt = at;
            proofDue = null;
            isClearingDue = false;
            findings.accept(raised);
        } else if (!isFaulty && kind != null) {
            kind = null;
            urgency = null;
            isRunSoft = false;
            forgetSaid();
            proofDue = Finding.Proof.IN_BAND;
            wellSince = at;
            wellReadings = 0;
            findings.accept(new Finding.Cleared(position, family, at));
        } else if (proofDue != null) {
            prove(isWell, share, mayMove, position, at, findings);
        }
    }

    /** Takes back what was last said, as if it had not been. */
    void withdraw(Position position, long at, Consumer<Finding> findings) {
        if (kind != null) {
            kind = null;
            urgency = null;
            isRunSoft = false;
            forgetSaid();
            proofDue = null;
            isClearingDue = false;
            findings.accept(new Finding.Withdrawn(position, family, at));
        }
    }

    /** Takes note of what was just said of it, as {@link #isFurther} compares it. */
    void said(double share, double celsius) {
        saidLowest = Double.isNaN(saidLowest) ? share : Math.min(saidLowest, share);
        saidHighest = Double.isNaN(saidHighest) ? share : Math.max(saidHighest, share);
        saidHottest = Double.isNaN(saidHottest) ? celsius : Math.max(saidHottest, celsius);
    }

    private void forgetSaid() {
        saidLowest = Double.NaN;
        saidHighest = Double.NaN;
        saidHottest = Double.NaN;
    }

    private void prove(
            boolean isWell, double share, boolean mayMove, Position position, long at, Consumer<Finding> findings) {
        if (!isWell || wellSince == 0) {
            wellSince = at;
            wellAt = at;
            wellReadings = 0;
            beFlatFrom(at, share);
            return;
        }
        boolean isDriven = mayMove && at - wellAt <= LONGEST_GAP_MILLIS;
        flatDriven += isDriven ? at - wellAt : 0;
        wellAt = at;
        wellReadings = Math.min(wellReadings + 1, READINGS_IN_BAND);
        long well = at - wellSince;
        if (proofDue == Finding.Proof.IN_BAND && wellReadings >= READINGS_IN_BAND && well >= IN_BAND_MILLIS) {
            if (isClearingDue) {
                findings.accept(new Finding.Cleared(position, family, at));
                isClearingDue = false;
            }
            findings.accept(new Finding.Proven(position, family, Finding.Proof.IN_BAND, at));
            proofDue = Finding.Proof.FLAT_FOR_TWELVE_HOURS;
            beFlatFrom(at, share);
        } else if (proofDue == Finding.Proof.FLAT_FOR_TWELVE_HOURS && share < flatShare - FLAT_SHARE) {
            // It goes on losing air, only more slowly, or from a fuller tyre.
            beFlatFrom(at, share);
        } else if (proofDue == Finding.Proof.FLAT_FOR_TWELVE_HOURS
                && at - flatSince >= FLAT_MILLIS
                && flatDriven >= FLAT_DRIVEN_MILLIS) {
            findings.accept(new Finding.Proven(position, family, Finding.Proof.FLAT_FOR_TWELVE_HOURS, at));
            proofDue = null;
        }
    }

    private void beFlatFrom(long at, double share) {
        flatSince = at;
        flatShare = share;
        flatDriven = 0;
    }

    /** What outlives a restart. */
    void remember(Memory memory) {
        kind = memory.choice("kind", AlertKind.class, kind);
        urgency = memory.choice("urgency", Urgency.class, urgency);
        isRunSoft = memory.flag("isRunSoft", isRunSoft);
        isStepSaid = memory.flag("isStepSaid", isStepSaid);
        saidAt = memory.time("saidAt", saidAt);
        saidLowest = memory.figure("saidLowest", saidLowest);
        saidHighest = memory.figure("saidHighest", saidHighest);
        saidHottest = memory.figure("saidHottest", saidHottest);
        wellSince = memory.time("wellSince", wellSince);
        wellAt = memory.time("wellAt", wellAt);
        wellReadings = memory.count("wellReadings", wellReadings);
        flatSince = memory.time("flatSince", flatSince);
        flatShare = memory.figure("flatShare", flatShare);
        flatDriven = memory.time("flatDriven", flatDriven);
        proofDue = memory.choice("proofDue", Finding.Proof.class, proofDue);
        isClearingDue = memory.flag("isClearingDue", isClearingDue);
    }
}
