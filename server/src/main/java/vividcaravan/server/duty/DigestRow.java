package vividcaravan.server.duty;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;

@Entity
@Table(name = "digest")
class DigestRow {
    @Id
    String depot;

    LocalDate lastDay;
}
