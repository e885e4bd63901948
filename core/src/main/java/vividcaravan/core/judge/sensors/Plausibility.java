package vividcaravan.core.judge.sensors;

import vividcaravan.core.judge.rules.Reading;

/**
 * Whether one reading can follow another. Air goes out as fast as it likes and does not come back by itself; a tyre and its
 * sensor warm and cool by some degrees a minute. What goes beyond that may be true, and needs a witness: the next reading.
 */
public final class Plausibility {

    /** A level that is another by so much from one reading to the next, share of target [our judgement]. */
    private static final double JUMP = 0.08;
    /** So many steps of the sensor on top, or a coarse one would be doubted at every turn [our judgement]. */
    private static final double JUMP_STEPS = 2;
    /** A temperature that is another by so much at once, °C, and by so much more for each minute between [our judgement]. */
    private static final double JUMP_C = 15;

    private static final double JUMP_C_PER_MINUTE = 4;
    /** And never by more within the hour; where there was time for much, by what the others show too [our judgement]. */
    private static final double MOST_C = 60;

    private static final long LATELY_MILLIS = 12L * 60 * 1000;
    /** After so long anything may have happened to the tyre; only what no tyre shows is still doubted. */
    private static final long LONG_MILLIS = 60L * 60 * 1000;
    /** No tyre that was full before its sensor slept shows so little or so much when it wakes, share of target. */
    private static final double NEARLY_NOTHING = 0.05;

    private static final double FAR_TOO_MUCH = 1.5;
    /** Nor so much warmth or cold, nor so much more than before or other than the others, °C [our judgement]. */
    private static final double HOTTEST_C = 120;

    private static final double COLDEST_C = -50;
    private static final double WARMER_C = 40;
    private static final double COLDER_C = 75;
    private static final double OTHER_C = 30;
    private static final double MINUTE_MILLIS = 60_000;
    private static final double ZERO_CELSIUS_KELVIN = 273.15;
    private static final double ATMOSPHERE_KPA = 101.325;

    private Plausibility() {}

    /**
     * Whether {@code next} can follow {@code before} without a witness.
     *
     * @param before a measurement that is believed
     * @param next a later measurement
     * @param targetKpa the wheel's target, kPa gauge
     * @param stepKpa the step of the sensor, kPa
     * @param othersC what the others of the vehicle show, °C; NaN where none was heard
     */
    public static boolean follows(Reading before, Reading next, double targetKpa, double stepKpa, double othersC) {
        long between = next.at() - before.at();
        if (between > LONG_MILLIS) {
            double warmer = next.temperatureC() - before.temperatureC();
            boolean isLikeOthers = Double.isNaN(othersC) || Math.abs(next.temperatureC() - othersC) <= OTHER_C;
            return isOfATyre(before, next, targetKpa) && warmer <= WARMER_C && warmer >= -COLDER_C && isLikeOthers;
        }
        boolean isLikeOthers =
                between <= LATELY_MILLIS || Double.isNaN(othersC) || Math.abs(next.temperatureC() - othersC) <= OTHER_C;
        return isNear(before, next, targetKpa, stepKpa) && isWarmthFollowing(before, next) && isLikeOthers;
    }

    private static boolean isOfATyre(Reading before, Reading next, double targetKpa) {
        boolean wasLow = before.pressureKpa() <= NEARLY_NOTHING * targetKpa;
        boolean wasHigh = before.pressureKpa() >= FAR_TOO_MUCH * targetKpa;
        return (wasLow || next.pressureKpa() > NEARLY_NOTHING * targetKpa)
                && (wasHigh || next.pressureKpa() < FAR_TOO_MUCH * targetKpa)
                && next.temperatureC() < HOTTEST_C
                && next.temperatureC() > COLDEST_C;
    }

    /** Near on the gauge, or once the change of its temperature is allowed for: one of the two is enough. */
    private static boolean isNear(Reading before, Reading next, double targetKpa, double stepKpa) {
        double jump = JUMP * targetKpa + JUMP_STEPS * stepKpa;
        double brought = (next.pressureKpa() + ATMOSPHERE_KPA)
                        * (before.temperatureC() + ZERO_CELSIUS_KELVIN)
                        / (next.temperatureC() + ZERO_CELSIUS_KELVIN)
                - ATMOSPHERE_KPA;
        return Math.min(Math.abs(next.pressureKpa() - before.pressureKpa()), Math.abs(brought - before.pressureKpa()))
                <= jump;
    }

    /**
     * Whether {@code next} bears out {@code doubted}, which did not follow from {@code before}: it is near it, or air goes on
     * going out.
     */
    public static boolean bearsOut(Reading before, Reading doubted, Reading next, double targetKpa, double stepKpa) {
        boolean goesOnFalling = doubted.pressureKpa() < before.pressureKpa()
                && next.pressureKpa() < doubted.pressureKpa()
                && isWarmthFollowing(doubted, next);
        return goesOnFalling || follows(doubted, next, targetKpa, stepKpa, Double.NaN);
    }

    /** Whether {@code next} is what a tyre shows that lost much of its air at once: less, and no other warmth. */
    static boolean isFall(Reading before, Reading next, double targetKpa, double stepKpa, double othersC) {
        boolean isLong = next.at() - before.at() > LONG_MILLIS;
        boolean isWarmthPlausible = isLong
                ? next.temperatureC() > COLDEST_C
                        && next.temperatureC() - before.temperatureC() <= WARMER_C
                        && (Double.isNaN(othersC) || Math.abs(next.temperatureC() - othersC) <= OTHER_C)
                : isWarmthFollowing(before, next);
        return next.pressureKpa() < before.pressureKpa()
                && isWarmthPlausible
                && !isNear(before, next, targetKpa, stepKpa);
    }

    private static boolean isWarmthFollowing(Reading before, Reading next) {
        double allowed = JUMP_C + JUMP_C_PER_MINUTE * (next.at() - before.at()) / MINUTE_MILLIS;
        return Math.abs(next.temperatureC() - before.temperatureC()) <= Math.min(allowed, MOST_C);
    }
}
