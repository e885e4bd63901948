package vividcaravan.core.judge;

import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.Position;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.Basis;

/**
 * What one wheel is held to.
 *
 * @param position the wheel
 * @param role the axle's role; null for a spare
 * @param limits target and limits
 * @param compensation to 20 °C in the air of the vehicle's depot
 * @param isLiftable whether its axle can be lifted
 * @param isFarm whether it is a farm tyre, whose small pressures need a floor for what counts as a fall
 */
public record WheelRules(
        Position position,
        AxleRole role,
        AxleLimits limits,
        TemperatureCompensation compensation,
        boolean isFarm,
        boolean isLiftable) {

    /** Whether the limits are held against the pressure at 20 °C. */
    boolean isCompensated() {
        return limits.policy().basis() == Basis.COMPENSATED;
    }
}
