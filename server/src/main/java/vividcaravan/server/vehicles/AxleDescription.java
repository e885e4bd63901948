package vividcaravan.server.vehicles;

import vividcaravan.core.axles.Axle;
import vividcaravan.core.limits.LimitOverrides;

/**
 * One axle as described: what stands there, its target, and the limits it sets for itself.
 *
 * @param axle role, arrangement, lift
 * @param coldPressureKpa target, kPa gauge
 * @param overrides limits of its own; the rest is the fleet's policy
 */
public record AxleDescription(Axle axle, double coldPressureKpa, LimitOverrides overrides) {}
