package vividcaravan.core.judge.air;

import java.util.List;
import java.util.Optional;

/**
 * How a wheel's pressure at 20 °C falls, and when it would reach a limit if it went on like this: a straight line through
 * the readings by least squares, with twice its standard error as the range (some 95 in 100, for readings whose errors do
 * not hang together) [common practice], and a tenth of the rate at least.
 *
 * @param at time of the newest reading, epoch milliseconds
 * @param kpaAt20 the line's value then, kPa gauge at 20 °C
 * @param kpaPerHour slope, negative: it falls
 * @param fastestKpaPerHour the steep end of the range
 * @param slowestKpaPerHour the flat end of the range, negative too
 */
public record PressureTrend(
        long at, double kpaAt20, double kpaPerHour, double fastestKpaPerHour, double slowestKpaPerHour) {

    private static final int FEWEST = 8;
    private static final long SHORTEST_MILLIS = 20L * 60 * 1000;
    private static final double HOUR_MILLIS = 3_600_000;
    private static final double ERRORS = 2;
    /** Slower than this is diffusion or the sensor's own drift, kPa an hour. */
    private static final double SLOWEST_FALL_KPA_PER_HOUR = 0.5;

    /** A leak does not keep its rate: the range is never less than this share of it [our judgement]. */
    private static final double LEAST_RANGE = 0.1;

    /** One reading: epoch milliseconds, and kPa gauge at 20 °C. */
    public record Sample(long at, double kpaAt20) {}

    /**
     * The trend of some readings.
     *
     * @param samples in any order
     * @return empty if they are too few, span less than twenty minutes or do not surely fall
     */
    public static Optional<PressureTrend> of(List<Sample> samples) {
        long newest = samples.stream().mapToLong(Sample::at).max().orElse(0);
        long oldest = samples.stream().mapToLong(Sample::at).min().orElse(0);
        int n = samples.size();
        if (n < FEWEST || newest - oldest < SHORTEST_MILLIS) {
            return Optional.empty();
        }
        double meanX = 0;
        double meanY = 0;
        for (Sample s : samples) {
            meanX += (s.at() - newest) / HOUR_MILLIS / n;
            meanY += s.kpaAt20() / n;
        }
        double sxx = 0;
        double sxy = 0;
        for (Sample s : samples) {
            double x = (s.at() - newest) / HOUR_MILLIS - meanX;
            sxx += x * x;
            sxy += x * (s.kpaAt20() - meanY);
        }
        double slope = sxy / sxx;
        double squares = 0;
        for (Sample s : samples) {
            double off = s.kpaAt20() - meanY - slope * ((s.at() - newest) / HOUR_MILLIS - meanX);
            squares += off * off;
        }
        double error = Math.max(ERRORS * Math.sqrt(squares / (n - 2) / sxx), LEAST_RANGE * Math.abs(slope));
        boolean isFalling = slope + error < 0 && slope <= -SLOWEST_FALL_KPA_PER_HOUR;
        return isFalling
                ? Optional.of(new PressureTrend(newest, meanY - slope * meanX, slope, slope - error, slope + error))
                : Optional.empty();
    }

    /**
     * When the pressure reaches {@code kpa} if it goes on like this, epoch milliseconds; {@link #at} if it is there.
     *
     * @param kpa kPa gauge at 20 °C
     */
    public long reaches(double kpa) {
        return reaches(kpa, kpaPerHour);
    }

    /** The earliest time of the range. */
    public long reachesAtTheEarliest(double kpa) {
        return reaches(kpa, fastestKpaPerHour);
    }

    /** The latest time of the range. */
    public long reachesAtTheLatest(double kpa) {
        return reaches(kpa, slowestKpaPerHour);
    }

    private long reaches(double kpa, double slope) {
        double hours = Math.max(0, (kpa - kpaAt20) / slope);
        return at + Math.round(Math.min(hours, 24 * 365) * HOUR_MILLIS);
    }
}
