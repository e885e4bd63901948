package vividcaravan.server.drivers;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import vividcaravan.core.words.Language;

@Entity
@Table(name = "instruction")
class InstructionRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "instruction_seq")
    @SequenceGenerator(name = "instruction_seq", sequenceName = "instruction_seq", allocationSize = 1)
    Long id;

    long alertId;
    String driver;

    @Enumerated(EnumType.STRING)
    Language language;

    /** As it was sent. */
    String text;

    String toldBy;
    Instant toldAt;
    /** Null where no mail was sent. */
    String email;

    Long mailId;
    /** Null where no text message was sent. */
    String phone;

    Long textId;
}
