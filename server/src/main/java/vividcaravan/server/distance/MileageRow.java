package vividcaravan.server.distance;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import vividcaravan.core.tyres.Mileage;

/** How far a vehicle has run, as it was last told. */
@Entity
@Table(name = "vehicle_mileage")
class MileageRow {
    @Id
    long vehicleId;

    long toldAt;
    double odometerKm;
    double ranKm;

    static MileageRow of(long vehicle, Mileage mileage) {
        MileageRow row = new MileageRow();
        row.vehicleId = vehicle;
        row.toldAt = mileage.at();
        row.odometerKm = mileage.odometerKm();
        row.ranKm = mileage.ranKm();
        return row;
    }

    Mileage mileage() {
        return new Mileage(toldAt, odometerKm, ranKm);
    }
}
