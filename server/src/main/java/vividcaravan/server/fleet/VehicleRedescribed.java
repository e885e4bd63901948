package vividcaravan.server.fleet;

import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.Position;
import vividcaravan.server.writer.Pen;

/**
 * A vehicle has another description: layout, targets, limits or depot. Published within the writer's transaction, before
 * its {@link FittingsChanged}.
 *
 * @param gone wheels that it has no more
 * @param at since when they are not there, epoch milliseconds: what sat there is off from then on
 */
public record VehicleRedescribed(Pen pen, FleetVehicle vehicle, List<Position> gone, long at) {

    /** A change that leaves every wheel where it is. */
    public static VehicleRedescribed withSameWheels(Pen pen, FleetVehicle vehicle) {
        return new VehicleRedescribed(pen, vehicle, List.of(), 0);
    }

    /** A change of the whole description from {@code before}, null for a vehicle that is new, to what it is now. */
    public static VehicleRedescribed from(@Nullable VehicleDescription before, Pen pen, FleetVehicle vehicle, long at) {
        AxleLayout layout = vehicle.description().layout();
        List<Position> gone = before == null
                ? List.of()
                : before.layout().positions().stream()
                        .filter(position -> !layout.has(position))
                        .toList();
        return new VehicleRedescribed(pen, vehicle, gone, at);
    }
}
