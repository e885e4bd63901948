package vividcaravan.server.workshop.job;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * Something that was entered for a job.
 *
 * @param number its place in the job's record, from 1
 * @param key given by who entered it, so that the same entry sent twice counts once
 * @param position the wheel it is about; null where it is about the whole job
 * @param at when it was entered
 */
record JobEntry(
        int number, String key, EntryKind kind, @Nullable String position, Instant at, String who, EntryData data) {}
