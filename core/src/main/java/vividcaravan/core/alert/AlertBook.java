package vividcaravan.core.alert;

import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongSupplier;
import vividcaravan.core.axles.Position;

/**
 * One vehicle's alerts: the latest of each wheel and family, open or closed. It turns the judge's findings into one
 * alert per fault. Not safe for use by several threads.
 */
public final class AlertBook {

    private record Key(Position position, AlertFamily family) {}

    private final LongSupplier ids;
    private final Map<Key, Alert> latest = new HashMap<>();

    /** An empty book whose new alerts take their identity from {@code ids}. */
    public AlertBook(LongSupplier ids) {
        this.ids = ids;
    }

    /**
     * Puts an alert that was stored earlier back into the book, unless it holds a later one of the same fault. One that is
     * open counts before one that is closed, however late that was opened: a wheel judged again may have begun to leak
     * before the alert that was withdrawn for it.
     */
    public void restore(Alert alert) {
        latest.merge(key(alert), alert, AlertBook::present);
    }

    private static Alert present(Alert held, Alert stored) {
        boolean isHeldOpen = held.state() != AlertState.CLOSED;
        boolean isStoredOpen = stored.state() != AlertState.CLOSED;
        if (isHeldOpen != isStoredOpen) {
            return isHeldOpen ? held : stored;
        }
        return stored.openedAt() >= held.openedAt() ? stored : held;
    }

    /**
     * Takes in what the judge found.
     *
     * @return the alert as it is now, if this changed anything about it
     */
    public Optional<Alert> apply(Finding finding) {
        Key key = new Key(finding.position(), finding.family());
        Alert before = latest.get(key);
        Alert after = after(before, finding);
        if (after == null || after.equals(before)) {
            return Optional.empty();
        }
        latest.put(key, after);
        return Optional.of(after);
    }

    private Alert after(Alert before, Finding finding) {
        if (finding instanceof Finding.Raised raised) {
            return before != null && before.isContinuedAt(raised.at())
                    ? before.judged().raised(raised)
                    : Alert.open(ids.getAsLong(), raised);
        }
        if (before == null) {
            return null;
        }
        if (finding instanceof Finding.Proven proven) {
            return before.judged().proven(proven.proof(), proven.at());
        }
        if (finding instanceof Finding.Withdrawn) {
            return before.state() == AlertState.CLOSED
                    ? null
                    : before.withdrawn("Readings that came later show that it was not silent.", finding.at());
        }
        return before.judged().recovered(finding.at());
    }

    /** Takes in what somebody saw at {@code at}: one place has one alert of it, whatever is wrong there. */
    public Alert report(Sight seen, long at) {
        Alert before = latest.get(new Key(seen.position(), AlertFamily.SEEN));
        Alert after = before != null && before.isContinuedAt(at)
                ? before.seenAgain(seen, at)
                : Alert.open(ids.getAsLong(), seen, at);
        replace(after);
        return after;
    }

    /**
     * Takes in what a tyre brought along from where it was: it stands here as new, with what it was and beside what stands here,
     * until proof, a named inspection or the tyre's end.
     *
     * @param before the alert as it stood at the other wheel
     * @param words where it comes from, for its record
     * @param who moved the tyre
     */
    public Alert carry(Alert before, Position position, String words, String who, long at) {
        Alert held = latest.get(new Key(position, before.kind().family()));
        Alert carried = held != null && held.state() != AlertState.CLOSED
                ? held.joinedBy(before, words, who, at)
                : Alert.carried(ids.getAsLong(), before, position, words, who, at);
        replace(carried);
        return carried;
    }

    /**
     * Takes in what is known of a tyre from elsewhere, without its figures: the past that came with a fleet.
     *
     * @param words what is known, for its record
     * @param who who took it in
     */
    public Alert told(
            Position position, AlertKind kind, Urgency urgency, boolean isRunSoft, String words, String who, long at) {
        Alert before = Alert.told(position, kind, urgency, isRunSoft, words, who, at);
        return carry(before, position, words, who, at);
    }

    /** Puts a changed alert in the place of its earlier self. */
    public void replace(Alert alert) {
        latest.put(key(alert), alert);
    }

    /** Forgets the alerts of a wheel that is no longer there. */
    public void forget(Position position) {
        latest.keySet().removeIf(key -> position.equals(key.position()));
    }

    /** The alert with this identity, if it is the latest of its wheel and family. */
    public Optional<Alert> find(long id) {
        return latest.values().stream().filter(alert -> alert.id() == id).findFirst();
    }

    /** The latest alert of every wheel and family. */
    public Collection<Alert> alerts() {
        return latest.values();
    }

    private static Key key(Alert alert) {
        return new Key(alert.position(), alert.kind().family());
    }
}
