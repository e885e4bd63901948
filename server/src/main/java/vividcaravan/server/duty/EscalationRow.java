package vividcaravan.server.duty;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "escalation")
class EscalationRow {
    @Id
    long alertId;

    /** When the alert called, which tells one call from the next. */
    long calledAt;

    /** The step taken last, from 0. */
    int step;

    long steppedAt;
}
