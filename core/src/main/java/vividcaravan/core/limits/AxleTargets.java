package vividcaravan.core.limits;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import vividcaravan.core.axles.TyreSpec;

/**
 * The cold pressures of an axle: the one it usually has, and others for other uses of the vehicle.
 *
 * @param roadKpa on the road, laden, every axle down; kPa gauge, 50 to 1200
 * @param others targets of other uses, kPa gauge, 50 to 1200; never of {@link VehicleUse#ROAD}
 */
public record AxleTargets(double roadKpa, Map<VehicleUse, Double> others) {

    /**
     * @throws IllegalArgumentException if {@code others} has a target for the road
     */
    public AxleTargets {
        if (others.containsKey(VehicleUse.ROAD)) {
            throw new IllegalArgumentException("the target of the road is the usual one");
        }
        others = others.isEmpty() ? Map.of() : Map.copyOf(new EnumMap<>(others));
    }

    /** One target for every use. */
    public static AxleTargets of(double kpa) {
        return new AxleTargets(kpa, Map.of());
    }

    /** The target while the vehicle is used like this, kPa gauge; the usual one where there is no other. */
    public double kpa(VehicleUse use) {
        return others.getOrDefault(use, roadKpa);
    }

    /** The uses that have targets of their own. */
    public Set<VehicleUse> uses() {
        return others.keySet();
    }

    /**
     * What is wrong with these targets under {@code policy}; empty if they can stand. Faults of another use's target name
     * its field.
     */
    public List<LimitFault> faults(LimitPolicy policy) {
        List<LimitFault> faults = new ArrayList<>(AxleLimits.faults(roadKpa, policy));
        others.forEach((use, kpa) -> AxleLimits.faults(kpa, policy)
                .forEach(fault -> faults.add(new LimitFault(field(use), fault.message()))));
        return faults;
    }

    /** What is wrong with these targets on a tyre; empty if it may have all of them. */
    public List<LimitFault> faults(TyreSpec tyre) {
        List<TyreSpec.Fault> faults = new ArrayList<>(tyre.faultsOf(field(VehicleUse.ROAD), roadKpa));
        others.forEach((use, kpa) -> faults.addAll(tyre.faultsOf(field(use), kpa)));
        return faults.stream()
                .map(fault -> new LimitFault(fault.field(), fault.message()))
                .toList();
    }

    /** The name of a use's target in documents. */
    public static String field(VehicleUse use) {
        return switch (use) {
            case ROAD -> "coldPressureKpa";
            case FIELD -> "fieldPressureKpa";
            case UNLADEN -> "unladenPressureKpa";
            case LIFT_UP -> "liftUpPressureKpa";
        };
    }
}
