package vividcaravan.core.judge.days;

import vividcaravan.core.judge.memory.Memory;

/**
 * How much air a wheel had, a value a day over the last days: of the cold tyre where it was cold at all that day, otherwise
 * the mean of the day's run. Days are counted by UTC; what counts is that all wheels of a vehicle count alike.
 */
public final class DailyAir {

    /** So many days are kept: what is repeated within a fortnight is to be seen. */
    static final int DAYS = 15;

    private static final long HOUR_MILLIS = 3_600_000;
    private static final int HOURS_OF_DAY = 24;
    /** A cold tyre warms at once when it rolls, and in the sun: only its coldest readings count, °C. */
    private static final double COLDEST_C = 1;
    /** The first so many readings make the value of a cold tyre, and so many that of a day's run. */
    private static final int COLD_READINGS = 12;

    private static final int RUN_READINGS = 400;
    /** Fewer say nothing of a day's run. */
    private static final int LEAST_RUN_READINGS = 60;

    /** The oldest first. */
    private final int[] hour = new int[DAYS];

    private final double[] share = new double[DAYS];
    private final boolean[] isCold = new boolean[DAYS];
    /** Whether air was let in or out since the day before. */
    private final boolean[] isBrokenOff = new boolean[DAYS];

    private boolean breaksOff;
    private int size;
    /** Of the newest day: how many readings, the coldest, and whether it was looked at. */
    private int count;

    private double coldestC;
    private boolean isDone;
    private double targetKpa = Double.NaN;

    /**
     * Takes in a measurement of a wheel.
     *
     * @param kpaAt20 kPa gauge at 20 °C
     * @param isColdTyre whether the tyre is known to be cold
     * @return whether a day's value is complete with it: the last one of {@link #complete}
     */
    boolean take(long at, double kpaAt20, double target, double celsius, boolean isColdTyre) {
        holdTo(target);
        int now = (int) Math.floorDiv(at, HOUR_MILLIS);
        boolean isNewDay = size == 0 || day(hour[size - 1]) != day(now);
        boolean isOver = isNewDay && size > 0 && !isDone;
        if (isNewDay) {
            begin(now, isColdTyre);
        } else if (isColdTyre && !isCold[size - 1]) {
            isCold[size - 1] = true;
            hour[size - 1] = now;
            count = 0;
            isDone = false;
        } else if (!isColdTyre && isCold[size - 1]) {
            boolean isFirstOfRun = !isDone;
            isDone = true;
            return isFirstOfRun;
        }
        add(kpaAt20 / target, celsius);
        return isOver;
    }

    /** Air was let in or out: what comes is not to be compared with what was. */
    void breakOff() {
        if (size > 0 && !isDone) {
            // The rest of the day is another tyre.
            isBrokenOff[size - 1] = true;
            count = 0;
        } else {
            breaksOff = true;
        }
    }

    private void holdTo(double target) {
        if (target != targetKpa) {
            for (int i = 0; i < size; i++) {
                share[i] *= targetKpa / target;
            }
            targetKpa = target;
        }
    }

    private void begin(int now, boolean isColdTyre) {
        boolean isLastWorthless = size > 0 && !isCold[size - 1] && count < LEAST_RUN_READINGS;
        if (isLastWorthless) {
            size--;
            breaksOff |= isBrokenOff[size];
        }
        if (size == DAYS) {
            System.arraycopy(hour, 1, hour, 0, DAYS - 1);
            System.arraycopy(share, 1, share, 0, DAYS - 1);
            System.arraycopy(isCold, 1, isCold, 0, DAYS - 1);
            System.arraycopy(isBrokenOff, 1, isBrokenOff, 0, DAYS - 1);
            size--;
        }
        hour[size] = now;
        isCold[size] = isColdTyre;
        isBrokenOff[size] = breaksOff;
        breaksOff = false;
        size++;
        count = 0;
        isDone = false;
    }

    private void add(double now, double celsius) {
        int newest = size - 1;
        if (isCold[newest]) {
            if (count >= COLD_READINGS) {
                return;
            }
            if (count == 0 || celsius < coldestC - COLDEST_C) {
                count = 0;
                coldestC = celsius;
            } else if (celsius > coldestC + COLDEST_C) {
                return;
            }
            coldestC = Math.min(coldestC, celsius);
        }
        count = Math.min(count + 1, RUN_READINGS);
        share[newest] = count == 1 ? now : share[newest] + (now - share[newest]) / count;
    }

    /** How many days are complete. */
    int complete() {
        return isDone ? size : Math.max(0, size - 1);
    }

    /** When a day's value was taken, hours since the epoch; 0 is the oldest. */
    int hour(int index) {
        return hour[index];
    }

    /** How much air it had then, share of target. */
    double share(int index) {
        return share[index];
    }

    /** Whether that was of a cold tyre. */
    boolean isCold(int index) {
        return isCold[index];
    }

    /** Whether air was let in or out since the day before it. */
    boolean isBrokenOff(int index) {
        return isBrokenOff[index];
    }

    /** How much air it had on the day of {@code when}, hours since the epoch, by a value of the same kind; NaN if there is none. */
    double shareOnDayOf(int when, boolean isOfColdTyre) {
        for (int i = size - 1; i >= 0 && day(hour[i]) >= day(when); i--) {
            if (day(hour[i]) == day(when)) {
                return isCold[i] == isOfColdTyre && count > 0 ? share[i] : Double.NaN;
            }
        }
        return Double.NaN;
    }

    private static int day(int hours) {
        return Math.floorDiv(hours, HOURS_OF_DAY);
    }

    /** What outlives a restart. */
    void remember(Memory memory) {
        long[] packed = new long[size];
        double[] shares = new double[size];
        for (int i = 0; i < size; i++) {
            packed[i] = hour[i] * 4L + (isBrokenOff[i] ? 2 : 0) + (isCold[i] ? 1 : 0);
            shares[i] = share[i];
        }
        packed = memory.times("hours", packed);
        shares = memory.figures("shares", shares);
        if (memory.isTakenUp()) {
            size = Math.min(DAYS, Math.min(packed.length, shares.length));
            for (int i = 0; i < size; i++) {
                hour[i] = (int) (packed[i] >> 2);
                isBrokenOff[i] = (packed[i] & 2) != 0;
                isCold[i] = (packed[i] & 1) == 1;
                share[i] = shares[i];
            }
        }
        count = memory.count("count", count);
        coldestC = memory.figure("coldestC", coldestC);
        breaksOff = memory.flag("breaksOff", breaksOff);
        isDone = memory.flag("isDone", isDone);
        targetKpa = memory.figure("targetKpa", targetKpa);
    }
}
