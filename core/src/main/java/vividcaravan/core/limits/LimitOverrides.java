package vividcaravan.core.limits;

import java.util.ArrayList;
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

    /** Names of the limits that are the axle's own, as the fleet document names them. */
    public List<String> names() {
        List<String> names = new ArrayList<>();
        add(names, "basis", basis);
        add(names, "lowPct", lowPct);
        add(names, "lowCriticalPct", lowCriticalPct);
        add(names, "highPct", highPct);
        add(names, "temperatureC", temperatureC);
        add(names, "temperatureCriticalC", temperatureCriticalC);
        return names;
    }

    private static void add(List<String> names, String name, Object value) {
        if (value != null) {
            names.add(name);
        }
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
