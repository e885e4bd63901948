package vividcaravan.server.description;

import java.util.Set;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.limits.VehicleUse;
import vividcaravan.server.document.FleetDocument;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleState;

/**
 * A vehicle as it is described, for those who change that.
 *
 * @param revision counts its changes; a change names the one it was made from
 * @param stateReason why it is out of service
 * @param use how it is used at present
 * @param uses the uses that some axle has a target of its own for
 * @param vehicle the description, without its sensors
 */
record DescribedVehicle(
        int revision,
        VehicleState state,
        @Nullable String stateReason,
        VehicleUse use,
        Set<VehicleUse> uses,
        FleetDocument.VehicleEntry vehicle) {

    static DescribedVehicle of(FleetVehicle vehicle) {
        return new DescribedVehicle(
                vehicle.revision(),
                vehicle.state(),
                vehicle.stateReason().orElse(null),
                vehicle.description().use(),
                vehicle.description().uses(),
                FleetDocument.VehicleEntry.of(vehicle.description(), vehicle.state(), null)
                        .inState(null));
    }
}
