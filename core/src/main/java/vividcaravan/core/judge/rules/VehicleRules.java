package vividcaravan.core.judge.rules;

import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.fitting.SensorAir;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.limits.AxleLimits;

/** What every wheel of a vehicle is held to. */
public final class VehicleRules {

    private final Map<Position, WheelRules> byPosition = new HashMap<>();
    private final SensorAir air;

    /** Rules of a vehicle without peculiarities, see the other constructor. */
    public VehicleRules(VehicleKind kind, AxleLayout layout, List<AxleLimits> limits, SensorAir air) {
        this(kind, layout, limits, Collections.nCopies(limits.size(), AxleConduct.USUAL), air, List.of(), List.of());
    }

    /**
     * Rules from a vehicle's layout and the limits of its axles, front first. A spare is held to the highest target of
     * the vehicle, since it must be able to go anywhere [common practice].
     *
     * @param conducts what sets each axle apart, front first
     * @param air what its sensors make of the air around it
     * @param adjustments what was recorded of people setting its pressures
     * @param arrivals what was recorded of tyres that came to its wheels
     * @throws IllegalArgumentException if there are not as many limits or conducts as axles
     */
    public VehicleRules(
            VehicleKind kind,
            AxleLayout layout,
            List<AxleLimits> limits,
            List<AxleConduct> conducts,
            SensorAir air,
            List<Adjustment> adjustments,
            List<TyreArrival> arrivals) {
        if (limits.size() != layout.axles().size() || conducts.size() != limits.size()) {
            throw new IllegalArgumentException("limits for " + limits.size() + " axles, conduct of " + conducts.size()
                    + ", but the vehicle has " + layout.axles().size());
        }
        this.air = air;
        TemperatureCompensation compensation = air.of(null);
        boolean isFarm = kind == VehicleKind.FARM_TRACTOR || kind == VehicleKind.IMPLEMENT;
        AxleLimits spare = limits.stream()
                .reduce((a, b) -> b.targetKpa() > a.targetKpa() ? b : a)
                .orElseThrow();
        for (Position position : layout.positions()) {
            List<Adjustment> adjusted = adjustments.stream()
                    .filter(adjustment -> adjustment.position().equals(position))
                    .sorted(Comparator.comparingLong(Adjustment::at))
                    .toList();
            List<Long> arrived = arrivals.stream()
                    .filter(arrival -> arrival.position().equals(position))
                    .map(TyreArrival::at)
                    .sorted()
                    .toList();
            byPosition.put(
                    position,
                    position.isSpare()
                            ? new WheelRules(
                                    position,
                                    null,
                                    spare,
                                    compensation,
                                    isFarm,
                                    false,
                                    AxleConduct.USUAL,
                                    adjusted,
                                    arrived)
                            : new WheelRules(
                                    position,
                                    layout.axle(position.axle()).role(),
                                    limits.get(position.axle() - 1),
                                    compensation,
                                    isFarm,
                                    layout.axle(position.axle()).liftable(),
                                    conducts.get(position.axle() - 1),
                                    adjusted,
                                    arrived));
        }
    }

    /** The rules of one wheel; empty if the vehicle has no such position. */
    public Optional<WheelRules> at(Position position) {
        return Optional.ofNullable(byPosition.get(position));
    }

    /** The rules of one wheel for readings of a sensor held by {@code mount}, null where nobody said. */
    public Optional<WheelRules> at(Position position, MountKind mount) {
        return at(position).map(rules -> rules.heardBy(air.of(mount)));
    }
}
