package vividcaravan.server.mail;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "outgoing_mail")
class OutgoingMailRow {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String recipient;
    String subject;
    String text;

    @Enumerated(EnumType.STRING)
    MailState state;

    boolean isDemo;
    int tries;
    Instant nextTryAt;
    String trouble;
    Instant writtenAt;
    Instant sentAt;
}
