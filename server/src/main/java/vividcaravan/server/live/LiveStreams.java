package vividcaravan.server.live;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.LongPredicate;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.WheelCondition;
import vividcaravan.server.alerts.AlertChanged;
import vividcaravan.server.alerts.AlertQueries;
import vividcaravan.server.ingest.ReadingsJudged;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.vehicles.FleetDirectory;
import vividcaravan.server.vehicles.VehicleInService;
import vividcaravan.server.vehicles.WheelState;
import vividcaravan.server.vehicles.WheelStates;

/**
 * The open streams. Features say what changed; a quarter of a second later every stream is told how it is now, a wheel at
 * most once a second. Alerts are numbered by their changes, so that a stream that breaks goes on where it was.
 */
@Component
class LiveStreams implements DisposableBean {

    private static final int MOST_STREAMS = 200;
    /** A browser opens a new stream by itself; so a person whose session ended is found out. */
    private static final long STREAM_MILLIS = 15L * 60 * 1000;

    private static final long WHEEL_EVERY_MILLIS = 1_000;
    private static final long HEARTBEAT_MILLIS = 15_000;
    private static final long LOOK_AROUND_MILLIS = 10_000;

    private final AlertQueries alerts;
    private final FleetDirectory fleet;
    private final Clock clock;
    private final Set<LiveStream> streams = ConcurrentHashMap.newKeySet();
    private final Set<ReadingsJudged.Wheel> dirty = ConcurrentHashMap.newKeySet();
    private final Map<ReadingsJudged.Wheel, Long> sentAt = new HashMap<>();
    private final Map<ReadingsJudged.Wheel, WheelCondition> conditions = new HashMap<>();
    private final ExecutorService senders = senders();
    private volatile long latestChange;
    private volatile boolean isStopping;
    private long lookedAroundAt;
    private long beatAt;

    LiveStreams(AlertQueries alerts, FleetDirectory fleet, Clock clock) {
        this.alerts = alerts;
        this.fleet = fleet;
        this.clock = clock;
    }

    /** A slow reader blocks its sender, so every stream may have one of its own; idle ones go. */
    private static ExecutorService senders() {
        ThreadPoolExecutor pool =
                new ThreadPoolExecutor(MOST_STREAMS, MOST_STREAMS, 30, TimeUnit.SECONDS, new LinkedBlockingQueue<>());
        pool.allowCoreThreadTimeOut(true);
        return pool;
    }

    /**
     * Opens a stream.
     *
     * @param lastEventId the change up to which the reader knows the alerts, or null to begin now
     * @param sees which vehicles, by identity, the reader may see
     * @throws Refusal if there are too many
     */
    SseEmitter open(String lastEventId, AlertWords words, LongPredicate sees) {
        if (streams.size() >= MOST_STREAMS || isStopping) {
            throw Refusal.busy("As many streams are open as the server can serve. Try again in a minute.");
        }
        long latest = alerts.latestChange();
        long after = number(lastEventId).filter(id -> id <= latest).orElse(latest);
        LiveStream stream = new LiveStream(new SseEmitter(STREAM_MILLIS), words, sees, after);
        stream.emitter().onCompletion(() -> streams.remove(stream));
        stream.emitter().onTimeout(() -> close(stream));
        stream.emitter().onError(e -> streams.remove(stream));
        stream.greet();
        streams.add(stream);
        latestChange = Math.max(latestChange, latest);
        return stream.emitter();
    }

    private static Optional<Long> number(String lastEventId) {
        try {
            return lastEventId == null ? Optional.empty() : Optional.of(Long.parseLong(lastEventId.strip()));
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    @EventListener
    void alertChanged(AlertChanged event) {
        latestChange = Math.max(latestChange, event.changeSeq());
    }

    @EventListener
    void readingsJudged(ReadingsJudged event) {
        if (!streams.isEmpty()) {
            dirty.addAll(event.wheels());
        }
    }

    @Scheduled(fixedDelay = 250)
    void tell() {
        if (streams.isEmpty()) {
            dirty.clear();
            return;
        }
        long now = clock.millis();
        if (now - lookedAroundAt >= LOOK_AROUND_MILLIS) {
            lookedAroundAt = now;
            lookAround();
        }
        List<LiveStream.Due> wheels = dueWheels(now);
        boolean isBeat = now - beatAt >= HEARTBEAT_MILLIS;
        beatAt = isBeat ? now : beatAt;
        for (LiveStream stream : streams) {
            stream.add(wheels);
            if (stream.claim(latestChange, isBeat)) {
                senders.execute(() -> stream.send(latestChange, isBeat, alerts, () -> close(stream)));
            }
        }
    }

    private List<LiveStream.Due> dueWheels(long now) {
        List<LiveStream.Due> due = new ArrayList<>();
        for (ReadingsJudged.Wheel wheel : dirty) {
            if (now - sentAt.getOrDefault(wheel, 0L) >= WHEEL_EVERY_MILLIS && dirty.remove(wheel)) {
                sentAt.put(wheel, now);
                event(wheel, Instant.ofEpochMilli(now))
                        .map(event -> new LiveStream.Due(wheel.vehicle(), event))
                        .ifPresent(due::add);
            }
        }
        return due;
    }

    private Optional<WheelEvent> event(ReadingsJudged.Wheel wheel, Instant now) {
        return fleet.vehicle(wheel.vehicle())
                .filter(vehicle -> vehicle.rules().at(wheel.position()).isPresent())
                .map(vehicle -> {
                    WheelState state = WheelStates.of(vehicle, wheel.position(), now);
                    conditions.put(wheel, state.condition());
                    return WheelEvent.of(vehicle.description().ref(), state);
                });
    }

    /** A wheel falls asleep or silent without a reading, so somebody has to look. */
    private void lookAround() {
        Instant now = clock.instant();
        for (VehicleInService vehicle : fleet.vehicles()) {
            for (WheelState state : WheelStates.of(vehicle, now)) {
                ReadingsJudged.Wheel wheel = new ReadingsJudged.Wheel(vehicle.id(), Position.parse(state.position()));
                WheelCondition before = conditions.put(wheel, state.condition());
                if (before != null && before != state.condition()) {
                    dirty.add(wheel);
                }
            }
        }
    }

    private void close(LiveStream stream) {
        streams.remove(stream);
        stream.emitter().complete();
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
