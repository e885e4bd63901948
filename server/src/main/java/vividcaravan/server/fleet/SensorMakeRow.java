package vividcaravan.server.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import vividcaravan.core.axles.MountKind;

@Entity
@Table(name = "sensor_make")
public class SensorMakeRow {
    @Id
    @Enumerated(EnumType.STRING)
    public MountKind mount;

    public boolean vented;
    public Double rangeKpa;
}
