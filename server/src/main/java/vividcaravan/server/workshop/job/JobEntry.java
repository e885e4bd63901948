package vividcaravan.server.workshop.job;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.Position;

/**
 * Something that was entered for a job.
 *
 * @param number its place in the job's record, from 1
 * @param key given by who entered it, so that the same entry sent twice counts once
 * @param position the wheel it is about; null where it is about the whole job
 * @param at when it was entered
 * @param data what it says
 */
@Schema(name = "JobEntry")
record JobEntry<S extends Said>(
        int number,
        String key,
        EntryKind kind,
        @Nullable Position position,
        Instant at,
        String who,
        @Schema(implementation = EntryData.class) S data) {

    static <S extends Said> JobEntry<S> of(
            int number, String key, @Nullable Position position, Instant at, String who, S said) {
        return new JobEntry<>(number, key, EntryKind.of(said), position, at, who, said);
    }
}
