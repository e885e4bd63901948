package vividcaravan.server.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import vividcaravan.core.coupling.Coupling;

/** A vehicle hooked behind another for a time; times are epoch milliseconds. */
@Entity
@Table(name = "coupling")
public class CouplingRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "coupling_seq")
    @SequenceGenerator(name = "coupling_seq", sequenceName = "coupling_seq", allocationSize = 1)
    public Long id;

    public long pulledId;
    public long pullerId;
    public long fromAt;
    /** Null while it lasts. */
    public Long toAt;

    @Enumerated(EnumType.STRING)
    public Coupling.Source source;

    public String begunBy;

    @Enumerated(EnumType.STRING)
    public Coupling.Source endedSource;

    public String endedBy;

    public Coupling coupling() {
        return new Coupling(id, pulledId, pullerId, fromAt, toAt == null ? Coupling.OPEN : toAt, source);
    }
}
