package vividcaravan.server.live;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.LongPredicate;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.MediaType;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyEmitter;
import vividcaravan.core.alert.AlertWords;

/**
 * One open stream, and up to where its reader was told. It holds nothing of what is to be told: a slow reader keeps one
 * sender busy and nobody else waiting, and costs no memory.
 */
final class LiveStream {

    private static final Logger LOG = LoggerFactory.getLogger(LiveStream.class);

    /** So much is written at once; then it is looked afresh what is newest. */
    private static final int LONGEST_BUNDLE = 64 * 1024;

    private static final MediaType UTF_8 = new MediaType("text", "plain", StandardCharsets.UTF_8);
    private static final int ALERTS_AT_ONCE = 200;
    private static final int WHEELS_AT_ONCE = 500;

    private final ResponseBodyEmitter emitter;
    private final String reader;
    private final AlertWords words;
    private final LongPredicate sees;
    private volatile long alertsUpTo;
    private volatile long wheelsUpTo;
    private volatile boolean isClosed;
    private boolean isSending;

    /**
     * @param reader whose it is
     * @param sees which vehicles, by identity, its reader may see
     * @param alertsUpTo number of the change up to which the reader knows the alerts
     * @param wheelsUpTo number of the news of wheels from which on it is told
     */
    LiveStream(
            ResponseBodyEmitter emitter,
            String reader,
            AlertWords words,
            LongPredicate sees,
            long alertsUpTo,
            long wheelsUpTo) {
        this.emitter = emitter;
        this.reader = reader;
        this.words = words;
        this.sees = sees;
        this.alertsUpTo = alertsUpTo;
        this.wheelsUpTo = wheelsUpTo;
    }

    String reader() {
        return reader;
    }

    long alertsUpTo() {
        return alertsUpTo;
    }

    /** The first bytes, so that the reader knows at once that it is connected, and from where to resume. */
    void greet() {
        try {
            emitter.send("id:" + alertsUpTo + "\n:connected\n\n", UTF_8);
        } catch (IOException | IllegalStateException e) {
            emitter.completeWithError(e);
        }
    }

    /** Whether there is something to send and nobody is sending; if so, the caller must {@link #send}. */
    synchronized boolean claim(long latestAlert, long latestWheel, boolean isBeat) {
        if (isClosed || isSending || alertsUpTo >= latestAlert && wheelsUpTo >= latestWheel && !isBeat) {
            return false;
        }
        isSending = true;
        return true;
    }

    private synchronized void released() {
        isSending = false;
    }

    void close() {
        isClosed = true;
        try {
            emitter.complete();
        } catch (IllegalStateException e) {
            LOG.debug("The reader was gone already", e);
        }
    }

    /** Sends what is new, bundle by bundle, until the reader knows all of it or is gone. */
    void send(AlertSource alerts, Feed<?, WheelNews> wheels, boolean isBeat, Runnable onBroken) {
        try {
            StringBuilder bundle = new StringBuilder(isBeat ? ":still here\n\n" : "");
            boolean hasMore = true;
            while (hasMore && !isClosed) {
                hasMore = addAlerts(bundle, alerts) | addWheels(bundle, wheels);
                if (!bundle.isEmpty()) {
                    // In one write: at thousands of wheels a second one for each would keep both ends busy.
                    emitter.send(bundle.toString(), UTF_8);
                    bundle.setLength(0);
                }
            }
        } catch (IOException | RuntimeException e) {
            onBroken.run();
        } finally {
            released();
        }
    }

    /** Changed alerts after a number, wherever they are found. */
    interface AlertSource {
        List<Feed.News<AlertNews>> after(long seq, int most, LongPredicate sees);
    }

    private boolean addAlerts(StringBuilder bundle, AlertSource alerts) {
        List<Feed.News<AlertNews>> changes = alerts.after(alertsUpTo, ALERTS_AT_ONCE, sees);
        for (Feed.News<AlertNews> change : changes) {
            AlertNews news = change.value();
            alertsUpTo = change.number();
            if (news.isTold() && sees.test(news.vehicle())) {
                event(bundle, "alert", news.json(words));
                if (bundle.length() > LONGEST_BUNDLE) {
                    return true;
                }
            }
        }
        return changes.size() == ALERTS_AT_ONCE;
    }

    private boolean addWheels(StringBuilder bundle, Feed<?, WheelNews> wheels) {
        List<Feed.News<WheelNews>> news = wheels.after(wheelsUpTo, WHEELS_AT_ONCE);
        for (Feed.News<WheelNews> wheel : news) {
            wheelsUpTo = wheel.number();
            if (sees.test(wheel.value().vehicle())) {
                event(bundle, "wheel", wheel.value().json());
                if (bundle.length() > LONGEST_BUNDLE) {
                    return true;
                }
            }
        }
        return news.size() == WHEELS_AT_ONCE;
    }

    private void event(StringBuilder bundle, String name, String data) {
        bundle.append("event:").append(name).append("\nid:").append(alertsUpTo);
        bundle.append("\ndata:").append(data).append("\n\n");
    }
}
