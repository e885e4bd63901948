package vividcaravan.server.ingest;

import java.io.IOException;
import java.io.InputStream;

/** Cuts a stream into lines as bytes, in bounded memory: a line that is too long is skipped and said to be so. */
final class ReadingLines {

    static final int LONGEST = 64 * 1024;

    private final InputStream in;
    private final byte[] chunk = new byte[64 * 1024];
    private final byte[] line = new byte[LONGEST];
    private int at;
    private int end;
    private int length;
    private boolean isTooLong;
    private boolean isBlank;

    ReadingLines(InputStream in) {
        this.in = in;
    }

    /**
     * Goes to the next line that is not blank.
     *
     * @return false at the end of the stream
     * @throws IOException if the stream breaks off; the line begun is then lost
     */
    boolean next() throws IOException {
        while (true) {
            length = 0;
            isTooLong = false;
            isBlank = true;
            boolean isEnd = !readLine();
            if (!isBlank) {
                return true;
            }
            if (isEnd) {
                return false;
            }
        }
    }

    /** Reads up to a line feed; false if the stream ended first. */
    private boolean readLine() throws IOException {
        while (true) {
            if (at == end) {
                at = 0;
                end = in.read(chunk);
                if (end < 0) {
                    end = 0;
                    return false;
                }
            }
            while (at < end) {
                byte next = chunk[at++];
                if (next == '\n') {
                    return true;
                }
                isBlank &= next == ' ' || next == '\t' || next == '\r';
                if (length < LONGEST) {
                    line[length++] = next;
                } else {
                    isTooLong = true;
                }
            }
        }
    }

    byte[] bytes() {
        return line;
    }

    int length() {
        return length;
    }

    boolean isTooLong() {
        return isTooLong;
    }
}
