package vividcaravan.server.access;

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
@Table(name = "invitation")
class InvitationRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "invitation_seq")
    @SequenceGenerator(name = "invitation_seq", sequenceName = "invitation_seq", allocationSize = 1)
    Long id;

    String email;

    @Enumerated(EnumType.STRING)
    Role role;

    String secretHash;
    boolean isDemo;
    String invitedBy;
    Instant invitedAt;
    Instant expiresAt;
    Instant usedAt;
    Instant withdrawnAt;

    /** Where the product is reached for whoever invites; null where the letter was written by an earlier version. */
    String address;

    boolean isOpen(Instant now) {
        return usedAt == null && withdrawnAt == null && now.isBefore(expiresAt);
    }
}
