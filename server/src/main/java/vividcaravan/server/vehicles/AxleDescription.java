package vividcaravan.server.vehicles;

import vividcaravan.core.axles.Axle;
import vividcaravan.core.limits.LimitOverrides;

/**
 * One axle as described: what stands there, its target, and the limits it sets for itself.
 *
 * @param axle role, arrangement, lift
 * @param coldPressureKpa target, kPa gauge
 * @param overrides limits of its own; the rest is inherited
 * @param isBallasted whether its tyres hold liquid
 * @param isSelfInflating whether a system on the vehicle keeps it inflated
 */
public record AxleDescription(
        Axle axle, double coldPressureKpa, LimitOverrides overrides, boolean isBallasted, boolean isSelfInflating) {}
