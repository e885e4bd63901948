package vividcaravan.server.mail;

import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.InternetAddress;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;

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
    private final MailSettings settings;
    private final Clock clock;
    private final boolean isDemo;

    Outbox(OutgoingMailRepository rows, MailSettings settings, Clock clock, VividProperties properties) {
        this.rows = rows;
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

    /** Writes a mail; it is sent as soon as the mail server takes it. */
    @Transactional
    public Mail write(String recipient, String subject, String text) {
        OutgoingMailRow row = new OutgoingMailRow();
        row.recipient = recipient;
        row.subject = subject;
        row.text = text;
        row.state = isSending() ? MailState.WAITING : MailState.KEPT;
        row.isDemo = isDemo;
        row.writtenAt = clock.instant();
        row.nextTryAt = row.writtenAt;
        return mail(rows.save(row));
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
    @Transactional
    public void sendAgain(long id) {
        OutgoingMailRow row = rows.findByIdAndIsDemo(id, isDemo)
                .orElseThrow(() -> Refusal.notFound("There is no mail " + id + " in the outbox."));
        if (row.state != MailState.FAILED) {
            throw Refusal.conflict("This mail was not given up; there is nothing to try again.");
        }
        row.state = isSending() ? MailState.WAITING : MailState.KEPT;
        row.tries = 0;
        row.nextTryAt = clock.instant();
        rows.save(row);
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
