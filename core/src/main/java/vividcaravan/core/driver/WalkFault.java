package vividcaravan.core.driver;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import vividcaravan.core.alert.Sight;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;

/**
 * A fault that a driver found on the walk round.
 *
 * @param position the wheel, or null for the vehicle
 * @param point what is wrong
 * @param words what the driver says of it, or null
 */
public record WalkFault(Position position, WalkPoint point, String words) {

    /** What {@code who} saw, each place once, as urgent as the worst of what is wrong there. */
    public static List<Sight> sights(List<WalkFault> faults, String who) {
        Map<Position, List<WalkFault>> byPlace = new LinkedHashMap<>();
        faults.forEach(fault -> byPlace.computeIfAbsent(fault.position, place -> new ArrayList<>())
                .add(fault));
        List<Sight> sights = new ArrayList<>();
        byPlace.forEach((place, there) -> sights.add(new Sight(
                place,
                worst(there),
                who,
                told(there),
                place != null && there.stream().anyMatch(fault -> fault.point.isFlat()),
                false)));
        return sights;
    }

    private static Urgency worst(List<WalkFault> faults) {
        return faults.stream()
                .map(fault -> fault.point.urgency())
                .min(Comparator.naturalOrder())
                .orElseThrow();
    }

    private static String told(List<WalkFault> faults) {
        List<String> parts = new ArrayList<>();
        for (WalkFault fault : faults) {
            String said = fault.words == null || fault.words.isBlank() ? "" : " (“" + fault.words.strip() + "”)";
            parts.add(fault.point.words() + said);
        }
        return String.join("; ", parts);
    }
}
