package vividcaravan.core.tyres;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.Side;
import vividcaravan.core.axles.WheelArrangement;

/** The usual ways of changing the wheels of one vehicle round [common practice]. */
public enum MovePattern {
    SIDE_TO_SIDE("side to side"),
    FRONT_TO_REAR("front to rear"),
    CROSS("front to rear, sides crossed"),
    INNER_TO_OUTER("twins inner to outer");

    private final String words;

    MovePattern(String words) {
        this.words = words;
    }

    /** As a reader calls it. */
    public String words() {
        return words;
    }

    /** A wheel of a pattern and where its tyre goes. */
    public record Step(Position from, Position to) {}

    /**
     * The steps of this pattern, which are a permutation; empty where the vehicle has nothing to change so. Front and rear are
     * axles with as many tyres to an end, the first with the last of them.
     */
    public List<Step> steps(AxleLayout layout) {
        List<Step> steps = new ArrayList<>();
        for (Position from : layout.positions()) {
            Position to = from.isSpare() ? from : target(layout, from);
            if (!to.equals(from)) {
                steps.add(new Step(from, to));
            }
        }
        return steps;
    }

    private Position target(AxleLayout layout, Position from) {
        int partner = partner(layout, from.axle());
        return switch (this) {
            case SIDE_TO_SIDE -> Position.wheel(from.axle(), other(from.side()), from.slot());
            case INNER_TO_OUTER -> Position.wheel(from.axle(), from.side(), other(from.slot()));
            case FRONT_TO_REAR -> Position.wheel(partner, from.side(), from.slot());
            case CROSS -> partner == from.axle() ? from : Position.wheel(partner, other(from.side()), from.slot());
        };
    }

    private static int partner(AxleLayout layout, int axle) {
        Map<WheelArrangement, List<Integer>> alike = new LinkedHashMap<>();
        for (int i = 1; i <= layout.axles().size(); i++) {
            alike.computeIfAbsent(layout.axle(i).wheels(), wheels -> new ArrayList<>())
                    .add(i);
        }
        List<Integer> group = alike.get(layout.axle(axle).wheels());
        return group.get(group.size() - 1 - group.indexOf(axle));
    }

    private static Side other(Side side) {
        return side == Side.LEFT ? Side.RIGHT : Side.LEFT;
    }

    private static Position.Slot other(Position.Slot slot) {
        return switch (slot) {
            case OUTER -> Position.Slot.INNER;
            case INNER -> Position.Slot.OUTER;
            default -> slot;
        };
    }
}
