package vividcaravan.core.duty;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Who is called when nobody acknowledges: each who is on duty in turn, then all managers; where nobody is on duty, all managers at
 * once. It goes on until somebody acknowledges: who was called is remembered by name, so that neither the end of a shift nor a
 * handover in between skips anybody, and some time after the last it begins again with those who are on duty then.
 *
 * @param steps whom each step calls, the first at once
 * @param waitMillis how long each step waits for an answer
 */
public record Escalation(List<List<String>> steps, long waitMillis) {

    /** So long after everybody was called it begins again, milliseconds; longer where the wait itself is longer. */
    public static final long BEGINS_AGAIN_MILLIS = Duration.ofMinutes(15).toMillis();

    /**
     * Whom to call now.
     *
     * @param people user names
     * @param beginsAnew whether all had been called, and it begins again
     */
    public record Call(List<String> people, boolean beginsAnew) {

        /** Nobody is to be called. */
        public static final Call NOBODY = new Call(List.of(), false);

        public Call {
            people = List.copyOf(people);
        }
    }

    public Escalation {
        steps = steps.stream().map(List::copyOf).toList();
    }

    /** The steps for those on duty and for all managers; who was called before is not called again by the last. */
    public static Escalation of(List<String> onDuty, List<String> managers, long waitMillis) {
        List<List<String>> steps = new ArrayList<>();
        onDuty.stream().distinct().forEach(who -> steps.add(List.of(who)));
        List<String> others =
                managers.stream().filter(who -> !onDuty.contains(who)).toList();
        if (!others.isEmpty()) {
            steps.add(others);
        }
        return new Escalation(steps, waitMillis);
    }

    /**
     * Whom to call at {@code now}.
     *
     * @param called who was called for this since it began, or began again; empty before the first
     * @param lastAt when the last was called, epoch milliseconds; of no meaning before the first
     */
    public Call due(Set<String> called, long lastAt, long now) {
        if (!called.isEmpty() && now - lastAt < waitMillis) {
            return Call.NOBODY;
        }
        for (List<String> step : steps) {
            List<String> next =
                    step.stream().filter(who -> !called.contains(who)).toList();
            if (!next.isEmpty()) {
                return new Call(next, false);
            }
        }
        boolean isToBeginAgain = !steps.isEmpty() && now - lastAt >= Math.max(waitMillis, BEGINS_AGAIN_MILLIS);
        return isToBeginAgain ? new Call(steps.get(0), true) : Call.NOBODY;
    }
}
