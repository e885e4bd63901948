package vividcaravan.core.judge;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.limits.AxleLimits;

/** What every wheel of a vehicle is held to. */
public final class VehicleRules {

    private final Map<Position, WheelRules> byPosition = new HashMap<>();

    /**
     * Rules from a vehicle's layout and the limits of its axles, front first. A spare is held to the highest target of
     * the vehicle, since it must be able to go anywhere [common practice].
     *
     * @throws IllegalArgumentException if there are not as many limits as axles
     */
    public VehicleRules(
            VehicleKind kind, AxleLayout layout, List<AxleLimits> limits, TemperatureCompensation compensation) {
        if (limits.size() != layout.axles().size()) {
            throw new IllegalArgumentException("limits for " + limits.size() + " axles, but the vehicle has "
                    + layout.axles().size());
        }
        boolean isFarm = kind == VehicleKind.FARM_TRACTOR || kind == VehicleKind.IMPLEMENT;
        AxleLimits spare = limits.stream()
                .reduce((a, b) -> b.targetKpa() > a.targetKpa() ? b : a)
                .orElseThrow();
        for (Position position : layout.positions()) {
            byPosition.put(
                    position,
                    position.isSpare()
                            ? new WheelRules(position, null, spare, compensation, isFarm, false)
                            : new WheelRules(
                                    position,
                                    layout.axle(position.axle()).role(),
                                    limits.get(position.axle() - 1),
                                    compensation,
                                    isFarm,
                                    layout.axle(position.axle()).liftable()));
        }
    }

    /** The rules of one wheel; empty if the vehicle has no such position. */
    public Optional<WheelRules> at(Position position) {
        return Optional.ofNullable(byPosition.get(position));
    }
}
