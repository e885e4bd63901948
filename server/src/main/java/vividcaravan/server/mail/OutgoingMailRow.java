package vividcaravan.server.mail;

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
@Table(name = "outgoing_mail")
class OutgoingMailRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "outgoing_mail_seq")
    @SequenceGenerator(name = "outgoing_mail_seq", sequenceName = "outgoing_mail_seq", allocationSize = 1)
    Long id;

    String recipient;
    String subject;
    String text;

    @Enumerated(EnumType.STRING)
    MailState state;

    boolean isDemo;
    /** Whether calls go before it. */
    boolean canWait;

    int tries;
    Instant nextTryAt;
    String trouble;
    Instant writtenAt;
    Instant sentAt;
}
