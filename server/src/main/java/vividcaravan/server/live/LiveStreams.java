package vividcaravan.server.live;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.Semaphore;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.LongPredicate;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.concurrent.CustomizableThreadFactory;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyEmitter;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.core.judge.WheelCondition;
import vividcaravan.server.alerts.AlertChanged;
import vividcaravan.server.alerts.AlertQueries;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.WheelState;
import vividcaravan.server.fleet.WheelStates;
import vividcaravan.server.ingest.ReadingsJudged;
import vividcaravan.server.logbook.LogbookEntry;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Precedence;
import vividcaravan.server.platform.ReaderLeft;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Ticking;
import vividcaravan.server.writer.Change;
import vividcaravan.server.writer.Follower;

/**
 * The open streams. The logbook says what was done to alerts, features say which figures moved; a quarter of a second later it is looked up once, made ready once, and told
 * to every stream, a wheel at most once a second. Alerts are numbered by their changes, so that a stream that breaks goes on
 * where it was; who is far behind is caught up from the database page by page.
 */
@Component
class LiveStreams implements Follower, DisposableBean, Ticking {

    private static final int MOST_STREAMS = 200;
    /** A browser opens a new stream by itself; so a person whose session ended is found out. */
    private static final long STREAM_MILLIS = 15L * 60 * 1000;

    private static final long WHEEL_EVERY_MILLIS = 1_000;
    private static final long HEARTBEAT_MILLIS = 15_000;
    private static final long LOOK_AROUND_MILLIS = 10_000;

    /** Changed alerts that are held ready. */
    private static final int ALERTS_HELD = 2_000;

    private static final int ALERTS_AT_ONCE = 500;
    private static final int WHEELS_HELD = 200_000;
    /** Streams that are caught up from the database at the same time: it is work, and readings need cores too. */
    private static final int CATCHING_UP = 1;

    private final AlertQueries alerts;
    private final FleetDirectory fleet;
    private final JsonMapper json;
    private final Clock clock;
    private final Set<LiveStream> streams = ConcurrentHashMap.newKeySet();
    private final Set<ReadingsJudged.Wheel> dirty = ConcurrentHashMap.newKeySet();
    private final Map<ReadingsJudged.Wheel, Long> sentAt = new HashMap<>();
    private final Map<ReadingsJudged.Wheel, WheelCondition> conditions = new HashMap<>();
    private final Feed<Long, AlertNews> alertNews = new Feed<>(ALERTS_HELD);
    private final Feed<ReadingsJudged.Wheel, WheelNews> wheelNews = new Feed<>(WHEELS_HELD);
    private final Semaphore catchingUp = new Semaphore(CATCHING_UP, true);
    private final ExecutorService senders = senders();
    private volatile long latestChange;
    private volatile long lookedUpTo = Long.MAX_VALUE;
    private volatile boolean isStopping;
    private long wheelNumber;
    private long lookedAroundAt;
    private long beatAt;

    LiveStreams(AlertQueries alerts, FleetDirectory fleet, JsonMapper json, Clock clock) {
        this.alerts = alerts;
        this.fleet = fleet;
        this.json = json;
        this.clock = clock;
    }

    @Override
    public List<Tick> ticks() {
        return List.of(new Tick("tell-the-pages", Duration.ZERO, Duration.ofMillis(250), this::tell));
    }

    /** A slow reader blocks its sender, so every stream may have one of its own; idle ones go. */
    private static ExecutorService senders() {
        CustomizableThreadFactory threads = new CustomizableThreadFactory("live-");
        threads.setThreadPriority(Precedence.NEWS);
        ThreadPoolExecutor pool = new ThreadPoolExecutor(
                MOST_STREAMS, MOST_STREAMS, 30, TimeUnit.SECONDS, new LinkedBlockingQueue<>(), threads);
        pool.allowCoreThreadTimeOut(true);
        return pool;
    }

    /**
     * Opens a stream.
     *
     * @param reader whose it is
     * @param lastEventId the change up to which the reader knows the alerts, or null to begin now
     * @param sees which vehicles, by identity, the reader may see
     * @throws Refusal if there are too many
     */
    ResponseBodyEmitter open(String reader, @Nullable String lastEventId, AlertWords words, LongPredicate sees) {
        if (streams.size() >= MOST_STREAMS || isStopping) {
            throw Refusal.busy("As many streams are open as the server can serve. Try again in a minute.");
        }
        begin();
        long latest = latestChange;
        long after = number(lastEventId).filter(id -> id >= 0 && id <= latest).orElse(latest);
        ResponseBodyEmitter emitter = new ResponseBodyEmitter(STREAM_MILLIS);
        LiveStream stream = new LiveStream(emitter, reader, words, sees, after, wheelNews.latest());
        emitter.onCompletion(() -> streams.remove(stream));
        emitter.onTimeout(() -> close(stream));
        emitter.onError(e -> close(stream));
        stream.greet();
        streams.add(stream);
        return emitter;
    }

    /** The first who reads begins the feed of alerts with the newest changes; what was before is found in the database. */
    private synchronized void begin() {
        if (lookedUpTo == Long.MAX_VALUE) {
            changedUpTo(alerts.latestChange());
            long from = alerts.changeBeforeNewest(ALERTS_HELD);
            alertNews.beginAfter(from);
            lookedUpTo = from;
        }
    }

