package vividcaravan.server.fleet;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.ZoneId;

@Entity
@Table(name = "depot")
class DepotRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "depot_seq")
    @SequenceGenerator(name = "depot_seq", sequenceName = "depot_seq", allocationSize = 1)
    long id;

    String name;
    String timeZone;

    @Column(name = "altitude_m")
    double altitudeM;

    String phone;

    DepotDescription description() {
        return new DepotDescription(name, ZoneId.of(timeZone), altitudeM, phone);
    }
}
