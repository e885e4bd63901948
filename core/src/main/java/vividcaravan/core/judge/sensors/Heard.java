package vividcaravan.core.judge.sensors;

import java.util.function.Consumer;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.WheelRules;
import vividcaravan.core.judge.siblings.Siblings;

/** A wheel that is to be heard, and the sensor's stay there that is on record. */
public interface Heard {

    /** Where it is. */
    Position position();

    /** Time of the newest reading judged here, epoch milliseconds. */
    long newestAt();

    /** The stay that is on record for {@code at}, or the last that spoke. */
    Stay recordedFor(long at);

    /** A sensor's stay at the wheel. */
    interface Stay {

        /** When it began, epoch milliseconds. */
        long from();

        /** When it ends, epoch milliseconds. */
        long to();

        /** Time of its newest reading judged, epoch milliseconds; {@link Long#MIN_VALUE} before its first. */
        long newestAt();

        /** When it last had its say. */
        Turn turn();

        /** Whether it is held to be silent. */
        boolean isSilent();

        /** It says nothing while its siblings do. */
        void fellSilent(long at, WheelRules rules, Siblings siblings, Consumer<Finding> findings);
    }

    /** When a sensor last had its say among those of its vehicle. */
    final class Turn {

        private static final long NEVER = -1;

        /** The round of the vehicle in which this one last spoke. */
        private long round = NEVER;

        private long countedAt = Long.MIN_VALUE / 2;

        long round() {
            return round;
        }

        void spokeIn(long newRound) {
            round = newRound;
        }

        /** Whether the last reading that counted is so long ago that this one counts; it does from now on. */
        boolean countsAgain(long at, long millis) {
            boolean counts = at - countedAt >= millis;
            countedAt = counts ? at : countedAt;
            return counts;
        }

        /** What outlives a restart. */
        public void remember(Memory memory) {
            round = memory.time("round", round);
            countedAt = memory.time("countedAt", countedAt);
        }
    }
}
