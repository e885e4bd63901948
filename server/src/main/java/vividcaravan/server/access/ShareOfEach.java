package vividcaravan.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import vividcaravan.server.platform.ProblemWriter;
import vividcaravan.server.platform.ReaderKey;

/** How many requests one account or token may have under way at once, so that it leaves places to all others. Readings have places of their own. */
class ShareOfEach extends OncePerRequestFilter {

    /** No page asks for so much at once. */
    static final int MOST = 40;

    private static final String READINGS_PATH = "/api/v1/readings";

    private final ConcurrentHashMap<String, AtomicInteger> underWay = new ConcurrentHashMap<>();
    private final ProblemWriter problems;

    ShareOfEach(ProblemWriter problems) {
        this.problems = problems;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return READINGS_PATH.equals(request.getRequestURI());
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who == null || who instanceof AnonymousAuthenticationToken) {
            chain.doFilter(request, response);
            return;
        }
        String key = ReaderKey.of(who);
        int own = underWay.compute(key, (none, known) -> {
                    AtomicInteger count = known == null ? new AtomicInteger() : known;
                    count.incrementAndGet();
                    return count;
                })
                .get();
        try {
            if (own > MOST) {
                response.setHeader("Retry-After", "1");
                problems.write(
                        response,
                        HttpStatus.TOO_MANY_REQUESTS,
                        "More than " + MOST
                                + " requests of yours are under way. Wait for some of them, then send this again.");
                return;
            }
            chain.doFilter(request, response);
        } finally {
            underWay.computeIfPresent(key, (none, known) -> known.decrementAndGet() <= 0 ? null : known);
        }
    }
}
