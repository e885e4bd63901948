package vividcaravan.server.workshop;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.MountProcedure;
import vividcaravan.core.fitting.PairingDoubt;
import vividcaravan.core.fitting.PositionProof;
import vividcaravan.core.fitting.SensorCode;
import vividcaravan.core.fitting.TyreDateCode;
import vividcaravan.core.fitting.WheelProof;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.SingleWriter;
import vividcaravan.server.vehicles.SensorPlacing;
import vividcaravan.server.vehicles.WheelChanges;

/**
 * Where everything that is entered at a vehicle comes in. Entries may come late, twice and from several people: each has a
 * key, so that it counts once, and names the last entry of its kind that its author had seen, so that two people's
 * conflicting entries are shown to them instead of one covering the other.
 */
@Component
class JobDesk {

    private static final int LONGEST_TEXT = 1_000;
    private static final double HIGHEST_KPA = 2_000;
    private static final long EARLIEST_MILLIS = 14L * 24 * 3_600_000;

    private final SingleWriter writer;
    private final Jobs jobs;
    private final JobFacts facts;
    private final WorkshopRules rules;
    private final SensorPlacing placing;
    private final WheelChanges changes;
    private final Clock clock;

    JobDesk(
            SingleWriter writer,
            Jobs jobs,
            JobFacts facts,
            WorkshopRules rules,
            SensorPlacing placing,
            WheelChanges changes,
            Clock clock) {
        this.writer = writer;
        this.jobs = jobs;
        this.facts = facts;
        this.rules = rules;
        this.placing = placing;
        this.changes = changes;
        this.clock = clock;
    }

    /**
     * Something entered at a vehicle.
     *
     * @param key given by its author, the same whenever it is sent again
     * @param at when it was entered; now unless said otherwise
     * @param basedOn number of the last entry of this kind and wheel that its author had seen; 0 if there was none
     * @param isMeant whether its author was told of what speaks against it and means it all the same
     */
    record EntryRequest(
            @Nullable String key,
            @Nullable EntryKind kind,
            @Nullable String position,
            @Nullable Instant at,
            @Nullable Integer basedOn,
            @Nullable Boolean isMeant,
            @Nullable EntryData data) {

        boolean isInsisted() {
            return Boolean.TRUE.equals(isMeant);
        }
    }

    /** What became of an entry. */
    enum Outcome {
        STORED,
        /** It was there already. */
        KNOWN,
        /** Somebody else entered something else meanwhile. */
        CONFLICT,
        /** Something speaks against it; say that it is meant. */
        TO_CONFIRM,
        REFUSED
    }

    /**
     * What became of an entry, with the reason in words.
     *
     * @param doubts what speaks against taking a sensor
     * @param theirs what somebody else entered meanwhile
     */
    record EntryOutcome(
            @Nullable String key,
            Outcome outcome,
            @Nullable String message,
            List<CodeDoubt> doubts,
            @Nullable JobEntry theirs) {}

    /**
     * What speaks against taking a sensor for a wheel.
     *
     * @param weight how much that weighs
     * @param wayOut what to do about it
     * @param codes codes to choose instead
     */
    record CodeDoubt(
            PairingDoubt.Kind kind, PairingDoubt.Weight weight, String words, String wayOut, List<String> codes) {
        static CodeDoubt of(PairingDoubt doubt) {
            return new CodeDoubt(doubt.kind(), doubt.kind().weight(), doubt.words(), doubt.wayOut(), doubt.codes());
        }
    }

    /** Takes what was entered, in its order. */
    List<EntryOutcome> enter(long jobId, List<EntryRequest> requests, String who) {
        return writer.write(session -> {
            FitOutJob job = jobs.existing(session, jobId);
            List<EntryOutcome> outcomes = new ArrayList<>();
            for (EntryRequest request : requests) {
                Taken taken = new Entering(session, job, request, who).take();
                outcomes.add(taken.outcome());
                job = taken.job();
            }
            return outcomes;
        });
    }

    /** Looks at a code without taking it. */
    List<CodeDoubt> look(long jobId, String positionCode, String typed) {
        FitOutJob job = jobs.existing(jobId);
        Position position = Jobs.position(job, positionCode);
        if (position == null) {
            throw Refusal.badRequest("position", "The vehicle has no wheel \"" + positionCode + "\".");
        }
        return doubts(job, position, SensorCode.read(typed)).stream()
                .map(CodeDoubt::of)
                .toList();
    }

