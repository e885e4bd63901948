package vividcaravan.server.fleet;

import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.MountKind;

/**
 * What the fleet's sensors of one mount are.
 *
 * @param isVented whether they measure against the air around them, as a hand gauge does; otherwise they subtract a fixed
 *     offset from the absolute pressure and do not follow height and weather
 * @param rangeKpa how far they can measure, kPa gauge, 500 to 2000; null if that is not known
 */
public record SensorMake(MountKind mount, boolean isVented, @Nullable Double rangeKpa) {

    /** What is assumed while nobody said. */
    static SensorMake unknown(MountKind mount) {
        return new SensorMake(mount, false, null);
    }
}
