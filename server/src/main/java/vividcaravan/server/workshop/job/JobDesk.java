package vividcaravan.server.workshop.job;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.SensorCode;
import vividcaravan.core.fitting.WheelProof;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.RequestBounds;
import vividcaravan.server.sensors.SensorPlacing;
import vividcaravan.server.wheels.WheelChanges;
import vividcaravan.server.writer.Change;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.View;

/**
 * Where everything that is entered at a vehicle comes in. Entries may come late, twice and from several people: each has a
 * key, so that it counts once, and names the last entry of its kind that its author had seen, so that two people's
 * conflicting entries are shown to them instead of one covering the other.
 */
@Component
class JobDesk {

    private static final long EARLIEST_MILLIS = 14L * 24 * 3_600_000;

    private final SingleWriter writer;
    private final Jobs jobs;
    private final JobFacts facts;
    private final EntryChecks checks;
    private final WorkshopRules rules;
    private final SensorPlacing placing;
    private final WheelChanges changes;
    private final Clock clock;

    JobDesk(
            SingleWriter writer,
            Jobs jobs,
            JobFacts facts,
            EntryChecks checks,
            WorkshopRules rules,
            SensorPlacing placing,
            WheelChanges changes,
            Clock clock) {
        this.writer = writer;
        this.jobs = jobs;
        this.facts = facts;
        this.checks = checks;
        this.rules = rules;
        this.placing = placing;
        this.changes = changes;
        this.clock = clock;
    }

    /** Takes what was entered, in its order. */
    List<EntryOutcome> enter(long jobId, List<EntryRequest> requests, String who) {
        return writer.make(view -> {
            jobs.existing(view, jobId);
            return Decision.inTurn(requests.stream()
                    .map(request -> (Change<EntryOutcome>) now -> look(now, jobId, request, who))
                    .toList());
        });
    }

    /** Looks at a code without taking it. */
    List<CodeDoubt> look(long jobId, String positionCode, String typed) {
        FitOutJob job = jobs.existing(jobId);
        Position position = Jobs.position(job, positionCode);
        if (position == null) {
            throw Refusal.badRequest("position", "The vehicle has no wheel \"" + positionCode + "\".");
        }
        return CodeDoubt.of(facts.doubts(job, position, SensorCode.read(typed)));
    }

    /**
     * Ends a job.
     *
     * @throws Refusal if it is to be done and something is still missing
     */
    void end(long jobId, JobState state, @Nullable String reason, String who) {
        writer.make(view -> {
            FitOutJob job = jobs.existing(view, jobId);
            job.refuseIfEnded();
            if (state == JobState.DONE) {
                refuseIfUnproven(job, rules.now(view).gaugeToleranceKpa());
            }
            JobEntry<Said.Closed> entry = JobEntry.of(
                    job.entries().size() + 1, "end-" + jobId, null, clock.instant(), who, new Said.Closed(reason));
            return Decision.make(pen -> {
                jobs.end(pen, jobs.record(pen.session(), job, entry), state, who);
                return Done.by(JobDeeds.ended(job, state, reason));
            });
        });
    }

    private void refuseIfUnproven(FitOutJob job, double toleranceKpa) {
        Faults missing = new Faults();
        for (Position position : job.walk()) {
            WheelProof proof = facts.wheel(job, position, null, toleranceKpa);
            List<String> lacks = facts.missing(job, position, proof);
            if (!lacks.isEmpty()) {
                missing.add(position.code(), String.join(", ", lacks));
            }
        }
        missing.refuseAsConflict(faults -> faults.stream()
                .map(fault -> fault.field() + " " + fault.message())
                .collect(Collectors.joining("; ", "Not every wheel is proven: ", ".")));
    }

    private Decision<EntryOutcome> look(View view, long jobId, EntryRequest request, String who) {
        FitOutJob job = jobs.existing(view, jobId);
        try {
            if (request.key() == null || !request.key().matches("[A-Za-z0-9-]{8,64}")) {
                throw EntryNotStored.refused("An entry needs a key of 8 to 64 letters and digits.");
            }
            RequestBounds.faults(request).all().stream().findFirst().ifPresent(fault -> {
                throw EntryNotStored.refused(fault.message());
            });
            if (job.byKey(request.key()).isPresent()) {
                return Decision.nothing(EntryOutcome.of(request, EntryOutcome.Outcome.KNOWN));
            }
            return storing(view, job, request, who);
        } catch (EntryNotStored e) {
            return Decision.nothing(e.outcomeOf(request));
        }
    }

