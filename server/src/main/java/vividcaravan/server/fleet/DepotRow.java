package vividcaravan.server.fleet;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.ZoneId;

@Entity
@Table(name = "depot")
class DepotRow {
    @Id
    long id;

    String name;
    String timeZone;

    @Column(name = "altitude_m")
    double altitudeM;

    DepotDescription description() {
        return new DepotDescription(name, ZoneId.of(timeZone), altitudeM);
    }
}
