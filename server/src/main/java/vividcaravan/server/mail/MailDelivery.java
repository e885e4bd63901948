package vividcaravan.server.mail;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Properties;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.mail.MailException;
import org.springframework.mail.SimpleMailMessage;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Carries what waits in the outbox to the mail server; what it does not take is tried again, ever more seldom. */
@Component
class MailDelivery {

    private static final Logger LOG = LoggerFactory.getLogger(MailDelivery.class);
    private static final int MOST_TRIES = 8;
    private static final Duration FIRST_PAUSE = Duration.ofSeconds(30);
    private static final int PATIENCE_MILLIS = 15_000;
    private static final int LONGEST_TROUBLE = 500;

    private final OutgoingMailRepository rows;
    private final Outbox outbox;
    private final MailSettings settings;
    private final Clock clock;
    private final JavaMailSenderImpl sender;

    MailDelivery(OutgoingMailRepository rows, Outbox outbox, MailSettings settings, Clock clock) {
        this.rows = rows;
        this.outbox = outbox;
        this.settings = settings;
        this.clock = clock;
        this.sender = sender(settings);
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

    @Scheduled(fixedDelay = 5_000)
    void deliver() {
        if (!outbox.isSending()) {
            return;
        }
        Instant now = clock.instant();
        for (OutgoingMailRow row :
                rows.findTop20ByStateAndIsDemoAndNextTryAtLessThanEqualOrderById(MailState.WAITING, false, now)) {
            deliver(row, now);
        }
    }

    private void deliver(OutgoingMailRow row, Instant now) {
        SimpleMailMessage message = new SimpleMailMessage();
        message.setFrom(settings.from());
        message.setTo(row.recipient);
        message.setSubject(row.subject);
        message.setText(row.text);
        row.tries++;
        try {
            sender.send(message);
            row.state = MailState.SENT;
            row.sentAt = now;
            row.text = null;
            row.trouble = null;
        } catch (MailException e) {
            String trouble = String.valueOf(e.getMessage());
            LOG.warn("Mail {} was not taken by the mail server: {}", row.id, trouble);
            row.trouble = trouble.substring(0, Math.min(LONGEST_TROUBLE, trouble.length()));
            row.nextTryAt = now.plus(FIRST_PAUSE.multipliedBy(1L << (row.tries - 1)));
            row.state = row.tries >= MOST_TRIES ? MailState.FAILED : MailState.WAITING;
        }
        rows.save(row);
    }
}
