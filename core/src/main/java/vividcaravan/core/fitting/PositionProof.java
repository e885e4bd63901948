package vividcaravan.core.fitting;

import java.util.Map;
import java.util.Optional;
import vividcaravan.core.axles.Position;

/**
 * Proves that a sensor sits where it is said to sit: air is let in or out at one wheel, and exactly that wheel's pressure at
 * 20 °C must follow while the others stay. Less is within what warmth and the steps of sensors do: 7 kPa is 2 °C at 800 kPa
 * [computed].
 *
 * @param verdict what the readings say
 * @param moved the wheel whose pressure followed; null if none did
 * @param stepKpa by how much it followed, kPa at 20 °C, negative for air let out; 0 if none did
 */
public record PositionProof(Verdict verdict, Position moved, double stepKpa) {

    /** A step that proves, on road tyres, kPa at 20 °C. */
    public static final double STEP_KPA = 20;

    /** The same on farm tyres, whose pressures are a fifth of that. */
    public static final double FARM_STEP_KPA = 12;

    /** Others stay flat if they move less than this share of the step. */
    private static final double FLAT_SHARE = 0.4;

    /** What the readings say. */
    public enum Verdict {
        /** The wheel itself moved, and no other. */
        PROVED,
        /** Nothing moved far enough yet. */
        NOT_YET,
        /** Another wheel moved: the two have each other's sensors. */
        CROSSED,
        /** Several moved: weather, or two people at work. */
        UNCLEAR
    }

    /**
     * Pressures of one wheel at 20 °C, kPa gauge.
     *
     * @param before when the air line was set on
     * @param after now
     */
    public record Change(double before, double after) {
        double step() {
            return after - before;
        }
    }

    /**
     * Judges what followed.
     *
     * @param wheel where the air was let in or out
     * @param changes what every wheel with a fresh reading did; not-a-number counts as no reading
     * @param isFarm whether these are farm tyres
     */
    public static PositionProof of(Position wheel, Map<Position, Change> changes, boolean isFarm) {
        double needed = isFarm ? FARM_STEP_KPA : STEP_KPA;
        Optional<Map.Entry<Position, Change>> largest = changes.entrySet().stream()
                .filter(entry -> Double.isFinite(entry.getValue().step()))
                .max((a, b) -> Double.compare(
                        Math.abs(a.getValue().step()), Math.abs(b.getValue().step())));
        if (largest.isEmpty() || !(Math.abs(largest.get().getValue().step()) >= needed)) {
            return new PositionProof(Verdict.NOT_YET, null, 0);
        }
        Position moved = largest.get().getKey();
        double step = largest.get().getValue().step();
        boolean isAlone = changes.entrySet().stream()
                .filter(entry -> !entry.getKey().equals(moved))
                .allMatch(entry -> !(Math.abs(entry.getValue().step()) >= Math.abs(step) * FLAT_SHARE));
        if (!isAlone) {
            return new PositionProof(Verdict.UNCLEAR, moved, step);
        }
        return new PositionProof(moved.equals(wheel) ? Verdict.PROVED : Verdict.CROSSED, moved, step);
    }
}
