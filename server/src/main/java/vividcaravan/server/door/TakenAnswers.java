package vividcaravan.server.door;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletOutputStream;
import jakarta.servlet.WriteListener;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpServletResponseWrapper;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.TimeUnit;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Gives up answers that are hardly taken: a client that reads a few bytes now and then would keep a thread for as long as it
 * likes, since the web server looks only at how long it waits for each of them.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class TakenAnswers extends OncePerRequestFilter {

    /** So long an answer may be waited with in all, however slow its line. */
    static final long GRACE_NANOS = TimeUnit.SECONDS.toNanos(8);
    /** After that it has to come at this rate: 32 kbit a second, what a poor mobile line gives [our judgement]. */
    static final long LEAST_BYTES_PER_SECOND = 4_000;

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        chain.doFilter(request, new Taken(response));
    }

    /** Live streams are written to seldom, and are waited for elsewhere. */
    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return request.getRequestURI() != null && request.getRequestURI().startsWith("/api/v1/live");
    }

    private static final class Taken extends HttpServletResponseWrapper {
        private TakenStream stream;
        private PrintWriter writer;

        Taken(HttpServletResponse response) {
            super(response);
        }

        @Override
        public ServletOutputStream getOutputStream() throws IOException {
            if (stream == null) {
                stream = new TakenStream(super.getOutputStream());
            }
            return stream;
        }

        @Override
        public PrintWriter getWriter() throws IOException {
            if (writer == null) {
                String encoding = getCharacterEncoding();
                writer = new PrintWriter(new OutputStreamWriter(
                        getOutputStream(), encoding == null ? StandardCharsets.UTF_8.name() : encoding));
            }
            return writer;
        }

        @Override
        public void flushBuffer() throws IOException {
            if (writer != null) {
                writer.flush();
            }
            super.flushBuffer();
        }
    }

    /** Counts what is taken and how long that was waited for, piece by piece. */
    static final class TakenStream extends ServletOutputStream {
        private static final int PIECE = 4 * 1024;

        private final ServletOutputStream out;
        private long waitedNanos;
        private long taken;

        TakenStream(ServletOutputStream out) {
            this.out = out;
        }

        @Override
        public void write(int one) throws IOException {
            write(new byte[] {(byte) one}, 0, 1);
        }

        @Override
        public void write(byte[] bytes, int from, int count) throws IOException {
            for (int done = 0; done < count; done += PIECE) {
                int piece = Math.min(PIECE, count - done);
                long begun = System.nanoTime();
                out.write(bytes, from + done, piece);
                took(piece, System.nanoTime() - begun);
            }
        }

        void took(int bytes, long nanos) throws IOException {
            taken += bytes;
            waitedNanos += nanos;
            double seconds = waitedNanos / 1e9;
            if (waitedNanos > GRACE_NANOS && taken < LEAST_BYTES_PER_SECOND * seconds) {
                throw new IOException(
                        "the answer is hardly taken: " + taken + " bytes in " + Math.round(seconds) + " s");
            }
        }

        @Override
        public void flush() throws IOException {
            long begun = System.nanoTime();
            out.flush();
            took(0, System.nanoTime() - begun);
        }

        @Override
        public void close() throws IOException {
            out.close();
        }

        @Override
        public boolean isReady() {
            return out.isReady();
        }

        @Override
        public void setWriteListener(WriteListener listener) {
            out.setWriteListener(listener);
        }
    }
}
