package vividcaravan.server.picture;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.Departure;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.judge.WheelCondition;
import vividcaravan.server.fleet.VehicleState;
import vividcaravan.server.fleet.WheelState;

/**
 * A vehicle in a line of the list: no more than the line shows, since a list may hold twenty thousand wheels.
 *
 * @param state whether it is in service
 * @param lastHeardAt newest reading of any of its wheels
 * @param alerts what is open, the most urgent first
 * @param departure whether it may leave
 */
public record VehicleGlance(
        String ref,
        VehicleKind kind,
        @Nullable String plate,
        @Nullable String depot,
        VehicleState state,
        List<AxleGlance> axles,
        List<WheelGlance> wheels,
        @Nullable Instant lastHeardAt,
        List<VehicleItem.OpenAlert> alerts,
        Departure departure) {

    /** An axle as the strip draws it. */
    public record AxleGlance(AxleRole role, WheelArrangement wheels, boolean liftable) {}

    /** A wheel as the strip draws it. */
    public record WheelGlance(
            Position position,
            WheelCondition condition,
            @Nullable String sensor,
            @Nullable Instant at,
            @Nullable Double temperatureC,
            @Nullable Double deviation,
            @Nullable Urgency urgency) {

        static WheelGlance of(WheelState state) {
            return new WheelGlance(
                    state.position(),
                    state.condition(),
                    state.sensor(),
                    state.at(),
                    state.temperatureC(),
                    state.deviation() == null ? null : Math.round(state.deviation() * 1e4) / 1e4,
                    state.urgency());
        }
    }
}
