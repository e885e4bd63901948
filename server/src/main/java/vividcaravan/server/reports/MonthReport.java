package vividcaravan.server.reports;

import java.time.Clock;
import java.time.Instant;
import java.time.YearMonth;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.tyres.Exposure;
import vividcaravan.server.alerts.AlertFigures;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.LogbookReader;
import vividcaravan.server.tyres.TyreExposures;

/** A calendar month of the fleet. */
@Component
class MonthReport {

    /** What people did with wheels and alerts; what is done in the Office is no work on the fleet. */
    private static final Set<DeedKind> WORK = Set.of(
            DeedKind.PRESSURE_SET,
            DeedKind.WHEELS_MOVED,
            DeedKind.WHEELS_RETORQUED,
            DeedKind.TREAD_READ,
            DeedKind.TYRE_INSPECTED,
            DeedKind.TYRE_REPAIRED,
            DeedKind.WALKED,
            DeedKind.JOB_OPENED,
            DeedKind.ROUND_BEGUN,
            DeedKind.SENSOR_PLACED);

    private static final int MOST_WHEELS = 200;

    private final AlertFigures alerts;
    private final TyreExposures exposures;
    private final LogbookReader book;
    private final FleetDirectory fleet;
    private final Clock clock;

    MonthReport(AlertFigures alerts, TyreExposures exposures, LogbookReader book, FleetDirectory fleet, Clock clock) {
        this.alerts = alerts;
        this.exposures = exposures;
        this.book = book;
        this.fleet = fleet;
        this.clock = clock;
    }

    /** A wheel that called, and what its tyre went through in the month. */
    record WheelItem(String vehicle, String position, int alerts, Exposure exposure) {}

    /** How often something was done. */
    record WorkItem(DeedKind kind, String words, long times) {}

    /**
     * A month.
     *
     * @param to its end; now where it is not over
     * @param vehicles how many vehicles there are now
     * @param byKind alerts that were opened in it, by their kind
     * @param wheels wheels that called, those worst off first
     * @param exposure of all of these together
     * @param wheelsLeftOut how many more wheels called and are not among them
     */
    record Month(
            Instant from,
            Instant to,
            int vehicles,
            AlertFigures.Week figures,
            Map<AlertKind, Integer> byKind,
            List<WheelItem> wheels,
            Exposure exposure,
            int wheelsLeftOut,
            List<WorkItem> work) {}

    Month of(YearMonth month, ZoneId zone) {
        Instant from = month.atDay(1).atStartOfDay(zone).toInstant();
        Instant over = month.plusMonths(1).atDay(1).atStartOfDay(zone).toInstant();
        Instant to = over.isAfter(clock.instant()) ? clock.instant() : over;
        AlertFigures.Figures figures = alerts.of(from, to);
        List<WheelItem> wheels = new ArrayList<>();
        Exposure sum = Exposure.NONE;
        for (AlertFigures.Called called : figures.wheels()
                .subList(0, Math.min(MOST_WHEELS, figures.wheels().size()))) {
            Exposure exposure = fleet.vehicle(called.vehicle())
                    .filter(vehicle -> vehicle.description().layout().has(called.position()))
                    .map(vehicle -> exposures.of(vehicle, called.position(), from.toEpochMilli(), to.toEpochMilli()))
                    .orElse(Exposure.NONE);
            sum = sum.plus(exposure);
            wheels.add(new WheelItem(called.vehicle(), called.position().code(), called.alerts(), exposure));
        }
        wheels.sort(Comparator.comparing((WheelItem wheel) -> -wheel.exposure().under80())
                .thenComparing(wheel -> -wheel.exposure().under90())
                .thenComparing(wheel -> -wheel.exposure().hot())
                .thenComparing(wheel -> -wheel.alerts()));
        return new Month(
                from,
                to,
                fleet.vehicles().size(),
                figures.week(),
                figures.byKind(),
                wheels,
                sum,
                figures.wheels().size() - wheels.size(),
                work(from, over));
    }

    private List<WorkItem> work(Instant from, Instant to) {
        Map<DeedKind, Long> counts = book.counts(from.toEpochMilli(), to.toEpochMilli());
        return WORK.stream()
                .filter(counts::containsKey)
                .sorted()
                .map(kind -> new WorkItem(kind, kind.words(), counts.get(kind)))
                .toList();
    }
}
