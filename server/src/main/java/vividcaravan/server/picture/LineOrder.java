package vividcaravan.server.picture;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.Urgency;
import vividcaravan.server.fleet.FleetVehicle;

/** The order of the list of vehicles: depot by depot, and first whoever needs most. */
final class LineOrder {

    /** Vehicles with nothing open come after those with something to plan. */
    private static final int NOTHING_OPEN = Urgency.values().length;

    private record Needing(FleetVehicle vehicle, int need, String ref, String depot) {

        Needing(FleetVehicle vehicle) {
            this(
                    vehicle,
                    vehicle.openAlerts().stream()
                            .map(Alert::urgency)
                            .mapToInt(Urgency::ordinal)
                            .min()
                            .orElse(NOTHING_OPEN),
                    vehicle.description().ref(),
                    Objects.requireNonNullElse(vehicle.description().depot(), ""));
        }
    }

    private LineOrder() {}

    /** Depots in the order of what their neediest vehicle needs; within one by need, then by ref. */
    static List<FleetVehicle> sorted(List<FleetVehicle> vehicles) {
        // Looked at once: what is open may change while this sorts.
        List<Needing> byNeed = vehicles.stream()
                .map(Needing::new)
                .sorted(Comparator.comparingInt(Needing::need).thenComparing(Needing::ref))
                .toList();
        Map<String, Integer> depots = new LinkedHashMap<>();
        byNeed.forEach(one -> depots.putIfAbsent(one.depot(), depots.size()));
        return byNeed.stream()
                .sorted(Comparator.comparingInt(one -> depots.get(one.depot())))
                .map(Needing::vehicle)
                .toList();
    }
}
