package vividcaravan.server.tyres;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "tyre_repair")
public class TyreRepairRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "tyre_repair_seq")
    @SequenceGenerator(name = "tyre_repair_seq", sequenceName = "tyre_repair_seq", allocationSize = 1)
    public Long id;

    public long tyreId;
    public Instant repairedAt;
    public String what;
    /** Who repaired it, in people's words. */
    public String repairer;
    /** The user name of who wrote it down. */
    public String who;
}
