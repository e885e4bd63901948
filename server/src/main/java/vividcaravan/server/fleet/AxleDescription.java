package vividcaravan.server.fleet;

import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.TyreSpec;
import vividcaravan.core.limits.AxleTargets;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.LimitOverrides;

/**
 * One axle as described: what stands there, its targets, and the limits it sets for itself.
 *
 * @param axle role, arrangement, lift
 * @param targets cold pressures
 * @param overrides limits of its own; the rest is inherited
 * @param duty a duty of its own, or null for the vehicle's
 * @param tyre tyre and rim, as far as they are known
 * @param isBallasted whether its tyres hold liquid
 * @param isSelfInflating whether a system on the vehicle keeps it inflated
 */
public record AxleDescription(
        Axle axle,
        AxleTargets targets,
        LimitOverrides overrides,
        @Nullable DutyProfile duty,
        TyreSpec tyre,
        boolean isBallasted,
        boolean isSelfInflating) {}
