package vividcaravan.server.targets;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "load_table")
class LoadTableRow {
    @Id
    long id;

    String tyreSize;
    String source;
    Integer speedKmh;
    long enteredAt;
    String enteredBy;
    String payload;
}
