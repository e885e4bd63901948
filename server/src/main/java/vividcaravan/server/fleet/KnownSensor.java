package vividcaravan.server.fleet;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.rules.Reading;

/** A sensor of ours: where it has been, and what it last said. Changed by the single writer, read by anyone. */
public final class KnownSensor {

    private final long id;
    private final String code;
    private volatile MountKind mount;
    private volatile List<Fitting> fittings = List.of();
    private volatile Reading newest;
    private volatile Instant clockWrongAt;
    private volatile String retiredBecause;
    private long newestJudgedAt = Long.MIN_VALUE;
    private boolean isTouched;
    private final WriteMarks marks;
    private boolean isMarked;

    /**
     * @param marks where it says that the write under way touches it
     */
    KnownSensor(long id, String code, MountKind mount, WriteMarks marks) {
        this.id = id;
        this.code = code;
        this.mount = mount;
        this.marks = marks;
    }

    /** Says that the write under way changes it, or what is kept of its readings. */
    public void mark() {
        if (!isMarked) {
            isMarked = true;
            marks.touch(this);
        }
    }

    void unmark() {
        isMarked = false;
    }

    /** Begins anew with what the database says of it. */
    void beginAnew(MountKind held, String retired, Reading newestStored, Long judgedAt, Instant clockWrong) {
        mount = held;
        retiredBecause = retired;
        newest = newestStored;
        newestJudgedAt = judgedAt == null ? Long.MIN_VALUE : judgedAt;
        clockWrongAt = clockWrong;
        isTouched = false;
    }

    public long id() {
        return id;
    }

    public String code() {
        return code;
    }

    public Optional<MountKind> mount() {
        return Optional.ofNullable(mount);
    }

    void mountedBy(MountKind kind) {
        mark();
        mount = kind;
    }

    /** Why it was taken out of use; empty while it is in use. */
    public Optional<String> retiredBecause() {
        return Optional.ofNullable(retiredBecause);
    }

    public void retired(String reason) {
        mark();
        retiredBecause = reason;
    }

    /** Its stays, oldest first. */
    public List<Fitting> fittings() {
        return fittings;
    }

    void fittedAs(List<Fitting> stays) {
        mark();
        fittings = List.copyOf(stays);
    }

    /** Where it sat at {@code at}. */
    public Optional<Fitting> fittingAt(long at) {
        List<Fitting> stays = fittings;
        for (int i = stays.size() - 1; i >= 0; i--) {
            if (stays.get(i).covers(at)) {
                return Optional.of(stays.get(i));
            }
        }
        return Optional.empty();
    }

    /** Its newest reading, or null if it was never heard. */
    public Reading newest() {
        return newest;
    }

    /** Takes note of a reading; the newest one counts. */
    public void heard(Reading reading) {
        mark();
        if (newest == null || reading.at() > newest.at()) {
            newest = reading;
            clockWrongAt = null;
        }
        isTouched = true;
    }

    /** Time of its newest judged reading, epoch milliseconds. */
    public long newestJudgedAt() {
        return newestJudgedAt;
    }

    public void judgedUpTo(long at) {
        mark();
        newestJudgedAt = Math.max(newestJudgedAt, at);
    }

    /** When it last sent a time in the future, or null if its clock seems right. */
    public Instant clockWrongAt() {
        return clockWrongAt;
    }

    /** Takes note that it sent a time in the future; from any thread. */
    public void clockWrong(Instant at) {
        clockWrongAt = at;
    }

    /** Says that something about it is to be stored with the next sensors that were heard. */
    public void toBeStored() {
        isTouched = true;
    }

    /** Whether something was heard since this was last asked. */
    public boolean takeTouched() {
        boolean was = isTouched;
        isTouched = false;
        return was;
    }
}
