package vividcaravan.server.workshop.round;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;

@Entity
@Table(name = "round_reason")
class RoundReasonRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "round_reason_seq")
    @SequenceGenerator(name = "round_reason_seq", sequenceName = "round_reason_seq", allocationSize = 1)
    long id;

    long roundId;
    long vehicleId;
    String position;
    long at;
    String who;
    String reason;
}
