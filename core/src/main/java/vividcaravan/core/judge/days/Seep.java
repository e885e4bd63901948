package vividcaravan.core.judge.days;

import java.util.Arrays;
import java.util.List;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.air.AirSteps;
import vividcaravan.core.judge.air.WheelTrack;
import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.Adjustment;
import vividcaravan.core.judge.rules.WheelRules;
import vividcaravan.core.judge.siblings.Measurement;

/**
 * Finds the commonest leak of all: a few per cent a day, too slow for hours to show. It compares a day's value with that of
 * the days before and with what the others of the vehicle did between the two, so that the season, the natural loss of sound
 * tyres and a barometer cancel. What was filled in between does not count as air that came back: a slope is read between
 * fillings, and all of them have it in common.
 */
public final class Seep {

    /** A line goes through so many days at least, and at most. */
    private static final int LEAST_DAYS = 3;

    private static final int MOST_DAYS = 8;
    /** It has taken so much before it is spoken of, share of target [our judgement]. */
    private static final double LEAST_LOSS = 0.012;
    /** Sound tyres lose 1 to 2 % a month, farm tyres up to 3 %: 0.1 % a day [common practice]. This is four times as much. */
    private static final double LEAST_A_DAY = 0.004;

    private static final double SURE_ERRORS = 4;
    /** So much of what it lost against the others it has to have lost itself: else they were filled. */
    private static final double OWN_SHARE = 0.5;
    /** A rise of so much from one day to the next is air that somebody let in, share of target. */
    private static final double FILLED = 0.012;

    private static final double FILLED_ERRORS = 4;
    /** A change within so long is somebody's work, and no slope. */
    private static final long SUDDEN_MILLIS = 60L * 60 * 1000;
    /** Outside, wind, wet and sun add so much, of a cold tyre and of a day's run, share of target [our judgement]. */
    private static final double NOISE_OUTSIDE = 0.0035;

    private static final double NOISE_OUTSIDE_ON_THE_ROAD = 0.006;
    /** It has stopped once it loses no more than this over two mornings, share of target a day. */
    private static final double STOPPED_A_DAY = 0.0015;
    /** One other wheel may itself be the one that changed. */
    private static final int SIBLINGS_TO_ACCUSE = 2;
    /** The noise of a day's value counts as known as if from so many days. */
    private static final double DAYS_OF_NOISE = 3;
    /** Rounding to a step has this share of it as its standard deviation: 1/√12. */
    private static final double ROUNDING = 0.29;

    /** What is left of the noise of single readings, kPa [our judgement]. */
    private static final double NOISE_KPA = 0.4;

    private static final double STEP_C = 1;
    /** A cold cap that is warmer than the coolest by more has the sun on it, °C. */
    private static final double SUN_C = 3;
    /** A slope: no single day took more than this of it. */
    private static final double LARGEST_OF_A_DAY = 0.7;

    private static final double REFERENCE_KELVIN = 293.15;
    private static final double ATMOSPHERE_KPA = 101.325;
    private static final double NOISE = 0.001;
    private static final double HOURS_OF_DAY = 24;
    private static final long HOUR_MILLIS = 3_600_000;

    /** A wheel with what it had day by day. */
    public interface Daily {
        /** Where it is. */
        Position position();

        /** What it seeps. */
        Seep seep();
    }

    private final DailyAir air = new DailyAir();
    private boolean isThere;
    private double perDay;
    private double error;
    private int fillings;
    private int sinceHour;
    private boolean isDayComplete;
    private boolean hasStopped;
    private boolean isOutside;
    private long steppedAt = Long.MIN_VALUE / 2;

    /** Takes in a measurement, after {@code track} did. */
    public void take(Measurement m, boolean isColdTyre, WheelTrack track) {
        AirSteps steps = track.steps();
        boolean isSudden = steps.lastShare() > 0 || steps.lastTo() - steps.lastFrom() <= SUDDEN_MILLIS;
        if (steps.lastTo() > steppedAt && isSudden) {
            steppedAt = steps.lastTo();
            air.breakOff();
        }
        // The sun on a sensor, or a brake, looks like air.
        boolean isWarmer = m.siblings().areHeard() && m.celsius() > m.siblings().coolestC() + SUN_C;
        boolean isFooled =
                m.isOutside() && (isColdTyre ? isWarmer : m.siblings().maySunShine() || track.isHotEnd());
        isOutside = m.isOutside();
        isDayComplete = !isFooled && air.take(m.at(), m.trendKpa(), m.targetKpa(), m.celsius(), isColdTyre);
    }

