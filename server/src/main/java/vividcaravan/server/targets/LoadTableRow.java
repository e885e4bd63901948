package vividcaravan.server.targets;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;

@Entity
@Table(name = "load_table")
class LoadTableRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "load_table_seq")
    @SequenceGenerator(name = "load_table_seq", sequenceName = "load_table_seq", allocationSize = 1)
    long id;

    String tyreSize;
    String source;
    Integer speedKmh;
    long enteredAt;
    String enteredBy;
    String payload;
}
