package vividcaravan.server.ingest;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.Rejudgement;

/**
 * A run over the past of a vehicle, as far as it is known what it has to take in. It belongs to the worker that makes it.
 *
 * @param vehicle identity
 * @param version of what is owed, which it pays
 * @param wheels those that are judged again
 * @param from the beginning, epoch milliseconds
 * @param stays of all sensors of the vehicle since then
 * @param judgement what it comes to
 * @param judgedUpTo for each sensor of these wheels, the time of the last reading that was taken in, by identity
 */
record Run(
        long vehicle,
        long version,
        Set<Position> wheels,
        long from,
        List<Stay> stays,
        Rejudgement judgement,
        Map<Long, Long> judgedUpTo) {

    /**
     * A sensor's stay.
     *
     * @param code its sensor's
     * @param mount how that is held, or null where nobody said
     */
    record Stay(Fitting fitting, String code, @Nullable MountKind mount) {}
}
