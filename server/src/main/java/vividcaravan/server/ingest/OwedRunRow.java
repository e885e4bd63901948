package vividcaravan.server.ingest;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A vehicle that is to be judged again. */
@Entity
@Table(name = "owed_run")
class OwedRunRow {
    @Id
    public long vehicleId;

    /** Since when for each wheel, epoch milliseconds: {@code 1L=…,1R=…}. */
    public String wheels;

    public Instant askedAt;
    /** Whether the vehicle was held back before the act. */
    public boolean isHeld;
}
