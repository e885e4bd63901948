package vividcaravan.server.columns;

import java.io.FilterReader;
import java.io.IOException;
import java.io.Reader;

/**
 * Text of which no record may be longer than was said for it. A quotation mark that is never closed, or a file without line
 * ends, would otherwise be one record of gigabytes, and so would a gigabyte of empty lines before the next.
 */
final class BoundedRecords extends FilterReader {

    private int left;

    BoundedRecords(Reader in) {
        super(in);
    }

    /** A record does not end. */
    static final class TooLong extends IOException {
        private static final long serialVersionUID = 1L;
    }

    /**
     * The next record begins.
     *
     * @param most how many characters may be read for it, those that are read ahead among them
     */
    void begin(int most) {
        left = most;
    }

    @Override
    public int read() throws IOException {
        char[] one = new char[1];
        return read(one, 0, 1) < 0 ? -1 : one[0];
    }

    @Override
    public int read(char[] buffer, int offset, int length) throws IOException {
        if (left <= 0) {
            throw new TooLong();
        }
        int read = super.read(buffer, offset, Math.min(length, left));
        left -= Math.max(read, 0);
        return read;
    }
}
