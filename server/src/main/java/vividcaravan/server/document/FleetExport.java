package vividcaravan.server.document;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleDescription;

/** Gives the fleet as a document that {@link DocumentIntake} takes. */
@Component
public class FleetExport {

    private final FleetDirectory fleet;
    private final FleetHistoryExport past;

    FleetExport(FleetDirectory fleet, FleetHistoryExport past) {
        this.fleet = fleet;
        this.past = past;
    }

    /**
     * The whole fleet as a document.
     *
     * @param isWithHistory whether it tells of the past too
     */
    FleetDocument document(boolean isWithHistory) {
        List<FleetDocument.DepotEntry> depots = fleet.depots().stream()
                .map(depot -> new FleetDocument.DepotEntry(
                        depot.name(), depot.timeZone().getId(), depot.altitudeM(), depot.phone()))
                .toList();
        List<FleetDocument.VehicleEntry> vehicles =
                fleet.vehicles().stream().map(FleetExport::entry).toList();
        return new FleetDocument(
                FleetDocument.FORMAT,
                FleetDocument.VERSION,
                null,
                depots,
                vehicles,
                isWithHistory ? past.history() : null);
    }

    private static FleetDocument.VehicleEntry entry(FleetVehicle vehicle) {
        VehicleDescription description = vehicle.description();
        List<FleetDocument.SensorEntry> sensors = new ArrayList<>();
        for (Position position : description.layout().positions()) {
            vehicle.sensorAt(position)
                    .ifPresent(sensor -> sensors.add(new FleetDocument.SensorEntry(
                            position.code(),
                            sensor.code(),
                            sensor.mount().orElse(null),
                            sensor.fittingAt(Fitting.OPEN - 1)
                                    .map(stay -> Instant.ofEpochMilli(stay.from()))
                                    .orElse(null))));
        }
        return FleetDocument.VehicleEntry.of(description, vehicle.state(), sensors);
    }
}
