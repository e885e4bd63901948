package vividcaravan.server.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.rules.Adjustment;

@Entity
@Table(name = "adjustment")
public class AdjustmentRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "adjustment_seq")
    @SequenceGenerator(name = "adjustment_seq", sequenceName = "adjustment_seq", allocationSize = 1)
    public long id;

    public long vehicleId;
    public String position;
    public long at;
    public Double beforeKpa;
    public Double afterKpa;
    public String who;
    public String note;

    public Adjustment adjustment() {
        return new Adjustment(Position.parse(position), at, beforeKpa, afterKpa);
    }
}