    /** Whether the last measurement completed a day's value: then {@link #look} has something to see. */
    public boolean isDayComplete() {
        return isDayComplete;
    }

    /** Whether it seeps. */
    public boolean isThere() {
        return isThere;
    }

    /** How much it loses a day, share of target. */
    public double perDay() {
        return perDay;
    }

    /** The standard error of that. */
    public double error() {
        return error;
    }

    /** How often it was filled in the days that show it. */
    public int fillings() {
        return fillings;
    }

    /** The first of the days that show it, epoch milliseconds. */
    public long since() {
        return sinceHour * HOUR_MILLIS;
    }

    /** Whether it kept its air over the last two mornings. */
    public boolean hasStopped() {
        return hasStopped;
    }

    /**
     * Looks at the days of this wheel beside those of the others.
     *
     * @param wheels every wheel of the vehicle, this one among them
     * @param stepKpa the step of its sensor, kPa
     */
    public void look(WheelRules rules, double stepKpa, List<? extends Daily> wheels) {
        isDayComplete = false;
        Days days = days(rules, wheels);
        if (days.count < LEAST_DAYS) {
            return;
        }
        double outside = !isOutside ? 0 : days.areCold ? NOISE_OUTSIDE : NOISE_OUTSIDE_ON_THE_ROAD;
        double noise = noise(rules.limits().targetKpa(), stepKpa) + outside;
        days.divide(rules.adjustments(), Math.max(FILLED, FILLED_ERRORS * noise));
        Line best = null;
        for (int n = LEAST_DAYS; n <= days.count; n++) {
            Line line = days.line(n, noise);
            boolean isFalling = line.lost >= Math.max(LEAST_LOSS, FILLED_ERRORS * noise)
                    && line.lostItself >= OWN_SHARE * line.lost
                    && line.largest <= LARGEST_OF_A_DAY * line.lost
                    && line.perDay <= -LEAST_A_DAY
                    && line.perDay + SURE_ERRORS * line.error < 0;
            best = isFalling && (best == null || line.sureness() > best.sureness()) ? line : best;
        }
        Line lately = days.line(LEAST_DAYS, noise);
        boolean isOneStretch = days.part[days.count - 1] == days.part[days.count - LEAST_DAYS];
        hasStopped = isOneStretch && lately.perDay > -STOPPED_A_DAY;
        if (hasStopped) {
            isThere = false;
        } else if (best != null) {
            isThere = true;
            perDay = -best.perDay;
            error = best.error;
            fillings = best.fillings;
            sinceHour = best.sinceHour;
        }
    }

    /** The noise of a day's value, share of target: what a sensor's steps leave of it, in kPa and in °C. */
    private static double noise(double targetKpa, double stepKpa) {
        double ofPressure = (ROUNDING * stepKpa + NOISE_KPA) / targetKpa;
        double ofWarmth = ROUNDING * STEP_C / REFERENCE_KELVIN * (targetKpa + ATMOSPHERE_KPA) / targetKpa;
        return Math.sqrt(ofPressure * ofPressure + ofWarmth * ofWarmth + NOISE * NOISE);
    }

    /** A line that all stretches between fillings have in common. */
    private record Line(
            double perDay, double error, double lost, double lostItself, double largest, int fillings, int sinceHour) {

        double sureness() {
            return -perDay / error;
        }
    }

    /** The days that can be compared, the oldest first. */
    private static final class Days {
        private final int[] hour = new int[MOST_DAYS];
        /** What it had more than the others kept, and what it had itself, share of target. */
        private final double[] off = new double[MOST_DAYS];

        private final double[] own = new double[MOST_DAYS];
        private final int[] part = new int[MOST_DAYS];
        private final boolean[] isBroken = new boolean[MOST_DAYS];
        private boolean areCold;
        private int count;

        /** Divides them where air was let in or out. */
        void divide(List<Adjustment> adjustments, double filled) {
            for (int i = 1; i < count; i++) {
                boolean isFilled = off[i] - off[i - 1] >= filled;
                part[i] = part[i - 1]
                        + (isFilled || isBroken[i] || isAdjusted(adjustments, hour[i - 1], hour[i]) ? 1 : 0);
            }
        }

