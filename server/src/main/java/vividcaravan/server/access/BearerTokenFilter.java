package vividcaravan.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import vividcaravan.server.platform.ProblemWriter;
import vividcaravan.server.platform.ReaderKey;

/** Lets machines in by {@code Authorization: Bearer …}, for this one request. */
class BearerTokenFilter extends OncePerRequestFilter {

    private static final String PREFIX = "Bearer ";

    private final ApiTokens tokens;
    private final ProblemWriter problems;

    BearerTokenFilter(ApiTokens tokens, ProblemWriter problems) {
        this.tokens = tokens;
        this.problems = problems;
    }

    /** Whether the request carries a bearer token, which a browser never adds by itself. */
    static boolean isBearer(HttpServletRequest request) {
        String header = request.getHeader(HttpHeaders.AUTHORIZATION);
        return header != null && header.regionMatches(true, 0, PREFIX, 0, PREFIX.length());
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!isBearer(request)) {
            chain.doFilter(request, response);
            return;
        }
        String secret = request.getHeader(HttpHeaders.AUTHORIZATION)
                .substring(PREFIX.length())
                .strip();
        Optional<ApiTokens.Bearer> bearer = tokens.find(secret);
        if (bearer.isEmpty()) {
            response.setHeader(HttpHeaders.WWW_AUTHENTICATE, "Bearer error=\"invalid_token\"");
            problems.write(
                    response,
                    HttpStatus.UNAUTHORIZED,
                    "This token is not known or was ended. Make another in the Office.");
            return;
        }
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        UsernamePasswordAuthenticationToken who = UsernamePasswordAuthenticationToken.authenticated(
                new MachineReader(
                        bearer.get().name(), bearer.get().owner(), bearer.get().receiver()),
                null,
                List.of(new SimpleGrantedAuthority("ROLE_" + bearer.get().scope())));
        who.setDetails(ReaderKey.ofToken(bearer.get().id()));
        context.setAuthentication(who);
        SecurityContextHolder.setContext(context);
        try {
            chain.doFilter(request, response);
        } finally {
            SecurityContextHolder.clearContext();
        }
    }

    /** A stream goes on after its first dispatch; whoever opened it was let in then. */
    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
        return true;
    }
}
