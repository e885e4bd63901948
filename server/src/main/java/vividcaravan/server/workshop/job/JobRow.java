package vividcaravan.server.workshop.job;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.fitting.WalkOrder;

@Entity
@Table(name = "job")
class JobRow {
    @Id
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
