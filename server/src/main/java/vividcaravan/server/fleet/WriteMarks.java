package vividcaravan.server.fleet;

import java.util.ArrayList;
import java.util.List;

/**
 * What the write under way has touched in memory, so that it alone can be read afresh if it fails. On the single writer's
 * thread.
 */
final class WriteMarks {

    private final List<VehicleInService> vehicles = new ArrayList<>();
    private final List<KnownSensor> sensors = new ArrayList<>();
    private boolean isRegister;

    void touch(VehicleInService vehicle) {
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

    List<VehicleInService> vehicles() {
        return List.copyOf(vehicles);
    }

    List<KnownSensor> sensors() {
        return List.copyOf(sensors);
    }

    /** Nothing is touched from now on. */
    void clear() {
        vehicles.forEach(VehicleInService::unmark);
        sensors.forEach(KnownSensor::unmark);
        vehicles.clear();
        sensors.clear();
        isRegister = false;
    }
}
