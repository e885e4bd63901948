package vividcaravan.server.fleet;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.WheelCondition;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.platform.Rounded;

/** How a vehicle's wheels are at a given moment. */
public final class WheelStates {

    private WheelStates() {}

    /** Every wheel of a vehicle. */
    public static List<WheelState> of(FleetVehicle vehicle, Instant now) {
        return of(vehicle, vehicle.snapshot(), now);
    }

    /** The same as the vehicle was at {@code snapshot}. */
    public static List<WheelState> of(FleetVehicle vehicle, VehicleSnapshot snapshot, Instant now) {
        Long heardAt = lastHeardAt(vehicle);
        return snapshot.description().layout().positions().stream()
                .map(position -> of(vehicle, snapshot, position, heardAt, now))
                .toList();
    }

    /** One wheel; empty where the vehicle has none there. */
    public static Optional<WheelState> find(FleetVehicle vehicle, Position position, Instant now) {
        VehicleSnapshot snapshot = vehicle.snapshot();
        return snapshot.rules().at(position).isPresent()
                ? Optional.of(of(vehicle, snapshot, position, lastHeardAt(vehicle), now))
                : Optional.empty();
    }

    /** When any wheel that is not a spare was last heard, epoch milliseconds; null if none ever was. */
    public static Long lastHeardAt(FleetVehicle vehicle) {
        return vehicle.sensors().entrySet().stream()
                .filter(entry -> !entry.getKey().isSpare())
                .map(entry -> newest(entry.getValue()))
                .filter(Objects::nonNull)
                .map(Reading::at)
                .max(Long::compare)
                .orElse(null);
    }

    private static WheelState of(
            FleetVehicle vehicle, VehicleSnapshot snapshot, Position position, Long vehicleHeardAt, Instant now) {
        Optional<KnownSensor> sensor = vehicle.sensorAt(position);
        Urgency urgency = vehicle.openAlerts().stream()
                .filter(alert -> position.equals(alert.position()))
                .map(Alert::urgency)
                .min(Comparator.naturalOrder())
                .orElse(null);
        if (sensor.isEmpty()) {
            return new WheelState(
                    position, WheelCondition.NO_SENSOR, null, null, null, null, null, null, null, urgency, false);
        }
        Reading newest = newest(sensor.get());
        WheelCondition condition = WheelCondition.seenAt(
                now.toEpochMilli(),
                vehicle.condition(position),
                newest == null ? null : newest.at(),
                vehicleHeardAt,
                position.isSpare());
        boolean isMeasured = newest != null && newest.isMeasurement();
        double at20 = isMeasured
                ? snapshot.compensation(sensor.get()).compensateKpa(newest.pressureKpa(), newest.temperatureC())
                : Double.NaN;
        return new WheelState(
                position,
                condition,
                sensor.get().code(),
                newest == null ? null : Instant.ofEpochMilli(newest.at()),
                isMeasured ? Rounded.tenth(newest.pressureKpa()) : null,
                isMeasured ? Rounded.tenth(at20) : null,
                isMeasured ? Rounded.tenth(newest.temperatureC()) : null,
                isMeasured
                        ? Rounded.share(snapshot.rules()
                                .at(position)
                                .orElseThrow()
                                .limits()
                                .deviation(at20))
                        : null,
                newest == null ? null : newest.batteryMv(),
                urgency,
                sensor.get().clockWrongAt() != null);
    }

    /** A sensor's newest reading, if it is from where the sensor sits now. */
    private static Reading newest(KnownSensor sensor) {
        Reading newest = sensor.newest();
        return newest != null
                        && sensor.fittingAt(newest.at()).filter(Fitting::isOpen).isPresent()
                ? newest
                : null;
    }
}
