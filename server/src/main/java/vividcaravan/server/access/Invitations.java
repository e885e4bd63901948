package vividcaravan.server.access;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.mail.Outbox;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;
import vividcaravan.server.writer.Change;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.View;

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
    private final SingleWriter writer;
    private final Accounts accounts;
    private final Outbox outbox;
    private final Clock clock;
    private final boolean isDemo;

    Invitations(
            InvitationRepository rows,
            SingleWriter writer,
            Accounts accounts,
            Outbox outbox,
            Clock clock,
            VividProperties properties) {
        this.rows = rows;
        this.writer = writer;
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
    public Invitation invite(@Nullable String email, @Nullable Role role, String by, String address) {
        return writer.make(inviting(email, role, by, address));
    }

    /** Somebody who is to be invited. */
    public record Invited(@Nullable String email, @Nullable Role role) {}

    /** The inviting of somebody. */
    public Change<Invitation> inviting(@Nullable String email, @Nullable Role role, String by, String address) {
        String recipient = recipient(email, role);
        return view -> {
            if (accounts.isKnown(recipient)) {
                throw known(recipient);
            }
            return Decision.make(pen -> {
                Map<String, List<InvitationRow>> unused = unusedByAddress(View.of(pen.session()));
                return invite(pen, unused, recipient, role, by, address);
            });
        };
    }

    /**
     * Whether somebody can be invited, held against everybody who is on the team.
     *
     * @param taken addresses of those on the team, in small letters
     * @return why not, or null
     */
    public @Nullable String refusal(Invited one, Set<String> taken) {
        try {
            String recipient = recipient(one.email(), one.role());
            return taken.contains(recipient.toLowerCase(Locale.ROOT))
                    ? known(recipient).getMessage()
                    : null;
        } catch (Refusal e) {
            return e.faults().isEmpty() ? e.getMessage() : e.faults().get(0).message();
        }
    }

    /** The addresses of those on the team, in small letters. */
    public Set<String> taken(View view) {
        return view.select(
                        "select lower(email) from AccountRow where isDemo = :demo and email is not null and removedAt is null",
                        String.class)
                .setParameter("demo", isDemo)
                .getResultStream()
                .collect(Collectors.toSet());
    }

    /** Invites all of a list within one write; what is open is read once and not for each. */
    public void inviteAll(Pen pen, List<Invited> all, String by, String address) {
        Map<String, List<InvitationRow>> unused = unusedByAddress(View.of(pen.session()));
        for (Invited one : all) {
            pen.note(invite(pen, unused, recipient(one.email(), one.role()), one.role(), by, address)
                    .deed());
        }
    }

    private static String recipient(@Nullable String email, @Nullable Role role) {
        String recipient = Outbox.address("email", email);
        if (role == null) {
            throw Refusal.badRequest("role", "Choose a role: MANAGER, TECHNICIAN, DRIVER or VIEWER.");
        }
        return recipient;
    }

    private static Refusal known(String recipient) {
        return Refusal.conflict("Somebody on the team has the address " + recipient + " already.");
    }

    private Map<String, List<InvitationRow>> unusedByAddress(View view) {
        return unused(view).stream().collect(Collectors.groupingBy(row -> row.email.toLowerCase(Locale.ROOT)));
    }

    private Done<Invitation> invite(
            Pen pen, Map<String, List<InvitationRow>> unused, String recipient, Role role, String by, String address) {
        Instant now = clock.instant();
        unused.getOrDefault(recipient.toLowerCase(Locale.ROOT), List.of())
                .forEach(row -> end(pen, row, "It was sent anew."));
        InvitationRow row = new InvitationRow();
        row.email = recipient;
        row.role = role;
        // Nobody knows what this is the hash of: the link is made when its letter is written.
        row.secretHash = Secret.hash(Secret.make());
        row.isDemo = isDemo;
        row.invitedBy = by;
        row.invitedAt = now;
        row.expiresAt = now.plus(LASTS);
        row.address = address;
        pen.session().insert(row);
        return new Done<>(
                invitation(row, now),
                deed(DeedKind.INVITATION_MADE, row, "invited ").with("Role", null, role.words()));
    }

    private static Deed deed(DeedKind kind, InvitationRow row, String words) {
        return Deed.of(kind, new Thing(Thing.Kind.INVITATION, Long.toString(row.id), row.email), words + row.email);
    }

    private void end(Pen pen, InvitationRow row, @Nullable String why) {
        row.withdrawnAt = clock.instant();
        pen.session().update(row);
        pen.note(
                deed(DeedKind.INVITATION_ENDED, row, "ended the invitation of ").because(why));
    }

    private List<InvitationRow> unused(View view) {
        return view.select(
                        "from InvitationRow where isDemo = :demo and usedAt is null and withdrawnAt is null order by id",
                        InvitationRow.class)
                .setParameter("demo", isDemo)
                .getResultList();
    }

    /** The letter of an invitation, with the link that only it holds; none if it was used or ended meanwhile. */
    public Change<Void> letter(long id) {
        return view -> {
            InvitationRow row = view.get(InvitationRow.class, id);
            boolean isDue = row != null && row.isDemo == isDemo && row.address != null && row.isOpen(clock.instant());
            return isDue ? Decision.make(pen -> Done.by(write(pen, row))) : Decision.nothing(null);
        };
    }

    private Deed write(Pen pen, InvitationRow row) {
        String secret = Secret.make();
        row.secretHash = Secret.hash(secret);
        pen.session().update(row);
        // Behind a hash, so that no proxy writes it into its log.
        return outbox.write(
                pen,
                row.email,
                "Join the fleet's tyre watch",
                """
                %s asks you to join Vivid Caravan as %s.

                Open this link to choose your name and password:
                %s/join#%s

                It works once, until %s (UTC).
                If you do not know what this is about, leave it alone; nothing happens without the link."""
                        .formatted(
                                displayName(row.invitedBy),
                                row.role.words(),
                                row.address,
                                secret,
                                row.expiresAt.toString().substring(0, 16).replace('T', ' ')));
    }

    private String displayName(String userName) {
        return accounts.find(userName).map(Account::displayName).orElse(userName);
    }

    /** Ends those that somebody who leaves had sent, within a write. */
    void withdrawAllOf(Pen pen, String by) {
        unused(View.of(pen.session())).stream()
                .filter(row -> row.invitedBy.equals(by))
                .forEach(row -> end(pen, row, "Whoever sent it was taken off."));
    }

    /** Ends an invitation that was not used. */
    public void withdraw(long id) {
        writer.make(view -> {
            InvitationRow row = view.get(InvitationRow.class, id);
            if (row == null || row.isDemo != isDemo || row.usedAt != null || row.withdrawnAt != null) {
                throw Refusal.notFound("There is no such invitation; perhaps it was used meanwhile.");
            }
            return Decision.make(pen -> {
                row.withdrawnAt = clock.instant();
                pen.session().update(row);
                return Done.by(deed(DeedKind.INVITATION_ENDED, row, "ended the invitation of "));
            });
        });
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
    Account accept(
            @Nullable String secret,
            @Nullable String userName,
            @Nullable String displayName,
            @Nullable String password) {
        String hash = Secret.hash(String.valueOf(secret));
        Invitation offered = look(secret);
        Accounts.NewAccount wanted = accounts.checked(userName, displayName, offered.role(), password, offered.email());
        return writer.make(Author.person(wanted.userName(), wanted.displayName()), view -> {
            // Two who use the same link at once do not both get in.
            InvitationRow row = view.select(
                            "from InvitationRow where secretHash = :hash and isDemo = :demo", InvitationRow.class)
                    .setParameter("hash", hash)
                    .setParameter("demo", isDemo)
                    .uniqueResultOptional()
                    .filter(known -> known.isOpen(clock.instant()))
                    .orElseThrow(Invitations::spent);
            return accounts.making(view, wanted, pen -> {
                row.usedAt = clock.instant();
                pen.session().update(row);
            });
        });
    }

    private static Refusal spent() {
        return Refusal.conflict("This link was used, has ended, or is not whole. Ask your manager for another.");
    }
}
