package vividcaravan.core.alert;

import java.util.List;
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

    static final long LONGEST_SHELVED_MILLIS = 30L * 24 * 60 * 60 * 1000;

    public Alert {
        entries = List.copyOf(entries);
    }

    /** Opens an alert on what the judge found. */
    public static Alert open(long id, Finding.Raised found) {
        AlertEntry first =
                new AlertEntry(found.at(), AlertEntry.Change.OPENED, found.kind(), found.urgency(), null, null);
        return opened(id, found.position(), first, found.evidence().isRunSoft(), found.evidence());
    }

    /** Opens an alert on what somebody saw at {@code at}. */
    public static Alert open(long id, Sight seen, long at) {
        AlertEntry first = new AlertEntry(
                at, AlertEntry.Change.OPENED, AlertKind.REPORTED_FAULT, seen.urgency(), seen.who(), seen.words());
        return opened(id, seen.position(), first, seen.isFlat(), Evidence.ofSight(at));
    }

    /**
     * Opens an alert on what a tyre brought along from where it was.
     *
     * @param before the alert as it stood there
     * @param words where it comes from, for its record
     * @param who who moved the tyre
     */
    static Alert carried(long id, Alert before, Position position, String words, String who, long at) {
        return opened(
                id,
                position,
                before.carrying(AlertEntry.Change.OPENED, words, who, at),
                before.isRunSoft,
                before.evidence);
    }

    /** An alert of which only words are known. */
    static Alert told(
            Position position, AlertKind kind, Urgency urgency, boolean isRunSoft, String words, String who, long at) {
        AlertEntry first = new AlertEntry(at, AlertEntry.Change.OPENED, kind, urgency, who, words);
        return opened(0, position, first, isRunSoft, Evidence.ofSight(at));
    }

    private static Alert opened(long id, Position position, AlertEntry first, boolean isRunSoft, Evidence evidence) {
        return new Alert(
                id,
                position,
                first.kind(),
                first.urgency(),
                AlertState.NEW,
                first.at(),
                null,
                null,
                first.at(),
                true,
                isRunSoft,
                evidence,
                Handling.NONE,
                List.of(first));
    }

    /** What a person saw is told on as it was said. */
    private AlertEntry carrying(AlertEntry.Change change, String words, String who, long at) {
        boolean isSeen = kind.family() == AlertFamily.SEEN && !lastSeen().equals(words);
        String told = isSeen ? lastSeen() + " (" + words + ")" : words;
        return new AlertEntry(at, change, kind, urgency, who, told);
    }

    /** This open alert after a tyre brought {@code other} along: what says more stands for both, and calls anew. */
    Alert joinedBy(Alert other, String words, String who, long at) {
        NextAlert next = new NextAlert(this);
        boolean saysMore = other.urgency.isMoreUrgentThan(urgency);
        next.kind = saysMore ? other.kind : kind;
        next.urgency = saysMore ? other.urgency : urgency;
        next.evidence = saysMore ? other.evidence : evidence;
        next.isRunSoft |= other.isRunSoft;
        if (state != AlertState.NEW) {
            next.to(AlertState.NEW);
        }
        next.isActive = true;
        next.lastSeenAt = at;
        AlertEntry came = other.carrying(AlertEntry.Change.GREW, words, who, at);
        String both = kind.family() == AlertFamily.SEEN ? lastSeen() + "; " + came.note() : came.note();
        return next.with(new AlertEntry(at, came.change(), next.kind, next.urgency, who, both));
    }

    /** Whether this says more of the same place than {@code other}: of a tyre run soft, or by its urgency. */
    public boolean saysMoreThan(Alert other) {
        return isRunSoft && !other.isRunSoft || urgency.isMoreUrgentThan(other.urgency);
    }

    /** This alert after somebody saw more there. */
    public Alert seenAgain(Sight seen, long at) {
        boolean isWorse = seen.urgency().isMoreUrgentThan(urgency);
        boolean isNewlyFlat = seen.isFlat() && !isRunSoft;
        // A worse finding is never swallowed by a lesser one that was deferred, grouped or acknowledged; and what stops
        // a
        // vehicle calls people anew whoever saw the one before.
        boolean isAnother = seen.urgency() == Urgency.STOP_NOW && !seen.words().equals(lastSeen());
        boolean callsAnew = isWorse
                || isNewlyFlat
                || state == AlertState.CLOSED
                || state == AlertState.SHELVED
                || handling.sameCauseAs() != null
                || state != AlertState.NEW && (isAnother || seen.isCall());
        if (!callsAnew) {
            return by(seen.who(), at).noted(seen.words());
        }
        NextAlert next = new NextAlert(this);
        AlertEntry.Change change = state == AlertState.CLOSED ? AlertEntry.Change.RETURNED : AlertEntry.Change.GREW;
        boolean isOpen = state != AlertState.CLOSED;
        next.urgency = isOpen && urgency.isMoreUrgentThan(seen.urgency()) ? urgency : seen.urgency();
        next.isRunSoft = seen.isFlat() || isRunSoft && isOpen;
        if (state != AlertState.NEW) {
            next.to(AlertState.NEW);
        }
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
        return state != AlertState.CLOSED || at - lastSeenAt <= RETURN_WINDOW_MILLIS && !record().hasTyreLeft();
    }

    /**
     * This alert as it stood at {@code at}, epoch milliseconds, as far as its steps tell: what it grew to later is not of then.
     */
    public Alert asOf(long at) {
        List<AlertEntry> steps =
                entries.stream().filter(entry -> entry.change().isStep()).toList();
        List<AlertEntry> until = steps.stream().filter(step -> step.at() <= at).toList();
        if (until.isEmpty() || until.size() == steps.size()) {
            return this;
        }
        AlertEntry then = until.get(until.size() - 1);
        NextAlert next = new NextAlert(this);
        next.kind = then.kind();
        next.urgency = then.urgency();
        // What is run soft is for the next safe stop at least.
        next.isRunSoft &= !Urgency.NEXT_STOP.isMoreUrgentThan(then.urgency());
        return next.alert();
    }

    /** Whether the judge had something to say of this alert at {@code at} or later. */
    public boolean isJudgedAfter(long at) {
        return lastSeenAt >= at || entries.stream().anyMatch(entry -> entry.who() == null && entry.at() >= at);
    }

    /** What the judge makes of it. */
    public JudgedAlert judged() {
        return new JudgedAlert(this);
    }

    /**
     * What somebody does to it.
     *
     * @param who user name
     * @param at when, epoch milliseconds
     */
    public AlertActs by(String who, long at) {
        return new AlertActs(this, who, at);
    }

    /** What its entries say together. */
    AlertRecord record() {
        return new AlertRecord(entries);
    }

    /** Whether a person saw what must not wait: then only a named inspection ends it, or the end of its tyre there. */
    public boolean hasToBeInspected() {
        return isRunSoft
                || kind.family() == AlertFamily.SEEN
                        && urgency != Urgency.PLAN
                        && !lastSeen().equals(DriverAnswer.HELP_SEEN);
    }

    /** Whether the workshop has a job for this alert that is not ended. */
    public boolean hasJob() {
        return state != AlertState.CLOSED && record().hasOpenJob();
    }

    /** On the strength of what it was closed; empty while it is open. */
    public Optional<ClosedOn> closedOn() {
        return state == AlertState.CLOSED ? record().closedOn(hasToBeInspected()) : Optional.empty();
    }

    /** Whether it was closed because its tyre left the wheel. */
    public boolean isClosedWithTyre() {
        return isClosedOn(ClosedOn.TYRE_LEFT);
    }

    boolean isClosedOn(ClosedOn what) {
        return closedOn().filter(on -> on == what).isPresent();
    }

    /** Whether a loss of air was ever part of it, which topping up does not repair. */
    public boolean wasLeak() {
        return record().wasLeak();
    }

    /** Whether somebody ended a job for it since it called last: repaired by name, and not proven by that. */
    boolean isRepairedByName() {
        return record().isRepairedByName();
    }

    /** What was seen last that made it call, in the words of whoever saw it. */
    public String lastSeen() {
        return record().lastSeen();
    }

    /** Who saw that, user name; empty where readings told of it. */
    public Optional<String> lastSeenBy() {
        return kind.family() == AlertFamily.SEEN ? record().lastSeenBy() : Optional.empty();
    }

    /** Whether {@code words} are among what was seen since it called last. */
    public boolean hasSeen(String words) {
        return lastSeen().contains(words);
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

    /** This alert once its time aside is over: it calls again; itself before that. */
    public Alert unshelved(long now) {
        if (state != AlertState.SHELVED || shelvedUntil > now) {
            return this;
        }
        NextAlert next = new NextAlert(this);
        next.to(AlertState.NEW);
        return next.with(new AlertEntry(now, AlertEntry.Change.UNSHELVED, kind, urgency, null, null));
    }

    /** Whether it was put aside last for {@code reason}. */
    boolean isPutAsideBecause(String reason) {
        return record().lastPutAside().filter(reason::equals).isPresent();
    }

    /**
     * This alert closed by a person.
     *
     * @throws AlertRefused if it is closed already, or the tyre was run soft and neither inspected nor scrapped, or a person saw
     *     what must not wait and nobody says who inspected it
     */
    public Alert closed(Closure closure, long at) {
        if (isRunSoft && !closure.settlesRunSoftTyre()) {
            throw new AlertRefused(
                    "This tyre was at 80 % of its target or less. Only an inspection off the vehicle by a"
                            + " named, trained person, or scrapping the tyre, closes this alert.");
        }
        if (hasToBeInspected() && !closure.settlesReport()) {
            throw new AlertRefused("A person saw this fault. Only an inspection by a named person, or another tyre,"
                    + " closes this alert: say who inspected it.");
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

    private Alert saying(Verdict verdict) {
        NextAlert next = new NextAlert(this);
        next.handling = handling.saying(verdict);
        return next.alert();
    }

    /** This alert closed by what {@code entry} says. */
    Alert closed(AlertEntry entry) {
        NextAlert next = new NextAlert(this);
        next.to(AlertState.CLOSED);
        next.closedAt = entry.at();
        next.isActive &= entry.change() == AlertEntry.Change.CLOSED;
        return next.with(entry);
    }

    /** This alert with newer figures for whoever reads it now; its record stays. */
    public Alert showing(Evidence newer) {
        NextAlert next = new NextAlert(this);
        next.evidence = newer;
        return next.alert();
    }

    /** This alert under its lasting identity. */
    public Alert withId(long lasting) {
        NextAlert next = new NextAlert(this);
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
        NextAlert next = new NextAlert(judged);
        next.id = id;
        next.openedAt = openedAt;
        next.state = isHandled || isClosedByHand ? state : judged.state;
        next.closedAt = isClosedByHand ? closedAt : judged.closedAt;
        next.shelvedUntil = shelvedUntil;
        boolean isAsItWas = next.state == state && judged.kind == kind && judged.urgency == urgency;
        // What people did can still be taken back where judging again changed nothing of it.
        next.handling = isAsItWas ? handling : handling.forGood();
        boolean hasLeft = entries.stream().anyMatch(entry -> entry.change() == AlertEntry.Change.TYRE_LEFT);
        next.entries.removeIf(entry -> hasLeft && entry.change() == AlertEntry.Change.TYRE_LEFT);
        entries.stream().filter(entry -> entry.who() != null).forEach(next.entries::add);
        return next.alert();
    }
}
