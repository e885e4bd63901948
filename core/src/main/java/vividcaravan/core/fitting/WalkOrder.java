package vividcaravan.core.fitting;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.Side;

/** The order in which somebody walks round a vehicle. Spares come last. */
public enum WalkOrder {
    /** Down the left side and back up the right. */
    DOWN_LEFT_UP_RIGHT("down the left, back up the right", Side.LEFT),
    /** Down the right side and back up the left. */
    DOWN_RIGHT_UP_LEFT("down the right, back up the left", Side.RIGHT),
    /** Axle by axle from the front, each from left to right. */
    AXLE_BY_AXLE("axle by axle from the front", null);

    private final String words;
    private final Side first;

    WalkOrder(String words, Side first) {
        this.words = words;
        this.first = first;
    }

    /** The order in words. */
    public String words() {
        return words;
    }

    /** Every position of a vehicle in this order; of twins the outer one first, since it is nearer. */
    public List<Position> positions(AxleLayout layout) {
        List<Position> all = layout.positions();
        if (first == null) {
            return all;
        }
        List<Position> walk = new ArrayList<>(side(all, first));
        List<Position> back = side(all, first == Side.LEFT ? Side.RIGHT : Side.LEFT);
        back.sort(Comparator.comparingInt(Position::axle).reversed());
        walk.addAll(back);
        all.stream().filter(Position::isSpare).forEach(walk::add);
        return Collections.unmodifiableList(walk);
    }

    private static List<Position> side(List<Position> all, Side side) {
        List<Position> ends = new ArrayList<>(
                all.stream().filter(position -> position.side() == side).toList());
        ends.sort(Comparator.comparingInt(Position::axle)
                .thenComparing(position -> position.slot() == Position.Slot.INNER));
        return ends;
    }
}
