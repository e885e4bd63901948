package vividcaravan.server.fleet;

import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
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
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "limit_level_seq")
    @SequenceGenerator(name = "limit_level_seq", sequenceName = "limit_level_seq", allocationSize = 1)
    long id;

    @Enumerated(EnumType.STRING)
    VehicleKind kind;

    @Enumerated(EnumType.STRING)
    AxleRole role;

    @Embedded
    LimitColumns limits;

    static LimitLevelRow of(LimitBook.Kin kin, LimitOverrides limits) {
        LimitLevelRow row = new LimitLevelRow();
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
