package vividcaravan.core.alert;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/** What the entries of an alert say together; they are in the order in which things happened. */
record AlertRecord(List<AlertEntry> entries) {

    private List<AlertEntry> latestFirst() {
        List<AlertEntry> reversed = new ArrayList<>(entries);
        Collections.reverse(reversed);
        return reversed;
    }

    /** What a driver said last of what is wrong now; an answer from before it came back says nothing of that. */
    Optional<AlertEntry> lastAnswer() {
        for (AlertEntry entry : latestFirst()) {
            if (entry.change().isAnswer()) {
                return Optional.of(entry);
            }
            if (entry.change() == AlertEntry.Change.RETURNED || entry.change() == AlertEntry.Change.OPENED) {
                break;
            }
        }
        return Optional.empty();
    }

    /** Whether {@code who} has not said yet that they read what was told last. */
    boolean hasToBeReadBy(String who) {
        for (AlertEntry entry : latestFirst()) {
            if (entry.change() == AlertEntry.Change.DRIVER_READ && who.equals(entry.who())) {
                return false;
            }
            if (entry.change() == AlertEntry.Change.INSTRUCTED) {
                return true;
            }
        }
        return false;
    }

    /** Whether a job was raised and neither ended, nor taken back, nor overtaken by a closing. */
    boolean hasOpenJob() {
        for (int i = entries.size() - 1; i >= 0; i--) {
            switch (entries.get(i).change()) {
                case JOB_RAISED:
                    return !isTakenBack(i);
                case JOB_ENDED, REOPENED, PROVEN, WITHDRAWN, TYRE_LEFT, CORRECTED:
                    return false;
                case CLOSED:
                    if (!isTakenBack(i)) {
                        return false;
                    }
                    break;
                default:
            }
        }
        return false;
    }

    /** Whether what was done by entry {@code number} was taken back: the next step that is more than words says so. */
    private boolean isTakenBack(int number) {
        return entries.stream()
                .skip(number + 1L)
                .filter(entry -> !entry.change().isSaying())
                .findFirst()
                .filter(entry -> entry.change() == AlertEntry.Change.TAKEN_BACK)
                .isPresent();
    }

    /** What is pressed twice within this time was said once, milliseconds [our judgement]. */
    private static final long PRESSED_TWICE_MILLIS = 2L * 60 * 1000;

    /** Whether {@code who} said the same a moment ago and nothing came since. */
    boolean hasJustSaid(String who, AlertEntry.Change change, String words, long at) {
        AlertEntry last = entries.get(entries.size() - 1);
        return last.change() == change
                && who.equals(last.who())
                && words.equals(last.note())
                && at - last.at() < PRESSED_TWICE_MILLIS;
    }

    /** How many notes and answers it has. */
    long sayings() {
        return entries.stream()
                .filter(entry -> entry.change() == AlertEntry.Change.NOTED
                        || entry.change().isAnswer())
                .count();
    }

    /** Whether a step of it was a loss of air. */
    boolean wasLeak() {
        return entries.stream()
                .anyMatch(entry -> entry.change().isStep() && entry.kind().isLeak());
    }

    /** Whether the workshop ended a job since the last step. */
    boolean isRepairedByName() {
        for (AlertEntry entry : latestFirst()) {
            if (entry.change() == AlertEntry.Change.JOB_ENDED) {
                return entry.who() != null;
            }
            if (entry.change().isStep()) {
                return false;
            }
        }
        return false;
    }

    /** On the strength of what it was closed last. */
    Optional<ClosedOn> closedOn(boolean isByInspection) {
        for (AlertEntry entry : latestFirst()) {
            switch (entry.change()) {
                case PROVEN:
                    return Optional.of(ClosedOn.READINGS);
                case WITHDRAWN:
                    return Optional.of(ClosedOn.WITHDRAWN);
                case TYRE_LEFT:
                    return Optional.of(ClosedOn.TYRE_LEFT);
                case CORRECTED:
                    return Optional.of(ClosedOn.CORRECTION);
                case CLOSED:
                    return Optional.of(isByInspection ? ClosedOn.INSPECTION : ClosedOn.WORD);
                default:
            }
        }
        return Optional.empty();
    }

    /** Whether its tyre left the wheel since it called last, or was opened again by somebody. */
    boolean hasTyreLeft() {
        for (AlertEntry entry : latestFirst()) {
            if (entry.change() == AlertEntry.Change.TYRE_LEFT) {
                return true;
            }
            if (entry.change().isStep() || entry.change() == AlertEntry.Change.REOPENED) {
                return false;
            }
        }
        return false;
    }

    /** Why it was put aside last. */
    Optional<String> lastPutAside() {
        return latestFirst().stream()
                .filter(entry -> entry.change() == AlertEntry.Change.SHELVED)
                .map(AlertEntry::note)
                .findFirst();
    }

    /** Who saw last what made it call. */
    Optional<String> lastSeenBy() {
        return latestFirst().stream()
                .filter(entry -> entry.change().isStep() && entry.note() != null)
                .map(AlertEntry::who)
                .filter(Objects::nonNull)
                .findFirst();
    }

    /** What somebody saw last that made it call; empty where readings did. */
    String lastSeen() {
        return latestFirst().stream()
                .filter(entry -> entry.change().isStep() && entry.note() != null)
                .map(AlertEntry::note)
                .findFirst()
                .orElse("");
    }

    /** When it called last: opened, came back or grew. */
    long calledAt(long openedAt) {
        return latestFirst().stream()
                .filter(entry -> entry.change().isStep())
                .map(AlertEntry::at)
                .findFirst()
                .orElse(openedAt);
    }
}
