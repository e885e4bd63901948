package vividcaravan.server.fleet;

import java.util.List;
import java.util.Map;
import vividcaravan.core.coupling.Hearing;
import vividcaravan.server.writer.Pen;

/**
 * Receivers that are known by name have heard sensors.
 *
 * @param receivers how often each heard any, strangers too
 * @param hearings which vehicles each heard, minute by minute, in the order of time
 */
public record ReceiversHeard(Pen pen, Map<String, Count> receivers, List<Hearing> hearings) {

    /**
     * @param last when the newest reading was measured, epoch milliseconds
     */
    public record Count(long readings, long last) {
        /** With one more. */
        public Count and(long at) {
            return new Count(readings + 1, Math.max(last, at));
        }
    }
}
