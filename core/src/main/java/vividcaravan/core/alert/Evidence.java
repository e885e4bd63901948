package vividcaravan.core.alert;

import java.util.List;
import java.util.function.Predicate;
import vividcaravan.core.axles.Position;
import vividcaravan.core.limits.AxleLimits;

/**
 * The figures behind a judgement, at the reading that caused it. What does not apply is null.
 *
 * @param at time of the reading, epoch milliseconds
 * @param pressureKpa as its sensor reports it, kPa gauge
 * @param pressureAt20Kpa brought to 20 °C, kPa gauge
 * @param temperatureC °C
 * @param targetKpa recommended cold pressure, kPa
 * @param limitKpa the pressure limit that was crossed, or where a leak leads, kPa
 * @param limitC the temperature limit that was crossed, °C
 * @param isCompensated whether the limits are held against the pressure at 20 °C
 * @param fallKpa how far the pressure at 20 °C fell within the last ten minutes, kPa
 * @param minutesToCritical minutes to the second limit if it goes on like this, 0 if it is reached
 * @param isRunSoft whether the tyre is or was at 80 % of its target or less
 * @param isParked whether the sensor said that the vehicle stands
 * @param batteryMv the sensor's battery, mV
 * @param lossKpaPerHour how fast it loses air, kPa at 20 °C an hour, positive
 * @param lossErrorKpaPerHour standard error of that
 * @param refills how often it was pumped up within the last hours
 * @param other the other wheel this is about
 * @param lastHeardAt when a silent one last spoke, and one that repeats itself last said something new, epoch milliseconds
 * @param others what the vehicle's other wheels showed
 * @param shortfalls what each wheel lacks that a note for the whole vehicle speaks of
 * @param toGaugeKpa how much more than its sensor reports a gauge shows where the vehicle is at home, kPa
 * @param overDays what its days show of a leak that hours do not
 * @param step where its level stepped to what it has
 */
