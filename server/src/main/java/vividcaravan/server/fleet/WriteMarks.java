package vividcaravan.server.fleet;

import java.util.ArrayList;
import java.util.List;

/**
 * What the write under way has touched in memory, so that it alone can be read afresh if it fails. On the single writer's
 * thread.
 */
final class WriteMarks {

    private final List<FleetVehicle> vehicles = new ArrayList<>();
    private final List<KnownSensor> sensors = new ArrayList<>();
    private boolean isRegister;

    void touch(FleetVehicle vehicle) {
        vehicles.add(vehicle);
    }

    void touch(KnownSensor sensor) {
        sensors.add(sensor);
    }

    /** Depots, sensor makes or the book of limits. */
    void touchRegister() {
        isRegister = true;
    }

    boolean isRegister() {
        return isRegister;
    }

    List<FleetVehicle> vehicles() {
        return List.copyOf(vehicles);
    }

    List<KnownSensor> sensors() {
        return List.copyOf(sensors);
    }

    /** Nothing is touched from now on. */
    void clear() {
        vehicles.forEach(FleetVehicle::unmark);
        sensors.forEach(KnownSensor::unmark);
        vehicles.clear();
        sensors.clear();
        isRegister = false;
    }
}
