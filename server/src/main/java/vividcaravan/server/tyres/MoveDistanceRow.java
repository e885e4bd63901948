package vividcaravan.server.tyres;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.util.List;
import vividcaravan.server.writer.View;

/** How far a vehicle had run, km, when wheels of it were moved. */
@Entity
@Table(name = "wheel_move_distance")
public class MoveDistanceRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "wheel_move_distance_seq")
    @SequenceGenerator(name = "wheel_move_distance_seq", sequenceName = "wheel_move_distance_seq", allocationSize = 1)
    public Long id;

    public long moveId;
    public long vehicleId;
    public double km;

    public static MoveDistanceRow of(long move, long vehicle, double km) {
        MoveDistanceRow row = new MoveDistanceRow();
        row.moveId = move;
        row.vehicleId = vehicle;
        row.km = km;
        return row;
    }

    /** Those of a move. */
    public static List<MoveDistanceRow> of(View view, long move) {
        return view.select("from MoveDistanceRow where moveId = :move order by id", MoveDistanceRow.class)
                .setParameter("move", move)
                .getResultList();
    }
}
