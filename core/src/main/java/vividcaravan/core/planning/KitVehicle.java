package vividcaravan.core.planning;

import java.util.List;
import java.util.Set;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.TyreSpec;
import vividcaravan.core.axles.VehicleKind;

/**
 * A vehicle to be equipped.
 *
 * @param tyres tyre and rim of each axle, from the front
 * @param ballasted whether the tyres of each axle hold liquid, from the front
 * @param fitted positions with a sensor already
 */
public record KitVehicle(
        String ref,
        VehicleKind kind,
        AxleLayout layout,
        List<TyreSpec> tyres,
        List<Boolean> ballasted,
        Set<Position> fitted) {

    /**
     * @throws IllegalArgumentException if tyres or ballast are not given for every axle
     */
    public KitVehicle {
        tyres = List.copyOf(tyres);
        ballasted = List.copyOf(ballasted);
        fitted = Set.copyOf(fitted);
        if (tyres.size() != layout.axles().size()
                || ballasted.size() != layout.axles().size()) {
            throw new IllegalArgumentException(ref + " has " + layout.axles().size() + " axles, but tyres of "
                    + tyres.size() + " and ballast of " + ballasted.size());
        }
    }
}
