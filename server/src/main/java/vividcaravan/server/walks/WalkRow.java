package vividcaravan.server.walks;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "walk")
class WalkRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "walk_seq")
    @SequenceGenerator(name = "walk_seq", sequenceName = "walk_seq", allocationSize = 1)
    Long id;

    long vehicleId;
    String walkedBy;
    Instant walkedAt;
    /** How many were found. */
    int faults;
}