    private List<PairingDoubt> doubts(FitOutJob job, Position position, SensorCode code) {
        return facts.pairingCheck(job)
                .doubts(position, code, code.isCode() ? facts.known(job, code.code()) : Optional.empty());
    }

    /**
     * Ends a job.
     *
     * @throws Refusal if it is to be done and something is still missing
     */
    void end(long jobId, JobState state, @Nullable String reason, String who) {
        writer.write(session -> {
            FitOutJob job = jobs.existing(session, jobId);
            job.refuseIfEnded();
            if (state == JobState.DONE) {
                refuseIfUnproven(job, rules.now(session).gaugeToleranceKpa());
            }
            JobEntry entry = new JobEntry(
                    job.entries().size() + 1,
                    "end-" + jobId,
                    EntryKind.CLOSED,
                    null,
                    clock.instant(),
                    who,
                    reason == null ? EntryData.NONE : EntryData.because(reason));
            jobs.end(session, jobs.record(session, job, entry), state, who);
            return null;
        });
    }

    private void refuseIfUnproven(FitOutJob job, double toleranceKpa) {
        List<Refusal.Fault> missing = new ArrayList<>();
        for (Position position : job.walk()) {
            WheelProof proof = facts.wheel(job, position, null, toleranceKpa);
            List<String> lacks = facts.missing(job, position, proof);
            if (!lacks.isEmpty()) {
                missing.add(new Refusal.Fault(position.code(), String.join(", ", lacks)));
            }
        }
        if (!missing.isEmpty()) {
            throw Refusal.conflict(
                    "Not every wheel is proven: "
                            + String.join(
                                    "; ",
                                    missing.stream()
                                            .map(fault -> fault.field() + " " + fault.message())
                                            .toList())
                            + ".",
                    missing);
        }
    }

    private record Taken(FitOutJob job, EntryOutcome outcome) {}

    /** A reason why an entry is not stored. */
    private static final class NotStored extends RuntimeException {
        private static final long serialVersionUID = 1L;
        private final transient EntryOutcome outcome;

        NotStored(EntryOutcome outcome) {
            super(outcome.message());
            this.outcome = outcome;
        }
    }

    private final class Entering {

        private final StatelessSession session;
        private final FitOutJob job;
        private final EntryRequest request;
        private final String who;

        Entering(StatelessSession session, FitOutJob job, EntryRequest request, String who) {
            this.session = session;
            this.job = job;
            this.request = request;
            this.who = who;
        }

        Taken take() {
            try {
                if (request.key() == null || !request.key().matches("[A-Za-z0-9-]{8,64}")) {
                    throw refused("An entry needs a key of 8 to 64 letters and digits.");
                }
                if (job.byKey(request.key()).isPresent()) {
                    return new Taken(job, outcome(Outcome.KNOWN, null));
                }
                return store();
            } catch (NotStored e) {
                return new Taken(job, e.outcome);
            }
        }

        private Taken store() {
            if (!job.isOpen()) {
                throw refused("This job has ended.");
            }
            EntryKind kind = request.kind();
            if (kind == null || kind == EntryKind.CLOSED) {
                throw refused("Say what kind of entry this is.");
            }
            Position position = Jobs.position(job, request.position());
            if (kind.isOfWheel() && position == null) {
                throw refused("The vehicle has no wheel \"" + request.position() + "\".");
            }
            Instant at = time();
            refuseIfInConflict(kind, position);
            EntryData data = checked(kind, position, request.data() == null ? EntryData.NONE : request.data(), at);
            JobEntry entry = new JobEntry(
                    job.entries().size() + 1,
                    request.key(),
                    kind,
                    kind.isOfWheel() ? position.code() : null,
                    at,
                    who,
                    data);
            apply(entry, position);
            return new Taken(jobs.record(session, job, entry), outcome(Outcome.STORED, null));
        }

        private Instant time() {
            Instant now = clock.instant();
            Instant at = request.at() == null || request.at().isAfter(now) ? now : request.at();
            if (at.toEpochMilli() < now.toEpochMilli() - EARLIEST_MILLIS) {
                throw refused("This was entered more than two weeks ago; enter it again.");
            }
            return Instant.ofEpochMilli(at.toEpochMilli());
        }

