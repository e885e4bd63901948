package vividcaravan.server.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import vividcaravan.core.alert.Outage;
import vividcaravan.core.axles.Position;

/** A wheel, an axle or a vehicle out of service. */
@Entity
@Table(name = "outage")
public class OutageRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "outage_seq")
    @SequenceGenerator(name = "outage_seq", sequenceName = "outage_seq", allocationSize = 1)
    public Long id;

    public long vehicleId;
    /** Null for one wheel or the vehicle. */
    public Integer axle;
    /** Null for an axle or the vehicle. */
    public String position;

    public String reason;
    public Instant untilAt;
    public String begunBy;
    public Instant begunAt;
    /** Null while it lasts. */
    public Instant endedAt;

    public Outage outage() {
        return new Outage(
                id, axle, position == null ? null : Position.parse(position), reason, untilAt.toEpochMilli(), begunBy);
    }
}
