package vividcaravan.core.limits;

import java.util.List;

/**
 * The limits that one axle sets for itself; whatever is null is inherited.
 *
 * @param basis see {@link LimitPolicy}; so are the others
 */
public record LimitOverrides(
        Basis basis,
        Double lowPct,
        Double lowCriticalPct,
        Double highPct,
        Double temperatureC,
        Double temperatureCriticalC) {

    /** An axle that inherits everything. */
    public static final LimitOverrides NONE = new LimitOverrides(null, null, null, null, null, null);

    /** The names of all limits, as the fleet document names them. */
    public static final List<String> NAMES =
            List.of("basis", "lowPct", "lowCriticalPct", "highPct", "temperatureC", "temperatureCriticalC");

    /** Every limit as {@code policy} has it. */
    public static LimitOverrides of(LimitPolicy policy) {
        return new LimitOverrides(
                policy.basis(),
                policy.lowPct(),
                policy.lowCriticalPct(),
                policy.highPct(),
                policy.temperatureC(),
                policy.temperatureCriticalC());
    }

    /** The limit called {@code name}, or null if it is inherited. */
    Object value(String name) {
        return switch (name) {
            case "basis" -> basis;
            case "lowPct" -> lowPct;
            case "lowCriticalPct" -> lowCriticalPct;
            case "highPct" -> highPct;
            case "temperatureC" -> temperatureC;
            case "temperatureCriticalC" -> temperatureCriticalC;
            default -> throw new IllegalArgumentException("no limit is called " + name);
        };
    }

    /** Names of the limits that are the axle's own, as the fleet document names them. */
    public List<String> names() {
        return NAMES.stream().filter(name -> value(name) != null).toList();
    }

    /** Whether nothing is set. */
    public boolean isEmpty() {
        return equals(NONE);
    }

    /** What would be wrong with these limits over {@code policy}; empty if they can stand. */
    public List<LimitFault> faultsOver(LimitPolicy policy) {
        return LimitPolicy.faults(
                or(lowPct, policy.lowPct()),
                or(lowCriticalPct, policy.lowCriticalPct()),
                or(highPct, policy.highPct()),
                or(temperatureC, policy.temperatureC()),
                or(temperatureCriticalC, policy.temperatureCriticalC()));
    }

    /**
     * These limits with the gaps filled from {@code policy}.
     *
     * @throws IllegalArgumentException if the result cannot stand, see {@link #faultsOver}
     */
    public LimitPolicy over(LimitPolicy policy) {
        return new LimitPolicy(
                basis == null ? policy.basis() : basis,
                or(lowPct, policy.lowPct()),
                or(lowCriticalPct, policy.lowCriticalPct()),
                or(highPct, policy.highPct()),
                or(temperatureC, policy.temperatureC()),
                or(temperatureCriticalC, policy.temperatureCriticalC()));
    }

    private static double or(Double own, double inherited) {
        return own == null ? inherited : own;
    }
}