        private void refuseIfInConflict(EntryKind kind, @Nullable Position position) {
            int seen = request.basedOn() == null ? 0 : request.basedOn();
            Optional<JobEntry> newer = position == null
                    ? Optional.empty()
                    : job.entries().stream()
                            .filter(entry -> entry.kind() == kind
                                    && position.code().equals(entry.position())
                                    && entry.number() > seen
                                    && !entry.who().equals(who))
                            .reduce((a, b) -> b);
            boolean isSame = newer.isPresent() && newer.get().data().equals(request.data());
            if (newer.isPresent() && !isSame && !request.isInsisted()) {
                throw new NotStored(new EntryOutcome(
                        request.key(),
                        Outcome.CONFLICT,
                        newer.get().who() + " entered something else for " + position.words()
                                + " meanwhile. Keep theirs, or say that yours is meant.",
                        List.of(),
                        newer.get()));
            }
        }

        private EntryData checked(EntryKind kind, @Nullable Position position, EntryData data, Instant at) {
            refuseIfTooLong(data.reason());
            refuseIfTooLong(data.damage());
            refuseIfTooLong(data.tyre());
            refuseIfTooLong(data.gaugeName());
            return switch (kind) {
                case INSPECTED -> inspected(data);
                case PASSED_ANYWAY, LEFT_OUT, TAKEN_AS_PROVEN, NOTED -> withReason(data);
                case MOUNTED -> mounted(data);
                case PAIRED -> paired(position, data);
                case GAUGED -> gauged(data);
                case AIR_SET -> airSet(position, data);
                case PROVED -> proved(position, data);
                case EXCHANGED -> exchanged(position, data);
                case GAUGE_NAMED -> gaugeNamed(data, at);
                case CLOSED -> throw refused("A job is ended by itself.");
            };
        }

        private void refuseIfTooLong(@Nullable String text) {
            if (text != null && text.length() > LONGEST_TEXT) {
                throw refused("A text may have " + LONGEST_TEXT + " characters.");
            }
        }

        private EntryData withReason(EntryData data) {
            if (data.reason() == null || data.reason().isBlank()) {
                throw refused("Say why; it stays in the record.");
            }
            return data;
        }

        private EntryData inspected(EntryData data) {
            try {
                data.inspection();
                if (data.dateCode() != null) {
                    TyreDateCode.read(data.dateCode(), today());
                }
            } catch (IllegalArgumentException e) {
                throw refused("It cannot be: " + e.getMessage() + ".");
            }
            return data;
        }

        private LocalDate today() {
            ZoneId zone = job.vehicle().depot().map(depot -> depot.timeZone()).orElse(ZoneId.of("UTC"));
            return LocalDate.ofInstant(clock.instant(), zone);
        }

        private void refuseIfFailed(Position position) {
            Optional<JobEntry> seen = job.at(position, EntryKind.INSPECTED);
            if (seen.isEmpty() || job.at(position, EntryKind.PASSED_ANYWAY).isPresent()) {
                return;
            }
            List<String> failures = seen.get()
                    .data()
                    .inspection()
                    .failures(
                            position.isSpare()
                                    ? null
                                    : job.vehicle()
                                            .description()
                                            .layout()
                                            .axle(position.axle())
                                            .role(),
                            rules.now(session).tyres(),
                            today());
            if (!failures.isEmpty()) {
                throw refused("This wheel did not pass its inspection: " + String.join(" ", failures)
                        + " Put it right, or pass it with a reason.");
            }
        }

        private EntryData mounted(EntryData data) {
            MountKind mount = data.mount() == null ? job.mount().orElse(null) : data.mount();
            if (mount == null) {
                throw refused("Say how the sensor is held.");
            }
            boolean isTooColdOrHot = MountProcedure.of(mount).steps().stream()
                    .anyMatch(step ->
                            !MountProcedure.isWarmEnough(step, data.ambientC() == null ? Double.NaN : data.ambientC()));
            if (isTooColdOrHot) {
                throw refused("Gluing needs tyre, glue and sensor at 15 to 35 °C"
                        + (data.ambientC() == null ? "; measure it first." : ", it is " + data.ambientC() + " °C."));
            }
            return data;
        }

