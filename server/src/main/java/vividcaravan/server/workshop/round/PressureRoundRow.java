package vividcaravan.server.workshop.round;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;

@Entity
@Table(name = "pressure_round")
class PressureRoundRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "pressure_round_seq")
    @SequenceGenerator(name = "pressure_round_seq", sequenceName = "pressure_round_seq", allocationSize = 1)
    long id;

    @Enumerated(EnumType.STRING)
    RoundState state;

    long openedAt;
    String openedBy;
    Long closedAt;
    String closedBy;

    /** As somebody said; null to go by the coolest tyre. */
    @Column(name = "air_c")
    Double airC;

    /** Identities of the vehicles, as JSON. */
    String vehicles;

    /** The sheet as it was when the round ended, as JSON; null while it is open. */
    String sheet;
}
