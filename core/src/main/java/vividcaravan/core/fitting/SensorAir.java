package vividcaravan.core.fitting;

import java.util.Set;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.units.AbsolutePressure;

/**
 * The air around a vehicle, and what its sensors make of it: a vented one measures against it, as a hand gauge does; every
 * other subtracts a fixed offset and does not follow the height.
 */
public final class SensorAir {

    private final Set<MountKind> vented;
    private final TemperatureCompensation ofVented;
    private final TemperatureCompensation ofFixedOffset;

    /**
     * @param ambient the air around the vehicle
     * @param vented the mounts whose sensors the fleet knows to be vented
     */
    public SensorAir(AbsolutePressure ambient, Set<MountKind> vented) {
        this.vented = Set.copyOf(vented);
        ofVented = TemperatureCompensation.toTwentyCelsius(ambient);
        ofFixedOffset = TemperatureCompensation.ofFixedOffset(ambient);
    }

    /**
     * What brings a sensor's reading to 20 °C on a gauge there.
     *
     * @param mount how the sensor is held, or null where nobody said: then its offset is fixed
     */
    public TemperatureCompensation of(MountKind mount) {
        return mount != null && vented.contains(mount) ? ofVented : ofFixedOffset;
    }
}
