package vividcaravan.core.alert;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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
 * @param lastSeenAt reading time at which the fault was last known to be there
 * @param isActive whether the judge still sees the fault
 * @param isRunSoft whether the tyre was at 80 % of target or less: only an inspection or scrapping settles that
 * @param evidence the figures of the latest step
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
        long lastSeenAt,
        boolean isActive,
        boolean isRunSoft,
        Evidence evidence,
        List<AlertEntry> entries) {

    /** A fault that is back within this time is the same alert, milliseconds of reading time. */
    public static final long RETURN_WINDOW_MILLIS = 24L * 60 * 60 * 1000;

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
                found.at(),
                true,
                found.evidence().isRunSoft(),
                found.evidence(),
                List.of(first));
    }

    /** Whether a fault found at {@code at} continues this alert rather than starting another. */
    public boolean isContinuedAt(long at) {
        return state != AlertState.CLOSED || at - lastSeenAt <= RETURN_WINDOW_MILLIS;
    }

    /** Whether the judge had something to say of this alert at {@code at} or later. */
    public boolean isJudgedAfter(long at) {
        return lastSeenAt >= at || entries.stream().anyMatch(entry -> entry.who() == null && entry.at() >= at);
    }

    /** This alert after the judge found more; itself where that changes nothing. */
    public Alert raised(Finding.Raised found) {
        if (state == AlertState.RECOVERED || state == AlertState.CLOSED && !isActive) {
            return step(AlertEntry.Change.RETURNED, found);
        }
        boolean isWorse = found.urgency().isMoreUrgentThan(urgency);
        if (state == AlertState.CLOSED) {
            return isWorse ? step(AlertEntry.Change.RETURNED, found) : seen(found);
        }
        boolean saysMore = found.urgency() == urgency && found.kind().saysMoreThan(kind);
        return isWorse || saysMore ? step(AlertEntry.Change.GREW, found) : seen(found);
    }

    private Alert seen(Finding.Raised found) {
        Next next = new Next();
        next.lastSeenAt = found.at();
        next.isActive = true;
        next.isRunSoft |= found.evidence().isRunSoft();
        return next.alert();
    }

    private Alert step(AlertEntry.Change change, Finding.Raised found) {
        boolean callsAgain =
                state != AlertState.NEW && (change != AlertEntry.Change.GREW || found.urgency() != urgency);
        Next next = new Next();
        next.kind = found.kind();
        next.urgency = found.urgency();
        next.state = callsAgain ? moveTo(AlertState.NEW) : state;
        next.closedAt = null;
        next.lastSeenAt = found.at();
        next.isActive = true;
        next.isRunSoft |= found.evidence().isRunSoft();
        next.evidence = found.evidence();
        return next.with(new AlertEntry(found.at(), change, found.kind(), found.urgency(), null, null));
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
        return handled(AlertState.IN_HAND, AlertEntry.Change.TAKEN_IN_HAND, who, note, at);
    }

    /**
     * This alert put aside for a while.
     *
     * @throws AlertRefused if it says stop now, or is not new or acknowledged, or the reason is missing
     */
    public Alert shelved(String who, String reason, long at) {
        if (urgency == Urgency.STOP_NOW) {
            throw new AlertRefused("Stop now cannot be put aside. Deal with it, or close it with a reason.");
        }
        if (reason == null || reason.isBlank()) {
            throw new AlertRefused("Putting an alert aside needs a reason.");
        }
        return handled(AlertState.SHELVED, AlertEntry.Change.SHELVED, who, reason, at);
    }

    private Alert handled(AlertState to, AlertEntry.Change change, String who, String note, long at) {
        Next next = new Next();
        next.state = moveTo(to);
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
        return closed(new AlertEntry(at, AlertEntry.Change.CLOSED, kind, urgency, closure.who(), closure.note()));
    }

    /** This alert taken back because its readings belonged to another wheel. */
    public Alert withdrawn(String why, long at) {
        return closed(new AlertEntry(at, AlertEntry.Change.WITHDRAWN, kind, urgency, null, why));
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
        private long lastSeenAt = Alert.this.lastSeenAt;
        private boolean isActive = Alert.this.isActive;
        private boolean isRunSoft = Alert.this.isRunSoft;
        private Evidence evidence = Alert.this.evidence;
        private final List<AlertEntry> entries = new ArrayList<>(Alert.this.entries);

        private Alert with(AlertEntry entry) {
            entries.add(entry);
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
                    lastSeenAt,
                    isActive,
                    isRunSoft,
                    evidence,
                    entries);
        }
    }
}
