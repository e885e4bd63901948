package vividcaravan.server.live;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongPredicate;
import org.springframework.http.MediaType;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyEmitter;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.server.alerts.AlertQueries;

/** One open stream and what it has yet to be told. A slow reader keeps one sender busy and nobody else waiting. */
final class LiveStream {

    private final SseEmitter emitter;
    private final AlertWords words;
    private final LongPredicate sees;
    private final Map<String, WheelEvent> wheels = new LinkedHashMap<>();
    private volatile long alertsUpTo;
    private boolean isSending;

    /**
     * @param sees which vehicles, by identity, its reader may see
     */
    LiveStream(SseEmitter emitter, AlertWords words, LongPredicate sees, long alertsUpTo) {
        this.emitter = emitter;
        this.words = words;
        this.sees = sees;
        this.alertsUpTo = alertsUpTo;
    }

    SseEmitter emitter() {
        return emitter;
    }

    /** The first bytes, so that the reader knows at once that it is connected, and from where to resume. */
    void greet() {
        try {
            emitter.send(SseEmitter.event().id(Long.toString(alertsUpTo)).comment("connected"));
        } catch (IOException | IllegalStateException e) {
            emitter.completeWithError(e);
        }
    }

    /** What is to be told of a wheel of the vehicle with this identity. */
    record Due(long vehicle, WheelEvent event) {}

    /** Of a wheel that is still to be told only the newest counts. */
    synchronized void add(List<Due> due) {
        due.stream()
                .filter(one -> sees.test(one.vehicle()))
                .map(Due::event)
                .forEach(event -> wheels.put(event.vehicle() + " " + event.position(), event));
    }

    /** Whether there is something to send and nobody is sending; if so, the caller must {@link #send}. */
    synchronized boolean claim(long latestChange, boolean isBeat) {
        if (isSending || wheels.isEmpty() && alertsUpTo >= latestChange && !isBeat) {
            return false;
        }
        isSending = true;
        return true;
    }

    private synchronized List<WheelEvent> takeWheels() {
        List<WheelEvent> taken = new ArrayList<>(wheels.values());
        wheels.clear();
        return taken;
    }

    private synchronized void released() {
        isSending = false;
    }

    void send(long latestChange, boolean isBeat, AlertQueries alerts, Runnable onBroken) {
        try {
            // All in one write: at thousands of wheels a second one for each would keep both ends busy with little
            // else.
            Set<ResponseBodyEmitter.DataWithMediaType> bundle = new LinkedHashSet<>();
            long told = alertsUpTo;
            if (told < latestChange) {
                for (AlertQueries.Change change : alerts.changedAfter(told, words, sees)) {
                    bundle.addAll(event("alert", change.seq(), change.item()));
                    told = change.seq();
                }
            }
            for (WheelEvent wheel : takeWheels()) {
                bundle.addAll(event("wheel", told, wheel));
            }
            if (isBeat) {
                bundle.addAll(SseEmitter.event().comment("still here").build());
            }
            if (!bundle.isEmpty()) {
                emitter.send(bundle);
            }
            alertsUpTo = told;
        } catch (IOException | IllegalStateException e) {
            onBroken.run();
        } finally {
            released();
        }
    }

    private static Set<ResponseBodyEmitter.DataWithMediaType> event(String name, long id, Object data) {
        return SseEmitter.event()
                .name(name)
                .id(Long.toString(id))
                .data(data, MediaType.APPLICATION_JSON)
                .build();
    }
}
