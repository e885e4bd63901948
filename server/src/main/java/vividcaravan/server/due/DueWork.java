package vividcaravan.server.due;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.due.DueItem;
import vividcaravan.core.planning.CellVisit;
import vividcaravan.core.tyres.TreadWear;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.server.distance.Distances;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.gauges.HandGauges;
import vividcaravan.server.tyres.TyreBook;

/** Gathers what comes due, from whatever knows of it. */
@Component
class DueWork {

    private final FleetDirectory fleet;
    private final TyreBook tyres;
    private final Batteries batteries;
    private final HandGauges gauges;
    private final Distances distances;
    private final Clock clock;

    DueWork(
            FleetDirectory fleet,
            TyreBook tyres,
            Batteries batteries,
            HandGauges gauges,
            Distances distances,
            Clock clock) {
        this.gauges = gauges;
        this.batteries = batteries;
        this.fleet = fleet;
        this.tyres = tyres;
        this.distances = distances;
        this.clock = clock;
    }

    /**
     * Something that is due.
     *
     * @param vehicle where; null for a tyre off every vehicle
     * @param tyre the tyre's identity, where it is about one
     */
    record Due(DueItem item, @Nullable String depot, @Nullable String vehicle, @Nullable String tyre) {}

    /** All of it, what is due first first. */
    List<Due> all() {
        long now = clock.millis();
        List<Due> due = new ArrayList<>();
        for (FleetVehicle vehicle : fleet.vehicles()) {
            String ref = vehicle.description().ref();
            String depot = vehicle.description().depot();
            DueItem.ofNuts(ref, vehicle.retorques(), now, distances.ranKm(vehicle))
                    .ifPresent(item -> due.add(new Due(item, depot, ref, null)));
            vehicle.openAlerts().forEach(alert -> DueItem.of(ref, alert)
                    .ifPresent(item -> due.add(new Due(item, depot, ref, null))));
        }
        for (TyreBook.TyreItem tyre : tyres.all().items()) {
            addTyre(tyre, now, due);
        }
        List<Batteries.Visit> visits = batteries.visits();
        visits.forEach(visit -> addVisit(visit, now, due));
        Set<String> visited = visits.stream()
                .flatMap(visit -> visit.plan().cells().stream())
                .map(cell -> cell.cell().vehicle().description().ref() + " "
                        + cell.cell().position().code())
                .collect(Collectors.toSet());
        // A visit that changes the cell settles what its alert asks for.
        due.removeIf(one -> one.item().kind() == DueItem.Kind.BATTERY
                && visited.contains(one.item().thing()));
        gauges.all().forEach(gauge -> DueItem.ofGauge(gauge.name(), beginOf(gauge.dueOn(), gauge.depot()), now)
                .ifPresent(item -> due.add(new Due(item, gauge.depot(), null, null))));
        due.sort(Comparator.comparing((Due one) -> one.item().dueAt())
                .thenComparing(one -> one.item().thing())
                .thenComparing(one -> one.item().kind()));
        return due;
    }

    private long beginOf(LocalDate day, @Nullable String depot) {
        return day.atStartOfDay(zoneOf(depot)).toInstant().toEpochMilli();
    }

    private ZoneId zoneOf(@Nullable String depot) {
        return depot == null
                ? ZoneOffset.UTC
                : fleet.depot(depot).map(DepotDescription::timeZone).orElse(ZoneOffset.UTC);
    }

    /** One line a vehicle, since whoever goes there goes from vehicle to vehicle. */
    private void addVisit(Batteries.Visit visit, long now, List<Due> due) {
        CellVisit<Batteries.Fitted> plan = visit.plan();
        long at = plan.on()
                .atTime(LocalTime.NOON)
                .atZone(zoneOf(visit.depot()))
                .toInstant()
                .toEpochMilli();
        Map<FleetVehicle, List<String>> wheels = new LinkedHashMap<>();
        plan.cells().forEach(cell -> wheels.computeIfAbsent(cell.cell().vehicle(), vehicle -> new ArrayList<>())
                .add(cell.cell().position().code()));
        wheels.forEach((vehicle, positions) -> DueItem.ofCells(
                        vehicle.description().ref(), positions, at, plan.cells().size(), plan.isBeforeCold(), now)
                .ifPresent(item -> due.add(
                        new Due(item, visit.depot(), vehicle.description().ref(), null))));
    }

    private void addTyre(TyreBook.TyreItem tyre, long now, List<Due> due) {
        String depot = tyre.vehicle() == null
                ? null
                : fleet.vehicle(tyre.vehicle())
                        .map(vehicle -> vehicle.description().depot())
                        .orElse(null);
        if (tyre.markedAt() != null && tyre.kind() != TyrePlace.Kind.SCRAPPED) {
            DueItem item = new DueItem(
                    DueItem.Kind.INSPECTION,
                    "tyre " + tyre.id() + ", " + tyre.place(),
                    tyre.markedAt().toEpochMilli(),
                    "Have it inspected inside by a trained person; it goes to no wheel before.");
            due.add(new Due(item, depot, tyre.vehicle(), tyre.id()));
        }
        Instant minimum = tyre.minimumAt();
        if (tyre.vehicle() != null && tyre.treadMm() != null && tyre.mmPerMonth() != null && minimum != null) {
            TreadWear wear = new TreadWear(tyre.mmPerMonth(), tyre.mmPer1000Km(), minimum.toEpochMilli());
            DueItem.ofTread(tyre.place(), tyre.treadMm(), wear, now)
                    .ifPresent(item -> due.add(new Due(item, depot, tyre.vehicle(), tyre.id())));
        }
    }
}
