package vividcaravan.server.access;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import vividcaravan.server.mail.Outbox;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;

/** People asked by mail to join: a link that ends after some days, and works once. */
@Service
public class Invitations {

    /** How long a link can be used. */
    static final Duration LASTS = Duration.ofDays(7);

    /**
     * An invitation that was not used yet.
     *
     * @param isExpired whether its link can no longer be used
     */
    public record Invitation(
            String id,
            String email,
            Role role,
            String invitedBy,
            Instant invitedAt,
            Instant expiresAt,
            boolean isExpired) {}

    private final InvitationRepository rows;
    private final Accounts accounts;
    private final Outbox outbox;
    private final Clock clock;
    private final boolean isDemo;

    Invitations(InvitationRepository rows, Accounts accounts, Outbox outbox, Clock clock, VividProperties properties) {
        this.rows = rows;
        this.accounts = accounts;
        this.outbox = outbox;
        this.clock = clock;
        this.isDemo = properties.demo();
    }

    /** Those not used yet, the oldest first. */
    public List<Invitation> waiting() {
        Instant now = clock.instant();
        return rows.findAllByIsDemoAndUsedAtIsNullAndWithdrawnAtIsNullOrderById(isDemo).stream()
                .map(row -> invitation(row, now))
                .toList();
    }

    private static Invitation invitation(InvitationRow row, Instant now) {
        return new Invitation(
                Long.toString(row.id),
                row.email,
                row.role,
                row.invitedBy,
                row.invitedAt,
                row.expiresAt,
                !row.isOpen(now));
    }

    /**
     * Invites somebody; an earlier invitation to the same address ends.
     *
     * @param address where the product is reached, such as {@code https://tyres.example.org}
     * @throws Refusal if the address is none or belongs to somebody on the team, or no role is given
     */
    @Transactional
    public Invitation invite(@Nullable String email, @Nullable Role role, String by, String address) {
        String recipient = Outbox.address("email", email);
        if (role == null) {
            throw Refusal.badRequest("role", "Choose a role: MANAGER, TECHNICIAN, DRIVER or VIEWER.");
        }
        if (accounts.isKnown(recipient)) {
            throw Refusal.conflict("Somebody on the team has the address " + recipient + " already.");
        }
        Instant now = clock.instant();
        rows.findAllByIsDemoAndUsedAtIsNullAndWithdrawnAtIsNullOrderById(isDemo).stream()
                .filter(row -> row.email.equalsIgnoreCase(recipient))
                .forEach(row -> row.withdrawnAt = now);
        String secret = Secret.make();
        InvitationRow row = new InvitationRow();
        row.email = recipient;
        row.role = role;
        row.secretHash = Secret.hash(secret);
        row.isDemo = isDemo;
        row.invitedBy = by;
        row.invitedAt = now;
        row.expiresAt = now.plus(LASTS);
        InvitationRow saved = rows.save(row);
        // Behind a hash, so that no proxy writes it into its log.
        outbox.write(
                recipient,
                "Join the fleet's tyre watch",
                """
                %s asks you to join Vivid Caravan as %s.

                Open this link to choose your name and password:
                %s/join#%s

                It works once, until %s (UTC).
                If you do not know what this is about, leave it alone; nothing happens without the link."""
                        .formatted(
                                displayName(by),
                                role.words(),
                                address,
                                secret,
                                row.expiresAt.toString().substring(0, 16).replace('T', ' ')));
        return invitation(saved, now);
    }

    private String displayName(String userName) {
        return accounts.find(userName).map(Account::displayName).orElse(userName);
    }

    /** Ends those that somebody who leaves had sent. */
    @Transactional
    public void withdrawAllOf(String by) {
        Instant now = clock.instant();
        rows.findAllByIsDemoAndUsedAtIsNullAndWithdrawnAtIsNullOrderById(isDemo).stream()
                .filter(row -> row.invitedBy.equals(by))
                .forEach(row -> row.withdrawnAt = now);
    }

    /** Ends an invitation that was not used. */
    @Transactional
    public void withdraw(long id) {
        InvitationRow row = rows.findById(id)
                .filter(known -> known.isDemo == isDemo && known.usedAt == null && known.withdrawnAt == null)
                .orElseThrow(() -> Refusal.notFound("There is no such invitation; perhaps it was used meanwhile."));
        row.withdrawnAt = clock.instant();
        rows.save(row);
    }

    /**
     * What a link is for.
     *
     * @throws Refusal if it was used, ended or never was
     */
    Invitation look(@Nullable String secret) {
        Instant now = clock.instant();
        return rows.findBySecretHashAndIsDemo(Secret.hash(String.valueOf(secret)), isDemo)
                .filter(row -> row.isOpen(now))
                .map(row -> invitation(row, now))
                .orElseThrow(Invitations::spent);
    }

    /**
     * Makes the account that a link is for, and ends the link.
     *
     * @throws Refusal if the link was used, ended or never was, or the account cannot be made; then it can be used again
     */
    @Transactional
    Account accept(
            @Nullable String secret,
            @Nullable String userName,
            @Nullable String displayName,
            @Nullable String password) {
        Instant now = clock.instant();
        InvitationRow row = rows.findWithLockBySecretHashAndIsDemo(Secret.hash(String.valueOf(secret)), isDemo)
                .filter(known -> known.isOpen(now))
                .orElseThrow(Invitations::spent);
        Account account = accounts.add(userName, displayName, row.role, password, row.email);
        row.usedAt = now;
        rows.save(row);
        return account;
    }

    private static Refusal spent() {
        return Refusal.conflict("This link was used, has ended, or is not whole. Ask your manager for another.");
    }
}
