package vividcaravan.core.alert;

import java.util.Objects;

/**
 * What people do to an alert, each act signed and dated; what comes of it is a new alert. An act that an alert does not allow is refused with
 * {@link AlertRefused}, in words for whoever tried it.
 */
public final class AlertActs {

    /** How many photographs an alert takes. */
    public static final int MOST_PHOTOS = 12;

    /** How much may be said about an alert: far more than people say, and little enough to be read. */
    public static final int MOST_SAYINGS = 200;

    /** Who acts where the duty list does. */
    public static final String DUTY_LIST = "duty list";

    private final Alert alert;
    private final String who;
    private final long at;

    /**
     * What {@code who} does.
     *
     * @param who user name
     * @param at when, epoch milliseconds
     */
    AlertActs(Alert alert, String who, long at) {
        this.alert = alert;
        this.who = who;
        this.at = at;
    }

    private NextAlert next() {
        return new NextAlert(alert);
    }

    /** Whoever does something to an alert has seen it. */
    private NextAlert seen() {
        return alert.state() == AlertState.NEW ? next().to(AlertState.ACKNOWLEDGED) : next();
    }

    private AlertEntry entry(AlertEntry.Change change, String note) {
        return new AlertEntry(at, change, alert.kind(), alert.urgency(), who, note);
    }

    private void refuseIfClosed() {
        if (alert.state() == AlertState.CLOSED) {
            throw new AlertRefused("This alert is closed. Open it again first.");
        }
    }

    private static void refuseIfBlank(String words, String refusal) {
        if (words == null || words.isBlank()) {
            throw new AlertRefused(refusal);
        }
    }

    /**
     * Sees it.
     *
     * @throws AlertRefused if it is not new
     */
    public Alert acknowledged() {
        return next().to(AlertState.ACKNOWLEDGED).with(entry(AlertEntry.Change.ACKNOWLEDGED, null));
    }

    /**
     * Begins to deal with it.
     *
     * @throws AlertRefused if it is neither new nor acknowledged
     */
    public Alert takenInHand(String note) {
        NextAlert next = next().to(AlertState.IN_HAND);
        next.handling = alert.handling().of(who);
        return next.with(entry(AlertEntry.Change.TAKEN_IN_HAND, note));
    }

    /**
     * Gives it to somebody, or to nobody in particular; whoever gives it has seen it.
     *
     * @param whom user name, or null
     * @param words how the record calls them, such as "for B. Quill"
     * @throws AlertRefused if it is closed, or theirs already
     */
    public Alert assigned(String whom, String words) {
        refuseIfClosed();
        if (Objects.equals(alert.handling().assignee(), whom)) {
            throw new AlertRefused("It is given so already. Choose somebody else.");
        }
        NextAlert next = seen();
        next.handling = alert.handling().of(whom);
        return next.with(entry(AlertEntry.Change.ASSIGNED, words));
    }

    /**
     * Counts it with another that has the same cause: the other stands for both until this one calls again.
     *
     * @param leading the other
     * @param words how the record calls the other
     * @throws AlertRefused if one of them is closed, or the other is counted with a third, or says less than this one
     */
    public Alert countedWith(Alert leading, String words) {
        refuseIfClosed();
        if (leading.id() == alert.id() || leading.state() == AlertState.CLOSED) {
            throw new AlertRefused("Choose another alert that is open.");
        }
        if (leading.handling().sameCauseAs() != null) {
            throw new AlertRefused("That alert is itself counted with another. Choose the one that stands for both.");
        }
        if (alert.urgency().isMoreUrgentThan(leading.urgency())) {
            throw new AlertRefused("This alert says more than that one: “"
                    + alert.urgency().words() + "” must not stand behind “"
                    + leading.urgency().words() + "”. Count that one with this.");
        }
        NextAlert next = seen();
        next.handling = alert.handling().with(leading.id());
        return next.with(entry(AlertEntry.Change.COUNTED_WITH, words));
    }

    /**
     * Lets it stand by itself again.
     *
     * @throws AlertRefused if it is not counted with another
     */
    public Alert standingAlone() {
        if (alert.handling().sameCauseAs() == null) {
            throw new AlertRefused("This alert stands by itself already.");
        }
        NextAlert next = next();
        next.handling = alert.handling().with(null);
        return next.with(entry(AlertEntry.Change.STANDS_ALONE, null));
    }

