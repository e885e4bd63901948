package vividcaravan.core.alert;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** The alert that follows another: the same until something is set. */
final class NextAlert {

    private final Alert before;
    long id;
    AlertKind kind;
    Urgency urgency;
    AlertState state;
    long openedAt;
    Long closedAt;
    Long shelvedUntil;
    long lastSeenAt;
    boolean isActive;
    boolean isRunSoft;
    Evidence evidence;
    Handling handling;
    final List<AlertEntry> entries;

    NextAlert(Alert before) {
        this.before = before;
        id = before.id();
        kind = before.kind();
        urgency = before.urgency();
        state = before.state();
        openedAt = before.openedAt();
        closedAt = before.closedAt();
        shelvedUntil = before.shelvedUntil();
        lastSeenAt = before.lastSeenAt();
        isActive = before.isActive();
        isRunSoft = before.isRunSoft();
        evidence = before.evidence();
        handling = before.handling();
        entries = new ArrayList<>(before.entries());
    }

    /**
     * Moves it on to another state.
     *
     * @throws AlertRefused if that does not follow on the one it was in
     */
    NextAlert to(AlertState next) {
        if (!before.state().allows(next)) {
            throw new AlertRefused(
                    "This alert is " + words(before.state()) + " and cannot become " + words(next) + ".");
        }
        state = next;
        return this;
    }

    private static String words(AlertState state) {
        return state.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    /** With one more entry in its record. */
    Alert with(AlertEntry entry) {
        entries.add(entry);
        if (entry.change().isAct()) {
            handling = handling.after(before);
        } else if (!entry.change().isSaying()) {
            handling = handling.forGood();
        }
        return alert();
    }

    /** With nothing in its record. */
    Alert alert() {
        return new Alert(
                id,
                before.position(),
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
