package vividcaravan.server.mail;

import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.InternetAddress;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;

/** The mail that was written: waiting for the mail server, sent, or kept here to be read where there is none. */
@Service
public class Outbox {

    private static final int LONGEST_ADDRESS = 254;

    /**
     * A mail as it is listed.
     *
     * @param text null once a mail server has taken it
     * @param trouble what the mail server said last, or null
     */
    public record Mail(
            String id,
            String recipient,
            String subject,
            @Nullable String text,
            MailState state,
            Instant writtenAt,
            @Nullable Instant sentAt,
            @Nullable String trouble) {}

    private final OutgoingMailRepository rows;
    private final SingleWriter writer;
    private final MailSettings settings;
    private final Clock clock;
    private final boolean isDemo;

    Outbox(
            OutgoingMailRepository rows,
            SingleWriter writer,
            MailSettings settings,
            Clock clock,
            VividProperties properties) {
        this.rows = rows;
        this.writer = writer;
        this.settings = settings;
        this.clock = clock;
        this.isDemo = properties.demo();
    }

    /** Whether mail leaves the house; the demo never sends any. */
    public boolean isSending() {
        return settings.isSet() && !isDemo;
    }

    /**
     * An address in the form in which it is kept.
     *
     * @throws Refusal if it is none
     */
    public static String address(@Nullable String field, @Nullable String given) {
        String address = given == null ? "" : given.strip();
        try {
            InternetAddress parsed = new InternetAddress(address, true);
            parsed.validate();
            if (address.length() <= LONGEST_ADDRESS && parsed.getAddress().equals(address) && address.contains("@")) {
                return address;
            }
        } catch (AddressException e) {
            // Told below, in our words.
        }
        throw Refusal.badRequest(
                field,
                "\"" + address + "\" is no e-mail address. It looks like name@example.org, 254 characters at most.");
    }

    /** Writes a mail within a write, and says so: a call, which is sent as soon as the mail server takes it, before any letter. */
    public Deed call(Pen pen, String recipient, String subject, String text) {
        return write(pen, recipient, subject, text, false);
    }

    /** Writes a mail within a write, and says so: a letter, which waits for calls. */
    public Deed write(Pen pen, String recipient, String subject, String text) {
        return write(pen, recipient, subject, text, true);
    }

    private Deed write(Pen pen, String recipient, String subject, String text, boolean canWait) {
        OutgoingMailRow row = new OutgoingMailRow();
        row.canWait = canWait;
        row.recipient = recipient;
        row.subject = subject;
        row.text = text;
        row.state = isSending() ? MailState.WAITING : MailState.KEPT;
        row.isDemo = isDemo;
        row.writtenAt = clock.instant();
        row.nextTryAt = row.writtenAt;
        pen.session().insert(row);
        return deed(DeedKind.MAIL_WRITTEN, row, "wrote a mail to ");
    }

    /** What became of a mail. */
    static Deed deed(DeedKind kind, OutgoingMailRow row, String words) {
        return Deed.of(
                kind,
                new Thing(Thing.Kind.MAIL, Long.toString(row.id), row.subject),
                words + row.recipient + ": " + row.subject);
    }

    /** A mail by its number, whichever way it went. */
    public Optional<Mail> find(long id) {
        return rows.findById(id).filter(row -> row.isDemo == isDemo).map(Outbox::mail);
    }

    /** The newest hundred, the newest first. */
    public List<Mail> newest() {
        return rows.findTop100ByIsDemoOrderByIdDesc(isDemo).stream()
                .map(Outbox::mail)
                .toList();
    }

    /**
     * Tries again what was given up.
     *
     * @throws Refusal if there is no such mail, or it was not given up
     */
    public void sendAgain(long id) {
        writer.make(view -> {
            OutgoingMailRow row = view.get(OutgoingMailRow.class, id);
            if (row == null || row.isDemo != isDemo) {
                throw Refusal.notFound("There is no mail " + id + " in the outbox.");
            }
            if (row.state != MailState.FAILED) {
                throw Refusal.conflict("This mail was not given up; there is nothing to try again.");
            }
            return Decision.make(pen -> {
                row.state = isSending() ? MailState.WAITING : MailState.KEPT;
                row.tries = 0;
                row.nextTryAt = clock.instant();
                pen.session().update(row);
                return Done.by(deed(DeedKind.MAIL_TRIED_AGAIN, row, "had a mail tried again to "));
            });
        });
    }

    private static Mail mail(OutgoingMailRow row) {
        return new Mail(
                Long.toString(row.id),
                row.recipient,
                row.subject,
                row.text,
                row.state,
                row.writtenAt,
                row.sentAt,
                row.trouble);
    }
}
