package vividcaravan.core.judge;

import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.List;
import java.util.function.Consumer;
import vividcaravan.core.alert.Finding;

/**
 * Finds the wheel that says nothing while the others of the vehicle report. Silence shows only in what the others say, in
 * their readings' time: a vehicle that sleeps is not silent, and a backlog that comes late brings its own time with it.
 */
final class SilenceWatch {

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

    private final List<WheelStays> wheels;
    /** A round is over when a wheel speaks in it again and half of them have spoken: one alone makes none. */
    private long round;

    private int heardInRound;

    SilenceWatch(List<WheelStays> wheels) {
        this.wheels = wheels;
    }

    /** What another judge has seen at {@code wheel} was counted there. */
    void welcome(WheelStays wheel) {
        wheel.markAll(round - 1);
    }

    /** Takes note of a word from {@code stay}, and looks who has been quiet meanwhile. */
    void hear(
            WheelStays.Stay stay,
            long at,
            VehicleRules rules,
            Siblings siblings,
            Movement movement,
            Consumer<Finding> findings) {
        if (!stay.countsAgain(at, ROUND_MILLIS)) {
            return;
        }
        if (stay.mark() == round && heardInRound >= Math.max(2, wheels.size() / 2)) {
            round++;
            heardInRound = 0;
        }
        heardInRound += stay.mark() == round ? 0 : 1;
        stay.mark(round);
        look(at, rules, siblings, movement, findings);
    }

    private void look(long at, VehicleRules rules, Siblings siblings, Movement movement, Consumer<Finding> findings) {
        int awake = 0;
        for (int i = 0; i < wheels.size(); i++) {
            awake += wheels.get(i).isHeardSince(at - LATELY_MILLIS) ? 1 : 0;
        }
        // Where most sleep, those that do are not the ones to wonder at.
        if (awake < Math.max(2, wheels.size() / 2 + 1)) {
            return;
        }
        for (int i = 0; i < wheels.size(); i++) {
            WheelStays wheel = wheels.get(i);
            WheelStays.Stay stay = wheel.recordedFor(at);
            boolean isQuiet = round - 1 - stay.mark() >= ROUNDS
                    && at - Math.max(stay.from(), stay.judge().newestAt()) >= LEAST_MILLIS
                    && !stay.judge().isSilent()
                    && stay.to() > at;
            if (isQuiet && !wheel.position().isSpare() && !isLifted(wheel, rules)) {
                siblings.look(wheel.position(), at, movement, rules);
                stay.judge().fellSilent(at, rules.at(wheel.position()).orElseThrow(), siblings, findings);
            }
        }
    }

    /** A lifted axle falls asleep as a whole, which is no silence. */
    private boolean isLifted(WheelStays quiet, VehicleRules rules) {
        long fellAsleep = quiet.last().judge().newestAt() + ASLEEP_TOGETHER_MILLIS;
        return rules.at(quiet.position()).orElseThrow().isLiftable()
                && wheels.stream()
                        .filter(wheel ->
                                wheel.position().axle() == quiet.position().axle())
                        .noneMatch(wheel -> wheel.isHeardSince(fellAsleep));
    }

    void writeTo(DataOutput out) throws IOException {
        out.writeLong(round);
        out.writeByte(heardInRound);
    }

    void readFrom(DataInput in) throws IOException {
        round = in.readLong();
        heardInRound = in.readByte();
    }
}
