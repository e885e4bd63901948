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

    /** How many steps were taken before the last. */
    int step;

    /** User names of those who were called since it began, or began again; a line each. */
    String called = "";

    long steppedAt;
}
