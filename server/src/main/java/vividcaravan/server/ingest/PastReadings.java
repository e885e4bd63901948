package vividcaravan.server.ingest;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.BooleanSupplier;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.history.BlockStore;

/** Gives a run the stored readings of its vehicle in the order of their time. */
@Component
class PastReadings {

    private final BlockStore blocks;

    PastReadings(BlockStore blocks) {
        this.blocks = blocks;
    }

    private record Heard(Run.Stay stay, Reading reading) {}

    /** Within a session of the caller's: the single writer's. */
    void judge(StatelessSession session, Run run, long from, long to) {
        judge(session, run, from, to, () -> false);
    }

    /** From any thread, until {@code isEnough} says so. */
    void judge(Run run, long from, long to, BooleanSupplier isEnough) {
        judge(null, run, from, to, isEnough);
    }

    private void judge(@Nullable StatelessSession session, Run run, long from, long to, BooleanSupplier isEnough) {
        List<Heard> heard = new ArrayList<>();
        for (Run.Stay stay : run.stays()) {
            Fitting fitting = stay.fitting();
            long begin = Math.max(from, fitting.from());
            long end = Math.min(to, fitting.to());
            if (begin >= end) {
                continue;
            }
            // Marked is what was stored without being judged.
            if (session == null) {
                blocks.read(
                        fitting.sensor(),
                        begin,
                        end,
                        entry -> {
                            if (!entry.isMarked()) {
                                heard.add(new Heard(stay, entry.reading()));
                            }
                        },
                        isEnough);
            } else {
                blocks.read(
                        session,
                        fitting.sensor(),
                        begin,
                        end,
                        entry -> {
                            if (!entry.isMarked()) {
                                heard.add(new Heard(stay, entry.reading()));
                            }
                        },
                        isEnough);
            }
        }
        heard.sort(Comparator.comparingLong((Heard one) -> one.reading.at()).thenComparing(one -> one.stay.code()));
        for (Heard one : heard) {
            Fitting fitting = one.stay.fitting();
            run.judgement().judge(fitting, one.stay.mount(), one.reading);
            if (run.wheels().contains(fitting.position())) {
                run.judgedUpTo().merge(fitting.sensor(), one.reading.at(), Math::max);
            }
        }
    }
}
