package vividcaravan.server.picture;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Departure;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.LimitLevel;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.core.limits.VehicleUse;
import vividcaravan.server.fleet.VehicleState;
import vividcaravan.server.fleet.WheelLimits;
import vividcaravan.server.fleet.WheelState;

/**
 * A vehicle at a glance.
 *
 * @param duty what it does, which its limits start from
 * @param state whether it is in service
 * @param stateReason why it is not, where somebody said so
 * @param combination refs of the vehicles that now make one combination, this among them, from the front
 * @param use how it is used at present
 * @param uses the uses that some axle has a target of its own for
 * @param lastHeardAt newest reading of any of its wheels
 * @param alerts what is open, the most urgent first
 * @param departure whether it may leave
 * @param judgedAgain how far its past is judged again; null where nothing is owed
 */
public record VehicleItem(
        String ref,
        VehicleKind kind,
        @Nullable String plate,
        @Nullable String depot,
        DutyProfile duty,
        VehicleState state,
        @Nullable String stateReason,
        List<String> combination,
        VehicleUse use,
        Set<VehicleUse> uses,
        List<AxleItem> axles,
        @Nullable WheelLimits spareLimits,
        List<WheelState> wheels,
        @Nullable Instant lastHeardAt,
        List<OpenAlert> alerts,
        Departure departure,
        @Nullable JudgedAgainItem judgedAgain) {

    /**
     * That its past is being judged again.
     *
     * @param from since when
     * @param share how much of it is done, 0 to 1
     */
    public record JudgedAgainItem(Instant from, double share) {}

    /**
     * An axle as the strip draws it, with its limits.
     *
     * @param policy the limits in percent and degrees
     * @param levels where each limit comes from, by its name
     * @param duty what it does at present, which its limits start from
     * @param isBallasted whether its tyres hold liquid: judged on the gauge
     * @param isSelfInflating whether a system on the vehicle keeps it inflated
     */
    public record AxleItem(
            AxleRole role,
            WheelArrangement wheels,
            boolean liftable,
            WheelLimits limits,
            LimitPolicy policy,
            DutyProfile duty,
            Map<String, LimitLevel> levels,
            boolean isBallasted,
            boolean isSelfInflating) {}

    /** An open alert in short. */
    public record OpenAlert(
            String id, @Nullable String position, AlertKind kind, Urgency urgency, String summary, Instant openedAt) {}
}
