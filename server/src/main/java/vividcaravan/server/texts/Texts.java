package vividcaravan.server.texts;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
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

/** The text messages that were written, and the service that sends them. */
@Service
public class Texts {

    private static final int MOST_LISTED = 100;

    /**
     * A text message as it is listed.
     *
     * @param trouble what went wrong last, or null
     */
    public record Text(
            String id,
            String recipient,
            String text,
            TextState state,
            Instant writtenAt,
            @Nullable Instant sentAt,
            @Nullable String trouble) {}

    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final TextService service;
    private final Clock clock;
    private final boolean isDemo;

    Texts(SessionFactory sessions, SingleWriter writer, TextService service, Clock clock, VividProperties properties) {
        this.sessions = sessions;
        this.writer = writer;
        this.service = service;
        this.clock = clock;
        this.isDemo = properties.demo();
    }

    /** Whether text messages can be written: there is a service, or this is the demo, which keeps them to be read. */
    public boolean isThere() {
        return isDemo || webhook().isPresent();
    }

    Optional<WebhookRow> webhook() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return Optional.ofNullable(session.get(WebhookRow.class, WebhookRow.ONLY));
        }
    }

    /** Writes a message within a write, and says so; it is handed over as soon as the service takes it. */
    public Deed write(Pen pen, String recipient, String text) {
        TextRow row = new TextRow();
        row.recipient = recipient;
        row.text = text;
        row.state = isDemo ? TextState.KEPT : TextState.WAITING;
        row.isDemo = isDemo;
        row.writtenAt = clock.instant();
        row.nextTryAt = row.writtenAt;
        pen.session().insert(row);
        return deed(DeedKind.TEXT_WRITTEN, row, "wrote a text message to ");
    }

    /** What became of a message. */
    static Deed deed(DeedKind kind, TextRow row, String words) {
        return Deed.of(kind, new Thing(Thing.Kind.TEXT, Long.toString(row.id), row.recipient), words + row.recipient);
    }

    /** A message by its number. */
    public Optional<Text> find(long id) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return Optional.ofNullable(session.get(TextRow.class, id))
                    .filter(row -> row.isDemo == isDemo)
                    .map(Texts::text);
        }
    }

    List<Text> newest() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session
                    .createSelectionQuery("from TextRow where isDemo = :demo order by id desc", TextRow.class)
                    .setParameter("demo", isDemo)
                    .setMaxResults(MOST_LISTED)
                    .getResultList()
                    .stream()
                    .map(Texts::text)
                    .toList();
        }
    }

    /**
     * Sets which service sends, and gives it a new secret.
     *
     * @return the secret, which is shown this once
     */
    String use(@Nullable String url) {
        String address = service.address(url);
        String secret = Signature.newSecret();
        return writer.make(view -> {
            WebhookRow before = view.get(WebhookRow.class, WebhookRow.ONLY);
            String was = before == null ? null : before.url;
            return Decision.make(pen -> {
                WebhookRow row = new WebhookRow();
                row.id = WebhookRow.ONLY;
                row.url = address;
                row.secret = secret;
                if (before == null) {
                    pen.session().insert(row);
                } else {
                    pen.session().update(row);
                }
                return new Done<>(
                        secret, changed("set which service sends text messages").with("Address", was, address));
            });
        });
    }

    /**
     * Gives the service a new secret; what went before signs too until {@link #dropOldSecret}.
     *
     * @return the new one, which is shown this once
     */
    String rotate() {
        String secret = Signature.newSecret();
        return writer.make(view -> {
            WebhookRow row = existing(view.get(WebhookRow.class, WebhookRow.ONLY));
            return Decision.make(pen -> {
                row.secretBefore = row.secret;
                row.secret = secret;
                pen.session().update(row);
                return new Done<>(secret, changed("gave the service of text messages a new secret"));
            });
        });
    }

    /** Signs with the new secret only. */
    void dropOldSecret() {
        writer.make(view -> {
            WebhookRow row = existing(view.get(WebhookRow.class, WebhookRow.ONLY));
            if (row.secretBefore == null) {
                return Decision.<Void>nothing(null);
            }
            return Decision.make(pen -> {
                row.secretBefore = null;
                pen.session().update(row);
                return Done.by(changed("dropped the old secret of text messages"));
            });
        });
    }

    /** Sends no more text messages. */
    void stop() {
        writer.make(view -> {
            WebhookRow row = existing(view.get(WebhookRow.class, WebhookRow.ONLY));
            return Decision.make(pen -> {
                pen.session().delete(row);
                return Done.by(changed("let no text messages be sent any more").with("Address", row.url, null));
            });
        });
    }

    private static WebhookRow existing(@Nullable WebhookRow row) {
        if (row == null) {
            throw Refusal.conflict("No service sends text messages. Set one first.");
        }
        return row;
    }

    private static Deed changed(String words) {
        return Deed.of(DeedKind.WEBHOOK_CHANGED, new Thing(Thing.Kind.SETTING, "texts", "text messages"), words);
    }

    /**
     * Tries again what was given up.
     *
     * @throws Refusal if there is no such message, or it was not given up
     */
    void sendAgain(long id) {
        writer.make(view -> {
            TextRow row = view.get(TextRow.class, id);
            if (row == null || row.isDemo != isDemo) {
                throw Refusal.notFound("There is no text message " + id + ".");
            }
            if (row.state != TextState.FAILED) {
                throw Refusal.conflict("This message was not given up; there is nothing to try again.");
            }
            return Decision.make(pen -> {
                row.state = TextState.WAITING;
                row.tries = 0;
                row.nextTryAt = clock.instant();
                pen.session().update(row);
                return Done.by(deed(DeedKind.TEXT_TRIED_AGAIN, row, "had a text message tried again to "));
            });
        });
    }

    private static Text text(TextRow row) {
        return new Text(
                Long.toString(row.id), row.recipient, row.text, row.state, row.writtenAt, row.sentAt, row.trouble);
    }
}
