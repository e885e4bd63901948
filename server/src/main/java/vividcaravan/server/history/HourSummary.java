package vividcaravan.server.history;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import vividcaravan.core.judge.rules.Reading;

/**
 * What one sensor said within one hour and one stay: enough to give mean and range of the hour, and of any day made of
 * such hours, after its readings are gone. Kept in thousandths, so that sums are exact.
 *
 * @param hour hours since 1970, UTC
 * @param firstAt time of its first measurement, epoch milliseconds; says which stay at a wheel it belongs to
 * @param count measurements, 1 or more
 * @param gauge pressures, kPa gauge
 * @param at20 pressures brought to 20 °C, kPa gauge
 * @param celsius temperatures, °C
 */
record HourSummary(long hour, long firstAt, int count, Spread gauge, Spread at20, Spread celsius) {

    /** Lowest, highest and sum of some values, in thousandths. */
    record Spread(long min, long max, long sum) {

        static Spread of(double value) {
            long thousandths = Math.round(value * 1000);
            return new Spread(thousandths, thousandths, thousandths);
        }

        Spread plus(Spread other) {
            return new Spread(Math.min(min, other.min), Math.max(max, other.max), sum + other.sum);
        }

        double lowest() {
            return min / 1000.0;
        }

        double highest() {
            return max / 1000.0;
        }

        double mean(int count) {
            return Math.round((double) sum / count) / 1000.0;
        }
    }

    private static final byte FORMAT = 1;
    private static final int LONGEST = 11 * VariableLength.LONGEST;

    /** The summary of a single measurement. */
    static HourSummary of(Reading reading, double kpaAt20) {
        return new HourSummary(
                BlockStore.hour(reading.at()),
                reading.at(),
                1,
                Spread.of(reading.pressureKpa()),
                Spread.of(kpaAt20),
                Spread.of(reading.temperatureC()));
    }

    /** Both together, under this one's hour and beginning. */
    HourSummary plus(HourSummary other) {
        return new HourSummary(
                hour,
                firstAt,
                count + other.count,
                gauge.plus(other.gauge),
                at20.plus(other.at20),
                celsius.plus(other.celsius));
    }

    /** A day's summaries as bytes. */
    static byte[] write(List<HourSummary> summaries) {
        ByteBuffer out = ByteBuffer.allocate(1 + VariableLength.LONGEST + summaries.size() * LONGEST);
        out.put(FORMAT);
        VariableLength.unsigned(summaries.size(), out);
        for (HourSummary summary : summaries) {
            VariableLength.unsigned(summary.hour, out);
            VariableLength.unsigned(summary.firstAt - summary.hour * BlockStore.HOUR_MILLIS, out);
            VariableLength.unsigned(summary.count, out);
            write(summary.gauge, summary.count, out);
            write(summary.at20, summary.count, out);
            write(summary.celsius, summary.count, out);
        }
        byte[] bytes = new byte[out.position()];
        out.flip().get(bytes);
        return bytes;
    }

    private static void write(Spread spread, int count, ByteBuffer out) {
        VariableLength.signed(spread.min, out);
        VariableLength.unsigned(spread.max - spread.min, out);
        VariableLength.unsigned(spread.sum - spread.min * count, out);
    }

    /**
     * @throws IllegalStateException if the bytes were not written by a version this one understands
     */
    static List<HourSummary> read(byte[] bytes) {
        ByteBuffer in = ByteBuffer.wrap(bytes);
        byte format = in.get();
        if (format != FORMAT) {
            throw new IllegalStateException(
                    "summaries have format " + format + ", this version reads format " + FORMAT);
        }
        int size = (int) VariableLength.unsigned(in);
        List<HourSummary> summaries = new ArrayList<>(size);
        for (int i = 0; i < size; i++) {
            long hour = VariableLength.unsigned(in);
            long firstAt = hour * BlockStore.HOUR_MILLIS + VariableLength.unsigned(in);
            int count = (int) VariableLength.unsigned(in);
            summaries.add(
                    new HourSummary(hour, firstAt, count, spread(count, in), spread(count, in), spread(count, in)));
        }
        return summaries;
    }

    private static Spread spread(int count, ByteBuffer in) {
        long min = VariableLength.signed(in);
        long max = min + VariableLength.unsigned(in);
        return new Spread(min, max, min * count + VariableLength.unsigned(in));
    }
}
