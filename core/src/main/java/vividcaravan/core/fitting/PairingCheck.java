package vividcaravan.core.fitting;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;

/**
 * Looks at a sensor before it is taken for a wheel.
 *
 * @param walk the wheels in the order of the walk
 * @param paired which sensor was taken for which wheel of this vehicle
 * @param skipped wheels left out with a reason
 * @param mount how the job holds its sensors, or null if that is open
 * @param heard sensors heard lately, by code
 */
public record PairingCheck(
        List<Position> walk,
        Map<Position, String> paired,
        Set<Position> skipped,
        MountKind mount,
        Map<String, Heard> heard) {

    /** A neighbour's sensor is at least so much weaker than the nearest, dB [our judgement]. */
    private static final int NEIGHBOUR_DB = 12;

    /**
     * A sensor heard lately.
     *
     * @param rssiDbm signal, dBm, or null where the receiver does not say
     * @param isOurs whether it belongs to the fleet
     */
    public record Heard(String code, Integer rssiDbm, boolean isOurs) {}

    /**
     * What is known of a sensor.
     *
     * @param place where it sits now, in words, such as {@code "2LO of LM-22"}; null if nowhere
     * @param isHere whether that is on this vehicle
     * @param position the wheel of this vehicle it sits at; null elsewhere
     * @param mount how it is held, or null if nobody said
     * @param isRetired whether it was taken out of use
     */
    public record Known(String place, boolean isHere, Position position, MountKind mount, boolean isRetired) {}

    public PairingCheck {
        walk = List.copyOf(walk);
        paired = Map.copyOf(paired);
        skipped = Set.copyOf(skipped);
        heard = Map.copyOf(heard);
    }

    /**
     * What speaks against taking a sensor for a wheel, the weightiest first.
     *
     * @param known what is known of it; empty for a newcomer
     * @return empty if nothing does
     */
    public List<PairingDoubt> doubts(Position position, SensorCode sensor, Optional<Known> known) {
        if (!sensor.isCode()) {
            return List.of(noCode(sensor));
        }
        List<PairingDoubt> doubts = new ArrayList<>();
        String code = sensor.code();
        boolean isHereAlready = code.equals(paired.get(position));
        if (known.isPresent() && known.get().isRetired()) {
            doubts.add(doubt(
                    PairingDoubt.Kind.RETIRED,
                    code + " was taken out of use.",
                    "Take another sensor; the manager can bring this one back."));
        }
        Optional<Position> elsewhereHere = paired.entrySet().stream()
                .filter(entry ->
                        entry.getValue().equals(code) && !entry.getKey().equals(position))
                .map(Map.Entry::getKey)
                .findFirst();
        if (elsewhereHere.isPresent()) {
            doubts.add(doubt(
                    PairingDoubt.Kind.ALREADY_HERE,
                    code + " was taken for " + elsewhereHere.get().words() + " already.",
                    "If it sits here, say so: " + elsewhereHere.get().words() + " then has none."));
        } else if (known.isPresent()
                && known.get().place() != null
                && !known.get().isHere()) {
            doubts.add(doubt(
                    PairingDoubt.Kind.ON_ANOTHER_VEHICLE,
                    code + " sits at " + known.get().place() + ".",
                    "If it was moved here, say so: it is taken off there from now on."));
        }
        String before = paired.get(position);
        if (before != null && !isHereAlready) {
            doubts.add(doubt(
                    PairingDoubt.Kind.WHEEL_TAKEN,
                    "This wheel has " + before + ".",
                    "If that was wrong, say so: " + code + " takes its place."));
        }
        addDoubtsOfHearing(doubts, sensor, known.isPresent(), isHereAlready);
        addLesserDoubts(doubts, position, known);
        return doubts;
    }

    private static PairingDoubt noCode(SensorCode sensor) {
        boolean hasGuess = !sensor.suggestions().isEmpty();
        return new PairingDoubt(
                PairingDoubt.Kind.NO_CODE,
                "\"" + sensor.typed().strip() + "\" is no sensor code: six to eight digits 0 to 9 and letters A to F.",
                hasGuess ? "Meant, perhaps: " + sensor.suggestions().get(0) + "." : "Read the label again, or scan it.",
                sensor.suggestions());
    }

    private void addDoubtsOfHearing(
            List<PairingDoubt> doubts, SensorCode sensor, boolean isKnown, boolean isHereAlready) {
        String code = sensor.code();
        Heard own = heard.get(code);
        if (own == null && !isHereAlready) {
            List<String> alike = sensor.likeOneOf(heard.keySet());
            doubts.add(
                    alike.isEmpty()
                            ? doubt(
                                    PairingDoubt.Kind.NOT_HEARD,
                                    code + " was not heard yet.",
                                    "Sensors sleep: turn the wheel, or let a little air in or out, to wake it.")
                            : new PairingDoubt(
                                    PairingDoubt.Kind.LOOKS_LIKE_ANOTHER,
                                    code + " was not heard, and " + String.join(", ", alike) + " was.",
                                    "B and 8, D and 0 look alike on a label. Read it again.",
                                    alike));
        } else if (own != null && !isKnown && own.rssiDbm() != null) {
            strongestUnclaimed(code)
                    .filter(other -> other.rssiDbm() - own.rssiDbm() >= NEIGHBOUR_DB)
                    .ifPresent(other -> doubts.add(new PairingDoubt(
                            PairingDoubt.Kind.WEAK_STRANGER,
                            code + " is weak, and " + other.code() + " is heard much more strongly.",
                            "It may belong to the vehicle beside this one. Hold the reader to the wheel again.",
                            List.of(other.code()))));
        }
    }

    private Optional<Heard> strongestUnclaimed(String except) {
        Collection<String> claimed = new HashSet<>(paired.values());
        return heard.values().stream()
                .filter(other -> !other.isOurs()
                        && other.rssiDbm() != null
                        && !other.code().equals(except)
                        && !claimed.contains(other.code()))
                .max((a, b) -> Integer.compare(a.rssiDbm(), b.rssiDbm()));
    }

    private void addLesserDoubts(List<PairingDoubt> doubts, Position position, Optional<Known> known) {
        int at = walk.indexOf(position);
        walk.subList(0, Math.max(0, at)).stream()
                .filter(before -> !before.isSpare() && !paired.containsKey(before) && !skipped.contains(before))
                .findFirst()
                .ifPresent(before -> doubts.add(doubt(
                        PairingDoubt.Kind.WHEEL_SKIPPED,
                        "You have passed " + before.words() + " without a sensor.",
                        "Go back to it, or leave it out with a reason.")));
        MountKind own = known.map(Known::mount).orElse(null);
        if (mount != null && own != null && own != mount) {
            doubts.add(doubt(
                    PairingDoubt.Kind.ANOTHER_MOUNT,
                    "It was held by " + words(own) + " so far, and this job holds sensors by " + words(mount) + ".",
                    "Look whether it is the right sensor."));
        }
    }

    private static String words(MountKind mount) {
        return switch (mount) {
            case CAP -> "the valve, outside";
            case VALVE -> "the valve, inside";
            case STRAP -> "a steel strap";
            case BELT -> "a woven belt";
            case GLUED -> "glue";
        };
    }

    private static PairingDoubt doubt(PairingDoubt.Kind kind, String words, String wayOut) {
        return new PairingDoubt(kind, words, wayOut, List.of());
    }
}
