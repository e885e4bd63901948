package vividcaravan.server.vehicles;

import java.util.List;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.VehicleKind;

/**
 * A vehicle as described.
 *
 * @param plate registration plate, or null
 * @param depot the depot's name, or null
 */
public record VehicleDescription(
        String ref, VehicleKind kind, String plate, String depot, List<AxleDescription> axles, int spares) {

    public VehicleDescription {
        axles = List.copyOf(axles);
    }

    /** Its axles and spares. */
    public AxleLayout layout() {
        return new AxleLayout(axles.stream().map(AxleDescription::axle).toList(), spares);
    }
}
