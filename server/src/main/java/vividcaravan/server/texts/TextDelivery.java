package vividcaravan.server.texts;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.platform.Ticking;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;

/** Hands waiting text messages to the service; what it does not take is tried again, ever more seldom. */
@Component
class TextDelivery implements Ticking {

    private static final Logger LOG = LoggerFactory.getLogger(TextDelivery.class);
    private static final Duration EVERY = Duration.ofSeconds(5);
    private static final Duration FIRST_PAUSE = Duration.ofSeconds(20);
    private static final int MOST_TRIES = 8;
    private static final int AT_ONCE = 20;
    private static final int LONGEST_TROUBLE = 500;

    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final Texts texts;
    private final TextService service;
    private final Clock clock;

    TextDelivery(SessionFactory sessions, SingleWriter writer, Texts texts, TextService service, Clock clock) {
        this.sessions = sessions;
        this.writer = writer;
        this.texts = texts;
        this.service = service;
        this.clock = clock;
    }

    @Override
    public List<Tick> ticks() {
        return List.of(new Tick("deliver-texts", Duration.ZERO, EVERY, () -> deliver(clock.instant())));
    }

    void deliver(Instant now) {
        Optional<WebhookRow> webhook = texts.webhook();
        if (webhook.isEmpty()) {
            return;
        }
        for (TextRow row : due(now)) {
            Optional<String> trouble = tell(webhook.get(), row);
            trouble.ifPresent(words -> LOG.warn("Text message {} was not taken: {}", row.id, words));
            note(row.id, trouble.orElse(null), now);
        }
    }

    /** What is odd about one message must not hold up those behind it. */
    private Optional<String> tell(WebhookRow webhook, TextRow row) {
        try {
            return service.tell(webhook, new TextService.Told("text-" + row.id, row.recipient, row.text));
        } catch (RuntimeException e) {
            LOG.error("Text message {} could not be told", row.id, e);
            return Optional.of("It could not be told: " + e);
        }
    }

    private List<TextRow> due(Instant now) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session.createSelectionQuery(
                            "from TextRow where state = WAITING and isDemo = false and nextTryAt <= :now order by id",
                            TextRow.class)
                    .setParameter("now", now)
                    .setMaxResults(AT_ONCE)
                    .getResultList();
        }
    }

    private void note(long id, @Nullable String trouble, Instant now) {
        writer.make(Author.SCHEDULE, view -> {
            TextRow row = view.get(TextRow.class, id);
            return Decision.make(pen -> {
                row.tries++;
                row.trouble =
                        trouble == null ? null : trouble.substring(0, Math.min(LONGEST_TROUBLE, trouble.length()));
                if (trouble == null) {
                    row.state = TextState.SENT;
                    row.sentAt = now;
                } else {
                    row.state = row.tries >= MOST_TRIES ? TextState.FAILED : TextState.WAITING;
                    row.nextTryAt = now.plus(FIRST_PAUSE.multipliedBy(1L << (row.tries - 1)));
                }
                pen.session().update(row);
                return Done.by(
                        trouble == null
                                ? Texts.deed(DeedKind.TEXT_SENT, row, "handed over the text message to ")
                                : Texts.deed(
                                                DeedKind.TEXT_FAILED,
                                                row,
                                                row.state == TextState.FAILED
                                                        ? "gave up the text message to "
                                                        : "could not hand over the text message to ")
                                        .because(trouble));
            });
        });
    }
}