    /**
     * Opens it again, which somebody had closed or the readings.
     *
     * @throws AlertRefused if it is open, or its tyre left, or the reason is missing
     */
    public Alert reopened(String reason) {
        if (alert.state() != AlertState.CLOSED) {
            throw new AlertRefused("This alert is open.");
        }
        if (alert.isClosedOn(ClosedOn.TYRE_LEFT)) {
            throw new AlertRefused("Its tyre left this wheel. Undo the move, or look where the tyre is now.");
        }
        refuseIfBlank(reason, "Opening an alert again needs a reason. Say what was seen.");
        NextAlert next = next().to(AlertState.NEW);
        next.closedAt = null;
        next.handling = alert.handling().with(null).saying(null);
        return next.with(entry(AlertEntry.Change.REOPENED, reason.strip()));
    }

    /**
     * Raises a job for the workshop.
     *
     * @throws AlertRefused if it is closed, or has one
     */
    public Alert withJob(String note) {
        refuseIfClosed();
        if (alert.hasJob()) {
            throw new AlertRefused("The workshop has a job for this alert already.");
        }
        NextAlert next = alert.state().allows(AlertState.IN_HAND) ? next().to(AlertState.IN_HAND) : seen();
        return next.with(entry(AlertEntry.Change.JOB_RAISED, note));
    }

    /**
     * Ends its job. The work proves nothing by itself: the readings do, or an inspection.
     *
     * @throws AlertRefused if it has no job, or what was found and done is not said
     */
    public Alert jobEnded(String note) {
        if (!alert.hasJob()) {
            throw new AlertRefused("The workshop has no open job for this alert.");
        }
        refuseIfBlank(note, "Say what was found and what was done.");
        return next().with(entry(AlertEntry.Change.JOB_ENDED, note.strip()));
    }

    /**
     * Adds a photograph that its driver sent; photographs are numbered from 1, and the entry's note is the number.
     *
     * @throws AlertRefused if it is closed, or has {@value #MOST_PHOTOS} already
     */
    public Alert photographed() {
        refuseIfClosed();
        long photos = alert.entries().stream()
                .filter(entry -> entry.change() == AlertEntry.Change.DRIVER_PHOTO)
                .count();
        if (photos >= MOST_PHOTOS) {
            throw new AlertRefused("This alert has " + MOST_PHOTOS + " photographs; it takes no more.");
        }
        return next().with(entry(AlertEntry.Change.DRIVER_PHOTO, Long.toString(photos + 1)));
    }

    /**
     * Takes the last act back. That is no move of its own, so {@link AlertState#next()} does not bind it; where the fault went
     * meanwhile, it is back in band.
     *
     * @throws AlertRefused if there is nothing to take back
     */
    public Alert takenBack() {
        Handling.Before before = alert.handling().before();
        if (before == null) {
            throw new AlertRefused("There is nothing to take back: something came since that changed the alert.");
        }
        boolean isOverMeanwhile = alert.state() == AlertState.CLOSED && !alert.isActive();
        NextAlert next = next();
        next.state = isOverMeanwhile ? AlertState.RECOVERED : before.state();
        next.closedAt = before.closedAt();
        next.shelvedUntil = before.shelvedUntil();
        next.handling = new Handling(before.assignee(), before.sameCauseAs(), null, null);
        return next.with(entry(AlertEntry.Change.TAKEN_BACK, null));
    }

    /**
     * Puts it aside until {@code until}, epoch milliseconds.
     *
     * @throws AlertRefused if it says stop now, or the tyre was run soft, or somebody saw it who calls for more than a plan, or it
     *     is not new or acknowledged, or the reason is missing, or the end is not within thirty days
     */
    public Alert shelved(String reason, long until) {
        if (alert.urgency() == Urgency.STOP_NOW) {
            throw new AlertRefused("Stop now cannot be put aside. Deal with it, or close it with a reason.");
        }
        if (alert.isRunSoft()) {
            throw new AlertRefused(
                    "This tyre was at 80 % of its target or less: that cannot be put aside. Have it inspected"
                            + " off the vehicle by a named, trained person, or scrap it.");
        }
        if (alert.kind().family() == AlertFamily.SEEN && alert.urgency() != Urgency.PLAN) {
            throw new AlertRefused(
                    "Somebody saw this fault with their own eyes: it cannot be deferred. Have it put right, or"
                            + " close it with what was found.");
        }
        refuseIfBlank(reason, "Putting an alert aside needs a reason.");
        if (!(until > at && until - at <= Alert.LONGEST_SHELVED_MILLIS)) {
            throw new AlertRefused("Say until when it is put aside: a time within the next thirty days.");
        }
        NextAlert next = next().to(AlertState.SHELVED);
        next.shelvedUntil = until;
        return next.with(entry(AlertEntry.Change.SHELVED, reason));
    }

