package vividcaravan.core.planning;

import vividcaravan.core.axles.MountKind;

/**
 * When a sensor's cell will have to be changed, or the sensor with it where the cell is sealed.
 *
 * @param earliest epoch milliseconds
 * @param likely epoch milliseconds
 * @param latest epoch milliseconds
 * @param basis what it follows from, in words
 */
public record CellForecast(long earliest, long likely, long latest, String basis) {

    private static final double DAY_MILLIS = 24 * 60 * 60 * 1000.0;
    private static final double MONTH_MILLIS = 365.25 / 12 * DAY_MILLIS;
    private static final double YEAR_MILLIS = 365.25 * DAY_MILLIS;

    /** Below this a coin cell is at its end, mV [common practice]. */
    private static final double WEAK_MV = 2_500;
    /** Above this its voltage says nothing of its age: a lithium cell holds it for most of its life [our judgement]. */
    private static final double FLAT_MV = 2_800;
    /** From there to its end [our judgement]. */
    private static final double KNEE_MONTHS = 9;
    /** How far the end may be from what the voltage says, share. */
    private static final double VOLTAGE_SPREAD = 0.5;

    private static final double SLOPE_SPREAD = 0.3;
    /** A fall that is slower is noise, mV a month. */
    private static final double LEAST_SLOPE = 8;

    /** Sealed ones live 5 years where they are always on, 5 to 8 where movement wakes them, years [common practice]. */
    private static final double SEALED_LEAST = 5;

    private static final double SEALED_MOST = 8;
    /** Coin cells that can be changed, years [our judgement; the maker's figure goes first]. */
    private static final double CHANGEABLE_LEAST = 1.5;

    private static final double CHANGEABLE_MOST = 3;
    /** A sensor that speaks so often is as good as always on, readings a day: one a minute. */
    private static final double ALWAYS_ON = 1_200;
    /** And this is eight hours' work. */
    private static final double BY_MOVEMENT = 500;
    /** What gives a full voltage goes on for so long at least, months [our judgement]. */
    private static final double SOUND_MONTHS = 3;

    /**
     * Forecasts from age, kind, how often it speaks and what its cell gives when warm; what comes first counts.
     *
     * @param mount how it is held, or null where nobody said
     * @param since when it was first fitted, epoch milliseconds
     * @param warmMv what its cell gives when warm, mV; NaN where unknown
     * @param mvPerMonth how fast that falls, mV in a month; NaN where unknown
     * @param readingsPerDay how often it speaks; NaN where unknown
     */
    public static CellForecast of(
            MountKind mount, long since, double warmMv, double mvPerMonth, double readingsPerDay, long now) {
        CellForecast byAge = byAge(mount, since, readingsPerDay);
        if (Double.isNaN(warmMv)) {
            return byAge.notBefore(now);
        }
        if (warmMv <= WEAK_MV) {
            return new CellForecast(now, now, now, "its cell is weak when warm");
        }
        double left = warmMv - WEAK_MV;
        if (mvPerMonth >= LEAST_SLOPE) {
            double months = left / mvPerMonth;
            return spread(now, months, SLOPE_SPREAD, "its cell falls by " + Math.round(mvPerMonth) + " mV a month")
                    .orIfEarlier(byAge, now);
        }
        if (warmMv < FLAT_MV) {
            double months = KNEE_MONTHS * left / (FLAT_MV - WEAK_MV);
            return spread(now, months, VOLTAGE_SPREAD, "its cell gives little when warm")
                    .orIfEarlier(byAge, now);
        }
        // A full voltage is better evidence than a calendar.
        return byAge.notBefore(now + Math.round(SOUND_MONTHS * MONTH_MILLIS));
    }

    private static CellForecast byAge(MountKind mount, long since, double readingsPerDay) {
        boolean isSealed = mount != MountKind.CAP;
        double least = isSealed ? SEALED_LEAST : CHANGEABLE_LEAST;
        double most = isSealed ? SEALED_MOST : CHANGEABLE_MOST;
        double eager = Double.isNaN(readingsPerDay)
                ? 0.5
                : Math.min(1, Math.max(0, (readingsPerDay - BY_MOVEMENT) / (ALWAYS_ON - BY_MOVEMENT)));
        double likely = most - eager * (most - least);
        // Whoever speaks all day ends near the least, whoever sleeps most of the day may reach the most.
        double earliest = Math.max(least, likely - (most - least) / 3);
        double latest = Math.min(most, likely + (most - least) / 3);
        return new CellForecast(
                since + Math.round(earliest * YEAR_MILLIS),
                since + Math.round(likely * YEAR_MILLIS),
                since + Math.round(latest * YEAR_MILLIS),
                isSealed ? "its age; the cell is sealed in" : "its age; the cell can be changed");
    }

    private static CellForecast spread(long now, double months, double share, String basis) {
        return new CellForecast(
                now + Math.round(months * (1 - share) * MONTH_MILLIS),
                now + Math.round(months * MONTH_MILLIS),
                now + Math.round(months * (1 + share) * MONTH_MILLIS),
                basis);
    }

    private CellForecast orIfEarlier(CellForecast other, long now) {
        return other.likely < likely ? other.notBefore(now) : this;
    }

    private CellForecast notBefore(long least) {
        return new CellForecast(Math.max(least, earliest), Math.max(least, likely), Math.max(least, latest), basis);
    }
}
