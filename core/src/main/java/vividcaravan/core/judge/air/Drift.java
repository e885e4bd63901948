package vividcaravan.core.judge.air;

import vividcaravan.core.judge.memory.Memory;

/**
 * How far a wheel has left what it should show, and how fast: means of ten minutes each over the last hours in which it was
 * heard, and a straight line through them by least squares.
 */
final class Drift {

    static final long BUCKET_MILLIS = 10L * 60 * 1000;
    /** So many are kept. */
    static final int BUCKETS = 24;

    private static final double HOUR_MILLIS = 3_600_000;
    /** Between two neighbours of a slope came no more than this of it; of three, half came [our judgement]. */
    private static final double LARGEST_OF_A_SLOPE = 0.75;

    private final long[] bucket = new long[BUCKETS];
    private final double[] sum = new double[BUCKETS];
    private final short[] count = new short[BUCKETS];
    /** Where the newest bucket is, and how many there are. */
    private int newest = -1;

    private int size;

    void clear() {
        size = 0;
        newest = -1;
    }

    int size() {
        return size;
    }

    /**
     * Takes in how far a reading is off.
     *
     * @param share of target, negative below
     * @return whether this began another ten minutes
     */
    boolean add(long at, double share) {
        long key = Math.floorDiv(at, BUCKET_MILLIS);
        boolean isNext = size == 0 || bucket[newest] != key;
        if (isNext) {
            newest = (newest + 1) % BUCKETS;
            bucket[newest] = key;
            sum[newest] = 0;
            count[newest] = 0;
            size = Math.min(size + 1, BUCKETS);
        }
        // Rounded so that half the room will do for what outlives a restart; the sensors' steps are ten thousand times
        // coarser.
        sum[newest] = (float) (sum[newest] + share);
        count[newest]++;
        return isNext;
    }

    private int index(int back) {
        return Math.floorMod(newest - back, BUCKETS);
    }

    private double mean(int back) {
        int i = index(back);
        return sum[i] / count[i];
    }

    /** The mean of the last twenty minutes in which it was heard, a share of target; NaN before the first reading. */
    double now() {
        if (size == 0) {
            return Double.NaN;
        }
        int last = index(0);
        int before = size > 1 ? index(1) : last;
        return size == 1 ? sum[last] / count[last] : (sum[last] + sum[before]) / (count[last] + count[before]);
    }

    /**
     * A line through the newest buckets.
     *
     * @param perHour slope, share of target an hour
     * @param error its standard error
     * @param buckets how many it goes through
     * @param largestFall the most that came between two neighbours, share of target
     * @param hours how long it is
     */
    record Line(double perHour, double error, int buckets, double largestFall, double hours) {

        /** The standard error of its slope if its points scatter by {@code noise}, evenly spread over its hours. */
        double errorOf(double noise) {
            return buckets < 2 ? Double.POSITIVE_INFINITY : noise / (hours * Math.sqrt(buckets / 12.0));
        }

        /** Whether it goes down all along, and not at once. */
        boolean isSlope() {
            return largestFall <= LARGEST_OF_A_SLOPE * -perHour * hours;
        }
    }

    /**
     * A line through the newest buckets, back to the last gap.
     *
     * @param most how many buckets at most
     * @param gapMillis a silence this long ends the line
     */
    Line line(int most, long gapMillis) {
        int n = Math.min(size, 1);
        while (n < Math.min(size, most)
                && (bucket[index(n - 1)] - bucket[index(n)]) * BUCKET_MILLIS <= gapMillis + BUCKET_MILLIS) {
            n++;
        }
        if (n < 3) {
            return new Line(0, Double.POSITIVE_INFINITY, n, 0, 0);
        }
        double meanX = 0;
        double meanY = 0;
        for (int i = 0; i < n; i++) {
            meanX += hours(i) / n;
            meanY += mean(i) / n;
        }
        double sxx = 0;
        double sxy = 0;
        for (int i = 0; i < n; i++) {
            double x = hours(i) - meanX;
            sxx += x * x;
            sxy += x * (mean(i) - meanY);
        }
        double slope = sxy / sxx;
        double squares = 0;
        double largestFall = 0;
        for (int i = 1; i < n; i++) {
            largestFall = Math.max(largestFall, mean(i) - mean(i - 1));
        }
        for (int i = 0; i < n; i++) {
            double off = mean(i) - meanY - slope * (hours(i) - meanX);
            squares += off * off;
        }
        return new Line(slope, Math.sqrt(squares / (n - 2) / sxx), n, largestFall, -hours(n - 1));
    }

    private double hours(int back) {
        return (bucket[index(back)] - bucket[newest]) * BUCKET_MILLIS / HOUR_MILLIS;
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        long[] buckets = new long[size];
        double[] sums = new double[size];
        long[] counts = new long[size];
        for (int i = 0; i < size; i++) {
            int oldestFirst = index(size - 1 - i);
            buckets[i] = bucket[oldestFirst];
            sums[i] = sum[oldestFirst];
            counts[i] = count[oldestFirst];
        }
        buckets = memory.times("buckets", buckets);
        sums = memory.figures("sums", sums);
        counts = memory.times("counts", counts);
        if (memory.isTakenUp()) {
            size = Math.min(BUCKETS, Math.min(buckets.length, Math.min(sums.length, counts.length)));
            newest = size - 1;
            for (int i = 0; i < size; i++) {
                bucket[i] = buckets[i];
                sum[i] = sums[i];
                count[i] = (short) counts[i];
            }
        }
    }
}