        private EntryData paired(Position position, EntryData data) {
            refuseIfFailed(position);
            SensorCode code = SensorCode.read(data.code() == null ? "" : data.code());
            List<PairingDoubt> doubts = doubts(job, position, code);
            boolean isRefused = doubts.stream().anyMatch(doubt -> doubt.kind().weight() == PairingDoubt.Weight.REFUSED);
            boolean isToConfirm =
                    doubts.stream().anyMatch(doubt -> doubt.kind().weight() == PairingDoubt.Weight.TO_CONFIRM);
            if (isRefused || isToConfirm && !request.isInsisted()) {
                throw new NotStored(new EntryOutcome(
                        request.key(),
                        isRefused ? Outcome.REFUSED : Outcome.TO_CONFIRM,
                        doubts.get(0).words(),
                        doubts.stream().map(CodeDoubt::of).toList(),
                        null));
            }
            return data.withCode(code.code());
        }

        private EntryData gauged(EntryData data) {
            if (data.gaugeKpa() == null || !(data.gaugeKpa() >= 0 && data.gaugeKpa() <= HIGHEST_KPA)) {
                throw refused("A gauge shows 0 to 2000 kPa.");
            }
            return data;
        }

        private EntryData airSet(Position position, EntryData data) {
            if (job.code(position).isEmpty()) {
                throw refused("This wheel has no sensor yet.");
            }
            // Entered without a connection, the pressures from before are no longer known: that proves nothing.
            return data.withBefore(facts.pressuresAt20(job));
        }

        private EntryData proved(Position position, EntryData data) {
            PositionProof proof = facts.proof(job, position)
                    .orElseThrow(() -> refused("Let some air in or out at this wheel first."));
            if (proof.verdict() != PositionProof.Verdict.PROVED) {
                throw refused(
                        proof.verdict() == PositionProof.Verdict.CROSSED
                                ? "The air was seen at " + proof.moved().words() + "."
                                : "Nothing was seen of it yet that proves the position.");
            }
            return data;
        }

        private EntryData exchanged(Position position, EntryData data) {
            Position other = Jobs.position(job, data.other());
            if (other == null || other.equals(position)) {
                throw refused("Say with which other wheel.");
            }
            if (job.code(position).isEmpty() || job.code(other).isEmpty()) {
                throw refused("Both wheels need a sensor before theirs can be exchanged.");
            }
            return data;
        }

        private EntryData gaugeNamed(EntryData data, Instant at) {
            if (data.gaugeName() == null || data.gaugeName().isBlank()) {
                throw refused("Say which hand gauge is used.");
            }
            if (data.calibratedOn() != null
                    && data.calibratedOn()
                            .isAfter(LocalDate.ofInstant(at, ZoneId.of("UTC")).plusDays(1))) {
                throw refused("The date of its calibration is still to come.");
            }
            return data;
        }

        private void apply(JobEntry entry, @Nullable Position position) {
            switch (entry.kind()) {
                case PAIRED ->
                    placing.fit(
                            session,
                            entry.data().code(),
                            job.mount().orElse(entry.data().mount()),
                            job.vehicle(),
                            position,
                            entry.at().toEpochMilli());
                case LEFT_OUT -> placing.takeOff(session, job.vehicle(), position);
                case AIR_SET ->
                    changes.adjusted(
                            session, job.vehicle(), position, entry.at(), WheelChanges.Measured.NOT, who, "fit-out");
                case EXCHANGED -> {
                    Position other = Jobs.position(job, entry.data().other());
                    long since = Math.max(
                            job.pairedAt(position).orElseThrow().toEpochMilli(),
                            job.pairedAt(other).orElseThrow().toEpochMilli());
                    placing.exchange(session, job.vehicle(), position, other, since);
                }
                default -> {}
            }
        }

        private NotStored refused(String message) {
            return new NotStored(new EntryOutcome(request.key(), Outcome.REFUSED, message, List.of(), null));
        }

        private EntryOutcome outcome(Outcome outcome, @Nullable String message) {
            return new EntryOutcome(request.key(), outcome, message, List.of(), null);
        }
    }
}
