package vividcaravan.server.fleet;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.limits.Basis;
import vividcaravan.core.limits.LimitOverrides;

/** The columns of a table that keeps limits; what is null is inherited. */
@Embeddable
class LimitColumns {

    @Enumerated(EnumType.STRING)
    Basis basis;

    Double lowPct;
    Double lowCriticalPct;
    Double highPct;

    @Column(name = "temperature_c")
    Double temperatureC;

    @Column(name = "temperature_critical_c")
    Double temperatureCriticalC;

    static LimitColumns of(LimitOverrides limits) {
        LimitColumns columns = new LimitColumns();
        columns.basis = limits.basis();
        columns.lowPct = limits.lowPct();
        columns.lowCriticalPct = limits.lowCriticalPct();
        columns.highPct = limits.highPct();
        columns.temperatureC = limits.temperatureC();
        columns.temperatureCriticalC = limits.temperatureCriticalC();
        return columns;
    }

    /** What {@code columns} keep; where all are null they come back as null themselves. */
    static LimitOverrides limits(@Nullable LimitColumns columns) {
        return columns == null
                ? LimitOverrides.NONE
                : new LimitOverrides(
                        columns.basis,
                        columns.lowPct,
                        columns.lowCriticalPct,
                        columns.highPct,
                        columns.temperatureC,
                        columns.temperatureCriticalC);
    }
}