    private Decision<EntryOutcome> storing(View view, FitOutJob job, EntryRequest request, String who) {
        if (!job.isOpen()) {
            throw EntryNotStored.refused("This job has ended.");
        }
        EntryKind kind = request.kind();
        if (kind == null || kind == EntryKind.CLOSED) {
            throw EntryNotStored.refused("Say what kind of entry this is.");
        }
        Position position = Jobs.position(job, request.position());
        if (kind.isOfWheel() && position == null) {
            throw EntryNotStored.refused("The vehicle has no wheel \"" + request.position() + "\".");
        }
        Instant at = time(request);
        refuseIfInConflict(view, job, request, position, at, who);
        JobEntry<Said> entry = JobEntry.of(
                job.entries().size() + 1,
                request.key(),
                kind.isOfWheel() ? position : null,
                at,
                who,
                checks.checked(view, job, request, kind, position, at));
        String sensor = JobDeeds.sensorAt(job.vehicle(), position);
        return Decision.make(pen -> {
            apply(pen, job, entry);
            jobs.record(pen.session(), job, entry);
            return new Done<>(
                    EntryOutcome.of(request, EntryOutcome.Outcome.STORED), JobDeeds.entered(job, entry, sensor));
        });
    }

    private Instant time(EntryRequest request) {
        Instant now = clock.instant();
        Instant at = request.at() == null || request.at().isAfter(now) ? now : request.at();
        if (at.toEpochMilli() < now.toEpochMilli() - EARLIEST_MILLIS) {
            throw EntryNotStored.refused("This was entered more than two weeks ago; enter it again.");
        }
        return Instant.ofEpochMilli(at.toEpochMilli());
    }

    private void refuseIfInConflict(
            View view, FitOutJob job, EntryRequest request, @Nullable Position position, Instant at, String who) {
        int seen = request.basedOn() == null ? 0 : request.basedOn();
        Optional<JobEntry<?>> newer = position == null
                ? Optional.empty()
                : job.entries().stream()
                        .<JobEntry<?>>map(entry -> entry)
                        .filter(entry -> entry.kind() == request.kind()
                                && position.equals(entry.position())
                                && entry.number() > seen
                                && !entry.who().equals(who))
                        .reduce((a, b) -> b);
        if (newer.isPresent()
                && !request.isInsisted()
                && !isSame(view, job, request, position, at, newer.get().data())) {
            throw EntryNotStored.conflict(
                    newer.get().who() + " entered something else for " + position.words()
                            + " meanwhile. Keep theirs, or say that yours is meant.",
                    newer.get());
        }
    }

    private boolean isSame(View view, FitOutJob job, EntryRequest request, Position position, Instant at, Said theirs) {
        try {
            return checks.checked(view, job, request, request.kind(), position, at)
                    .equals(theirs);
        } catch (EntryNotStored e) {
            return false;
        }
    }

    private void apply(Pen pen, FitOutJob job, JobEntry<?> entry) {
        Position position = entry.position();
        if (entry.data() instanceof Said.Paired paired) {
            placing.fit(
                    pen,
                    paired.code(),
                    job.mount().orElse(paired.mount()),
                    job.vehicle(),
                    position,
                    entry.at().toEpochMilli());
        } else if (entry.data() instanceof Said.LeftOut) {
            placing.takeOff(pen, job.vehicle(), position);
        } else if (entry.data() instanceof Said.AirSet) {
            changes.adjusted(
                    pen, job.vehicle(), position, entry.at(), WheelChanges.Measured.NOT, entry.who(), "fit-out");
        } else if (entry.data() instanceof Said.Exchanged exchanged) {
            long since = Math.max(
                    job.pairedAt(position).orElseThrow().toEpochMilli(),
                    job.pairedAt(exchanged.other()).orElseThrow().toEpochMilli());
            placing.exchange(pen, job.vehicle(), position, exchanged.other(), since);
        }
    }
}
