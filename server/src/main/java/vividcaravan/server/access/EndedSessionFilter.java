package vividcaravan.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/** A session ends with the next request once its person was taken off, ended it from elsewhere, or signed in long ago. */
class EndedSessionFilter extends OncePerRequestFilter {

    /** However busy a session is, a password is asked for again after so long. */
    static final Duration LONGEST = Duration.ofDays(30);

    private final Accounts accounts;
    private final Clock clock;

    EndedSessionFilter(Accounts accounts, Clock clock) {
        this.accounts = accounts;
        this.clock = clock;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who != null && who.getPrincipal() instanceof SignedIn signedIn && hasEnded(signedIn)) {
            HttpSession session = request.getSession(false);
            if (session != null) {
                session.invalidate();
            }
            SecurityContextHolder.clearContext();
        }
        chain.doFilter(request, response);
    }

    private boolean hasEnded(SignedIn signedIn) {
        return signedIn.since().plus(LONGEST).isBefore(clock.instant())
                || accounts.sessionNumber(signedIn.userName()).orElse(-1) != signedIn.sessionNumber();
    }
}
