package vividcaravan.core.axles;

import java.util.ArrayList;
import java.util.List;

/**
 * A vehicle's axles from the front, and its spares.
 *
 * @param axles 1 to 12, the front one first
 * @param spares 0 to 9
 */
public record AxleLayout(List<Axle> axles, int spares) {

    /**
     * @throws IllegalArgumentException if there are not 1 to 12 axles or not 0 to 9 spares
     */
    public AxleLayout {
        axles = List.copyOf(axles);
        if (axles.isEmpty() || axles.size() > Position.MOST_AXLES) {
            throw new IllegalArgumentException("a vehicle has 1 to 12 axles, was " + axles.size());
        }
        if (spares < 0 || spares > Position.MOST_SPARES) {
            throw new IllegalArgumentException("a vehicle has 0 to 9 spares, was " + spares);
        }
    }

    /** Every position, axle by axle: left from outside in, right from inside out, then the spares. */
    public List<Position> positions() {
        List<Position> positions = new ArrayList<>();
        for (int axle = 1; axle <= axles.size(); axle++) {
            if (axle(axle).wheels() == WheelArrangement.TWIN) {
                positions.add(Position.wheel(axle, Side.LEFT, Position.Slot.OUTER));
                positions.add(Position.wheel(axle, Side.LEFT, Position.Slot.INNER));
                positions.add(Position.wheel(axle, Side.RIGHT, Position.Slot.INNER));
                positions.add(Position.wheel(axle, Side.RIGHT, Position.Slot.OUTER));
            } else {
                positions.add(Position.wheel(axle, Side.LEFT, Position.Slot.SINGLE));
                positions.add(Position.wheel(axle, Side.RIGHT, Position.Slot.SINGLE));
            }
        }
        for (int spare = 1; spare <= spares; spare++) {
            positions.add(Position.spare(spare));
        }
        return positions;
    }

    /** Whether a wheel can stand at {@code position} on this vehicle. */
    public boolean has(Position position) {
        if (position.isSpare()) {
            return position.spare() <= spares;
        }
        if (position.axle() > axles.size()) {
            return false;
        }
        boolean isTwin = axle(position.axle()).wheels() == WheelArrangement.TWIN;
        return isTwin == (position.slot() != Position.Slot.SINGLE);
    }

    /** Axle {@code number}, 1 being the front one. */
    public Axle axle(int number) {
        return axles.get(number - 1);
    }
}
