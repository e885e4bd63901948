package vividcaravan.server.vehicles;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import vividcaravan.core.axles.MountKind;

@Entity
@Table(name = "sensor_make")
class SensorMakeRow {
    @Id
    @Enumerated(EnumType.STRING)
    MountKind mount;

    boolean vented;
    Double rangeKpa;
}
