package vividcaravan.server.history;

import java.nio.ByteBuffer;

/** Whole numbers in as few bytes as they need, seven bits in each. */
final class VariableLength {

    /** Bytes of the longest. */
    static final int LONGEST = 10;

    private VariableLength() {}

    /** Puts {@code value} into {@code bytes} from {@code place} on and returns the place behind it. */
    static int unsigned(long value, byte[] bytes, int place) {
        long rest = value;
        int next = place;
        while ((rest & ~0x7FL) != 0) {
            bytes[next++] = (byte) (rest & 0x7F | 0x80);
            rest >>>= 7;
        }
        bytes[next++] = (byte) rest;
        return next;
    }

    static void unsigned(long value, ByteBuffer out) {
        out.position(unsigned(value, out.array(), out.position()));
    }

    static void signed(long value, ByteBuffer out) {
        unsigned((value << 1) ^ (value >> 63), out);
    }

    static long unsigned(ByteBuffer in) {
        long value = 0;
        int shift = 0;
        while (true) {
            byte next = in.get();
            value |= (long) (next & 0x7F) << shift;
            if (next >= 0) {
                return value;
            }
            shift += 7;
        }
    }

    static long signed(ByteBuffer in) {
        long value = unsigned(in);
        return (value >>> 1) ^ -(value & 1);
    }
}
