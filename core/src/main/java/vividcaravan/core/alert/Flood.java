package vividcaravan.core.alert;

import java.util.Arrays;

/**
 * When more alerts come than anybody can look at: a flood begins with more than {@value #MOST} in ten minutes and ends once
 * there are fewer than {@value #FEW}. After ISA-18.2 [from memory].
 */
public final class Flood {

    public static final int MOST = 10;
    public static final int FEW = 5;
    public static final long WINDOW_MILLIS = 10L * 60 * 1000;

    private Flood() {}

    /**
     * How long it was flood between {@code from} and {@code to}.
     *
     * @param calls when alerts called, epoch milliseconds in any order; those of the ten minutes before {@code from} count too
     * @return milliseconds
     */
    public static long millis(long[] calls, long from, long to) {
        long[] begins = calls.clone();
        Arrays.sort(begins);
        long total = 0;
        long since = 0;
        boolean isFlood = false;
        int ended = 0;
        for (int come = 0; come < begins.length || ended < begins.length; ) {
            // What leaves the ten minutes at the same moment leaves first.
            boolean leaves = come == begins.length || begins[ended] + WINDOW_MILLIS <= begins[come];
            long at = leaves ? begins[ended++] + WINDOW_MILLIS : begins[come++];
            int within = come - ended;
            if (!isFlood && within > MOST) {
                isFlood = true;
                since = at;
            } else if (isFlood && within < FEW) {
                isFlood = false;
                total += Math.max(0, Math.min(at, to) - Math.max(since, from));
            }
        }
        return total;
    }
}
