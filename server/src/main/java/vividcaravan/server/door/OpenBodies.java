package vividcaravan.server.door;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import vividcaravan.server.platform.ProblemWriter;

/**
 * The bodies of requests that need no account. They are small, and they are gathered as they come without holding a
 * thread: only a body that is there gets one. So nobody who is not known can keep the threads that others need, however
 * many lines they open and however slowly they write.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class OpenBodies extends OncePerRequestFilter implements DisposableBean {

    static final int LARGEST = 64 * 1024;
    static final long PATIENCE_SECONDS = 10;
    private static final int MOST_AT_ONCE = 400;
    private static final Set<String> OPEN =
            Set.of("/api/v1/session", "/api/v1/join", "/api/v1/join/looks", "/api/v1/set-up");
    private static final Logger LOG = LoggerFactory.getLogger(OpenBodies.class);

    private final ProblemWriter problems;
    private final AtomicInteger gathering = new AtomicInteger();
    private final ScheduledThreadPoolExecutor patience = patience();

    OpenBodies(ProblemWriter problems) {
        this.problems = problems;
    }

    private static ScheduledThreadPoolExecutor patience() {
        ScheduledThreadPoolExecutor executor = new ScheduledThreadPoolExecutor(1, task -> {
            Thread thread = new Thread(task, "patience");
            thread.setDaemon(true);
            return thread;
        });
        executor.setRemoveOnCancelPolicy(true);
        return executor;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        boolean hasBody = request.getContentLengthLong() > 0 || request.getHeader("Transfer-Encoding") != null;
        return !hasBody || !OPEN.contains(request.getRequestURI());
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getAttribute(GatheredBody.class.getName()) instanceof GatheredBody body) {
            chain.doFilter(new GatheredRequest(request, body.bytes()), response);
            return;
        }
        if (request.getContentLengthLong() > LARGEST) {
            tooLarge(response);
            return;
        }
        if (gathering.incrementAndGet() > MOST_AT_ONCE) {
            gathering.decrementAndGet();
            busy(response);
            return;
        }
        AsyncContext context = request.startAsync(request, response);
        context.setTimeout(0);
        GatheredBody body = new GatheredBody(request.getInputStream(), LARGEST, end -> {
            gathering.decrementAndGet();
            switch (end) {
                case WHOLE -> context.dispatch();
                case TOO_LARGE -> answer(context, request, () -> tooLarge(response));
                case TOO_SLOW ->
                    answer(
                            context,
                            request,
                            () -> problems.write(
                                    response,
                                    HttpStatus.REQUEST_TIMEOUT,
                                    "The body did not come within ten seconds. Send it again."));
                case BROKEN_OFF -> answer(context, request, () -> {});
            }
        });
        request.setAttribute(GatheredBody.class.getName(), body);
        body.gather(patience, PATIENCE_SECONDS, TimeUnit.SECONDS);
    }

    /** The request comes a second time, once its body is there. */
    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
        return false;
    }

    private interface Writing {
        void write() throws IOException;
    }

    private static void answer(AsyncContext context, HttpServletRequest request, Writing answer) {
        try {
            answer.write();
            context.getResponse().flushBuffer();
        } catch (IOException | IllegalStateException e) {
            LOG.debug("Nobody waits for the answer any more", e);
        } finally {
            if (request.getAttribute(RequestPlaces.HANG_UP) instanceof Runnable hangUp) {
                hangUp.run();
            }
            context.complete();
        }
    }

    private void busy(HttpServletResponse response) throws IOException {
        response.setHeader("Retry-After", "1");
        problems.write(
                response,
                HttpStatus.SERVICE_UNAVAILABLE,
                "The server answers as many requests as it can. Send this again in a second.");
    }

    private void tooLarge(HttpServletResponse response) throws IOException {
        problems.write(response, HttpStatus.CONTENT_TOO_LARGE, "A body may have 64 KB here.");
    }

    /** How many bodies are on their way. */
    int gathering() {
        return gathering.get();
    }

    @Override
    public void destroy() {
        patience.shutdownNow();
    }
}
