package vividcaravan.server.duty;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.LocalDate;

@Entity
@Table(name = "duty_replacement")
class ReplacementRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "duty_replacement_seq")
    @SequenceGenerator(name = "duty_replacement_seq", sequenceName = "duty_replacement_seq", allocationSize = 1)
    Long id;

    String depot;
    int number;
    LocalDate onDate;
    String who;
    String instead;
}
