package vividcaravan.core.tyres;

import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/**
 * How fast a tyre wears, from tread readings with their dates: a straight line through them (least squares). Tread wears faster
 * when it is new, so a forecast over more than what was seen is the less to be relied on the farther it reaches [common practice].
 *
 * @param mmPerMonth mm in thirty days, 0 or more
 * @param mmPer1000Km mm in 1,000 km; null where too few readings say how far the vehicle had run, or it
 *     would have run back
 * @param minimumAt when the tread is down to the least that is allowed, epoch milliseconds
 */
public record TreadWear(double mmPerMonth, Double mmPer1000Km, long minimumAt) {

    /**
     * A tread reading.
     *
     * @param at epoch milliseconds
     * @param mm depth at the shallowest, mm
     * @param km how far the vehicle had run, km, or null
     */
    public record Reading(long at, double mm, Double km) {}

    private static final double MONTH_MILLIS = Duration.ofDays(30).toMillis();
    /** Readings nearer together than this say more of the gauge than of the tyre [our judgement]. */
    private static final long LEAST_MILLIS = Duration.ofDays(14).toMillis();
    /** A depth gauge reads to a few tenths [common practice]. */
    private static final double LEAST_MM = 0.3;
    /** More than a gauge errs by, less than any regroove gives back, mm [our judgement]. */
    private static final double GROWN_MM = 1;

    /** Nobody plans farther ahead. */
    private static final long FARTHEST_MILLIS = Duration.ofDays(3_650).toMillis();

    /**
     * The wear that these readings show.
     *
     * @param leastMm the least tread that is allowed, mm
     * @return empty where the readings are too few, too near together or show no wear
     */
    public static Optional<TreadWear> of(List<Reading> readings, double leastMm) {
        List<Reading> inOrder = sinceItGrew(
                readings.stream().sorted(Comparator.comparingLong(Reading::at)).toList());
        if (inOrder.size() < 2) {
            return Optional.empty();
        }
        Reading first = inOrder.get(0);
        Reading last = inOrder.get(inOrder.size() - 1);
        if (last.at() - first.at() < LEAST_MILLIS || !(first.mm() - last.mm() >= LEAST_MM)) {
            return Optional.empty();
        }
        double perMonth = -slope(inOrder, reading -> (reading.at() - first.at()) / MONTH_MILLIS);
        if (!(perMonth > 0)) {
            return Optional.empty();
        }
        double months = (last.mm() - leastMm) / perMonth;
        long ahead = (long) Math.min(FARTHEST_MILLIS, Math.max(0, months * MONTH_MILLIS));
        return Optional.of(new TreadWear(perMonth, per1000Km(inOrder), last.at() + ahead));
    }

    /** Wear begins anew with a retread or a regroove: tread does not grow by itself. */
    private static List<Reading> sinceItGrew(List<Reading> inOrder) {
        int begin = 0;
        for (int i = 1; i < inOrder.size(); i++) {
            if (inOrder.get(i).mm() - inOrder.get(i - 1).mm() >= GROWN_MM) {
                begin = i;
            }
        }
        return inOrder.subList(begin, inOrder.size());
    }

    private static Double per1000Km(List<Reading> inOrder) {
        List<Reading> withKm =
                inOrder.stream().filter(reading -> reading.km() != null).toList();
        if (withKm.size() < 2) {
            return null;
        }
        double first = withKm.get(0).km();
        for (int i = 1; i < withKm.size(); i++) {
            // An odometer that was changed, or a slip of the pen: which of both was right nobody can tell from here.
            if (!(withKm.get(i).km() >= withKm.get(i - 1).km())) {
                return null;
            }
        }
        if (!(withKm.get(withKm.size() - 1).km() > first)) {
            return null;
        }
        double wear = -slope(withKm, reading -> (reading.km() - first) / 1_000);
        return wear > 0 ? wear : null;
    }

    private static double slope(List<Reading> readings, ToDoubleFunction<Reading> along) {
        double meanX = readings.stream().mapToDouble(along).average().orElseThrow();
        double meanY = readings.stream().mapToDouble(Reading::mm).average().orElseThrow();
        double across = 0;
        double square = 0;
        for (Reading reading : readings) {
            double x = along.applyAsDouble(reading) - meanX;
            across += x * (reading.mm() - meanY);
            square += x * x;
        }
        return square == 0 ? 0 : across / square;
    }
}
