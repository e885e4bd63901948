package vividcaravan.core.coupling;

/**
 * For how long a receiver has heard a vehicle on the road without a longer break. Plain values, so that it can be kept.
 *
 * @param since when it began, epoch milliseconds
 * @param last when it was last heard on the road
 * @param times in how many minutes it was heard
 * @param coolestC the coolest that its tyres were meanwhile, °C; NaN while not known
 * @param movedAt when it last said that it moves; {@link #NEVER} where it did not
 * @param warmedAt when its tyres had last warmed as driving does it; {@link #NEVER} where they did not
 * @param standsAt when it last said that it stands; {@link #NEVER} where it did not
 * @param missed in how many minutes the motor vehicle was heard on the road since, and this one was not
 * @param isDenied whether somebody said that it does not hang behind the motor vehicle
 */
public record HeardSpan(
        long since,
        long last,
        int times,
        double coolestC,
        long movedAt,
        long warmedAt,
        long standsAt,
        int missed,
        boolean isDenied) {

    /** No such time. */
    public static final long NEVER = Long.MIN_VALUE / 2;

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
                Boolean.TRUE.equals(hearing.isMoving()) ? hearing.at() : NEVER,
                NEVER,
                hearing.isStanding() ? hearing.at() : NEVER,
                0,
                false);
    }

    /** The same with more heard of it. */
    HeardSpan hear(Hearing hearing) {
        if (hearing.isStanding()) {
            return new HeardSpan(since, last, times, hearing.celsius(), NEVER, NEVER, hearing.at(), missed, isDenied);
        }
        if (stands() && hearing.isMoving() == null && hearing.at() - standsAt <= BREAK_MILLIS) {
            // Beside sensors that say that it stands, others that say nothing of it do not say that it moves.
            return this;
        }
        if (times == 0 || hearing.at() - last > BREAK_MILLIS) {
            return begin(hearing);
        }
        boolean isWarmer = hearing.celsius() - coolestC >= WARMED_C;
        // What comes after is measured from there: tyres that are warm and stay so may stand.
        boolean isCoolest = isWarmer || hearing.celsius() < coolestC || Double.isNaN(coolestC);
        return new HeardSpan(
                since,
                hearing.at(),
                times + 1,
                isCoolest ? hearing.celsius() : coolestC,
                Boolean.TRUE.equals(hearing.isMoving()) ? hearing.at() : movedAt,
                isWarmer ? hearing.at() : warmedAt,
                standsAt,
                0,
                isDenied);
    }

    /** The same once more not heard beside its motor vehicle. */
    HeardSpan andMissed() {
        return new HeardSpan(since, last, times, coolestC, movedAt, warmedAt, standsAt, missed + 1, isDenied);
    }

    /** The same with somebody's word against it. */
    HeardSpan denied() {
        return new HeardSpan(since, last, times, coolestC, movedAt, warmedAt, standsAt, missed, true);
    }

    /** Whether the last it said was that it stands. */
    boolean stands() {
        return standsAt > last || times == 0;
    }

    /** Whether it is known to have driven. */
    boolean drives() {
        return movedAt > NEVER || warmedAt > NEVER;
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
