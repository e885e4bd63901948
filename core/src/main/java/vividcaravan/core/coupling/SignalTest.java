package vividcaravan.core.coupling;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;

/**
 * How much of what each wheel's sensor says is heard, in the place where the vehicles really stand and drive: over the time in
 * which they are awake, which is when any of them is heard. Long trailers and inner twins lose signal; a wheel that misses
 * more than a fifth of its messages for a day asks for a repeater [common practice].
 */
public final class SignalTest {

    /** So much may be missing. */
    public static final double MAY_MISS = 0.2;

    private static final long MINUTE_MILLIS = 60_000;
    /** Of less time on the road than this nothing is advised [our judgement]. */
    private static final long LEAST_AWAKE_MINUTES = 30;
    /** Over so much of it the advice stands: a day's work [our judgement]. */
    private static final long DAYS_WORK_MINUTES = 4 * 60;
    /** A pause up to this long belongs to the time awake, minutes. */
    private static final long PAUSE_MINUTES = 6;
    /** Of what a sensor's gaps are a quarter are no longer: those between messages of which none was lost. */
    private static final int QUARTER = 4;

    private static final int LEAST_MESSAGES = 4;

    private SignalTest() {}

    /** What is advised for a wheel. */
    public enum Advice {
        /** Enough is heard. */
        GOOD,
        /** More than a fifth is missing, not yet for a day's work: go on watching. */
        WATCH,
        /** More than a fifth is missing for a day's work: fit a repeater, and test again. */
        REPEATER,
        /** Nothing at all is heard of it while others are: look at the sensor first. */
        UNHEARD,
        /** Too little time on the road for a word. */
        TOO_SHORT
    }

    /**
     * What is heard of a wheel.
     *
     * @param heard how many messages
     * @param expected how many it must have sent while the vehicles were awake
     * @param share of those that were heard, 0 to 1; NaN where too little is known
     */
    public record Wheel(int heard, int expected, double share, Advice advice) {}

    /**
     * Tests some wheels that drive together.
     *
     * @param times when each wheel was heard, epoch milliseconds, ascending, one list a wheel
     */
    public static List<Wheel> of(List<long[]> times) {
        TreeSet<Long> minutes = new TreeSet<>();
        times.forEach(
                wheel -> Arrays.stream(wheel).map(at -> at / MINUTE_MILLIS).forEach(minutes::add));
        long awake = awakeMinutes(minutes);
        double usualEvery = usualEvery(times);
        List<Wheel> wheels = new ArrayList<>();
        for (long[] wheel : times) {
            wheels.add(wheel(wheel, awake, usualEvery));
        }
        return wheels;
    }

    /** How long the vehicles were awake, minutes: pauses that are no sleep count. */
    public static long awakeMinutes(List<long[]> times) {
        TreeSet<Long> minutes = new TreeSet<>();
        times.forEach(
                wheel -> Arrays.stream(wheel).map(at -> at / MINUTE_MILLIS).forEach(minutes::add));
        return awakeMinutes(minutes);
    }

    private static long awakeMinutes(TreeSet<Long> minutes) {
        long awake = 0;
        Long before = null;
        for (long minute : minutes) {
            awake += before == null ? 0 : minute - before <= PAUSE_MINUTES ? minute - before : 1;
            before = minute;
        }
        return awake;
    }

    private static Wheel wheel(long[] times, long awake, double usualEvery) {
        if (awake < LEAST_AWAKE_MINUTES || Double.isNaN(usualEvery)) {
            return new Wheel(times.length, 0, Double.NaN, Advice.TOO_SHORT);
        }
        // A sensor of which hardly anything is heard cannot tell how often it speaks; its siblings can.
        double every = times.length >= LEAST_MESSAGES * LEAST_MESSAGES ? every(times) : usualEvery;
        int expected = (int) Math.max(1, Math.round(awake * MINUTE_MILLIS / every));
        double share = Math.min(1, (double) times.length / expected);
        Advice advice = times.length == 0
                ? Advice.UNHEARD
                : share >= 1 - MAY_MISS ? Advice.GOOD : awake >= DAYS_WORK_MINUTES ? Advice.REPEATER : Advice.WATCH;
        return new Wheel(times.length, expected, share, advice);
    }

    /** How often a sensor speaks, ms: a gap that a quarter of its gaps stay under, so that what was lost does not count. */
    private static double every(long[] times) {
        long[] gaps = new long[times.length - 1];
        for (int i = 1; i < times.length; i++) {
            gaps[i - 1] = Math.max(1, times[i] - times[i - 1]);
        }
        Arrays.sort(gaps);
        return gaps[gaps.length / QUARTER];
    }

    private static double usualEvery(List<long[]> times) {
        double[] every = times.stream()
                .filter(wheel -> wheel.length >= LEAST_MESSAGES)
                .mapToDouble(SignalTest::every)
                .sorted()
                .toArray();
        return every.length == 0 ? Double.NaN : every[every.length / 2];
    }
}
