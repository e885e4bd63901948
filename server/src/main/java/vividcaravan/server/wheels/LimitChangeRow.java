package vividcaravan.server.wheels;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import vividcaravan.core.limits.AxleLimits;

@Entity
@Table(name = "limit_change")
class LimitChangeRow {
    @Id
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

    static LimitChangeRow of(long id, long vehicleId, int axle, long at, AxleLimits before, AxleLimits after) {
        LimitChangeRow row = new LimitChangeRow();
        row.id = id;
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
