package vividcaravan.server.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.VehicleUse;

@Entity
@Table(name = "vehicle")
class VehicleRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "vehicle_seq")
    @SequenceGenerator(name = "vehicle_seq", sequenceName = "vehicle_seq", allocationSize = 50)
    long id;

    String ref;

    @Enumerated(EnumType.STRING)
    VehicleKind kind;

    String plate;
    Long depotId;
    int spares;

    @Enumerated(EnumType.STRING)
    DutyProfile duty;

    @Enumerated(EnumType.STRING)
    VehicleState state;

    String stateReason;

    @Enumerated(EnumType.STRING)
    VehicleUse useNow;

    int revision;
}
