package vividcaravan.core.judge.sensors;

import java.util.List;
import java.util.function.Consumer;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.VehicleRules;
import vividcaravan.core.judge.siblings.Movement;
import vividcaravan.core.judge.siblings.Siblings;

/**
 * Finds the wheel that says nothing while the others of the vehicle report. Silence shows only in what the others say, in
 * their readings' time: a vehicle that sleeps is not silent, and a backlog that comes late brings its own time with it.
 */
public final class SilenceWatch {

    /**
     * A wheel that misses so many rounds, and for so long, is silent: within ten minutes of driving for sensors that report
     * each minute [UN Regulation 141, from memory, for a fault of the system].
     */
    private static final int ROUNDS = 8;

    private static final long LEAST_MILLIS = 9L * 60 * 1000;
    /** A sensor that chatters counts once in so long. */
    private static final long ROUND_MILLIS = 45_000;

    private static final long LATELY_MILLIS = 12L * 60 * 1000;
    /** Sensors of a lifted axle do not fall asleep in the same moment. */
    private static final long ASLEEP_TOGETHER_MILLIS = 6L * 60 * 1000;

    private static final long NEVER = Long.MIN_VALUE;

    private final List<? extends Heard> wheels;
    /** A round is over when a wheel speaks in it again and half of them have spoken: one alone makes none. */
    private long round;

    private int heardInRound;

    /** Watches these, every wheel of the vehicle that is known; the list may change. */
    public SilenceWatch(List<? extends Heard> wheels) {
        this.wheels = wheels;
    }

    /** What another judge has seen of {@code stay} was counted there. */
    public void welcome(Heard.Stay stay) {
        stay.turn().spokeIn(round - 1);
    }

    /** Takes note of a word from {@code stay}, and looks who has been quiet meanwhile. */
    public void hear(
            Heard.Stay stay,
            long at,
            VehicleRules rules,
            Siblings siblings,
            Movement movement,
            Consumer<Finding> findings) {
        if (!stay.turn().countsAgain(at, ROUND_MILLIS)) {
            return;
        }
        if (stay.turn().round() == round && heardInRound >= enough(movement.wasMoving(at))) {
            round++;
            heardInRound = 0;
        }
        heardInRound += stay.turn().round() == round ? 0 : 1;
        stay.turn().spokeIn(round);
        look(at, rules, siblings, movement, findings);
    }

    /**
     * How many make a round. Where a sensor says that the vehicle moves, every wheel turns, and one of two is enough to miss the
     * other: a trailer of one axle has no third.
     */
    private int enough(boolean isSaidToMove) {
        return Math.max(isSaidToMove ? 1 : 2, wheels.size() / 2);
    }

    private void look(long at, VehicleRules rules, Siblings siblings, Movement movement, Consumer<Finding> findings) {
        int awake = 0;
        for (int i = 0; i < wheels.size(); i++) {
            awake += wheels.get(i).newestAt() >= at - LATELY_MILLIS ? 1 : 0;
        }
        // Where most sleep, those that do are not the ones to wonder at.
        if (awake < (movement.wasMoving(at) ? enough(true) : Math.max(2, wheels.size() / 2 + 1))) {
            return;
        }
        boolean isStanding = movement.isStanding(at);
        for (int i = 0; i < wheels.size(); i++) {
            Heard wheel = wheels.get(i);
            Heard.Stay stay = wheel.recordedFor(at);
            if (isStanding && stay.newestAt() == NEVER) {
                // A new sensor wakes with the wheel; its first values may take six minutes of driving [common
                // practice].
                welcome(stay);
            }
            boolean isQuiet = round - 1 - stay.turn().round() >= ROUNDS
                    && at - Math.max(stay.from(), stay.newestAt()) >= LEAST_MILLIS
                    && !stay.isSilent()
                    && stay.to() > at;
            if (isQuiet && !wheel.position().isSpare() && !isLifted(wheel, rules)) {
                siblings.look(wheel.position(), at, movement, rules);
                stay.fellSilent(at, rules.at(wheel.position()).orElseThrow(), siblings, findings);
            }
        }
    }

    /** A lifted axle falls asleep as a whole, which is no silence. */
    private boolean isLifted(Heard quiet, VehicleRules rules) {
        long fellAsleep = quiet.newestAt() + ASLEEP_TOGETHER_MILLIS;
        return rules.at(quiet.position()).orElseThrow().isLiftable()
                && wheels.stream()
                        .filter(wheel ->
                                wheel.position().axle() == quiet.position().axle())
                        .noneMatch(wheel -> wheel.newestAt() >= fellAsleep);
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        round = memory.time("round", round);
        heardInRound = memory.count("heardInRound", heardInRound);
    }
}
