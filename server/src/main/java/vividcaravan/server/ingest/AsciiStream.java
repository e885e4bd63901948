package vividcaravan.server.ingest;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;

/**
 * A JSON body made harmless. Every byte that is not ASCII reads as a question mark: nothing that a reading needs has such
 * bytes, and text that is not UTF-8 then spoils one reading instead of its neighbours. And what goes on for longer than
 * anything a reading needs is cut, a text or a name to {@value #LONGEST} characters and a number to as many digits:
 * otherwise a few packed kilobytes could unpack to one number of many megabytes, all of which a parser has to hold.
 */
final class AsciiStream extends FilterInputStream {

    static final int LONGEST = 1_024;

    private boolean isInText;
    private boolean isEscaped;
    /** Digits still to come of an escape such as {@code \u00e9}. */
    private int hexToCome;

    private int length;
    private byte last;

    AsciiStream(InputStream in) {
        super(in);
    }

    @Override
    public int read() throws IOException {
        byte[] one = new byte[1];
        return read(one, 0, 1) < 0 ? -1 : one[0];
    }

    @Override
    public int read(byte[] bytes, int offset, int length) throws IOException {
        if (length == 0) {
            return 0;
        }
        while (true) {
            int count = super.read(bytes, offset, length);
            if (count <= 0) {
                return count;
            }
            int kept = tame(bytes, offset, count);
            if (kept > 0) {
                return kept;
            }
        }
    }

    private int tame(byte[] bytes, int offset, int count) {
        int to = offset;
        for (int from = offset; from < offset + count; from++) {
            byte next = bytes[from] < 0 ? (byte) '?' : bytes[from];
            if (isInText ? isKeptInText(next) : isKeptOutside(next)) {
                bytes[to++] = next;
                last = next;
            }
        }
        return to - offset;
    }

    private boolean isKeptInText(byte next) {
        boolean isWhole = !isEscaped && hexToCome == 0;
        if (isWhole && next == '"') {
            isInText = false;
            length = 0;
            return true;
        }
        boolean isKept = length < LONGEST || !isWhole && length < LONGEST + 8;
        if (hexToCome > 0) {
            hexToCome--;
        } else if (isEscaped) {
            isEscaped = false;
            hexToCome = next == 'u' ? 4 : 0;
        } else {
            isEscaped = next == '\\';
        }
        // An escape is kept whole or not at all, so none is begun where it could not be ended.
        if (isKept && isWhole && next == '\\' && length >= LONGEST - 1) {
            length = LONGEST + 8;
            return false;
        }
        length++;
        return isKept;
    }

    private boolean isKeptOutside(byte next) {
        switch (next) {
            case '"' -> {
                isInText = true;
                length = 0;
                return true;
            }
            case '{', '}', '[', ']', ',', ':', ' ', '\t', '\r', '\n' -> {
                length = 0;
                return true;
            }
            default -> {
                // A number is cut behind a digit, so that it stays one.
                boolean isCut = length >= LONGEST && last >= '0' && last <= '9';
                length++;
                return !isCut;
            }
        }
    }
}
