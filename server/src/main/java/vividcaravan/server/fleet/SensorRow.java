package vividcaravan.server.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import vividcaravan.core.axles.MountKind;

@Entity
@Table(name = "sensor")
class SensorRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "sensor_seq")
    @SequenceGenerator(name = "sensor_seq", sequenceName = "sensor_seq", allocationSize = 500)
    long id;

    String code;

    @Enumerated(EnumType.STRING)
    MountKind mount;

    String retiredBecause;

    Instant clockWrongAt;
    byte[] newestReading;
    Long newestJudgedAt;
}
