package vividcaravan.server.alerts;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.ClosedOn;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.alert.Verdict;

/**
 * An alert as programs see it: the fixed part of the interface.
 *
 * @param criticalAt when the second limit is reached if it goes on like this, by the newest reading
 * @param driver what a driver said last of what is wrong now, or null
 * @param version how long its record is: what an act on it is held against
 * @param assignee user name of whoever is to deal with it, or null
 * @param sameCauseAs identity of the alert that stands for this one too, or null
 * @param closedOn on the strength of what it was closed, or null while it is open
 * @param hasJob whether the workshop has an open job for it
 * @param verdict whether it was right, as whoever closed it says, or null
 */
public record AlertItem(
        String id,
        @Nullable String vehicle,
        @Nullable String position,
        AlertKind kind,
        Urgency urgency,
        AlertState state,
        Instant openedAt,
        Instant updatedAt,
        @Nullable Instant closedAt,
        List<Step> history,
        String summary,
        String advice,
        @Nullable Double pressureKpa,
        @Nullable Double pressureAt20Kpa,
        @Nullable Double temperatureC,
        @Nullable Integer minutesToCritical,
        @Nullable Instant criticalAt,
        @Nullable Answer driver,
        int version,
        @Nullable String assignee,
        @Nullable String sameCauseAs,
        @Nullable ClosedOn closedOn,
        @Nullable Verdict verdict,
        boolean hasJob) {

    /**
     * What a driver said.
     *
     * @param words such as "has stopped", behind the driver's name
     * @param isUrgent whether somebody has to do something at once
     */
    public record Answer(Instant at, String who, String words, boolean isUrgent) {}

    /** One step of the evidence, at the time of the reading that caused it. */
    public record Step(Instant at, AlertKind kind, Urgency urgency) {}
}
