package vividcaravan.server.wheels;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import vividcaravan.core.limits.AxleLimits;

@Entity
@Table(name = "limit_change")
class LimitChangeRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "limit_change_seq")
    @SequenceGenerator(name = "limit_change_seq", sequenceName = "limit_change_seq", allocationSize = 50)
    long id;

    long vehicleId;
    int axle;
    long at;
    double targetBeforeKpa;
    double targetAfterKpa;
    double lowBeforeKpa;
    double lowAfterKpa;
    double criticalBeforeKpa;
    double criticalAfterKpa;

    static LimitChangeRow of(long vehicleId, int axle, long at, AxleLimits before, AxleLimits after) {
        LimitChangeRow row = new LimitChangeRow();
        row.vehicleId = vehicleId;
        row.axle = axle;
        row.at = at;
        row.targetBeforeKpa = before.targetKpa();
        row.targetAfterKpa = after.targetKpa();
        row.lowBeforeKpa = before.lowKpa();
        row.lowAfterKpa = after.lowKpa();
        row.criticalBeforeKpa = before.lowCriticalKpa();
        row.criticalAfterKpa = after.lowCriticalKpa();
        return row;
    }
}
