package vividcaravan.server.vehicles;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.limits.Basis;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.LimitOverrides;

/** The fleet's policy, or, with a kind and a role, a template. */
@Entity
@Table(name = "limit_level")
class LimitLevelRow {
    @Id
    long id;

    @Enumerated(EnumType.STRING)
    VehicleKind kind;

    @Enumerated(EnumType.STRING)
    AxleRole role;

    @Enumerated(EnumType.STRING)
    Basis basis;

    Double lowPct;
    Double lowCriticalPct;
    Double highPct;

    @Column(name = "temperature_c")
    Double temperatureC;

    @Column(name = "temperature_critical_c")
    Double temperatureCriticalC;

    static LimitLevelRow of(long id, LimitBook.Kin kin, LimitOverrides limits) {
        LimitLevelRow row = new LimitLevelRow();
        row.id = id;
        row.kind = kin == null ? null : kin.kind();
        row.role = kin == null ? null : kin.role();
        row.basis = limits.basis();
        row.lowPct = limits.lowPct();
        row.lowCriticalPct = limits.lowCriticalPct();
        row.highPct = limits.highPct();
        row.temperatureC = limits.temperatureC();
        row.temperatureCriticalC = limits.temperatureCriticalC();
        return row;
    }

    boolean isPolicy() {
        return kind == null;
    }

    LimitBook.Kin kin() {
        return new LimitBook.Kin(kind, role);
    }

    LimitOverrides limits() {
        return new LimitOverrides(basis, lowPct, lowCriticalPct, highPct, temperatureC, temperatureCriticalC);
    }
}
