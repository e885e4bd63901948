package vividcaravan.server.vehicles;

import java.util.List;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.LimitPolicy;

/**
 * A vehicle as described.
 *
 * @param plate registration plate, or null
 * @param depot the depot's name, or null
 * @param duty what it does for its living
 */
public record VehicleDescription(
        String ref,
        VehicleKind kind,
        String plate,
        String depot,
        List<AxleDescription> axles,
        int spares,
        DutyProfile duty) {

    public VehicleDescription {
        axles = List.copyOf(axles);
    }

    /** What an axle inherits: the fleet's policy as the vehicle's duty wants it. */
    public LimitPolicy inherited(AxleDescription axle) {
        return duty.over(LimitPolicy.DEFAULT, axle.axle().wheels().tyresPerSide() == 2);
    }

    /** The limits in force on an axle. */
    public LimitPolicy policy(AxleDescription axle) {
        return axle.overrides().over(inherited(axle));
    }

    /** Target and limits in force on an axle. */
    public AxleLimits limits(AxleDescription axle) {
        return new AxleLimits(axle.coldPressureKpa(), policy(axle));
    }

    /** Its axles and spares. */
    public AxleLayout layout() {
        return new AxleLayout(axles.stream().map(AxleDescription::axle).toList(), spares);
    }
}
