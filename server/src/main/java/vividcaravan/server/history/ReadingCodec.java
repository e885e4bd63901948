package vividcaravan.server.history;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import vividcaravan.core.judge.rules.Reading;

/**
 * Readings as bytes, exact: milliseconds, thousandths of a kPa and of a °C. Each field is written as its difference from
 * the one before in variable length, since one sensor's readings hardly differ.
 */
public final class ReadingCodec {

    private static final byte FORMAT = 1;
    private static final int NO_PRESSURE = 1;
    private static final int NO_TEMPERATURE = 2;
    private static final int HAS_BATTERY = 4;
    private static final int HAS_RSSI = 8;
    private static final int HAS_MOVING = 16;
    private static final int IS_MOVING = 32;
    /** For the caller: late in a block, judged in the journal. */
    private static final int MARK = 64;

    private ReadingCodec() {}

    /**
     * One reading with whatever its container needs to know of it.
     *
     * @param sensor the sensor's identity; 0 where the container knows it
     * @param isMarked in a block: it came late and was not judged; in the journal: it was judged
     */
    public record Entry(long sensor, Reading reading, boolean isMarked) {}

    /** All of them as bytes. */
    public static byte[] write(List<Entry> entries) {
        Writer out = new Writer(entries.size());
        entries.forEach(out::add);
        return out.bytes();
    }

    /** Takes readings one by one; its bytes can be had at any time. */
    static final class Writer {
        private static final int LONGEST_ENTRY = 64;

        private byte[] body;
        private int length;
        private int count;
        private long sensor;
        private long at;
        private long pressure;
        private long temperature;
        private long battery;
        private long rssi;

        /**
         * @param expected how many entries there will be, as far as known
         */
        Writer(int expected) {
            body = new byte[LONGEST_ENTRY + expected * 14];
        }

        int count() {
            return count;
        }

        void add(Entry entry) {
            if (body.length - length < LONGEST_ENTRY) {
                body = Arrays.copyOf(body, body.length + Math.max(LONGEST_ENTRY, body.length / 2));
            }
            count++;
            Reading r = entry.reading();
            int flags = (Double.isNaN(r.pressureKpa()) ? NO_PRESSURE : 0)
                    | (Double.isNaN(r.temperatureC()) ? NO_TEMPERATURE : 0)
                    | (r.batteryMv() != null ? HAS_BATTERY : 0)
                    | (r.rssiDbm() != null ? HAS_RSSI : 0)
                    | (r.moving() != null ? HAS_MOVING : 0)
                    | (Boolean.TRUE.equals(r.moving()) ? IS_MOVING : 0)
                    | (entry.isMarked() ? MARK : 0);
            body[length++] = (byte) flags;
            signed(entry.sensor() - sensor);
            sensor = entry.sensor();
            signed(r.at() - at);
            at = r.at();
            if ((flags & NO_PRESSURE) == 0) {
                long value = Math.round(r.pressureKpa() * 1000);
                signed(value - pressure);
                pressure = value;
            }
            if ((flags & NO_TEMPERATURE) == 0) {
                long value = Math.round(r.temperatureC() * 1000);
                signed(value - temperature);
                temperature = value;
            }
            if (r.batteryMv() != null) {
                signed(r.batteryMv() - battery);
                battery = r.batteryMv();
            }
            if (r.rssiDbm() != null) {
                signed(r.rssiDbm() - rssi);
                rssi = r.rssiDbm();
            }
        }

        private void signed(long value) {
            length = VariableLength.unsigned((value << 1) ^ (value >> 63), body, length);
        }

        byte[] bytes() {
            byte[] head = new byte[1 + VariableLength.LONGEST];
            head[0] = FORMAT;
            int headLength = VariableLength.unsigned(count, head, 1);
            byte[] all = Arrays.copyOf(head, headLength + length);
            System.arraycopy(body, 0, all, headLength, length);
            return all;
        }
    }

    /**
     * The readings in {@code bytes}, in the order in which they were written.
     *
     * @throws IllegalStateException if the bytes were not written by a version this one understands
     */
    public static List<Entry> read(byte[] bytes) {
        ByteBuffer in = ByteBuffer.wrap(bytes);
        byte format = in.get();
        if (format != FORMAT) {
            throw new IllegalStateException("readings have format " + format + ", this version reads format " + FORMAT);
        }
        int count = (int) VariableLength.unsigned(in);
        List<Entry> entries = new ArrayList<>(count);
        long sensor = 0;
        long at = 0;
        long pressure = 0;
        long temperature = 0;
        int battery = 0;
        int rssi = 0;
        for (int i = 0; i < count; i++) {
            int flags = in.get();
            sensor += VariableLength.signed(in);
            at += VariableLength.signed(in);
            pressure += (flags & NO_PRESSURE) == 0 ? VariableLength.signed(in) : 0;
            temperature += (flags & NO_TEMPERATURE) == 0 ? VariableLength.signed(in) : 0;
            battery += (flags & HAS_BATTERY) != 0 ? (int) VariableLength.signed(in) : 0;
            rssi += (flags & HAS_RSSI) != 0 ? (int) VariableLength.signed(in) : 0;
            Reading reading = new Reading(
                    at,
                    (flags & NO_PRESSURE) == 0 ? pressure / 1000.0 : Double.NaN,
                    (flags & NO_TEMPERATURE) == 0 ? temperature / 1000.0 : Double.NaN,
                    (flags & HAS_BATTERY) != 0 ? battery : null,
                    (flags & HAS_RSSI) != 0 ? rssi : null,
                    (flags & HAS_MOVING) != 0 ? (flags & IS_MOVING) != 0 : null);
            entries.add(new Entry(sensor, reading, (flags & MARK) != 0));
        }
        return entries;
    }
}
