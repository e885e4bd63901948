package vividcaravan.server.tyres;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import vividcaravan.core.tyres.TyreStay;

@Entity
@Table(name = "tyre_stay")
public class TyreStayRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "tyre_stay_seq")
    @SequenceGenerator(name = "tyre_stay_seq", sequenceName = "tyre_stay_seq", allocationSize = 50)
    public Long id;

    public long tyreId;
    public String kind;
    public Long vehicleId;
    public String position;
    public String place;
    public Long sensorId;
    public long fromAt;
    public long toAt;

    public static TyreStayRow of(TyreStay stay) {
        TyreStayRow row = new TyreStayRow();
        PlaceColumns place = PlaceColumns.of(stay.place());
        row.tyreId = stay.tyre();
        row.kind = place.kind();
        row.vehicleId = place.vehicle();
        row.position = place.position();
        row.place = place.name();
        row.sensorId = stay.sensor();
        row.fromAt = stay.from();
        row.toAt = stay.to();
        return row;
    }

    public TyreStay stay() {
        return new TyreStay(tyreId, new PlaceColumns(kind, vehicleId, position, place).place(), sensorId, fromAt, toAt);
    }
}
