package vividcaravan.core.alert;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import vividcaravan.core.axles.Position;

/**
 * One fault of one wheel and what became of it. Immutable: every change gives a new alert with one more entry.
 *
 * @param id identity for good, also when the fault returns within a day
 * @param position the wheel, or null where the alert is about the whole vehicle
 * @param kind what the evidence says
 * @param urgency what to do; does not fall while the fault lasts
 * @param state where it is in its life
 * @param openedAt reading time at which it was opened, epoch milliseconds
 * @param closedAt when it was closed, or null
 * @param shelvedUntil while put aside: when it comes back, clock time; otherwise null
 * @param lastSeenAt reading time at which the fault was last known to be there
 * @param isActive whether the judge still sees the fault
 * @param isRunSoft whether the tyre was at 80 % of target or less: only an inspection or scrapping settles that
 * @param evidence the figures of the latest step
 * @param handling what people made of it beyond its state
 * @param entries the record, oldest first
 */
public record Alert(
        long id,
        Position position,
        AlertKind kind,
        Urgency urgency,
        AlertState state,
        long openedAt,
        Long closedAt,
        Long shelvedUntil,
        long lastSeenAt,
        boolean isActive,
        boolean isRunSoft,
        Evidence evidence,
        Handling handling,
        List<AlertEntry> entries) {

    /** A fault that is back within this time is the same alert, milliseconds of reading time. */
    public static final long RETURN_WINDOW_MILLIS = 24L * 60 * 60 * 1000;
    /** What is said so soon after a step was said because of it [our judgement]. */
    private static final long SHORTLY_MILLIS = 30L * 60 * 1000;

    /** What was closed and is still there so long after is no longer what somebody knows of [our judgement]. */
    private static final long STILL_THERE_MILLIS = 12L * 60 * 60 * 1000;

    static final long LONGEST_SHELVED_MILLIS = 30L * 24 * 60 * 60 * 1000;

    public Alert {
        entries = List.copyOf(entries);
    }

    /** Opens an alert on what the judge found. */
    public static Alert open(long id, Finding.Raised found) {
        AlertEntry first =
                new AlertEntry(found.at(), AlertEntry.Change.OPENED, found.kind(), found.urgency(), null, null);
        return new Alert(
                id,
                found.position(),
                found.kind(),
                found.urgency(),
                AlertState.NEW,
                found.at(),
                null,
                null,
                found.at(),
                true,
                found.evidence().isRunSoft(),
                found.evidence(),
                Handling.NONE,
                List.of(first));
    }

    /** Opens an alert on what somebody saw at {@code at}. */
    public static Alert open(long id, Sight seen, long at) {
        AlertEntry first = new AlertEntry(
                at, AlertEntry.Change.OPENED, AlertKind.REPORTED_FAULT, seen.urgency(), seen.who(), seen.words());
        return new Alert(
                id,
                seen.position(),
                AlertKind.REPORTED_FAULT,
                seen.urgency(),
                AlertState.NEW,
                at,
                null,
                null,
                at,
                true,
                false,
                Evidence.ofSight(at),
                Handling.NONE,
                List.of(first));
    }

    /** This alert after somebody saw more there: it calls again where it was closed or where that is worse. */
    public Alert seenAgain(Sight seen, long at) {
        boolean isWorse = seen.urgency().isMoreUrgentThan(urgency);
        if (state != AlertState.CLOSED && !isWorse) {
            return noted(seen.who(), seen.words(), at);
        }
        Next next = new Next();
        AlertEntry.Change change = state == AlertState.CLOSED ? AlertEntry.Change.RETURNED : AlertEntry.Change.GREW;
        next.urgency = seen.urgency();
        next.state = state == AlertState.NEW ? state : moveTo(AlertState.NEW);
        next.handling = handling.with(null).saying(null);
        next.closedAt = null;
        next.lastSeenAt = at;
        next.isActive = true;
        next.evidence = Evidence.ofSight(at);
        return next.with(new AlertEntry(at, change, kind, next.urgency, seen.who(), seen.words()));
    }

    /** Whether a fault found at {@code at} continues this alert rather than starting another. */
    public boolean isContinuedAt(long at) {
        // What the tyre there now does is no return of what another did.
        boolean hasLeft = closedOn().filter(on -> on == ClosedOn.TYRE_LEFT).isPresent();
        return state != AlertState.CLOSED || at - lastSeenAt <= RETURN_WINDOW_MILLIS && !hasLeft;
    }

    /** Whether the judge had something to say of this alert at {@code at} or later. */
    public boolean isJudgedAfter(long at) {
        return lastSeenAt >= at || entries.stream().anyMatch(entry -> entry.who() == null && entry.at() >= at);
    }

    /**
     * This alert after the judge found more. What is closed or put aside returns when the wheel is worse than it was then:
     * by urgency, by {@link Evidence#WORSE_SHARE} of its target, or because the tyre is now run soft. What was closed returns also
     * if the fault is still there half a day later.
     */
    public Alert raised(Finding.Raised found) {
        if (state == AlertState.RECOVERED || state == AlertState.CLOSED && !isActive) {
            return step(AlertEntry.Change.RETURNED, found);
        }
        boolean isNewlySoft = found.evidence().isRunSoft() && !isRunSoft;
        boolean isWorse = found.urgency().isMoreUrgentThan(urgency) || isNewlySoft;
        if (state == AlertState.CLOSED || state == AlertState.SHELVED) {
            AlertEntry.Change change = state == AlertState.CLOSED ? AlertEntry.Change.RETURNED : AlertEntry.Change.GREW;
            boolean isStillThere =
                    state == AlertState.CLOSED && closedAt != null && found.at() - closedAt >= STILL_THERE_MILLIS;
            return isWorse || isStillThere || found.evidence().isWorseThan(evidence, found.kind())
                    ? step(change, found)
                    : seen(found);
        }
        boolean isNoLeak = kind == AlertKind.SLOW_LEAK && found.kind().isLossOfAir() && isNoLeakAnyMore(found);
        boolean isNoHeat = kind.isHeat()
                && found.kind() == AlertKind.OVER_PRESSURE
                && cameWith(found.evidence().step());
        if (isNoLeak || isNoHeat) {
            Urgency held = urgency.isMoreUrgentThan(found.urgency()) ? urgency : found.urgency();
            return step(
                    AlertEntry.Change.GREW, new Finding.Raised(found.position(), found.kind(), held, found.evidence()));
        }
        boolean saysMore = found.urgency() == urgency && found.kind().saysMoreThan(kind);
        return isWorse || saysMore ? step(AlertEntry.Change.GREW, found) : seen(found);
    }

    /** Whether what was taken for a leak turned out to be a step: its slope is gone, and its forecast with it. */
    private static boolean isNoLeakAnyMore(Finding.Raised found) {
        Evidence now = found.evidence();
        return !found.kind().isLeak() && now.step() != null && now.lossKpaPerHour() == null && now.overDays() == null;
    }

    /** Whether it was opened as the air went in that explains it: under a cap that looks like heat at first. */
    private boolean cameWith(Evidence.Step step) {
        return step != null && step.from() <= openedAt && openedAt <= step.to() + SHORTLY_MILLIS;
    }

    private Alert seen(Finding.Raised found) {
        Next next = new Next();
        next.lastSeenAt = found.at();
        next.isActive = true;
        next.isRunSoft |= found.evidence().isRunSoft();
        // Wheels wake one after the other: the note for all of them names each.
        boolean namesMore =
                found.evidence().shortfalls().size() > evidence.shortfalls().size();
        // A leak that shows over days gets surer with each of them, and a step shows only once it stays.
        boolean isExplained = found.evidence().overDays() != null
                || found.kind() == kind && found.evidence().step() != null && evidence.step() == null;
        next.evidence = (namesMore || isExplained) && state != AlertState.CLOSED ? found.evidence() : evidence;
        return next.alert();
    }

    private Alert step(AlertEntry.Change change, Finding.Raised found) {
        boolean isNewlySoft = found.evidence().isRunSoft() && !isRunSoft;
        boolean callsAgain = state != AlertState.NEW
                && (change != AlertEntry.Change.GREW
                        || found.urgency() != urgency
                        || isNewlySoft
                        || state == AlertState.SHELVED);
        // Filling a tyre that was run soft, or filling it too high, makes nothing of it less urgent.
        boolean wasSoft = isRunSoft && state != AlertState.CLOSED;
        boolean isHeld = wasSoft && urgency.isMoreUrgentThan(found.urgency());
        Next next = new Next();
        next.kind = isHeld ? kind : found.kind();
        next.urgency = isHeld ? urgency : found.urgency();
        next.state = callsAgain ? moveTo(AlertState.NEW) : state;
        // What calls again calls by itself, not behind another.
        next.handling = callsAgain ? handling.with(null) : handling;
        next.closedAt = null;
        next.lastSeenAt = found.at();
        next.isActive = true;
        // What was closed was inspected or scrapped: the mark belongs to that tyre.
        next.isRunSoft = wasSoft || found.evidence().isRunSoft();
        next.evidence = isHeld ? evidence.measuredLike(found.evidence()) : found.evidence();
        return next.with(new AlertEntry(found.at(), change, next.kind, next.urgency, null, null));
    }

    /** This alert after the readings came back inside the limits. */
    public Alert recovered(long at) {
        Next next = new Next();
        next.lastSeenAt = at;
        next.isActive = false;
        if (state == AlertState.CLOSED || state == AlertState.RECOVERED) {
            return next.alert();
        }
        next.state = moveTo(AlertState.RECOVERED);
        return next.with(new AlertEntry(at, AlertEntry.Change.RECOVERED, kind, urgency, null, null));
    }

    /** This alert after the readings proved something: closed if that is proof enough for its fault. */
    public Alert proven(Finding.Proof proof, long at) {
        boolean wasLeak =
                entries.stream().anyMatch(e -> e.change().isStep() && e.kind().isLeak());
        boolean isEnough = !isRunSoft && (!wasLeak || proof == Finding.Proof.FLAT_FOR_TWELVE_HOURS);
        return state == AlertState.RECOVERED && isEnough
                ? closed(new AlertEntry(at, AlertEntry.Change.PROVEN, kind, urgency, null, null))
                : this;
    }

    /**
     * This alert after somebody has seen it.
     *
     * @throws AlertRefused if it is not new
     */
    public Alert acknowledged(String who, long at) {
        return handled(AlertState.ACKNOWLEDGED, AlertEntry.Change.ACKNOWLEDGED, who, null, at);
    }

    /**
     * This alert after somebody has begun to deal with it.
     *
     * @throws AlertRefused if it is neither new nor acknowledged
     */
    public Alert takenInHand(String who, String note, long at) {
        Next next = new Next();
        next.state = moveTo(AlertState.IN_HAND);
        next.handling = handling.of(who);
        return next.with(new AlertEntry(at, AlertEntry.Change.TAKEN_IN_HAND, kind, urgency, who, note));
    }

    /**
     * This alert given to somebody, or to nobody in particular; whoever gives it has seen it.
     *
     * @param whom user name, or null
     * @param words how the record calls them, such as "for B. Quill"
     * @throws AlertRefused if it is closed, or theirs already
     */
    public Alert assigned(String who, String whom, String words, long at) {
        refuseIfClosed();
        if (Objects.equals(handling.assignee(), whom)) {
            throw new AlertRefused("It is given so already. Choose somebody else.");
        }
        Next next = new Next();
        next.state = seenState();
        next.handling = handling.of(whom);
        return next.with(new AlertEntry(at, AlertEntry.Change.ASSIGNED, kind, urgency, who, words));
    }

    /**
     * This alert counted with another that has the same cause: the other stands for both until this one calls again.
     *
     * @param leading the other
     * @param words how the record calls the other
     * @throws AlertRefused if one of them is closed, or the other is counted with a third, or says less than this one
     */
    public Alert countedWith(String who, Alert leading, String words, long at) {
        refuseIfClosed();
        if (leading.id == id || leading.state == AlertState.CLOSED) {
            throw new AlertRefused("Choose another alert that is open.");
        }
        if (leading.handling.sameCauseAs() != null) {
            throw new AlertRefused("That alert is itself counted with another. Choose the one that stands for both.");
        }
        if (urgency.isMoreUrgentThan(leading.urgency)) {
            throw new AlertRefused("This alert says more than that one: “" + urgency.words()
                    + "” must not stand behind “" + leading.urgency.words() + "”. Count that one with this.");
        }
        Next next = new Next();
        next.state = seenState();
        next.handling = handling.with(leading.id);
        return next.with(new AlertEntry(at, AlertEntry.Change.COUNTED_WITH, kind, urgency, who, words));
    }

    /**
     * This alert on its own again.
     *
     * @throws AlertRefused if it is not counted with another
     */
    public Alert standingAlone(String who, long at) {
        if (handling.sameCauseAs() == null) {
            throw new AlertRefused("This alert stands by itself already.");
        }
        Next next = new Next();
        next.handling = handling.with(null);
        return next.with(new AlertEntry(at, AlertEntry.Change.STANDS_ALONE, kind, urgency, who, null));
    }

    /**
     * This alert open again, which somebody had closed or the readings.
     *
     * @throws AlertRefused if it is open, or the reason is missing
     */
    public Alert reopened(String who, String reason, long at) {
        if (state != AlertState.CLOSED) {
            throw new AlertRefused("This alert is open.");
        }
        if (closedOn().filter(on -> on == ClosedOn.TYRE_LEFT).isPresent()) {
            throw new AlertRefused("Its tyre left this wheel. Undo the move, or look where the tyre is now.");
        }
        if (reason == null || reason.isBlank()) {
            throw new AlertRefused("Opening an alert again needs a reason. Say what was seen.");
        }
        Next next = new Next();
        next.state = moveTo(AlertState.NEW);
        next.closedAt = null;
        next.handling = handling.with(null).saying(null);
        return next.with(new AlertEntry(at, AlertEntry.Change.REOPENED, kind, urgency, who, reason.strip()));
    }

    /**
     * This alert with a job for the workshop.
     *
     * @throws AlertRefused if it is closed, or has one
     */
    public Alert withJob(String who, String note, long at) {
        refuseIfClosed();
        if (hasJob()) {
            throw new AlertRefused("The workshop has a job for this alert already.");
        }
        Next next = new Next();
        next.state = state.allows(AlertState.IN_HAND) ? AlertState.IN_HAND : seenState();
        return next.with(new AlertEntry(at, AlertEntry.Change.JOB_RAISED, kind, urgency, who, note));
    }

    /**
     * This alert once its job is done. The work proves nothing by itself: the readings do, or an inspection.
     *
     * @throws AlertRefused if it has no job, or what was found and done is not said
     */
    public Alert jobEnded(String who, String note, long at) {
        if (!hasJob()) {
            throw new AlertRefused("The workshop has no open job for this alert.");
        }
        if (note == null || note.isBlank()) {
            throw new AlertRefused("Say what was found and what was done.");
        }
        Next next = new Next();
        return next.with(new AlertEntry(at, AlertEntry.Change.JOB_ENDED, kind, urgency, who, note.strip()));
    }

    /**
     * This alert with a photograph that its driver sent; photographs are numbered from 1, and the entry's note is the number.
     * @throws AlertRefused if it is closed, or has {@value #MOST_PHOTOS} already
     */
    public Alert photographed(String who, long at) {
        refuseIfClosed();
        long photos = entries.stream()
                .filter(entry -> entry.change() == AlertEntry.Change.DRIVER_PHOTO)
                .count();
        if (photos >= MOST_PHOTOS) {
            throw new AlertRefused("This alert has " + MOST_PHOTOS + " photographs; it takes no more.");
        }
        return new Next()
                .with(new AlertEntry(
                        at, AlertEntry.Change.DRIVER_PHOTO, kind, urgency, who, Long.toString(photos + 1)));
    }

    /** What its entries say together. */
    AlertRecord record() {
        return new AlertRecord(entries);
    }

    /** Whether the workshop has a job for this alert that is not ended. */
    public boolean hasJob() {
        return state != AlertState.CLOSED && record().hasOpenJob();
    }

    /** On the strength of what it was closed; empty while it is open. */
    public Optional<ClosedOn> closedOn() {
        return state == AlertState.CLOSED ? record().closedOn(isRunSoft) : Optional.empty();
    }

    /** What was seen last that made it call, in the words of whoever saw it. */
    String lastSeen() {
        return record().lastSeen();
    }

    /** When it called last: opened, came back or grew; epoch milliseconds of reading time. */
    public long calledAt() {
        return record().calledAt(openedAt);
    }

    /** What a driver said last of what is wrong now; an answer from before it came back says nothing of that. */
    public Optional<AlertEntry> lastAnswer() {
        return record().lastAnswer();
    }

    /** Whether the last thing that somebody did can be taken back: nothing came since that changed the alert. */
    public boolean canBeTakenBack() {
        return handling.before() != null;
    }

    /**
     * This alert as it stood before the last act. That is no move of its own, so {@link AlertState#next()} does not bind it;
     * where the fault went meanwhile, it is back in band.
     *
     * @throws AlertRefused if there is nothing to take back
     */
    public Alert takenBack(String who, long at) {
        Handling.Before before = handling.before();
        if (before == null) {
            throw new AlertRefused("There is nothing to take back: something came since that changed the alert.");
        }
        boolean isOverMeanwhile = state == AlertState.CLOSED && !isActive;
        Next next = new Next();
        next.state = isOverMeanwhile ? AlertState.RECOVERED : before.state();
        next.closedAt = before.closedAt();
        next.shelvedUntil = before.shelvedUntil();
        next.handling = new Handling(before.assignee(), before.sameCauseAs(), null, null);
        return next.with(new AlertEntry(at, AlertEntry.Change.TAKEN_BACK, kind, urgency, who, null));
    }

    private void refuseIfClosed() {
        if (state == AlertState.CLOSED) {
            throw new AlertRefused("This alert is closed. Open it again first.");
        }
    }

    /** Whoever does something to an alert has seen it. */
    private AlertState seenState() {
        return state == AlertState.NEW ? moveTo(AlertState.ACKNOWLEDGED) : state;
    }

    /**
     * This alert put aside until {@code until}, epoch milliseconds.
     *
     * @throws AlertRefused if it says stop now, or the tyre was run soft, or it is not new or acknowledged, or the reason is
     *     missing, or the end is not within thirty days
     */
    public Alert shelved(String who, String reason, long until, long at) {
        if (urgency == Urgency.STOP_NOW) {
            throw new AlertRefused("Stop now cannot be put aside. Deal with it, or close it with a reason.");
        }
        if (isRunSoft) {
            throw new AlertRefused(
                    "This tyre was at 80 % of its target or less: that cannot be put aside. Have it inspected"
                            + " off the vehicle by a named, trained person, or scrap it.");
        }
        if (reason == null || reason.isBlank()) {
            throw new AlertRefused("Putting an alert aside needs a reason.");
        }
        if (!(until > at && until - at <= LONGEST_SHELVED_MILLIS)) {
            throw new AlertRefused("Say until when it is put aside: a time within the next thirty days.");
        }
        return handled(AlertState.SHELVED, AlertEntry.Change.SHELVED, who, reason, at, until);
    }

    /** This alert once its time aside is over: it calls again; itself before that. */
    public Alert unshelved(long now) {
        if (state != AlertState.SHELVED || shelvedUntil > now) {
            return this;
        }
        Next next = new Next();
        next.state = moveTo(AlertState.NEW);
        return next.with(new AlertEntry(now, AlertEntry.Change.UNSHELVED, kind, urgency, null, null));
    }

    /**
     * This alert back from aside before its time is over: it calls again.
     *
     * @throws AlertRefused if it is not put aside
     */
    public Alert calledBack(String who, long at) {
        if (state != AlertState.SHELVED) {
            throw new AlertRefused("This alert is not put aside.");
        }
        Next next = new Next();
        next.state = moveTo(AlertState.NEW);
        return next.with(new AlertEntry(at, AlertEntry.Change.UNSHELVED, kind, urgency, who, null));
    }

    /** Whether it was put aside last for {@code reason}. */
    boolean isPutAsideBecause(String reason) {
        return record().lastPutAside().filter(reason::equals).isPresent();
    }

    /**
     * This alert with a note in its record.
     *
     * @throws AlertRefused if the note is empty
     */
    public Alert noted(String who, String note, long at) {
        if (note == null || note.isBlank()) {
            throw new AlertRefused("Write something in the note.");
        }
        Next next = new Next();
        return next.with(new AlertEntry(at, AlertEntry.Change.NOTED, kind, urgency, who, note.strip()));
    }

    /**
     * This alert after a driver was told what to do; whoever tells them has seen it. What was said cannot be taken back.
     *
     * @param words whom, and how it was sent
     * @throws AlertRefused if it is closed
     */
    public Alert instructed(String who, String words, long at) {
        refuseIfClosed();
        Next next = new Next();
        next.state = seenState();
        return next.with(new AlertEntry(at, AlertEntry.Change.INSTRUCTED, kind, urgency, who, words));
    }

    /** How many photographs an alert takes. */
    public static final int MOST_PHOTOS = 12;

    /** Who acts where the duty list does. */
    private static final String DUTY_LIST = "duty list";

    /**
     * This alert after somebody was called since nobody had acknowledged it.
     *
     * @param words whom, and how
     * @throws AlertRefused if somebody has, or it is closed
     */
    public Alert escalated(String words, long at) {
        if (state != AlertState.NEW) {
            throw new AlertRefused("Somebody has seen this alert; nobody else is called.");
        }
        return new Next().with(new AlertEntry(at, AlertEntry.Change.ESCALATED, kind, urgency, DUTY_LIST, words));
    }

    /** This alert after {@code who} had the instruction before their eyes; itself where they had it before. */
    public Alert read(String who, long at) {
        return record().hasToBeReadBy(who)
                ? new Next().with(new AlertEntry(at, AlertEntry.Change.DRIVER_READ, kind, urgency, who, null))
                : this;
    }

    /**
     * This alert with what its driver says of it. That settles nothing: the state stays, for somebody at the Desk has to see it.
     *
     * @throws AlertRefused if it is closed
     */
    public Alert answered(String who, DriverAnswer answer, long at) {
        if (state == AlertState.CLOSED) {
            throw new AlertRefused(
                    "This alert is closed already. If something is wrong with the wheel, call the workshop.");
        }
        Next next = new Next();
        return next.with(new AlertEntry(at, answer.change(), kind, urgency, who, answer.words()));
    }

    private Alert handled(AlertState to, AlertEntry.Change change, String who, String note, long at) {
        return handled(to, change, who, note, at, null);
    }

    private Alert handled(AlertState to, AlertEntry.Change change, String who, String note, long at, Long until) {
        Next next = new Next();
        next.state = moveTo(to);
        next.shelvedUntil = until;
        return next.with(new AlertEntry(at, change, kind, urgency, who, note));
    }

    /**
     * This alert closed by a person.
     *
     * @throws AlertRefused if it is closed already, or the tyre was run soft and neither inspected nor scrapped
     */
    public Alert closed(Closure closure, long at) {
        if (isRunSoft && !closure.settlesRunSoftTyre()) {
            throw new AlertRefused(
                    "This tyre was at 80 % of its target or less. Only an inspection off the vehicle by a"
                            + " named, trained person, or scrapping the tyre, closes this alert.");
        }
        return saying(closure.verdict())
                .closed(new AlertEntry(at, AlertEntry.Change.CLOSED, kind, urgency, closure.who(), closure.note()));
    }

    /** This alert taken back because its readings belonged to another wheel. */
    public Alert withdrawn(String why, long at) {
        return closed(new AlertEntry(at, AlertEntry.Change.WITHDRAWN, kind, urgency, null, why));
    }

    /** Whether it leaves with the tyre: a hot wheel end stays where it is, unless the tyre was run soft as well. */
    public boolean goesWithTyre() {
        return kind.family() == AlertFamily.TYRE
                && state != AlertState.CLOSED
                && (isRunSoft || kind != AlertKind.HOT_WHEEL_END);
    }

    /**
     * This alert after its tyre left the wheel: there is nothing left to be judged there, and a mark of having been run soft stays
     * with the tyre.
     *
     * @param who who moved it
     * @param where where it went, in words
     * @throws AlertRefused if it is closed, or not about a tyre
     */
    public Alert leftWithTyre(String who, String where, long at) {
        if (kind.family() != AlertFamily.TYRE) {
            throw new AlertRefused("This is no fault of the tyre; it stays with the wheel.");
        }
        return closed(new AlertEntry(at, AlertEntry.Change.TYRE_LEFT, kind, urgency, who, where));
    }

    /**
     * This alert, closed since its tyre left, after the move was undone: it calls again.
     *
     * @throws AlertRefused if something else closed it
     */
    public Alert backWithTyre(String who, String why, long at) {
        if (closedOn().filter(on -> on == ClosedOn.TYRE_LEFT).isEmpty()) {
            throw new AlertRefused("This alert was not closed because its tyre left.");
        }
        Next next = new Next();
        next.state = moveTo(AlertState.NEW);
        next.closedAt = null;
        next.isActive = true;
        return next.with(new AlertEntry(at, AlertEntry.Change.REOPENED, kind, urgency, who, why));
    }

    private Alert saying(Verdict verdict) {
        Next next = new Next();
        next.handling = handling.saying(verdict);
        return next.alert();
    }

    private Alert closed(AlertEntry entry) {
        Next next = new Next();
        next.state = moveTo(AlertState.CLOSED);
        next.closedAt = entry.at();
        next.isActive &= entry.change() == AlertEntry.Change.CLOSED;
        return next.with(entry);
    }

    /** This alert with newer figures for whoever reads it now; its record stays. */
    public Alert showing(Evidence newer) {
        Next next = new Next();
        next.evidence = newer;
        return next.alert();
    }

    /** This alert under its lasting identity. */
    public Alert withId(long lasting) {
        Next next = new Next();
        next.id = lasting;
        return next.alert();
    }

    /** This alert with what {@code judged} says of the same fault, and with what people did to this one. */
    public Alert withEvidenceOf(Alert judged) {
        boolean isHandled = judged.state == AlertState.NEW
                && judged.urgency == urgency
                && (state == AlertState.ACKNOWLEDGED || state == AlertState.IN_HAND || state == AlertState.SHELVED);
        boolean isClosedByHand =
                state == AlertState.CLOSED && entries.get(entries.size() - 1).who() != null;
        Next next = judged.new Next();
        next.id = id;
        next.openedAt = openedAt;
        next.state = isHandled || isClosedByHand ? state : judged.state;
        next.closedAt = isClosedByHand ? closedAt : judged.closedAt;
        next.shelvedUntil = shelvedUntil;
        next.handling = handling.forGood();
        boolean hasLeft = entries.stream().anyMatch(entry -> entry.change() == AlertEntry.Change.TYRE_LEFT);
        next.entries.removeIf(entry -> hasLeft && entry.change() == AlertEntry.Change.TYRE_LEFT);
        entries.stream().filter(entry -> entry.who() != null).forEach(next.entries::add);
        return next.alert();
    }

    private AlertState moveTo(AlertState next) {
        if (!state.allows(next)) {
            throw new AlertRefused(
                    "This alert is " + state.name().toLowerCase(Locale.ROOT).replace('_', ' ') + " and cannot become "
                            + next.name().toLowerCase(Locale.ROOT).replace('_', ' ') + ".");
        }
        return next;
    }

    /** The alert that follows this one: the same until something is set. */
    private final class Next {
        private long id = Alert.this.id;
        private AlertKind kind = Alert.this.kind;
        private Urgency urgency = Alert.this.urgency;
        private AlertState state = Alert.this.state;
        private long openedAt = Alert.this.openedAt;
        private Long closedAt = Alert.this.closedAt;
        private Long shelvedUntil = Alert.this.shelvedUntil;
        private long lastSeenAt = Alert.this.lastSeenAt;
        private boolean isActive = Alert.this.isActive;
        private boolean isRunSoft = Alert.this.isRunSoft;
        private Evidence evidence = Alert.this.evidence;
        private Handling handling = Alert.this.handling;
        private final List<AlertEntry> entries = new ArrayList<>(Alert.this.entries);

        private Alert with(AlertEntry entry) {
            entries.add(entry);
            if (entry.change().isAct()) {
                handling = handling.after(Alert.this);
            } else if (!entry.change().isSaying()) {
                handling = handling.forGood();
            }
            return alert();
        }

        private Alert alert() {
            return new Alert(
                    id,
                    position,
                    kind,
                    urgency,
                    state,
                    openedAt,
                    closedAt,
                    state == AlertState.SHELVED ? shelvedUntil : null,
                    lastSeenAt,
                    isActive,
                    isRunSoft,
                    evidence,
                    handling,
                    entries);
        }
    }
}