        private static boolean isAdjusted(List<Adjustment> adjustments, int from, int to) {
            return adjustments.stream()
                    .anyMatch(one -> one.at() >= from * HOUR_MILLIS && one.at() < (to + 1) * HOUR_MILLIS);
        }

        /** The line through the last {@code n}. */
        Line line(int n, double noise) {
            int first = count - n;
            double sxx = 0;
            double sxy = 0;
            double syy = 0;
            double span = 0;
            double lostItself = 0;
            double largest = 0;
            int parts = 0;
            for (int from = first; from < count; ) {
                int to = from + 1;
                while (to < count && part[to] == part[from]) {
                    to++;
                }
                double meanX = 0;
                double meanY = 0;
                for (int i = from; i < to; i++) {
                    meanX += day(i) / (to - from);
                    meanY += off[i] / (to - from);
                }
                for (int i = from; i < to; i++) {
                    double x = day(i) - meanX;
                    double y = off[i] - meanY;
                    sxx += x * x;
                    sxy += x * y;
                    syy += y * y;
                    largest = i > from ? Math.max(largest, off[i - 1] - off[i]) : largest;
                }
                span += day(to - 1) - day(from);
                lostItself += own[from] - own[to - 1];
                parts++;
                from = to;
            }
            int free = n - parts - 1;
            if (free < 1 || sxx == 0) {
                return new Line(0, Double.POSITIVE_INFINITY, 0, 0, 0, 0, 0);
            }
            double slope = sxy / sxx;
            double squares = Math.max(0, syy - slope * sxy);
            double variance = (squares + DAYS_OF_NOISE * noise * noise) / (free + DAYS_OF_NOISE);
            return new Line(
                    slope, Math.sqrt(variance / sxx), -slope * span, lostItself, largest, parts - 1, hour[first]);
        }

        private double day(int i) {
            return hour[i] / HOURS_OF_DAY;
        }
    }

    private Days days(WheelRules rules, List<? extends Daily> wheels) {
        Days days = new Days();
        int last = air.complete() - 1;
        if (last < 0) {
            return days;
        }
        boolean isCold = air.isCold(last);
        days.areCold = isCold;
        int first = last;
        int n = 0;
        for (int i = last; i >= 0 && n < MOST_DAYS; i--) {
            if (air.isCold(i) == isCold && siblings(i, last, rules.position(), wheels, null) >= SIBLINGS_TO_ACCUSE) {
                first = i;
                n++;
            }
        }
        double[] changes = new double[wheels.size()];
        boolean isBroken = false;
        for (int i = first; i <= last; i++) {
            isBroken |= air.isBrokenOff(i);
            int others = air.isCold(i) == isCold ? siblings(i, last, rules.position(), wheels, changes) : 0;
            if (others >= SIBLINGS_TO_ACCUSE) {
                Arrays.sort(changes, 0, others);
                double common = (changes[(others - 1) / 2] + changes[others / 2]) / 2;
                days.hour[days.count] = air.hour(i);
                days.isBroken[days.count] = isBroken;
                isBroken = false;
                days.own[days.count] = air.share(i);
                days.off[days.count] = air.share(i) - air.share(last) - common;
                days.count++;
            }
        }
        return days;
    }

    /** How many others can be compared between two days, and what each of them had more on the first, share of target. */
    private int siblings(int day, int last, Position own, List<? extends Daily> wheels, double[] changes) {
        int n = 0;
        for (Daily wheel : wheels) {
            if (wheel.position().isSpare() || wheel.position().equals(own)) {
                continue;
            }
            DailyAir other = wheel.seep().air;
            double change = other.shareOnDayOf(air.hour(day), air.isCold(day))
                    - other.shareOnDayOf(air.hour(last), air.isCold(last));
            if (!Double.isNaN(change)) {
                if (changes != null) {
                    changes[n] = change;
                }
                n++;
            }
        }
        return n;
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        air.remember(memory.part("air"));
        isThere = memory.flag("isThere", isThere);
        perDay = memory.figure("perDay", perDay);
        error = memory.figure("error", error);
        fillings = memory.count("fillings", fillings);
        sinceHour = memory.count("sinceHour", sinceHour);
        hasStopped = memory.flag("hasStopped", hasStopped);
        isOutside = memory.flag("isOutside", isOutside);
        steppedAt = memory.time("steppedAt", steppedAt);
    }
}
