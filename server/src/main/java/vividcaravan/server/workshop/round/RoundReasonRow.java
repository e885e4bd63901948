package vividcaravan.server.workshop.round;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "round_reason")
class RoundReasonRow {
    @Id
    long id;

    long roundId;
    long vehicleId;
    String position;
    long at;
    String who;
    String reason;
}
