package vividcaravan.core.limits;

import java.util.Arrays;
import java.util.Optional;

/**
 * The limits of an axle by name, with all that is known of one before anybody sets it. What keeps, inherits, changes,
 * shows, reads or writes limits goes through these names and does not know which there are.
 */
public enum LimitName {
    BASIS("basis", "judged", Unit.NONE, 0, 0, 0),
    LOW_PCT("lowPct", "first limit", Unit.BELOW_TARGET, 0, 100, 10),
    LOW_CRITICAL_PCT("lowCriticalPct", "second limit", Unit.BELOW_TARGET, 0, 100, 20),
    HIGH_PCT("highPct", "over", Unit.OVER_TARGET, 0, 200, 15),
    TEMPERATURE_C("temperatureC", "hot", Unit.CELSIUS, 30, 150, 70),
    TEMPERATURE_CRITICAL_C("temperatureCriticalC", "hot, stop", Unit.CELSIUS, 30, 150, 85),
    REFERENCE_C("referenceC", "targets hold at", Unit.CELSIUS, -30, 40, 20);

    /** What a limit is counted in. */
    public enum Unit {
        /** It is a {@link Basis}. */
        NONE(""),
        /** Per cent of the target, below it. */
        BELOW_TARGET("%"),
        /** Per cent of the target, over it. */
        OVER_TARGET("%"),
        CELSIUS("°C");

        private final String symbol;

        Unit(String symbol) {
            this.symbol = symbol;
        }

        /** As it is written; empty for none. */
        public String symbol() {
            return symbol;
        }
    }

    private final String field;
    private final String words;
    private final Unit unit;
    private final double least;
    private final double most;
    private final double preset;

    LimitName(String field, String words, Unit unit, double least, double most, double preset) {
        this.field = field;
        this.words = words;
        this.unit = unit;
        this.least = least;
        this.most = most;
        this.preset = preset;
    }

    /** Its name in the fleet document and in the interface. */
    public String field() {
        return field;
    }

    /** As a reader calls it. */
    public String words() {
        return words;
    }

    /** What it is counted in. */
    public Unit unit() {
        return unit;
    }

    /** The lowest figure that is read at all, in its unit; what makes sense beside the others is {@link LimitPolicy}'s. */
    public double least() {
        return least;
    }

    /** The highest. */
    public double most() {
        return most;
    }

    /** What a fleet starts from: a figure in its unit, or a basis. */
    Object preset() {
        return this == BASIS ? Basis.COMPENSATED : (Object) preset;
    }

    /** The limit that the fleet document calls {@code field}; empty if it calls none so. */
    public static Optional<LimitName> of(String field) {
        return Arrays.stream(values()).filter(name -> name.field.equals(field)).findFirst();
    }

    /** This limit of {@code limits} as text: a basis' name, per cent or °C; empty where it is inherited. */
    public Optional<String> text(LimitOverrides limits) {
        return limits.value(this).map(Object::toString);
    }

    /**
     * {@code limits} with this one as {@link #text} gave it, or inherited where {@code text} is empty.
     *
     * @throws IllegalArgumentException if the text is none that {@link #text} gives
     */
    public LimitOverrides with(LimitOverrides limits, Optional<String> text) {
        return limits.with(
                this,
                text.map(one -> this == BASIS ? Basis.valueOf(one) : (Object) Double.valueOf(one))
                        .orElse(null));
    }
}
