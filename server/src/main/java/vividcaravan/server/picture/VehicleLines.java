package vividcaravan.server.picture;

import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Departure;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.judge.WheelCondition;
import vividcaravan.server.fleet.VehicleState;

/**
 * Every vehicle in as few bytes as a line needs, since a fleet may have a hundred thousand wheels: vehicles that are alike
 * share their layout, wheels stand in its order, and what is as it should be is not said.
 *
 * @param at the time the picture is of, by the server's clock
 * @param total how many vehicles there are, also where only the first are given
 * @param wheels how many wheels these have
 * @param layouts which axles and wheels vehicles have
 */
record VehicleLines(Instant at, int total, int wheels, List<SharedLayout> layouts, List<VehicleLine> items) {

    /**
     * @param positions every wheel, spares too, in the order of the lists of a line
     */
    record SharedLayout(List<VehicleGlance.AxleGlance> axles, List<Position> positions) {}

    /**
     * One vehicle. The lists have one value a wheel, null where there is none.
     *
     * @param behind ref of the vehicle that it hangs behind, or null
     * @param layout index of its layout
     * @param sensors codes of the sensors
     * @param heard when each was last heard, whole seconds before the picture's time, negative after it
     * @param temperatures degrees Celsius
     * @param deviations of the pressure at 20 °C from target, per mille: −100 is ten per cent under
     * @param conditions of the wheels that are not OK
     * @param urgencies of the wheels with something open
     * @param alerts what is open, the most urgent first
     * @param departure whether it may leave
     */
    record VehicleLine(
            String ref,
            VehicleKind kind,
            @Nullable String plate,
            @Nullable String depot,
            VehicleState state,
            @Nullable String behind,
            int layout,
            @ArraySchema(schema = @Schema(types = {"string", "null"})) List<@Nullable String> sensors,
            @ArraySchema(schema = @Schema(types = {"integer", "null"})) List<@Nullable Long> heard,
            @ArraySchema(schema = @Schema(types = {"number", "null"})) List<@Nullable Double> temperatures,
            @ArraySchema(schema = @Schema(types = {"integer", "null"})) List<@Nullable Long> deviations,
            Map<String, WheelCondition> conditions,
            Map<String, Urgency> urgencies,
            List<LineAlert> alerts,
            Departure departure) {}

    /** An open alert as a line names it. */
    record LineAlert(String id, @Nullable String position, AlertKind kind, Urgency urgency) {}
}
