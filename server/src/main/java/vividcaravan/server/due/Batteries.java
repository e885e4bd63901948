package vividcaravan.server.due;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.sensors.Cell;
import vividcaravan.core.planning.CellForecast;
import vividcaravan.core.planning.CellVisit;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;

/** When the cells of sensors that sit at wheels end, and which visits change them. */
@Component
class Batteries {

    private final FleetDirectory fleet;
    private final Clock clock;

    Batteries(FleetDirectory fleet, Clock clock) {
        this.fleet = fleet;
        this.clock = clock;
    }

    /** A sensor at a wheel, and what is known of its cell. */
    record Fitted(FleetVehicle vehicle, Position position, KnownSensor sensor, Cell cell) {}

    /**
     * A visit to a depot.
     *
     * @param depot its name; null for vehicles that have none
     */
    record Visit(@Nullable String depot, CellVisit<Fitted> plan) {}

    /** Every visit that is to be made, the next first. */
    List<Visit> visits() {
        long now = clock.millis();
        Map<String, List<CellVisit.Due<Fitted>>> byDepot = new TreeMap<>();
        for (FleetVehicle vehicle : fleet.vehicles()) {
            String depot = vehicle.description().depot();
            vehicle.sensors().forEach((position, sensor) -> byDepot.computeIfAbsent(
                            depot == null ? "" : depot, name -> new ArrayList<>())
                    .add(due(vehicle, position, sensor, now)));
        }
        List<Visit> visits = new ArrayList<>();
        byDepot.forEach((depot, cells) -> {
            ZoneId zone = fleet.depot(depot).map(DepotDescription::timeZone).orElse(ZoneOffset.UTC);
            LocalDate today = clock.instant().atZone(zone).toLocalDate();
            CellVisit.plan(cells, today, zone)
                    .forEach(visit -> visits.add(new Visit(depot.isEmpty() ? null : depot, visit)));
        });
        visits.sort(Comparator.comparing(visit -> visit.plan().on()));
        return visits;
    }

    private static CellVisit.Due<Fitted> due(FleetVehicle vehicle, Position position, KnownSensor sensor, long now) {
        Cell cell = vehicle.cell(position);
        long since = sensor.fittings().stream().mapToLong(Fitting::from).min().orElse(now);
        return new CellVisit.Due<>(
                new Fitted(vehicle, position, sensor, cell),
                CellForecast.of(
                        sensor.mount().orElse(null),
                        since,
                        cell.warmMv(),
                        cell.mvPerMonth(),
                        cell.readingsPerDay(),
                        now));
    }
}
