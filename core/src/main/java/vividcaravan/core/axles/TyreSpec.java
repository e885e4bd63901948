package vividcaravan.core.axles;

import java.util.ArrayList;
import java.util.List;

/**
 * What stands on an axle: tyre and rim, as far as somebody wrote it down; what is null is not known.
 *
 * @param size the size as it stands on the sidewall, such as {@code 315/80 R22.5}
 * @param loadIndex load index of the single tyre, 60 to 210
 * @param maxColdKpa the highest cold pressure that tyre, rim and valve may have, kPa gauge, 50 to 1400
 * @param rimInches rim diameter, inches, 8 to 60
 * @param dropCentreMm width of the rim's drop centre, mm, 5 to 300
 */
public record TyreSpec(String size, Integer loadIndex, Double maxColdKpa, Double rimInches, Double dropCentreMm) {

    /** Nothing is known. */
    public static final TyreSpec UNKNOWN = new TyreSpec(null, null, null, null, null);

    /**
     * A part that cannot be.
     *
     * @param field its name
     * @param message what is wrong and what is allowed
     */
    public record Fault(String field, String message) {}

    /**
     * What is wrong with a target under this specification, whatever use of the vehicle it is for.
     *
     * @param field the name of that target
     * @param targetKpa cold pressure, kPa gauge
     * @return empty if the tyre may have it, or if nothing is known of the tyre
     */
    public List<Fault> faultsOf(String field, double targetKpa) {
        List<Fault> faults = new ArrayList<>();
        if (maxColdKpa != null && !(targetKpa <= maxColdKpa)) {
            faults.add(new Fault(
                    field,
                    "The target of " + Math.round(targetKpa) + " kPa is above the " + Math.round(maxColdKpa)
                            + " kPa that tyre, rim and valve may have."));
        }
        return faults;
    }
}
