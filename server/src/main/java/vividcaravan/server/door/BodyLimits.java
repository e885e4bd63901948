package vividcaravan.server.door;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import vividcaravan.server.platform.BodyStreams;
import vividcaravan.server.platform.ProblemWriter;

/**
 * How large a body may be where it is held as a whole. Readings, logs and fleet documents come as streams and have limits of
 * their own; what needs no account is gathered by {@link OpenBodies}.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class BodyLimits extends OncePerRequestFilter {

    static final long LARGEST = 2L * 1024 * 1024;
    private static final Set<String> STREAMED =
            Set.of("/api/v1/readings", "/api/v1/fleet-imports", "/api/v1/can-logs", "/api/v1/reading-files");

    private static final String SHEETS = "/api/v1/sheets/";

    private final ProblemWriter problems;

    BodyLimits(ProblemWriter problems) {
        this.problems = problems;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return STREAMED.contains(request.getRequestURI())
                || request.getRequestURI().startsWith(SHEETS)
                || request instanceof GatheredRequest;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getContentLengthLong() > LARGEST) {
            problems.write(response, HttpStatus.CONTENT_TOO_LARGE, "A body may have 2 MB here. Send it in parts.");
            return;
        }
        chain.doFilter(request.getContentLengthLong() == 0 ? request : new Bounded(request), response);
    }

    private static final class Bounded extends HttpServletRequestWrapper {

        Bounded(HttpServletRequest request) {
            super(request);
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            ServletInputStream in = super.getInputStream();
            java.io.InputStream bounded = BodyStreams.bounded(in, LARGEST);
            return new ServletInputStream() {
                @Override
                public int read() throws IOException {
                    return bounded.read();
                }

                @Override
                public int read(byte[] bytes, int offset, int length) throws IOException {
                    return bounded.read(bytes, offset, length);
                }

                @Override
                public boolean isFinished() {
                    return in.isFinished();
                }

                @Override
                public boolean isReady() {
                    return in.isReady();
                }

                @Override
                public void setReadListener(ReadListener listener) {
                    in.setReadListener(listener);
                }
            };
        }
    }
}
