package vividcaravan.core.duty;

import java.util.ArrayList;
import java.util.List;

/**
 * Who is called when nobody acknowledges: each who is on duty in turn, then all managers. Where nobody is on duty, all
 * managers at once.
 *
 * @param steps whom each step calls, the first at once
 * @param waitMillis how long each step waits for an answer
 */
public record Escalation(List<List<String>> steps, long waitMillis) {

    public Escalation {
        steps = steps.stream().map(List::copyOf).toList();
    }

    /** The steps for those on duty and for all managers; who was called before is not called again by the last. */
    public static Escalation of(List<String> onDuty, List<String> managers, long waitMillis) {
        List<List<String>> steps = new ArrayList<>();
        onDuty.forEach(who -> steps.add(List.of(who)));
        List<String> others =
                managers.stream().filter(who -> !onDuty.contains(who)).toList();
        if (!others.isEmpty()) {
            steps.add(others);
        }
        return new Escalation(steps, waitMillis);
    }

    /**
     * The step that is due, counted from 0, or -1 if none is.
     *
     * @param last the step that was taken last, or -1
     * @param lastAt when, epoch milliseconds; of no meaning before the first
     */
    public int due(int last, long lastAt, long now) {
        boolean isDue = last < 0 || now - lastAt >= waitMillis;
        return isDue && last + 1 < steps.size() ? last + 1 : -1;
    }
}
