package vividcaravan.core.limits;

import java.util.Arrays;
import java.util.Optional;

/** The limits of an axle by name, so that one of them can be read and replaced without knowing which it is. */
public enum LimitName {
    BASIS("basis", "held against", ""),
    LOW_PCT("lowPct", "low limit", "%"),
    LOW_CRITICAL_PCT("lowCriticalPct", "low limit that stops", "%"),
    HIGH_PCT("highPct", "high limit", "%"),
    TEMPERATURE_C("temperatureC", "warm limit", "°C"),
    TEMPERATURE_CRITICAL_C("temperatureCriticalC", "hot limit that stops", "°C");

    private final String field;
    private final String words;
    private final String unit;

    LimitName(String field, String words, String unit) {
        this.field = field;
        this.words = words;
        this.unit = unit;
    }

    /** Its name in the fleet document. */
    public String field() {
        return field;
    }

    /** As a reader calls it. */
    public String words() {
        return words;
    }

    /** Unit of its figure: per cent of the target, or °C; empty for a basis. */
    public Optional<String> unit() {
        return unit.isEmpty() ? Optional.empty() : Optional.of(unit);
    }

    /** The limit that the fleet document calls {@code field}; empty if it calls none so. */
    public static Optional<LimitName> of(String field) {
        return Arrays.stream(values()).filter(name -> name.field.equals(field)).findFirst();
    }

    /** This limit of {@code limits} as text: a basis' name, per cent or °C; empty where it is inherited. */
    public Optional<String> text(LimitOverrides limits) {
        return Optional.ofNullable(limits.value(field)).map(Object::toString);
    }

    /**
     * {@code limits} with this one as {@link #text} gave it, or inherited where {@code text} is empty.
     *
     * @throws IllegalArgumentException if the text is none that {@link #text} gives
     */
    public LimitOverrides with(LimitOverrides limits, Optional<String> text) {
        Double number = this == BASIS ? null : text.map(Double::valueOf).orElse(null);
        return new LimitOverrides(
                this == BASIS ? text.map(Basis::valueOf).orElse(null) : limits.basis(),
                this == LOW_PCT ? number : limits.lowPct(),
                this == LOW_CRITICAL_PCT ? number : limits.lowCriticalPct(),
                this == HIGH_PCT ? number : limits.highPct(),
                this == TEMPERATURE_C ? number : limits.temperatureC(),
                this == TEMPERATURE_CRITICAL_C ? number : limits.temperatureCriticalC());
    }
}
