package vividcaravan.server.fleet;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.limits.Basis;
import vividcaravan.core.limits.LimitName;
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

    @Column(name = "reference_c")
    Double referenceC;

    static LimitColumns of(LimitOverrides limits) {
        LimitColumns columns = new LimitColumns();
        columns.basis = (Basis) limits.value(LimitName.BASIS).orElse(null);
        columns.lowPct = number(limits, LimitName.LOW_PCT);
        columns.lowCriticalPct = number(limits, LimitName.LOW_CRITICAL_PCT);
        columns.highPct = number(limits, LimitName.HIGH_PCT);
        columns.temperatureC = number(limits, LimitName.TEMPERATURE_C);
        columns.temperatureCriticalC = number(limits, LimitName.TEMPERATURE_CRITICAL_C);
        columns.referenceC = number(limits, LimitName.REFERENCE_C);
        return columns;
    }

    private static @Nullable Double number(LimitOverrides limits, LimitName name) {
        return (Double) limits.value(name).orElse(null);
    }

    /** What {@code columns} keep; where all are null they come back as null themselves. */
    static LimitOverrides limits(@Nullable LimitColumns columns) {
        return columns == null
                ? LimitOverrides.NONE
                : LimitOverrides.NONE
                        .with(LimitName.BASIS, columns.basis)
                        .with(LimitName.LOW_PCT, columns.lowPct)
                        .with(LimitName.LOW_CRITICAL_PCT, columns.lowCriticalPct)
                        .with(LimitName.HIGH_PCT, columns.highPct)
                        .with(LimitName.TEMPERATURE_C, columns.temperatureC)
                        .with(LimitName.TEMPERATURE_CRITICAL_C, columns.temperatureCriticalC)
                        .with(LimitName.REFERENCE_C, columns.referenceC);
    }
}
