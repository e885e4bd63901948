package vividcaravan.server.door;

import jakarta.servlet.ServletException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;

/**
 * How many requests of each kind are under way at once. The web server has more threads than all kinds together may take,
 * so that health is answered whatever else hangs, and readings are taken while everything else waits.
 *
 * <p>It also deals with bodies that nobody read because their request was refused: what has come is read and thrown away
 * for a moment, so that the answer reaches an honest client, and then the line is closed. The web server by itself would
 * wait for the rest, however slowly it drips, with one of its threads.
 */
final class RequestPlaces extends ValveBase {

    /** Requests that carry readings. */
    static final int READINGS = 160;
    /** Requests of people and machines that are known, but for health. */
    static final int OTHERS = 80;
    /**
     * So many of them under one session or token: somewhat more than an account may have, whose own refusal takes a moment, and few
     * enough that what is being refused leaves room for everybody else.
     */
    static final int OF_EACH = 48;
    /** What everybody may ask for who is not known: pages, the document of the interface, invitations. */
    static final int OPEN = 24;
    /** Signing in, which strangers can ask for as often as they like. */
    static final int SIGN_INS = 64;
    /** Threads of the web server: what is left over answers health and finishes what is refused. */
    static final int THREADS = READINGS + OTHERS + OPEN + SIGN_INS + 40;

    /** An attribute of a request: what to run where the rest of its body is not wanted. */
    static final String HANG_UP = RequestPlaces.class.getName() + ".hangUp";

    private static final int HANGING_UP = 12;
    private static final long LINGER_NANOS = TimeUnit.SECONDS.toNanos(2);
    private static final String READINGS_PATH = "/api/v1/readings";
    private static final String HEALTH_PATH = "/actuator/health";
    private static final String SIGN_IN_PATH = "/api/v1/session";
    private static final Set<String> OPEN_PATHS = Set.of("/api/v1/openapi.json", "/api/v1/set-up", "/api/v1/join");
    private static final List<String> OPEN_BEGINNINGS = List.of("/api/v1/join/", "/api/v1/calendars/");

    private static final String BUSY = "{\"type\":\"about:blank\",\"title\":\"Service Unavailable\",\"status\":503,"
            + "\"detail\":\"The server answers as many requests as it can. Send this again in a second.\","
            + "\"errors\":[]}";

    private final Semaphore readings = new Semaphore(READINGS);
    private final Semaphore others = new Semaphore(OTHERS);
    private final Semaphore open = new Semaphore(OPEN);
    private final Semaphore signIns = new Semaphore(SIGN_INS);
    /** Requests of those that are known, by session or token; what is over is forgotten. */
    private final Map<String, Integer> underWay = new ConcurrentHashMap<>();

    private final Semaphore lingering = new Semaphore(HANGING_UP);

    RequestPlaces() {
        super(true);
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
        request.setAttribute(
                HANG_UP, (Runnable) () -> request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null));
        Semaphore places = places(request);
        if (places == null) {
            getNext().invoke(request, response);
        } else if (places == others) {
            invokeAsOneOf(key(request), request, response);
        } else {
            invokeIn(places, request, response);
        }
        if (!request.isAsync() && !isReadToItsEnd(request)) {
            hangUp(request, response);
        }
    }

    private void invokeIn(Semaphore places, Request request, Response response) throws IOException, ServletException {
        if (!places.tryAcquire()) {
            refuse(response);
            return;
        }
        try {
            getNext().invoke(request, response);
        } finally {
            places.release();
        }
    }

    private void invokeAsOneOf(String key, Request request, Response response) throws IOException, ServletException {
        int own = underWay.merge(key, 1, Integer::sum);
        try {
            if (own > OF_EACH) {
                refuse(response);
            } else {
                invokeIn(others, request, response);
            }
        } finally {
            underWay.computeIfPresent(key, (same, count) -> count <= 1 ? null : count - 1);
        }
    }

    /** Who asks, as far as the door can tell before anybody looks into it. */
    private static String key(Request request) {
        String token = request.getHeader("Authorization");
        return token != null
                ? token
                : request.getRequestedSessionId() != null
                        ? request.getRequestedSessionId()
                        : String.valueOf(request.getRemoteAddr());
    }

    private static void refuse(Response response) throws IOException {
        byte[] body = BUSY.getBytes(StandardCharsets.UTF_8);
        response.setStatus(503);
        response.setHeader("Retry-After", "1");
        response.setContentType("application/problem+json");
        response.setContentLength(body.length);
        response.getOutputStream().write(body);
    }

    /** Strangers, however many and however slow, take no place of those who are known. */
    private Semaphore places(Request request) {
        String path = request.getRequestURI() == null ? "" : request.getRequestURI();
        if (path.startsWith(HEALTH_PATH)) {
            return null;
        }
        if (READINGS_PATH.equals(path)) {
            return readings;
        }
        if (!isOpen(path) || isSignedIn(request)) {
            return others;
        }
        return SIGN_IN_PATH.equals(path) && "POST".equals(request.getMethod()) ? signIns : open;
    }

    private static boolean isOpen(String path) {
        return !path.startsWith("/api/")
                || SIGN_IN_PATH.equals(path)
                || OPEN_PATHS.contains(path)
                || OPEN_BEGINNINGS.stream().anyMatch(path::startsWith);
    }

    /** Only who signed in has a session. */
    private static boolean isSignedIn(Request request) {
        return request.getContext() != null
                && request.getRequestedSessionId() != null
                && request.getSession(false) != null;
    }

    private static boolean isReadToItsEnd(Request request) {
        AtomicBoolean isRead = new AtomicBoolean();
        request.getCoyoteRequest().action(ActionCode.REQUEST_BODY_FULLY_READ, isRead);
        return isRead.get();
    }

    private void hangUp(Request request, Response response) throws IOException {
        response.finishResponse();
        boolean isDone = false;
        if (lingering.tryAcquire()) {
            try {
                isDone = readOn(request.getCoyoteRequest());
            } finally {
                lingering.release();
            }
        }
        if (!isDone) {
            request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
        }
    }

    /** Throws away what comes within a moment; whether that was all of it. Never waits for a byte. */
    private static boolean readOn(org.apache.coyote.Request request) throws IOException {
        long until = System.nanoTime() + LINGER_NANOS;
        AtomicBoolean isRead = new AtomicBoolean();
        Discard discard = new Discard();
        while (System.nanoTime() < until) {
            request.action(ActionCode.AVAILABLE, Boolean.TRUE);
            if (request.getAvailable() > 0) {
                if (request.doRead(discard) < 0) {
                    return true;
                }
            } else {
                pause();
            }
            request.action(ActionCode.REQUEST_BODY_FULLY_READ, isRead);
            if (isRead.get()) {
                return true;
            }
        }
        return false;
    }

    private static void pause() throws IOException {
        try {
            Thread.sleep(25);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("stopping", e);
        }
    }
}
