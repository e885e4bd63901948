package vividcaravan.core.axles;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Where a wheel stands: axle number from the front, side and place in a twin pair, or a spare's number.
 * The code is the trade's: {@code 1L}, {@code 2RO}, {@code 3LI}, {@code S1}.
 *
 * @param axle 1 to 12 counted from the front, 0 for a spare
 * @param side facing forward; null for a spare
 * @param slot outer or inner of a twin pair, or the single tyre of its side
 * @param spare 1 to 9 for a spare, otherwise 0
 */
public record Position(int axle, Side side, Slot slot, int spare) {

    /** The most axles a vehicle may have. */
    public static final int MOST_AXLES = 12;

    /** The most spares a vehicle may carry. */
    public static final int MOST_SPARES = 9;

    /** A tyre's place at its axle end. */
    public enum Slot {
        SINGLE(""),
        OUTER("O"),
        INNER("I"),
        SPARE("");

        private final String letter;

        Slot(String letter) {
            this.letter = letter;
        }
    }

    private static final Pattern WHEEL = Pattern.compile("([1-9]|1[0-2])([LR])([OI]?)");
    private static final Pattern SPARE = Pattern.compile("S([1-9])");

    /**
     * @throws IllegalArgumentException if the parts do not make one place
     */
    public Position {
        boolean isSpare = slot == Slot.SPARE;
        boolean isPlace = isSpare
                ? axle == 0 && side == null && spare >= 1 && spare <= MOST_SPARES
                : axle >= 1 && axle <= MOST_AXLES && side != null && spare == 0;
        if (!isPlace) {
            throw new IllegalArgumentException(
                    "no such position: axle " + axle + ", side " + side + ", slot " + slot + ", spare " + spare);
        }
    }

    /** The position of a wheel on an axle. */
    public static Position wheel(int axle, Side side, Slot slot) {
        return new Position(axle, side, slot, 0);
    }

    /** The position of spare number {@code number}, 1 to 9. */
    public static Position spare(int number) {
        return new Position(0, null, Slot.SPARE, number);
    }

    /** Reads a code such as {@code 2LO}; empty if it is none. Upper case only, as the codes are written. */
    public static Optional<Position> find(String code) {
        Matcher wheel = WHEEL.matcher(code);
        if (wheel.matches()) {
            Side side = wheel.group(2).equals("L") ? Side.LEFT : Side.RIGHT;
            Slot slot =
                    switch (wheel.group(3)) {
                        case "O" -> Slot.OUTER;
                        case "I" -> Slot.INNER;
                        default -> Slot.SINGLE;
                    };
            return Optional.of(wheel(Integer.parseInt(wheel.group(1)), side, slot));
        }
        Matcher spare = SPARE.matcher(code);
        return spare.matches() ? Optional.of(spare(Integer.parseInt(spare.group(1)))) : Optional.empty();
    }

    /**
     * Reads a code such as {@code 2LO}.
     *
     * @throws IllegalArgumentException if {@code code} is no position code
     */
    public static Position parse(String code) {
        return find(code)
                .orElseThrow(() -> new IllegalArgumentException(
                        "\"" + code + "\" is no position; write axle, side and place, such as 1L, 2RO or S1"));
    }

    /** Whether this is a spare, which carries no load. */
    public boolean isSpare() {
        return slot == Slot.SPARE;
    }

    /** Whether the two make a twin pair. */
    public boolean isTwinOf(Position other) {
        return slot != Slot.SINGLE && !isSpare() && axle == other.axle && side == other.side && slot != other.slot;
    }

    /** The code, such as {@code 2LO}. */
    public String code() {
        return isSpare() ? "S" + spare : axle + (side == Side.LEFT ? "L" : "R") + slot.letter;
    }

    /** The position in words, such as {@code "axle 2 left outer"}. */
    public String words() {
        if (isSpare()) {
            return "spare " + spare;
        }
        String place =
                switch (slot) {
                    case OUTER -> " outer";
                    case INNER -> " inner";
                    default -> "";
                };
        return "axle " + axle + (side == Side.LEFT ? " left" : " right") + place;
    }

    @Override
    public String toString() {
        return code();
    }
}
