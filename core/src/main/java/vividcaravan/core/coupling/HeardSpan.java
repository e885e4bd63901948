package vividcaravan.core.coupling;

/**
 * For how long a receiver has heard a vehicle on the road without a longer break. Plain values, so that it can be kept.
 *
 * @param since when it began, epoch milliseconds
 * @param last when it was last heard on the road
 * @param times in how many minutes it was heard
 * @param coolestC the coolest that its tyres were meanwhile, °C; NaN while not known
 * @param drives whether it is known to drive
 * @param stands whether the last it said was that it stands
 * @param missed in how many minutes the motor vehicle was heard on the road since, and this one was not
 * @param isDenied whether somebody said that it does not hang behind the motor vehicle
 */
public record HeardSpan(
        long since,
        long last,
        int times,
        double coolestC,
        boolean drives,
        boolean stands,
        int missed,
        boolean isDenied) {

    /** A pause of more than this and it begins anew: sensors that report rarely do so every five minutes [common practice]. */
    public static final long BREAK_MILLIS = 12L * 60 * 1000;

    /** Tyres that warm by so much are driven, °C [our judgement: the sun does less within a quarter of an hour]. */
    private static final double WARMED_C = 3;

    /** The first that was heard of it. */
    static HeardSpan begin(Hearing hearing) {
        return new HeardSpan(
                hearing.at(),
                hearing.at(),
                hearing.isStanding() ? 0 : 1,
                hearing.celsius(),
                Boolean.TRUE.equals(hearing.isMoving()),
                hearing.isStanding(),
                0,
                false);
    }

    /** The same with more heard of it. */
    HeardSpan hear(Hearing hearing) {
        if (hearing.isStanding()) {
            return new HeardSpan(since, last, times, hearing.celsius(), false, true, missed, isDenied);
        }
        if (times == 0 || hearing.at() - last > BREAK_MILLIS) {
            return begin(hearing);
        }
        double coolest = hearing.celsius() < coolestC || Double.isNaN(coolestC) ? hearing.celsius() : coolestC;
        boolean isDriving =
                drives || Boolean.TRUE.equals(hearing.isMoving()) || hearing.celsius() - coolest >= WARMED_C;
        return new HeardSpan(since, hearing.at(), times + 1, coolest, isDriving, false, 0, isDenied);
    }

    /** The same once more not heard beside its motor vehicle. */
    HeardSpan andMissed() {
        return new HeardSpan(since, last, times, coolestC, drives, stands, missed + 1, isDenied);
    }

    /** The same with somebody's word against it. */
    HeardSpan denied() {
        return new HeardSpan(since, last, times, coolestC, drives, stands, missed, true);
    }

    /** For how long it was heard, ms. */
    long length() {
        return last - since;
    }

    /** Whether it is still heard at {@code at}. */
    boolean isGoingOn(long at) {
        return at - last <= BREAK_MILLIS;
    }
}