public record Evidence(
        long at,
        Double pressureKpa,
        Double pressureAt20Kpa,
        Double temperatureC,
        Double targetKpa,
        Double limitKpa,
        Double limitC,
        boolean isCompensated,
        Double fallKpa,
        Integer minutesToCritical,
        boolean isRunSoft,
        boolean isParked,
        Integer batteryMv,
        Double lossKpaPerHour,
        Double lossErrorKpaPerHour,
        Integer refills,
        Position other,
        Long lastHeardAt,
        Others others,
        List<Shortfall> shortfalls,
        double toGaugeKpa,
        OverDays overDays,
        Step step) {

    /**
     * Air that went in or out at once, or while nobody heard.
     *
     * @param from the last reading before, epoch milliseconds
     * @param to the first reading after
     * @param kpa how much more it has since, negative for less, kPa at 20 °C
     */
    public record Step(long from, long to, double kpa) {}

    /**
     * A leak that shows over days.
     *
     * @param since the first of these days, epoch milliseconds
     * @param kpaPerDay what it loses, kPa at 20 °C a day, positive
     * @param errorKpaPerDay standard error of that, or null where it is not known
     * @param lowAt when it reaches its first limit if it goes on like this, epoch milliseconds
     * @param fillings how often it was filled meanwhile
     */
    public record OverDays(long since, double kpaPerDay, Double errorKpaPerDay, long lowAt, int fillings) {}

    /**
     * What a cold wheel lacks.
     *
     * @param kpa to its target, as it is now, kPa
     */
    public record Shortfall(Position position, double kpa) {}

    /** What was closed or put aside calls again once the tyre lost so much more, share of target [our judgement]. */
    public static final double WORSE_SHARE = 0.03;

    /** Or once it is so much hotter, °C [our judgement]. */
    public static final double WORSE_C = 5;

    /** What a sensor's steps and arithmetic add, kPa. */
    private static final double HAIR_KPA = 0.05;

    private static final double MINUTES_OF_HOUR = 60;
    /** A fall that has not gone on for so long has stopped, and leads nowhere. */
    private static final long STOPPED_MILLIS = 5L * 60 * 1000;

    /** A level that is new was kept after so long; the judge finds a slope sooner [our judgement]. */
    private static final long KEPT_MILLIS = 2L * 60 * 60 * 1000;

    private static final double STEADY_KPA = 6;
    private static final double MILLIS_OF_MINUTE = 60_000;
    private static final int LONGEST_MINUTES = 100_000;

    /** Whether it has kept the level that it stepped to so long that a leak would have shown. */
    public boolean hasKeptItsLevel() {
        return step != null && at - step.to() >= KEPT_MILLIS;
    }

    /** Whether the tyre holds nothing any more. */
    public boolean isFlat() {
        return pressureKpa != null && targetKpa != null && gaugeKpa() <= AxleLimits.FLAT_SHARE * targetKpa;
    }

    /** Whether this is of a sensor that is heard and says nothing new: it repeats its values since {@link #lastHeardAt}. */
    public boolean isRepeating() {
        return lastHeardAt != null && pressureKpa != null && temperatureC != null;
    }

    /** What is known where nothing is measured. */
    public static Evidence ofSilence(long at, Long lastHeardAt, Double targetKpa, Others others) {
        return new EvidenceBuilder(at)
                .target(targetKpa)
                .lastHeard(lastHeardAt)
                .others(others)
                .build();
    }

    /** What is known where somebody saw something beside a vehicle that stands. */
    static Evidence ofSight(long at) {
        return new EvidenceBuilder(at).parked(true).build();
    }

    /** What is known where one wheel's air was seen at another. */
    public static Evidence ofOtherWheel(long at, Position other, Double targetKpa, Others others) {
        return new EvidenceBuilder(at)
                .target(targetKpa)
                .other(other)
                .others(others)
                .build();
    }

    /**
     * What is known where two wheels came to show each other's levels.
     *
     * @param kpaAt20 what this one shows now, kPa gauge at 20 °C
     * @param step how it came to that
     */
    public static Evidence ofExchange(
            long at, Position other, double kpaAt20, Step step, Double targetKpa, Others others) {
        return new EvidenceBuilder(at)
                .measured(null, kpaAt20, null)
                .target(targetKpa)
                .compensated(true)
                .other(other)
                .others(others)
                .step(step)
                .build();
    }

    /**
     * The same judgement with what the wheel's sensor says now: kPa gauge, kPa gauge at 20 °C, °C. How long there is
     * until the second limit follows from the pressure and the rate now.
     *
     * @param now time of that reading, epoch milliseconds
     * @param rateNow how fast it loses air now, kPa an hour, or null to go by the rate of the judgement
     * @param moving whether the vehicle moves now, or null where the sensor does not say
     */
    public Evidence measuring(
            long now, double reportedKpa, double kpaAt20, double celsius, Double rateNow, Boolean moving) {
        Double rate = rateNow == null ? lossKpaPerHour : rateNow;
        boolean leadsToLimit = rate != null && rate > 0 && limitKpa != null && minutesToCritical != null;
        double aboveKpa = (isCompensated ? kpaAt20 : reportedKpa + toGaugeKpa) - (limitKpa == null ? 0 : limitKpa);
        Integer left =
                leadsToLimit ? Integer.valueOf(minutes(aboveKpa / rate * MINUTES_OF_HOUR)) : minutesLeft(now, kpaAt20);
        return new EvidenceBuilder(now, this)
                .measured(reportedKpa, kpaAt20, celsius)
                .minutesToCritical(left)
                .parked(Boolean.FALSE.equals(moving))
                .loss(rate, lossErrorKpaPerHour)
                .build();
    }

    /** This judgement without a figure of air at wheels where none is advised: 0 stands there. */
    public Evidence withoutAirAt(Predicate<Position> isBanned) {
        return new EvidenceBuilder(at, this)
                .shortfalls(shortfalls.stream()
                        .map(lack -> isBanned.test(lack.position()) ? new Shortfall(lack.position(), 0) : lack)
                        .toList())
                .build();
    }

    /** The same judgement with what {@code newer} measured, as far as it did. */
    Evidence measuredLike(Evidence newer) {
        return newer.pressureKpa == null || newer.pressureAt20Kpa == null || newer.temperatureC == null
                ? this
                : measuring(
                        newer.at,
                        newer.pressureKpa,
                        newer.pressureAt20Kpa,
                        newer.temperatureC,
                        newer.lossKpaPerHour,
                        !newer.isParked);
    }

    private Integer minutesLeft(long now, double kpaAt20) {
        boolean hasStopped =
                now - at >= STOPPED_MILLIS && pressureAt20Kpa != null && kpaAt20 >= pressureAt20Kpa - STEADY_KPA;
        return minutesToCritical == null || hasStopped && minutesToCritical > 0
                ? null
                : minutes(minutesToCritical - (now - at) / MILLIS_OF_MINUTE);
    }

    /** A time that can be told, in whole minutes from 0. */
    public static int minutes(double minutes) {
        return (int) Math.round(Math.max(0, Math.min(minutes, LONGEST_MINUTES)));
    }

    /** The pressure the limits are held against, or null without a measurement. */
    public Double judgedKpa() {
        return isCompensated ? pressureAt20Kpa : gaugeKpa();
    }

    /** What a gauge shows, kPa, or null without a measurement. */
    public Double gaugeKpa() {
        return pressureKpa == null ? null : (Double) (pressureKpa + toGaugeKpa);
    }

    /** Whether these figures of a fault of {@code kind} are worse than {@code then}, when it was closed or put aside. */
    boolean isWorseThan(Evidence then, AlertKind kind) {
        boolean hasBoth = then.pressureAt20Kpa != null && pressureAt20Kpa != null && targetKpa != null;
        double lost = hasBoth ? then.pressureAt20Kpa - pressureAt20Kpa : 0;
        double much = hasBoth ? WORSE_SHARE * targetKpa - HAIR_KPA : Double.POSITIVE_INFINITY;
        boolean isHotter =
                then.temperatureC != null && temperatureC != null && temperatureC - then.temperatureC >= WORSE_C;
        return kind.isLossOfAir() && lost >= much
                || kind == AlertKind.OVER_PRESSURE && -lost >= much
                || kind.isHeat() && isHotter;
    }
}
