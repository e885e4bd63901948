package vividcaravan.server.alerts;

import java.time.Instant;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertHealth;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.ClosedOn;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.alert.Verdict;
import vividcaravan.core.axles.Position;

/** What alerts came to in some time. */
@Component
public class AlertFigures {

    private final AlertQueries queries;

    AlertFigures(AlertQueries queries) {
        this.queries = queries;
    }

    /** The figures of some time, such as a week. Times are in minutes, shares from 0 to 1; what nothing is known of is null. */
    public record Week(
            Instant from,
            Instant to,
            int calls,
            double perHour,
            double floodShare,
            int chattering,
            int standing,
            Map<Urgency, Integer> byUrgency,
            @Nullable Long minutesToSeen,
            @Nullable Long minutesToAct,
            @Nullable Long minutesToProof,
            Map<ClosedOn, Integer> closed,
            Map<Verdict, Integer> verdicts) {

        static Week of(AlertHealth health) {
            return new Week(
                    Instant.ofEpochMilli(health.from()),
                    Instant.ofEpochMilli(health.to()),
                    health.calls(),
                    health.perHour(),
                    health.floodShare(),
                    health.chattering(),
                    health.standing(),
                    health.byUrgency(),
                    minutes(health.acknowledgedMillis()),
                    minutes(health.actedMillis()),
                    minutes(health.provenMillis()),
                    health.closed(),
                    health.verdicts());
        }
    }

    private static @Nullable Long minutes(@Nullable Long millis) {
        return millis == null ? null : (Long) (millis / 60_000);
    }

    /** A wheel and how many alerts it had. */
    public record Called(String vehicle, Position position, int alerts) {}

    /**
     * @param wheels those that had alerts, the most first
     */
    public record Figures(Week week, Map<AlertKind, Integer> byKind, List<Called> wheels) {}

    /** Of the alerts that were open at some time between these two. */
    public Figures of(Instant from, Instant to) {
        List<AlertQueries.Placed> placed = queries.since(from).stream()
                .filter(one -> one.alert().openedAt() < to.toEpochMilli())
                .toList();
        List<Alert> alerts = placed.stream().map(AlertQueries.Placed::alert).toList();
        Map<AlertKind, Integer> byKind = new EnumMap<>(AlertKind.class);
        Map<AlertQueries.Place, Called> called = new LinkedHashMap<>();
        for (AlertQueries.Placed one : placed) {
            if (one.alert().openedAt() >= from.toEpochMilli()) {
                byKind.merge(one.alert().kind(), 1, Integer::sum);
            }
            Position position = one.alert().position();
            if (position != null && !position.isSpare()) {
                called.merge(
                        one.place(),
                        new Called(one.place().vehicle(), position, 1),
                        (known, next) -> new Called(known.vehicle(), known.position(), known.alerts() + 1));
            }
        }
        return new Figures(
                Week.of(AlertHealth.of(alerts, from.toEpochMilli(), to.toEpochMilli())),
                byKind,
                called.values().stream()
                        .sorted(Comparator.comparing(Called::alerts).reversed())
                        .toList());
    }
}
