package vividcaravan.server.workshop.job;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.fitting.WalkOrder;

@Entity
@Table(name = "job")
class JobRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "job_seq")
    @SequenceGenerator(name = "job_seq", sequenceName = "job_seq", allocationSize = 1)
    long id;

    long vehicleId;

    @Enumerated(EnumType.STRING)
    MountKind mount;

    @Enumerated(EnumType.STRING)
    WalkOrder walk;

    @Enumerated(EnumType.STRING)
    JobState state;

    long openedAt;
    String openedBy;
    Long closedAt;
    String closedBy;
}
