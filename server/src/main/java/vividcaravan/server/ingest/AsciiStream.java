package vividcaravan.server.ingest;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;

/**
 * A body in which every byte that is not ASCII reads as a question mark. Nothing that a reading needs has such bytes, and
 * text that is not UTF-8 then spoils one reading instead of its neighbours.
 */
final class AsciiStream extends FilterInputStream {

    AsciiStream(InputStream in) {
        super(in);
    }

    @Override
    public int read() throws IOException {
        int next = super.read();
        return next > Byte.MAX_VALUE ? '?' : next;
    }

    @Override
    public int read(byte[] bytes, int offset, int length) throws IOException {
        int count = super.read(bytes, offset, length);
        for (int i = offset; i < offset + count; i++) {
            bytes[i] = bytes[i] < 0 ? (byte) '?' : bytes[i];
        }
        return count;
    }
}
