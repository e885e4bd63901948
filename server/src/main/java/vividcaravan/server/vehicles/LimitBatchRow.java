package vividcaravan.server.vehicles;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "limit_batch")
class LimitBatchRow {
    @Id
    long id;

    long at;
    String who;
    String words;
    Long undoneAt;
    String kept;
}
