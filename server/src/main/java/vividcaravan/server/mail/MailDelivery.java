package vividcaravan.server.mail;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.mail.MailException;
import org.springframework.mail.SimpleMailMessage;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.stereotype.Component;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.platform.Ticking;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;

/** Carries what waits in the outbox to the mail server; what it does not take is tried again, ever more seldom. */
@Component
class MailDelivery implements Ticking {

    private static final Logger LOG = LoggerFactory.getLogger(MailDelivery.class);
    private static final int MOST_AT_ONCE = 20;
    private static final int MOST_TRIES = 8;
    private static final Duration FIRST_PAUSE = Duration.ofSeconds(30);
    private static final int PATIENCE_MILLIS = 15_000;
    private static final int LONGEST_TROUBLE = 500;

    private final OutgoingMailRepository rows;
    private final SingleWriter writer;
    private final Outbox outbox;
    private final MailSettings settings;
    private final Clock clock;
    private final JavaMailSenderImpl sender;

    MailDelivery(OutgoingMailRepository rows, SingleWriter writer, Outbox outbox, MailSettings settings, Clock clock) {
        this.rows = rows;
        this.writer = writer;
        this.outbox = outbox;
        this.settings = settings;
        this.clock = clock;
        this.sender = sender(settings);
    }

    @Override
    public List<Tick> ticks() {
        return List.of(new Tick("deliver-mail", Duration.ZERO, Duration.ofSeconds(5), this::deliver));
    }

    private static JavaMailSenderImpl sender(MailSettings settings) {
        JavaMailSenderImpl sender = new JavaMailSenderImpl();
        sender.setHost(settings.host());
        sender.setPort(settings.port());
        sender.setUsername(settings.user());
        sender.setPassword(settings.password());
        sender.setDefaultEncoding("UTF-8");
        Properties smtp = sender.getJavaMailProperties();
        smtp.setProperty("mail.smtp.auth", Boolean.toString(settings.user() != null));
        boolean isStartTls = settings.security() == MailSettings.Security.STARTTLS;
        smtp.setProperty("mail.smtp.starttls.enable", Boolean.toString(isStartTls));
        smtp.setProperty("mail.smtp.starttls.required", Boolean.toString(isStartTls));
        smtp.setProperty("mail.smtp.ssl.enable", Boolean.toString(settings.security() == MailSettings.Security.TLS));
        smtp.setProperty("mail.smtp.ssl.checkserveridentity", "true");
        for (String patience : new String[] {"connectiontimeout", "timeout", "writetimeout"}) {
            smtp.setProperty("mail.smtp." + patience, Integer.toString(PATIENCE_MILLIS));
        }
        return sender;
    }

    void deliver() {
        if (!outbox.isSending()) {
            return;
        }
        // Asked for one by one: a call that comes meanwhile goes before the letters that lie there, be the mail server
        // ever so slow.
        for (int sent = 0; sent < MOST_AT_ONCE; sent++) {
            Instant now = clock.instant();
            Optional<OutgoingMailRow> next =
                    rows.findFirstByStateAndIsDemoAndNextTryAtLessThanEqualOrderByCanWaitAscIdAsc(
                            MailState.WAITING, false, now);
            if (next.isEmpty()) {
                return;
            }
            deliver(next.get(), now);
        }
    }

    private void deliver(OutgoingMailRow row, Instant now) {
        SimpleMailMessage message = new SimpleMailMessage();
        message.setFrom(settings.from());
        message.setTo(row.recipient);
        message.setSubject(row.subject);
        message.setText(row.text);
        MailState state = MailState.SENT;
        String trouble = null;
        try {
            sender.send(message);
        } catch (MailException e) {
            LOG.warn("Mail {} was not taken by the mail server: {}", row.id, e.getMessage());
            String said = String.valueOf(e.getMessage());
            trouble = said.substring(0, Math.min(LONGEST_TROUBLE, said.length()));
            state = row.tries + 1 >= MOST_TRIES ? MailState.FAILED : MailState.WAITING;
        }
        note(row.id, state, trouble, now);
    }

    private void note(long id, MailState state, @Nullable String trouble, Instant now) {
        writer.make(Author.SCHEDULE, view -> {
            OutgoingMailRow row = view.get(OutgoingMailRow.class, id);
            return Decision.make(pen -> {
                row.tries++;
                row.state = state;
                row.trouble = trouble;
                if (state == MailState.SENT) {
                    row.sentAt = now;
                    row.text = null;
                } else {
                    row.nextTryAt = now.plus(FIRST_PAUSE.multipliedBy(1L << (row.tries - 1)));
                }
                pen.session().update(row);
                return Done.by(
                        state == MailState.SENT
                                ? Outbox.deed(DeedKind.MAIL_SENT, row, "handed over the mail to ")
                                : Outbox.deed(
                                                DeedKind.MAIL_FAILED,
                                                row,
                                                state == MailState.FAILED
                                                        ? "gave up the mail to "
                                                        : "could not hand over the mail to ")
                                        .because(trouble));
            });
        });
    }
}
