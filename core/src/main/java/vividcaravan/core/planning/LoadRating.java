package vividcaravan.core.planning;

import java.util.ArrayList;
import java.util.List;
import vividcaravan.core.axles.WheelArrangement;

/**
 * What a tyre carries as its sidewall says: load indices come in pairs such as 156/150, for a single tyre and for one of a
 * twin, and hold at the pressure that stands beside them. What is null is not known.
 *
 * @param single load index of a single tyre, 100 to 170
 * @param twin load index of one tyre of a twin, 100 to 170, not above {@code single}
 * @param referenceKpa the pressure at which they hold, kPa gauge, 50 to 1400; what rim and valve may have is another figure
 */
public record LoadRating(Integer single, Integer twin, Double referenceKpa) {

    /** Nothing is known. */
    public static final LoadRating UNKNOWN = new LoadRating(null, null, null);

    private static final double LOWEST_KPA = 50;
    private static final double HIGHEST_KPA = 1400;

    /** What is wrong with it, in words; empty if it can stand on a tyre. */
    public List<String> faults() {
        List<String> faults = new ArrayList<>();
        for (Integer index : new Integer[] {single, twin}) {
            if (index != null && (index < LoadIndex.LOWEST || index > LoadIndex.HIGHEST)) {
                faults.add("Load indices of such tyres are " + LoadIndex.LOWEST + " to " + LoadIndex.HIGHEST
                        + ", this says " + index + ".");
            }
        }
        if (single != null && twin != null && twin > single) {
            faults.add("One of a twin carries no more than a single tyre: the indices " + single + " and " + twin
                    + " seem to be exchanged.");
        }
        if (referenceKpa != null && !(referenceKpa >= LOWEST_KPA && referenceKpa <= HIGHEST_KPA)) {
            faults.add("The pressure beside the load is 50 to 1400 kPa, this says " + referenceKpa + ".");
        }
        return faults;
    }

    /** The load index of a tyre that stands like this; null where it is not known. */
    Integer index(WheelArrangement wheels) {
        return wheels == WheelArrangement.TWIN ? twin : single;
    }
}
