package vividcaravan.server.fleet;

import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.VehicleKind;
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

    @Embedded
    LimitColumns limits;

    static LimitLevelRow of(long id, LimitBook.Kin kin, LimitOverrides limits) {
        LimitLevelRow row = new LimitLevelRow();
        row.id = id;
        row.kind = kin == null ? null : kin.kind();
        row.role = kin == null ? null : kin.role();
        row.limits = LimitColumns.of(limits);
        return row;
    }

    boolean isPolicy() {
        return kind == null;
    }

    LimitBook.Kin kin() {
        return new LimitBook.Kin(kind, role);
    }

    LimitOverrides limits() {
        return LimitColumns.limits(limits);
    }
}