    /**
     * Calls it back from aside before its time is over: it calls again.
     *
     * @throws AlertRefused if it is not put aside
     */
    public Alert calledBack() {
        if (alert.state() != AlertState.SHELVED) {
            throw new AlertRefused("This alert is not put aside.");
        }
        return next().to(AlertState.NEW).with(entry(AlertEntry.Change.UNSHELVED, null));
    }

    /**
     * Writes a note into its record.
     *
     * @throws AlertRefused if the note is empty
     */
    public Alert noted(String note) {
        refuseIfBlank(note, "Write something in the note.");
        if (alert.record().sayings() >= MOST_SAYINGS) {
            throw new AlertRefused("This alert has " + MOST_SAYINGS + " answers and notes; it takes no more.");
        }
        return next().with(entry(AlertEntry.Change.NOTED, note.strip()));
    }

    /**
     * Tells a driver what to do; whoever tells them has seen it. What was said cannot be taken back.
     *
     * @param words whom, and how it was sent
     * @throws AlertRefused if it is closed
     */
    public Alert instructed(String words) {
        refuseIfClosed();
        return seen().with(entry(AlertEntry.Change.INSTRUCTED, words));
    }

    /**
     * Calls somebody since nobody has acknowledged it.
     *
     * @param words whom, and how
     * @throws AlertRefused if somebody has, or it is closed
     */
    public Alert escalated(String words) {
        if (alert.state() != AlertState.NEW) {
            throw new AlertRefused("Somebody has seen this alert; nobody else is called.");
        }
        return next().with(entry(AlertEntry.Change.ESCALATED, words));
    }

    /** Has the instruction before their eyes; the alert itself where they had it before. */
    public Alert read() {
        return alert.record().hasToBeReadBy(who) ? next().with(entry(AlertEntry.Change.DRIVER_READ, null)) : alert;
    }

    /**
     * Says as its driver what is wrong. That settles nothing: the state stays, for somebody at the Desk has to see it.
     *
     * @throws AlertRefused if it is closed
     */
    public Alert answered(DriverAnswer answer) {
        if (alert.state() == AlertState.CLOSED) {
            throw new AlertRefused(
                    "This alert is closed already. If something is wrong with the wheel, call the workshop.");
        }
        if (alert.record().hasJustSaid(who, answer.change(), answer.words(), at)) {
            return alert;
        }
        if (alert.record().sayings() >= MOST_SAYINGS) {
            throw new AlertRefused(
                    "This alert has " + MOST_SAYINGS + " answers and notes; it takes no more. Call the workshop.");
        }
        return next().with(entry(answer.change(), answer.words()));
    }

    /**
     * Corrects what a person reported: it was another wheel, or something else. It stands there from now on.
     *
     * @param how what it is instead, in words
     * @throws AlertRefused if it is closed, or no person's report
     */
    public Alert corrected(String how) {
        if (alert.kind().family() != AlertFamily.SEEN) {
            throw new AlertRefused("Nobody reported this: the readings did. Correct which sensor sits where instead.");
        }
        refuseIfClosed();
        return alert.closed(entry(AlertEntry.Change.CORRECTED, how));
    }

    /**
     * Moves the tyre away from the wheel: there is nothing left to be judged there, and a mark of having been run soft stays with
     * the tyre.
     *
     * @param where where it went, in words
     * @throws AlertRefused if it is closed, or not about a tyre
     */
    public Alert leftWithTyre(String where) {
        if (alert.kind().family() != AlertFamily.TYRE && alert.kind().family() != AlertFamily.SEEN) {
            throw new AlertRefused("This is no fault of the tyre; it stays with the wheel.");
        }
        return alert.closed(entry(AlertEntry.Change.TYRE_LEFT, where));
    }

    /**
     * Says that its tyre left the wheel with the act that closed it, scrapped or changed: that act stays the last, and what another
     * tyre does there is another alert.
     */
    public Alert tyreEnded(String where) {
        NextAlert next = next();
        next.entries.add(next.entries.size() - 1, entry(AlertEntry.Change.TYRE_LEFT, where));
        return next.alert();
    }

    /**
     * Undoes the move of the tyre because of which it was closed: it calls again.
     *
     * @throws AlertRefused if something else closed it
     */
    public Alert backWithTyre(String why) {
        if (!alert.isClosedOn(ClosedOn.TYRE_LEFT)) {
            throw new AlertRefused("This alert was not closed because its tyre left.");
        }
        NextAlert next = next().to(AlertState.NEW);
        next.closedAt = null;
        next.isActive = true;
        return next.with(entry(AlertEntry.Change.REOPENED, why));
    }
}
