package vividcaravan.server.fleet;

import com.fasterxml.jackson.annotation.JsonInclude;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.limits.Basis;
import vividcaravan.core.limits.LimitOverrides;

/** Limits that an axle sets for itself; what is null is inherited. */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record LimitsEntry(
        @Nullable Basis basis,
        @Nullable Double lowPct,
        @Nullable Double lowCriticalPct,
        @Nullable Double highPct,
        @Nullable Double temperatureC,
        @Nullable Double temperatureCriticalC) {

    /** The same for the judge. */
    public LimitOverrides overrides() {
        return new LimitOverrides(basis, lowPct, lowCriticalPct, highPct, temperatureC, temperatureCriticalC);
    }

    /** The same for a document or a page; null where nothing is set. */
    public static @Nullable LimitsEntry of(LimitOverrides overrides) {
        return overrides.isEmpty()
                ? null
                : new LimitsEntry(
                        overrides.basis(),
                        overrides.lowPct(),
                        overrides.lowCriticalPct(),
                        overrides.highPct(),
                        overrides.temperatureC(),
                        overrides.temperatureCriticalC());
    }
}
