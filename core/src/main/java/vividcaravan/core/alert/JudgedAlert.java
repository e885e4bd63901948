package vividcaravan.core.alert;

/** What the judge makes of an alert. Immutable, as the alert is. */
public final class JudgedAlert {

    /** What is said so soon after a step was said because of it [our judgement]. */
    private static final long SHORTLY_MILLIS = 30L * 60 * 1000;

    /** What was closed and is still there so long after is no longer what somebody knows of [our judgement]. */
    private static final long STILL_THERE_MILLIS = 12L * 60 * 60 * 1000;

    private final Alert alert;

    JudgedAlert(Alert alert) {
        this.alert = alert;
    }

    /**
     * This alert after the judge found more. What is closed or put aside returns when the wheel is worse than it was then:
     * by urgency, by {@link Evidence#WORSE_SHARE} of its target, or because the tyre is now run soft. What was closed returns also
     * if the fault is still there half a day later.
     */
    public Alert raised(Finding.Raised found) {
        if (alert.state() == AlertState.RECOVERED || alert.state() == AlertState.CLOSED && !alert.isActive()) {
            return step(AlertEntry.Change.RETURNED, found);
        }
        boolean isNewlySoft = found.evidence().isRunSoft() && !alert.isRunSoft();
        boolean isWorse = found.urgency().isMoreUrgentThan(alert.urgency()) || isNewlySoft;
        if (alert.state() == AlertState.CLOSED || alert.state() == AlertState.SHELVED) {
            AlertEntry.Change change =
                    alert.state() == AlertState.CLOSED ? AlertEntry.Change.RETURNED : AlertEntry.Change.GREW;
            boolean isStillThere = alert.state() == AlertState.CLOSED
                    && alert.closedAt() != null
                    && found.at() - alert.closedAt() >= STILL_THERE_MILLIS;
            return isWorse || isStillThere || found.evidence().isWorseThan(alert.evidence(), found.kind())
                    ? step(change, found)
                    : seen(found);
        }
        boolean isNoLeak = alert.kind() == AlertKind.SLOW_LEAK && found.kind().isLossOfAir() && isNoLeakAnyMore(found);
        boolean isNoHeat = alert.kind().isHeat()
                && found.kind() == AlertKind.OVER_PRESSURE
                && cameWith(found.evidence().step());
        if (isNoLeak || isNoHeat) {
            Urgency held = alert.urgency().isMoreUrgentThan(found.urgency()) ? alert.urgency() : found.urgency();
            return step(
                    AlertEntry.Change.GREW, new Finding.Raised(found.position(), found.kind(), held, found.evidence()));
        }
        boolean saysMore = found.urgency() == alert.urgency() && found.kind().saysMoreThan(alert.kind());
        return isWorse || saysMore ? step(AlertEntry.Change.GREW, found) : seen(found);
    }

    /** Whether what was taken for a leak turned out to be a step: its slope is gone, and its forecast with it. */
    private static boolean isNoLeakAnyMore(Finding.Raised found) {
        Evidence now = found.evidence();
        return !found.kind().isLeak() && now.step() != null && now.lossKpaPerHour() == null && now.overDays() == null;
    }

    /** Whether it was opened as the air went in that explains it: under a cap that looks like heat at first. */
    private boolean cameWith(Evidence.Step step) {
        return step != null && step.from() <= alert.openedAt() && alert.openedAt() <= step.to() + SHORTLY_MILLIS;
    }

    private Alert seen(Finding.Raised found) {
        NextAlert next = new NextAlert(alert);
        next.lastSeenAt = found.at();
        next.isActive = true;
        next.isRunSoft |= found.evidence().isRunSoft();
        // Wheels wake one after the other: the note for all of them names each.
        boolean namesMore = found.evidence().shortfalls().size()
                > alert.evidence().shortfalls().size();
        // A leak that shows over days gets surer with each of them, and a step shows only once it stays.
        boolean isExplained = found.evidence().overDays() != null
                || found.kind() == alert.kind()
                        && found.evidence().step() != null
                        && alert.evidence().step() == null;
        next.evidence =
                (namesMore || isExplained) && alert.state() != AlertState.CLOSED ? found.evidence() : alert.evidence();
        return next.alert();
    }

    private Alert step(AlertEntry.Change change, Finding.Raised found) {
        boolean isNewlySoft = found.evidence().isRunSoft() && !alert.isRunSoft();
        boolean callsAgain = alert.state() != AlertState.NEW
                && (change != AlertEntry.Change.GREW
                        || found.urgency() != alert.urgency()
                        || isNewlySoft
                        || alert.state() == AlertState.SHELVED);
        // Filling a tyre that was run soft, or filling it too high, makes nothing of it less urgent.
        boolean wasSoft = alert.isRunSoft() && alert.state() != AlertState.CLOSED;
        boolean isHeld = wasSoft && alert.urgency().isMoreUrgentThan(found.urgency());
        NextAlert next = new NextAlert(alert);
        next.kind = isHeld ? alert.kind() : found.kind();
        next.urgency = isHeld ? alert.urgency() : found.urgency();
        if (callsAgain) {
            next.to(AlertState.NEW);
        }
        // What calls again calls by itself, not behind another.
        next.handling = callsAgain ? alert.handling().with(null) : alert.handling();
        next.closedAt = null;
        next.lastSeenAt = found.at();
        next.isActive = true;
        // What was closed was inspected or scrapped: the mark belongs to that tyre.
        next.isRunSoft = wasSoft || found.evidence().isRunSoft();
        next.evidence = isHeld ? alert.evidence().measuredLike(found.evidence()) : found.evidence();
        return next.with(new AlertEntry(found.at(), change, next.kind, next.urgency, null, null));
    }

    /** This alert after the readings came back inside the limits. */
    public Alert recovered(long at) {
        NextAlert next = new NextAlert(alert);
        next.lastSeenAt = at;
        next.isActive = false;
        if (alert.state() == AlertState.CLOSED || alert.state() == AlertState.RECOVERED) {
            return next.alert();
        }
        next.to(AlertState.RECOVERED);
        return next.with(new AlertEntry(at, AlertEntry.Change.RECOVERED, alert.kind(), alert.urgency(), null, null));
    }

    /** This alert after the readings proved something: closed if that is proof enough for its fault. */
    public Alert proven(Finding.Proof proof, long at) {
        boolean wasLeak = alert.wasLeak();
        boolean isEnough = !alert.isRunSoft() && (!wasLeak || proof == Finding.Proof.FLAT_FOR_TWELVE_HOURS);
        return alert.state() == AlertState.RECOVERED && isEnough
                ? alert.closed(new AlertEntry(at, AlertEntry.Change.PROVEN, alert.kind(), alert.urgency(), null, null))
                : alert;
    }
}
