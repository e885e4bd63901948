package vividcaravan.core.judge.sensors;

import java.util.List;
import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.Reading;

/**
 * Holds back a reading that cannot follow from those before it until the next one bears it out: one reading is no evidence.
 * What no next one bears out is never judged.
 */
public final class Doubt {

    /** A sensor that is quiet after its pressure jumped down may be that of a tyre that burst: so long it is waited for. */
    private static final long UNANSWERED_MILLIS = 2L * 60 * 1000;

    private static final double UNANSWERED_INTERVALS = 2.5;
    /** And so often the others have spoken meanwhile, each: a vehicle that falls asleep leaves everything unanswered. */
    private static final int UNANSWERED_ROUNDS = 3;

    private static final int UNANSWERED_ROUNDS_STANDING = 8;

    private static final long LONG_AGO = Long.MIN_VALUE / 2;

    private Reading believed;
    private Reading held;
    /** Nobody has said anything for so long: the vehicle slept, and each wakes in its own time. */
    private static final long SLEPT_MILLIS = 5L * 60 * 1000;

    /** How often the others have spoken since it was held back or they woke, when the last of them did, and since when. */
    private int othersSpoke;

    private long spokeAt = LONG_AGO;
    private long sinceAt = LONG_AGO;

    /**
     * What is to be judged now that {@code next} has come, in its order: nothing where it is held back, two where it bears out
     * the one before.
     *
     * @param next a measurement, newer than those before
     * @param targetKpa the wheel's target, kPa gauge
     * @param stepKpa the step of the sensor, kPa
     * @param othersC what the others of the vehicle show, °C; NaN where none was heard
     */
    public List<Reading> sure(Reading next, double targetKpa, double stepKpa, double othersC) {
        if (believed == null || Plausibility.follows(believed, next, targetKpa, stepKpa, othersC)) {
            return believe(next);
        }
        if (held != null && Plausibility.bearsOut(believed, held, next, targetKpa, stepKpa)) {
            Reading borneOut = held;
            believe(next);
            return List.of(borneOut, next);
        }
        held = next;
        othersSpoke = 0;
        spokeAt = next.at();
        sinceAt = next.at();
        return List.of();
    }

    private List<Reading> believe(Reading reading) {
        believed = reading;
        held = null;
        spokeAt = LONG_AGO;
        sinceAt = LONG_AGO;
        return List.of(reading);
    }

    /**
     * The reading that is held back if its pressure had jumped down and its sensor has said nothing since for too long, while
     * others were heard at {@code at}; otherwise null. It is believed from then on.
     *
     * @param intervalMillis how often the sensor reports
     * @param others how many others there are; each call is one reading of theirs
     * @param isStanding whether the vehicle is known to stand: then sensors say little
     * @param targetKpa the wheel's target, kPa gauge
     * @param stepKpa the step of the sensor, kPa
     * @param othersC what the others show, °C; NaN where none was heard
     */
    public Reading unanswered(
            long at,
            double intervalMillis,
            int others,
            boolean isStanding,
            double targetKpa,
            double stepKpa,
            double othersC) {
        if (at - spokeAt > Math.max(SLEPT_MILLIS, UNANSWERED_INTERVALS * intervalMillis)) {
            othersSpoke = 0;
            sinceAt = at;
        }
        spokeAt = at;
        othersSpoke++;
        if (held == null
                || othersSpoke < (isStanding ? UNANSWERED_ROUNDS_STANDING : UNANSWERED_ROUNDS) * others
                || at - sinceAt <= Math.max(UNANSWERED_MILLIS, UNANSWERED_INTERVALS * intervalMillis)
                || !Plausibility.isFall(believed, held, targetKpa, stepKpa, othersC)) {
            return null;
        }
        Reading borneOut = held;
        believe(borneOut);
        return borneOut;
    }

    /** Whether a reading is held back. */
    public boolean isHolding() {
        return held != null;
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        believed = remembered(memory.part("believed"), believed);
        held = remembered(memory.part("held"), held);
        othersSpoke = memory.count("othersSpoke", othersSpoke);
        spokeAt = memory.time("spokeAt", spokeAt);
        sinceAt = memory.time("sinceAt", sinceAt);
    }

    private static Reading remembered(Memory memory, Reading reading) {
        boolean isThere = memory.flag("isThere", reading != null);
        if (!isThere) {
            return null;
        }
        Reading one = reading == null ? new Reading(0, 0, 0, null, null, null) : reading;
        long at = memory.time("at", one.at());
        double kpa = memory.figure("kpa", one.pressureKpa());
        double celsius = memory.figure("celsius", one.temperatureC());
        String moving =
                memory.word("moving", one.moving() == null ? "" : one.moving().toString());
        int mv = memory.count("batteryMv", one.batteryMv() == null ? 0 : one.batteryMv());
        return new Reading(
                at, kpa, celsius, mv == 0 ? null : mv, null, moving.isEmpty() ? null : Boolean.valueOf(moving));
    }
}
