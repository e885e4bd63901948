package vividcaravan.core.fitting;

import java.util.List;

/**
 * Whether a sensor is heard, and what its quiet means. Sensors sleep some minutes after a vehicle stopped and are heard
 * within six minutes after it starts [common practice], so only one that is quiet while most of the others talk is silent.
 * One that was woken by itself, by hand or by air, makes nobody else silent.
 */
public enum Hearing {
    /** It spoke lately. */
    HEARD,
    /** Quiet as most of the others, or at a wheel that rests while they run. */
    ASLEEP,
    /** Quiet, while most of the others talk. */
    SILENT,
    /** Never heard since it was taken, and most of the others are quiet too. */
    NOT_YET;

    /** Longer quiet than this is worth a word, ms. */
    public static final long QUIET_MILLIS = 6L * 60 * 1000;

    /**
     * What a wheel's quiet means.
     *
     * @param heardAt when it last spoke, epoch milliseconds; null if never
     * @param takenAt when it was taken for its wheel, epoch milliseconds
     * @param othersHeardAt when each of the other sensors of the vehicle last spoke; null for one that never did
     * @param mayRest whether the wheel may stand still while the vehicle runs: a spare, or on an axle that can be lifted
     * @param now epoch milliseconds
     */
    public static Hearing of(Long heardAt, long takenAt, List<Long> othersHeardAt, boolean mayRest, long now) {
        if (isLate(heardAt, now)) {
            return HEARD;
        }
        long talking = othersHeardAt.stream().filter(at -> isLate(at, now)).count();
        boolean doMostTalk = talking * 2 > othersHeardAt.size();
        boolean hadTime = now - takenAt > QUIET_MILLIS;
        if (doMostTalk && hadTime && !mayRest) {
            return SILENT;
        }
        return heardAt == null ? NOT_YET : ASLEEP;
    }

    private static boolean isLate(Long heardAt, long now) {
        return heardAt != null && now - heardAt <= QUIET_MILLIS;
    }
}
