package vividcaravan.server.duty;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;

@Entity
@Table(name = "duty_shift")
class ShiftRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "duty_shift_seq")
    @SequenceGenerator(name = "duty_shift_seq", sequenceName = "duty_shift_seq", allocationSize = 1)
    Long id;

    String depot;
    int number;
    String who;
    int weekday;
    int fromMinute;
    int toMinute;
}
