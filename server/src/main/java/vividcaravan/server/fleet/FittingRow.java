package vividcaravan.server.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;

@Entity
@Table(name = "fitting")
public class FittingRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "fitting_seq")
    @SequenceGenerator(name = "fitting_seq", sequenceName = "fitting_seq", allocationSize = 500)
    long id;

    long sensorId;
    long vehicleId;
    String position;
    long fittedAt;
    long removedAt;

    public static FittingRow of(Fitting fitting) {
        FittingRow row = new FittingRow();
        row.sensorId = fitting.sensor();
        row.vehicleId = fitting.vehicle();
        row.position = fitting.position().code();
        row.fittedAt = fitting.from();
        row.removedAt = fitting.to();
        return row;
    }

    Fitting fitting() {
        return new Fitting(sensorId, vehicleId, Position.parse(position), fittedAt, removedAt);
    }
}
