package vividcaravan.server.vehicles;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Departure;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.LimitPolicy;

/**
 * A vehicle at a glance.
 *
 * @param duty what it does, which its limits start from
 * @param lastHeardAt newest reading of any of its wheels
 * @param alerts what is open, the most urgent first
 * @param departure whether it may leave
 */
public record VehicleItem(
        String ref,
        VehicleKind kind,
        @Nullable String plate,
        @Nullable String depot,
        DutyProfile duty,
        List<AxleItem> axles,
        List<WheelState> wheels,
        @Nullable Instant lastHeardAt,
        List<OpenAlert> alerts,
        Departure departure) {

    /**
     * An axle as the strip draws it, with its limits.
     *
     * @param policy the limits in percent and degrees
     * @param ownLimits names of the limits that are this axle's own; the others come from the fleet's policy and its duty
     * @param isBallasted whether its tyres hold liquid: judged on the gauge
     * @param isSelfInflating whether a system on the vehicle keeps it inflated
     */
    public record AxleItem(
            AxleRole role,
            WheelArrangement wheels,
            boolean liftable,
            WheelLimits limits,
            LimitPolicy policy,
            List<String> ownLimits,
            boolean isBallasted,
            boolean isSelfInflating) {}

    /** An open alert in short. */
    public record OpenAlert(
            String id, @Nullable String position, AlertKind kind, Urgency urgency, String summary, Instant openedAt) {}
}
