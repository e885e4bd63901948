package vividcaravan.core.limits;

import java.util.Collections;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The limits that one axle, or one level above it, sets for itself; every other is inherited. */
public final class LimitOverrides {

    /** Inherits everything. */
    public static final LimitOverrides NONE = new LimitOverrides(Map.of());

    private final Map<LimitName, Object> set;

    private LimitOverrides(Map<LimitName, Object> set) {
        Map<LimitName, Object> sorted = new EnumMap<>(LimitName.class);
        sorted.putAll(set);
        this.set = Collections.unmodifiableMap(sorted);
    }

    /** Every limit as {@code policy} has it. */
    public static LimitOverrides of(LimitPolicy policy) {
        return policy.all();
    }

    /**
     * Limits by the names of the fleet document; null is inherited.
     *
     * @throws IllegalArgumentException if there is no such limit, or it is no number or no basis; says which and what is
     *     allowed
     */
    public static LimitOverrides read(Map<String, ?> byField) {
        LimitOverrides read = NONE;
        for (Map.Entry<String, ?> entry : byField.entrySet()) {
            LimitName name = LimitName.of(entry.getKey())
                    .orElseThrow(() -> new IllegalArgumentException("There is no limit \"" + entry.getKey()
                            + "\". Known are: " + String.join(", ", fields()) + "."));
            Object value = entry.getValue();
            if (value != null) {
                read = read.with(name, name == LimitName.BASIS ? basis(value) : number(name, value));
            }
        }
        return read;
    }

    private static Object basis(Object value) {
        for (Basis basis : Basis.values()) {
            if (basis == value || basis.name().equals(value)) {
                return basis;
            }
        }
        throw new IllegalArgumentException("\"basis\" must be COMPENSATED or GAUGE, was \"" + value + "\".");
    }

    private static Object number(LimitName name, Object value) {
        if (value instanceof Number number && Double.isFinite(number.doubleValue())) {
            return number.doubleValue();
        }
        throw new IllegalArgumentException("\"" + name.field() + "\" must be a number, was \"" + value + "\".");
    }

    private static List<String> fields() {
        return List.of(LimitName.values()).stream().map(LimitName::field).toList();
    }

    /** Those that are set, by the names of the fleet document: a {@link Basis}, or a number in the limit's unit. */
    public Map<String, Object> byField() {
        Map<String, Object> byField = new LinkedHashMap<>();
        set.forEach((name, value) -> byField.put(name.field(), value));
        return byField;
    }

    /** One limit, a {@link Basis} or a {@link Double} in its unit; empty if it is inherited. */
    public Optional<Object> value(LimitName name) {
        return Optional.ofNullable(set.get(name));
    }

    /** These with one of them other: {@code value} as {@link #value} gives it, or null to inherit it. */
    public LimitOverrides with(LimitName name, Object value) {
        Map<LimitName, Object> other = new EnumMap<>(LimitName.class);
        other.putAll(set);
        if (value == null) {
            other.remove(name);
        } else {
            other.put(name, value);
        }
        return new LimitOverrides(other);
    }

    /** These, and what {@code others} set in place of them. */
    public LimitOverrides and(LimitOverrides others) {
        Map<LimitName, Object> both = new EnumMap<>(LimitName.class);
        both.putAll(set);
        both.putAll(others.set);
        return new LimitOverrides(both);
    }

    /** The limits that are set. */
    public Set<LimitName> names() {
        return set.keySet();
    }

    /** Whether nothing is set. */
    public boolean isEmpty() {
        return set.isEmpty();
    }

    /** What would be wrong with these limits over {@code policy}; empty if they can stand. */
    public List<LimitFault> faultsOver(LimitPolicy policy) {
        return LimitPolicy.faults(policy.all().and(this));
    }

    /**
     * These limits with the gaps filled from {@code policy}.
     *
     * @throws IllegalArgumentException if the result cannot stand, see {@link #faultsOver}
     */
    public LimitPolicy over(LimitPolicy policy) {
        return isEmpty() ? policy : new LimitPolicy(policy.all().and(this));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof LimitOverrides limits && set.equals(limits.set);
    }

    @Override
    public int hashCode() {
        return set.hashCode();
    }

    @Override
    public String toString() {
        return byField().toString();
    }
}
