package vividcaravan.server.limits;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;

@Entity
@Table(name = "limit_batch")
class LimitBatchRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "limit_batch_seq")
    @SequenceGenerator(name = "limit_batch_seq", sequenceName = "limit_batch_seq", allocationSize = 1)
    long id;

    long at;
    String who;
    String words;
    Long undoneAt;
    /** What it changed, as {@link LimitPlan.Kept}. */
    String kept;

    /** How {@code kept} is written: {@link #FIELDS}; 1 was of an earlier version and cannot be undone. */
    int format;

    static final int FIELDS = 2;
}
