package vividcaravan.core.tyres;

/**
 * How far a vehicle has run since it was first told, by the odometer that its readings carry. An odometer that runs back or leaps was
 * changed for another, or read wrongly: what lies between counts for nothing. Constant work and memory for each reading.
 */
public final class Mileage {

    /** No vehicle of ours is faster [our judgement], km/h; an odometer shows whole kilometres, so that one more may show. */
    private static final double FASTEST_KMH = 150;

    private static final double ROUNDING_KM = 1;
    private static final double HOUR_MILLIS = 60.0 * 60 * 1000;

    /** So far within some minutes it drove, whatever the odometer rounds to, km [our judgement]. */
    private static final double DRIVEN_KM = 0.2;

    private static final long SPACED_MILLIS = 60_000;
    private static final long LATELY_MILLIS = 15 * SPACED_MILLIS;
    /** Told each minute for a quarter of an hour. */
    private static final int MOST_KEPT = 16;

    private static final long NEVER = Long.MIN_VALUE;

    private long at = NEVER;
    private double odometerKm;
    private double ranKm;

    /** What was told lately, a minute apart, as a ring. */
    private final long[] toldAt = new long[MOST_KEPT];

    private final double[] toldKm = new double[MOST_KEPT];
    private int told;

    /** Of a vehicle of which nothing was told. */
    public Mileage() {}

    /** As it was written down. */
    public Mileage(long at, double odometerKm, double ranKm) {
        this.at = at;
        this.odometerKm = odometerKm;
        this.ranKm = ranKm;
    }

    /** When it was last told, epoch milliseconds; {@link Long#MIN_VALUE} where it never was. */
    public long at() {
        return at;
    }

    /** What the odometer showed then, km. */
    public double odometerKm() {
        return odometerKm;
    }

    /** How far it ran since it was first told, km. */
    public double ranKm() {
        return ranKm;
    }

    /**
     * Takes in what an odometer shows; what is older than was told already adds nothing.
     *
     * @param when epoch milliseconds
     * @param km what it shows, 0 or more
     * @return by how much the vehicle ran farther than was known, km
     */
    public double take(long when, double km) {
        remember(when, km);
        if (when <= at) {
            return 0;
        }
        double more = at == NEVER ? 0 : km - odometerKm;
        double most = (when - Math.max(at, 0)) / HOUR_MILLIS * FASTEST_KMH + ROUNDING_KM;
        boolean isOneOdometer = more >= 0 && more <= most;
        at = when;
        odometerKm = km;
        ranKm += isOneOdometer ? more : 0;
        return isOneOdometer ? more : 0;
    }

    /** Another vehicle with an odometer pulled it so far, km. */
    public void pulled(long when, double km) {
        at = Math.max(at, when);
        ranKm += km;
    }

    private void remember(long when, double km) {
        int last = Math.floorMod(told - 1, MOST_KEPT);
        if (told > 0 && Math.abs(when - toldAt[last]) < SPACED_MILLIS) {
            return;
        }
        toldAt[told % MOST_KEPT] = when;
        toldKm[told % MOST_KEPT] = km;
        told = told == 2 * MOST_KEPT - 1 ? MOST_KEPT : told + 1;
    }

    /**
     * Whether it was driven shortly before {@code when}: the odometer shows more than it did some minutes before. That it shows
     * the same says nothing: it may stand, or the next kilometre is not full.
     */
    public boolean isDrivenAt(long when, double km) {
        long nearest = NEVER;
        double then = 0;
        for (int i = 0; i < Math.min(told, MOST_KEPT); i++) {
            if (toldAt[i] <= when - SPACED_MILLIS && toldAt[i] >= when - LATELY_MILLIS && toldAt[i] > nearest) {
                nearest = toldAt[i];
                then = toldKm[i];
            }
        }
        return nearest != NEVER
                && km - then >= DRIVEN_KM
                && km - then <= (when - nearest) / HOUR_MILLIS * FASTEST_KMH + ROUNDING_KM;
    }
}
