package vividcaravan.core.judge.days;

import java.util.ArrayList;
import java.util.List;
import vividcaravan.core.judge.air.AirStep;
import vividcaravan.core.judge.air.AirSteps;
import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.siblings.Measurement;

/**
 * Finds a wheel that somebody fills again and again and tells nobody: what it was given and does not have it has lost in
 * between.
 */
public final class Fillings {

    private static final int KEPT = 6;
    /** So many fillings of one wheel make a leak [our judgement]. */
    private static final int LEAST = 3;

    private static final int FORTNIGHT_MINUTES = 14 * 24 * 60;
    /** What was given within so long is one filling: a hose that slipped, a second try. */
    private static final int ONE_FILLING_MINUTES = 6 * 60;

    private static final int SHORTEST_MINUTES = 24 * 60;
    /** So much in all, and so much of it gone again, share of target, share of what was given. */
    private static final double LEAST_GIVEN = 0.04;

    private static final double LEAST_LOST = 0.6;
    /** Outside, sun and shade make smaller steps of their own, share of target. */
    private static final double LEAST_OUTSIDE = 0.04;

    private static final long MINUTE_MILLIS = 60_000;
    private static final double MINUTES_OF_DAY = 24 * 60;

    /** The oldest first: when, what was given, and what it had after that, shares of target. */
    private final int[] minute = new int[KEPT];

    private final double[] given = new double[KEPT];
    private final double[] after = new double[KEPT];
    private int size;
    /** From here on they count: what was given before was given before it kept its air. */
    private int counted;

    private long seenAt = Long.MIN_VALUE / 2;
    private boolean isThere;
    private double perDay;

    /**
     * Takes in a measurement.
     *
     * @param has how much air it has, share of target, as sure as the mount allows
     */
    public void take(Measurement m, AirSteps steps, double has) {
        int now = (int) Math.floorDiv(m.at(), MINUTE_MILLIS);
        if (steps.lastTo() > seenAt) {
            seenAt = steps.lastTo();
            if (steps.lastShare() > (m.isOutside() ? LEAST_OUTSIDE : 0)
                    && !m.rules().conduct().isSelfInflating()) {
                add((int) Math.floorDiv(steps.lastTo(), MINUTE_MILLIS), steps.lastShare(), has);
                judge(now);
            }
        }
        if (isThere && now - minute[size - 1] > FORTNIGHT_MINUTES) {
            isThere = false;
        }
    }

    private void add(int now, double share, double has) {
        boolean isSame = size > 0 && now - minute[size - 1] <= ONE_FILLING_MINUTES;
        if (isSame) {
            given[size - 1] += share;
            after[size - 1] = has;
            return;
        }
        if (size == KEPT) {
            System.arraycopy(minute, 1, minute, 0, KEPT - 1);
            System.arraycopy(given, 1, given, 0, KEPT - 1);
            System.arraycopy(after, 1, after, 0, KEPT - 1);
            size--;
            counted = Math.max(0, counted - 1);
        }
        minute[size] = now;
        given[size] = share;
        after[size] = has;
        size++;
    }

    private void judge(int now) {
        int first = size - 1;
        while (first > counted && now - minute[first - 1] <= FORTNIGHT_MINUTES) {
            first--;
        }
        double sum = 0;
        for (int i = first + 1; i < size; i++) {
            sum += given[i];
        }
        double lost = sum - (after[size - 1] - after[first]);
        int minutes = minute[size - 1] - minute[first];
        isThere =
                size - first >= LEAST && minutes >= SHORTEST_MINUTES && sum >= LEAST_GIVEN && lost >= LEAST_LOST * sum;
        perDay = minutes == 0 ? 0 : lost / (minutes / MINUTES_OF_DAY);
    }

    /** Whether it is filled again and again. */
    public boolean isThere() {
        return isThere;
    }

    /** How much it loses a day in between, share of target. */
    public double perDay() {
        return perDay;
    }

    /** How often it was filled within the fortnight that ended with its last filling. */
    public int count() {
        int n = 0;
        for (int i = counted; i < size; i++) {
            n += minute[size - 1] - minute[i] <= FORTNIGHT_MINUTES ? 1 : 0;
        }
        return n;
    }

    /** When the first of them was, epoch milliseconds. */
    public long since() {
        return minute[Math.max(0, size - count())] * MINUTE_MILLIS;
    }

    /** The fillings that are kept, the oldest first. */
    public List<AirStep> kept(double targetKpa) {
        List<AirStep> kept = new ArrayList<>();
        for (int i = 0; i < size; i++) {
            kept.add(new AirStep(minute[i] * MINUTE_MILLIS, given[i] * targetKpa, after[i] * targetKpa));
        }
        return kept;
    }

    /** It keeps its air: what was given so far was needed, and is no longer. */
    public void forget() {
        counted = size;
        isThere = false;
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        long[] minutes = new long[size];
        double[] gave = new double[size];
        double[] had = new double[size];
        for (int i = 0; i < size; i++) {
            minutes[i] = minute[i];
            gave[i] = given[i];
            had[i] = after[i];
        }
        minutes = memory.times("minutes", minutes);
        gave = memory.figures("given", gave);
        had = memory.figures("after", had);
        if (memory.isTakenUp()) {
            size = Math.min(KEPT, Math.min(minutes.length, Math.min(gave.length, had.length)));
            for (int i = 0; i < size; i++) {
                minute[i] = (int) minutes[i];
                given[i] = gave[i];
                after[i] = had[i];
            }
        }
        counted = Math.min(size, memory.count("counted", counted));
        seenAt = memory.time("seenAt", seenAt);
        isThere = memory.flag("isThere", isThere);
        perDay = memory.figure("perDay", perDay);
    }
}
