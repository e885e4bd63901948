package vividcaravan.server.picture;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.Alert;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.WheelStates;

/** What is said of a vehicle as a whole. */
final class VehicleStanding {

    private VehicleStanding() {}

    /** Its open alerts, the most urgent first. */
    static List<Alert> open(FleetVehicle vehicle) {
        return vehicle.openAlerts().stream()
                .sorted(Comparator.comparing(Alert::urgency).thenComparing(Alert::openedAt))
                .toList();
    }

    /** When any of its wheels was last heard. */
    static @Nullable Instant heardAt(FleetVehicle vehicle) {
        Long heardAt = WheelStates.lastHeardAt(vehicle);
        return heardAt == null ? null : Instant.ofEpochMilli(heardAt);
    }
}
