package vividcaravan.core.judge.air;

import java.util.Arrays;
import vividcaravan.core.judge.memory.Memory;

/** The highest pressures of the last ten minutes, a few numbers per minute however many readings come. */
public final class FallWindow {

    static final long SPAN_MILLIS = 10L * 60 * 1000;

    private static final long BUCKET_MILLIS = 60_000;
    private static final int BUCKETS = 11;
    private static final long NEVER = Long.MIN_VALUE;

    private final long[] at = new long[BUCKETS];
    private final double[] kpaAt20 = new double[BUCKETS];
    private final double[] rawKpa = new double[BUCKETS];

    FallWindow() {
        clear();
    }

    void clear() {
        Arrays.fill(at, NEVER);
    }

    /** Takes in a reading; times do not go back. */
    void add(long time, double pressureAt20Kpa, double pressureKpa) {
        int bucket = (int) Math.floorMod(Math.floorDiv(time, BUCKET_MILLIS), (long) BUCKETS);
        boolean isSameMinute =
                at[bucket] != NEVER && Math.floorDiv(at[bucket], BUCKET_MILLIS) == Math.floorDiv(time, BUCKET_MILLIS);
        if (!isSameMinute || pressureAt20Kpa >= kpaAt20[bucket]) {
            at[bucket] = time;
            kpaAt20[bucket] = pressureAt20Kpa;
            rawKpa[bucket] = pressureKpa;
        }
    }

    /** The highest reading within ten minutes before {@code time}, or null if there is none. */
    Peak highestBefore(long time) {
        int best = -1;
        for (int i = 0; i < BUCKETS; i++) {
            boolean isInSpan = at[i] != NEVER && at[i] <= time && time - at[i] <= SPAN_MILLIS;
            if (isInSpan && (best < 0 || kpaAt20[i] > kpaAt20[best])) {
                best = i;
            }
        }
        return best < 0 ? null : new Peak(at[best], kpaAt20[best], rawKpa[best]);
    }

    /**
     * The largest fall between two neighbours, from the highest of the last ten minutes to {@code kpaAt20} at {@code time}; a
     * minute's neighbour is the next minute that was heard.
     */
    double largestStepTo(long time, double kpaAt20) {
        Peak peak = highestBefore(time);
        if (peak == null) {
            return 0;
        }
        double before = peak.kpaAt20;
        double largest = 0;
        long minute = Math.floorDiv(peak.at, BUCKET_MILLIS);
        for (long next = minute + 1; next <= Math.floorDiv(time, BUCKET_MILLIS); next++) {
            int bucket = (int) Math.floorMod(next, (long) BUCKETS);
            if (at[bucket] != NEVER && Math.floorDiv(at[bucket], BUCKET_MILLIS) == next) {
                largest = Math.max(largest, before - this.kpaAt20[bucket]);
                before = this.kpaAt20[bucket];
            }
        }
        return Math.max(largest, before - kpaAt20);
    }

    /** A highest reading: when, at 20 °C, raw. */
    public record Peak(long at, double kpaAt20, double rawKpa) {}

    /** What outlives a restart. */
    public void remember(Memory memory) {
        memory.slots("at", at);
        memory.slots("kpaAt20", kpaAt20);
        memory.slots("gaugeKpa", rawKpa);
    }
}
