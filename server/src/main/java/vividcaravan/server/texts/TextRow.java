package vividcaravan.server.texts;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "outgoing_text")
class TextRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "outgoing_text_seq")
    @SequenceGenerator(name = "outgoing_text_seq", sequenceName = "outgoing_text_seq", allocationSize = 1)
    Long id;

    String recipient;
    String text;

    @Enumerated(EnumType.STRING)
    TextState state;

    boolean isDemo;
    int tries;
    Instant nextTryAt;
    String trouble;
    Instant writtenAt;
    Instant sentAt;
}