    private synchronized void changedUpTo(long change) {
        latestChange = Math.max(latestChange, change);
    }

    private static Optional<Long> number(@Nullable String lastEventId) {
        try {
            return lastEventId == null ? Optional.empty() : Optional.of(Long.parseLong(lastEventId.strip()));
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    @Override
    public String name() {
        return "live";
    }

    /** What was done to alerts; the streams look up what they are now. */
    @Override
    public Optional<Change<?>> follow(List<LogbookEntry> entries) {
        boolean isOfAlerts =
                entries.stream().anyMatch(entry -> entry.deed().thing().kind() == Thing.Kind.ALERT);
        if (isOfAlerts) {
            changedUpTo(alerts.latestChange());
        }
        return Optional.empty();
    }

    /** Figures of an alert that moved without a deed. */
    @EventListener
    void alertChanged(AlertChanged event) {
        changedUpTo(event.changeSeq());
    }

    @EventListener
    void readingsJudged(ReadingsJudged event) {
        if (!streams.isEmpty()) {
            dirty.addAll(event.wheels());
        }
    }

    /** Whoever may no longer read as they did is cut off; if they still may read, their page comes back by itself. */
    @EventListener
    void readerLeft(ReaderLeft event) {
        streams.stream()
                .filter(stream -> stream.reader().equals(event.reader()))
                .forEach(this::close);
    }

    void tell() {
        if (streams.isEmpty()) {
            // What moved meanwhile stays: a stream that opens in this moment must not lose it.
            return;
        }
        long now = clock.millis();
        if (now - lookedAroundAt >= LOOK_AROUND_MILLIS) {
            lookedAroundAt = now;
            lookAround();
        }
        lookUpAlerts();
        lookUpWheels(now);
        boolean isBeat = now - beatAt >= HEARTBEAT_MILLIS;
        beatAt = isBeat ? now : beatAt;
        for (LiveStream stream : streams) {
            if (stream.claim(lookedUpTo, wheelNews.latest(), isBeat)) {
                senders.execute(() -> stream.send(this::changedAfter, wheelNews, isBeat, () -> close(stream)));
            }
        }
    }

    private void lookUpAlerts() {
        // A number that no row has any more was overtaken by a later change of its alert, so the target is what was
        // known before looking.
        long target = latestChange;
        while (lookedUpTo < target) {
            List<AlertQueries.Change> changes = alerts.changedAfter(lookedUpTo, ALERTS_AT_ONCE, vehicle -> true);
            changes.forEach(change -> alertNews.put(change.seq(), change.alert(), new AlertNews(change, json)));
            long last =
                    changes.isEmpty() ? target : changes.get(changes.size() - 1).seq();
            lookedUpTo = changes.size() < ALERTS_AT_ONCE ? Math.max(target, last) : last;
        }
    }

    /** From what is held ready; for who is further behind than that, from the database, a few readers at a time. */
    private List<Feed.News<AlertNews>> changedAfter(long seq, int most, LongPredicate sees) {
        if (alertNews.reachesBackTo(seq)) {
            return alertNews.after(seq, most);
        }
        catchingUp.acquireUninterruptibly();
        try {
            return alerts.changedAfter(seq, most, sees).stream()
                    .map(change -> new Feed.News<>(change.seq(), new AlertNews(change, json)))
                    .toList();
        } finally {
            catchingUp.release();
        }
    }

    private void lookUpWheels(long now) {
        for (ReadingsJudged.Wheel wheel : dirty) {
            if (now - sentAt.getOrDefault(wheel, 0L) >= WHEEL_EVERY_MILLIS && dirty.remove(wheel)) {
                sentAt.put(wheel, now);
                event(wheel, Instant.ofEpochMilli(now))
                        .ifPresent(event -> wheelNews.put(
                                ++wheelNumber, wheel, new WheelNews(wheel.vehicle(), json.writeValueAsString(event))));
            }
        }
    }

    private Optional<WheelEvent> event(ReadingsJudged.Wheel wheel, Instant now) {
        return fleet.vehicle(wheel.vehicle())
                .flatMap(vehicle -> WheelStates.find(vehicle, wheel.position(), now))
                .map(state -> {
                    conditions.put(wheel, state.condition());
                    return WheelEvent.of(
                            fleet.vehicle(wheel.vehicle())
                                    .orElseThrow()
                                    .description()
                                    .ref(),
                            state);
                });
    }

    /** A wheel falls asleep or silent without a reading, so somebody has to look. */
    private void lookAround() {
        Instant now = clock.instant();
        for (FleetVehicle vehicle : fleet.vehicles()) {
            for (WheelState state : WheelStates.of(vehicle, now)) {
                ReadingsJudged.Wheel wheel = new ReadingsJudged.Wheel(vehicle.id(), state.position());
                WheelCondition before = conditions.put(wheel, state.condition());
                if (before != null && before != state.condition()) {
                    dirty.add(wheel);
                }
            }
        }
    }

    private void close(LiveStream stream) {
        streams.remove(stream);
        stream.close();
    }

    /** The web server waits for open requests when it stops, and these would never end by themselves. */
    @EventListener
    void closing(ContextClosedEvent event) {
        isStopping = true;
        List.copyOf(streams).forEach(this::close);
    }

    @Override
    public void destroy() {
        senders.shutdownNow();
    }
}
