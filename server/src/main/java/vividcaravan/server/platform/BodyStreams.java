package vividcaravan.server.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Locale;
import java.util.zip.GZIPInputStream;

/** The body of a request as its sender meant it: unpacked, and bounded where it must be. */
public final class BodyStreams {

    private BodyStreams() {}

    /** The body is larger than is allowed. */
    public static final class TooLarge extends IOException {
        private static final long serialVersionUID = 1L;
    }

    /** Whether the body says that it is packed. */
    public static boolean isPacked(HttpServletRequest request) {
        String encoding = request.getHeader("Content-Encoding");
        return encoding != null && !encoding.isBlank() && !encoding.strip().equalsIgnoreCase("identity");
    }

    /**
     * The body, unpacked if it is packed.
     *
     * @throws Refusal if it is packed in a way that is not known
     * @throws IOException if it claims to be gzip and does not begin like it
     */
    public static InputStream unpacked(HttpServletRequest request) throws IOException {
        if (!isPacked(request)) {
            return request.getInputStream();
        }
        String encoding = request.getHeader("Content-Encoding");
        if (!encoding.strip().toLowerCase(Locale.ROOT).equals("gzip")) {
            throw Refusal.unsupported("Content-Encoding may be gzip or absent, was \"" + encoding + "\".");
        }
        return new GZIPInputStream(request.getInputStream(), 64 * 1024);
    }

    /** The same stream, which breaks off with {@link TooLarge} after {@code most} bytes. */
    public static InputStream bounded(InputStream in, long most) {
        return new FilterInputStream(in) {
            private long left = most;

            @Override
            public int read() throws IOException {
                int next = super.read();
                count(next < 0 ? 0 : 1);
                return next;
            }

            @Override
            public int read(byte[] buffer, int offset, int length) throws IOException {
                int count = super.read(buffer, offset, length);
                count(Math.max(count, 0));
                return count;
            }

            private void count(int bytes) throws TooLarge {
                left -= bytes;
                if (left < 0) {
                    throw new TooLarge();
                }
            }
        };
    }
}
