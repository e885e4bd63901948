package vividcaravan.server.vehicles;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.Adjustment;

@Entity
@Table(name = "adjustment")
class AdjustmentRow {
    @Id
    long id;

    long vehicleId;
    String position;
    long at;
    Double beforeKpa;
    Double afterKpa;
    String who;
    String note;

    Adjustment adjustment() {
        return new Adjustment(Position.parse(position), at, beforeKpa, afterKpa);
    }
}
