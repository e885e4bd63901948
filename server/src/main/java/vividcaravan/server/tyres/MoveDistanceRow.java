package vividcaravan.server.tyres;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import vividcaravan.core.tyres.Odometer;
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

    /** Those of these moves, by move. */
    public static Map<Long, List<MoveDistanceRow>> of(View view, Collection<Long> moves) {
        return view
                .select("from MoveDistanceRow where moveId in :moves order by id", MoveDistanceRow.class)
                .setParameter("moves", moves)
                .getResultList()
                .stream()
                .collect(Collectors.groupingBy(row -> row.moveId));
    }

    /** How far a vehicle had run at every move that stands. */
    public static List<Odometer> ofVehicle(View view, long vehicle) {
        return view
                .select(
                        "select m.movedAt, d.km from MoveDistanceRow d join MoveRow m on m.id = d.moveId"
                                + " where d.vehicleId = :vehicle and m.undoneAt is null",
                        Object[].class)
                .setParameter("vehicle", vehicle)
                .getResultList()
                .stream()
                .map(row -> new Odometer((Long) row[0], (Double) row[1]))
                .toList();
    }
}
