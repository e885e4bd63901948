package vividcaravan.server.alerts;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertHealth;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.CrossedLimit;
import vividcaravan.core.alert.Remedy;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleDescription;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.Refusal;

/** Whether the alerts are good for anything. */
@RestController
@RequestMapping("/api/v1/alert-health")
@Tag(name = "alerts")
class AlertHealthController {

    private static final int WEEKS = 8;
    private static final int MOST_WEEKS = 53;
    private static final int WORST = 10;

    private final AlertQueries queries;
    private final FleetDirectory fleet;
    private final Clock clock;

    AlertHealthController(AlertQueries queries, FleetDirectory fleet, Clock clock) {
        this.fleet = fleet;
        this.queries = queries;
        this.clock = clock;
    }

    /**
     * What causes most of the calls.
     *
     * @param limit which limit of which axles, in words; null where it is a wheel, a vehicle or a kind
     * @param mostly of which kind most of its alerts are
     * @param words what would have to change
     */
    record WorstCause(
            @Nullable String vehicle,
            @Nullable String position,
            @Nullable String limit,
            int calls,
            AlertKind mostly,
            Remedy remedy,
            String words) {}

    /** What the figures are held against. */
    record Bounds(double finePerHour, double mostPerHour, double mostFlood, int mostStanding) {}

    /** @param weeks the latest first; it may not be over yet */
    record Health(
            List<AlertFigures.Week> weeks,
            List<WorstCause> wheels,
            List<WorstCause> vehicles,
            List<WorstCause> limits,
            List<WorstCause> kinds,
            Bounds bounds) {}

    @GetMapping
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "getAlertHealth", summary = "Whether the alerts are good for anything, week by week")
    Health get(
            @RequestParam(required = false) @Nullable String weeks,
            @RequestParam(required = false) @Nullable String zone) {
        int count = QueryParameters.number("weeks", weeks, WEEKS, MOST_WEEKS);
        ZoneId clocks = zone == null
                ? ZoneOffset.UTC
                : DepotDescription.zone(zone)
                        .orElseThrow(() -> Refusal.badRequest(
                                "zone", "\"" + zone + "\" is no time zone; write it like Europe/Dublin."));
        Instant now = clock.instant();
        ZonedDateTime monday = now.atZone(clocks)
                .truncatedTo(ChronoUnit.DAYS)
                .with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
        Instant first = monday.minusWeeks(count - 1L).toInstant();
        List<AlertQueries.Placed> placed = queries.since(first);
        List<Alert> alerts = placed.stream().map(AlertQueries.Placed::alert).toList();
        List<AlertFigures.Week> figures = new ArrayList<>();
        for (int back = 0; back < count; back++) {
            Instant from = monday.minusWeeks(back).toInstant();
            Instant to = monday.minusWeeks(back - 1L).toInstant();
            figures.add(AlertFigures.Week.of(
                    AlertHealth.of(alerts, from.toEpochMilli(), (to.isAfter(now) ? now : to).toEpochMilli())));
        }
        Worst worst = new Worst(placed, first.toEpochMilli(), now.toEpochMilli());
        return new Health(
                figures,
                worst.by(one -> one.alert().position() == null ? null : one.place(), Remedy::of),
                worst.by(one -> new AlertQueries.Place(one.place().vehicle(), null), Remedy::of),
                worst.byLimit(this::limitOf),
                worst.byKind(),
                new Bounds(
                        AlertHealth.FINE_PER_HOUR,
                        AlertHealth.MOST_PER_HOUR,
                        AlertHealth.MOST_FLOOD,
                        AlertHealth.MOST_STANDING));
    }

    /** Which limit of which axles an alert comes from, in words; null where none decides, or its vehicle is gone. */
    private @Nullable String limitOf(AlertQueries.Placed placed) {
        Alert alert = placed.alert();
        VehicleDescription vehicle = fleet.vehicle(placed.place().vehicle())
                .map(FleetVehicle::description)
                .orElse(null);
        boolean isOfAxle = vehicle != null
                && alert.position() != null
                && !alert.position().isSpare()
                && vehicle.layout().has(alert.position());
        return isOfAxle
                ? CrossedLimit.of(alert.kind(), alert.urgency())
                        .map(limit -> limit.words() + ": "
                                + vehicle.layout()
                                        .axle(alert.position().axle())
                                        .role()
                                        .words() + " axle, "
                                + vehicle.kind().words())
                        .orElse(null)
                : null;
    }

    /** What called most in some time. */
    private record Worst(List<AlertQueries.Placed> placed, long from, long to) {

        List<WorstCause> by(
                Function<AlertQueries.Placed, AlertQueries.@Nullable Place> where, Function<AlertKind, Remedy> remedy) {
            Map<Long, AlertQueries.Placed> byId =
                    placed.stream().collect(Collectors.toMap(one -> one.alert().id(), one -> one));
            return worst(alert -> where.apply(Objects.requireNonNull(byId.get(alert.id())))).stream()
                    .map(found -> {
                        AlertKind mostly = mostly(placed.stream()
                                .filter(one -> found.getKey().equals(where.apply(one)))
                                .toList());
                        Remedy what = remedy.apply(mostly);
                        return new WorstCause(
                                found.getKey().vehicle(),
                                found.getKey().position(),
                                null,
                                found.getValue(),
                                mostly,
                                what,
                                what.words());
                    })
                    .toList();
        }

        List<WorstCause> byLimit(Function<AlertQueries.Placed, @Nullable String> which) {
            Map<Long, String> limits = new HashMap<>();
            placed.forEach(one -> {
                String limit = which.apply(one);
                if (limit != null) {
                    limits.put(one.alert().id(), limit);
                }
            });
            return worst(alert -> limits.get(alert.id())).stream()
                    .map(found -> {
                        AlertKind mostly = mostly(placed.stream()
                                .filter(one -> found.getKey()
                                        .equals(limits.get(one.alert().id())))
                                .toList());
                        return new WorstCause(
                                null,
                                null,
                                found.getKey(),
                                found.getValue(),
                                mostly,
                                Remedy.LIMIT,
                                Remedy.LIMIT.words());
                    })
                    .toList();
        }

        List<WorstCause> byKind() {
            return worst(Alert::kind).stream()
                    .map(found -> {
                        Remedy what = Remedy.everywhere(found.getKey());
                        return new WorstCause(null, null, null, found.getValue(), found.getKey(), what, what.words());
                    })
                    .toList();
        }

        private <K> List<Map.Entry<K, Integer>> worst(Function<Alert, K> who) {
            List<Alert> alerts = placed.stream().map(AlertQueries.Placed::alert).toList();
            return AlertHealth.worst(alerts, from, to, WORST, who);
        }

        private static AlertKind mostly(List<AlertQueries.Placed> some) {
            return some.stream()
                    .collect(Collectors.groupingBy(one -> one.alert().kind(), Collectors.counting()))
                    .entrySet()
                    .stream()
                    .max(Map.Entry.<AlertKind, Long>comparingByValue().thenComparing(Map.Entry.comparingByKey()))
                    .orElseThrow()
                    .getKey();
        }
    }
}
