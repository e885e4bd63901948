package vividcaravan.server.workshop.job;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.MountProcedure;
import vividcaravan.core.fitting.PairingDoubt;
import vividcaravan.core.fitting.PositionProof;
import vividcaravan.core.fitting.SensorCode;
import vividcaravan.core.fitting.TyreDateCode;
import vividcaravan.server.writer.View;

/** What each kind of entry has to say, and what speaks against it. */
@Component
class EntryChecks {

    private static final double HIGHEST_KPA = 2_000;

    private final JobFacts facts;
    private final WorkshopRules rules;
    private final Clock clock;

    EntryChecks(JobFacts facts, WorkshopRules rules, Clock clock) {
        this.facts = facts;
        this.rules = rules;
        this.clock = clock;
    }

    /**
     * What is to be kept of an entry.
     *
     * @throws EntryNotStored if it cannot be, or something speaks against it
     */
    Said checked(
            View view, FitOutJob job, EntryRequest request, EntryKind kind, @Nullable Position position, Instant at) {
        EntryData data = request.said();
        return switch (kind) {
            case INSPECTED -> inspected(job, data);
            case PASSED_ANYWAY -> new Said.PassedAnyway(reason(data));
            case LEFT_OUT -> new Said.LeftOut(reason(data));
            case TAKEN_AS_PROVEN -> new Said.TakenAsProven(reason(data));
            case NOTED -> new Said.Noted(reason(data));
            case MOUNTED -> mounted(job, data);
            case PAIRED -> paired(view, job, request, position);
            case GAUGED -> gauged(data);
            case AIR_SET -> airSet(job, position);
            case PROVED -> proved(job, position);
            case EXCHANGED -> exchanged(job, position, data);
            case GAUGE_NAMED -> gaugeNamed(data, at);
            case CLOSED -> throw EntryNotStored.refused("A job is ended by itself.");
        };
    }

    private static String reason(EntryData data) {
        if (data.reason() == null || data.reason().isBlank()) {
            throw EntryNotStored.refused("Say why; it stays in the record.");
        }
        return data.reason();
    }

    private Said inspected(FitOutJob job, EntryData data) {
        Said.Inspected said = new Said.Inspected(
                data.treadMm(),
                data.dateCode(),
                data.stem(),
                data.isValveReachable(),
                data.isRetread(),
                data.damage(),
                data.tyre());
        try {
            said.inspection();
            if (data.dateCode() != null) {
                TyreDateCode.read(data.dateCode(), today(job));
            }
        } catch (IllegalArgumentException e) {
            throw EntryNotStored.refused("It cannot be: " + e.getMessage() + ".");
        }
        return said;
    }

    private LocalDate today(FitOutJob job) {
        ZoneId zone = job.vehicle().depot().map(depot -> depot.timeZone()).orElse(ZoneId.of("UTC"));
        return LocalDate.ofInstant(clock.instant(), zone);
    }

    private void refuseIfFailed(View view, FitOutJob job, Position position) {
        Optional<JobEntry<Said.Inspected>> seen = job.at(position, Said.Inspected.class);
        if (seen.isEmpty() || job.at(position, Said.PassedAnyway.class).isPresent()) {
            return;
        }
        List<String> failures = seen.get()
                .data()
                .inspection()
                .failures(
                        job.vehicle().description().kind(),
                        position.isSpare()
                                ? null
                                : job.vehicle()
                                        .description()
                                        .layout()
                                        .axle(position.axle())
                                        .role(),
                        rules.now(view).tyres(),
                        today(job));
        if (!failures.isEmpty()) {
            throw EntryNotStored.refused("This wheel did not pass its inspection: " + String.join(" ", failures)
                    + " Put it right, or pass it with a reason.");
        }
    }

    private static Said mounted(FitOutJob job, EntryData data) {
        MountKind mount = data.mount() == null ? job.mount().orElse(null) : data.mount();
        if (mount == null) {
            throw EntryNotStored.refused("Say how the sensor is held.");
        }
        boolean isTooColdOrHot = MountProcedure.of(mount).steps().stream()
                .anyMatch(step ->
                        !MountProcedure.isWarmEnough(step, data.ambientC() == null ? Double.NaN : data.ambientC()));
        if (isTooColdOrHot) {
            throw EntryNotStored.refused("Gluing needs tyre, glue and sensor at " + (int) MountProcedure.COLDEST_GLUE_C
                    + " to "
                    + (int) MountProcedure.WARMEST_GLUE_C + " °C"
                    + (data.ambientC() == null ? "; measure it first." : ", it is " + data.ambientC() + " °C."));
        }
        return new Said.Mounted(data.mount(), data.ambientC(), data.stepsDone());
    }

    private Said paired(View view, FitOutJob job, EntryRequest request, Position position) {
        refuseIfFailed(view, job, position);
        EntryData data = request.said();
        SensorCode code = SensorCode.read(data.code() == null ? "" : data.code());
        List<PairingDoubt> doubts = facts.doubts(job, position, code);
        if (has(doubts, PairingDoubt.Weight.REFUSED)) {
            throw EntryNotStored.doubtful(EntryOutcome.Outcome.REFUSED, CodeDoubt.of(doubts));
        }
        if (has(doubts, PairingDoubt.Weight.TO_CONFIRM) && !request.isInsisted()) {
            throw EntryNotStored.doubtful(EntryOutcome.Outcome.TO_CONFIRM, CodeDoubt.of(doubts));
        }
        return new Said.Paired(code.code(), data.mount());
    }

    private static boolean has(List<PairingDoubt> doubts, PairingDoubt.Weight weight) {
        return doubts.stream().anyMatch(doubt -> doubt.kind().weight() == weight);
    }

    private static Said gauged(EntryData data) {
        if (data.gaugeKpa() == null || !(data.gaugeKpa() >= 0 && data.gaugeKpa() <= HIGHEST_KPA)) {
            throw EntryNotStored.refused("A gauge shows 0 to 2000 kPa.");
        }
        return new Said.Gauged(data.gaugeKpa());
    }

    private Said airSet(FitOutJob job, Position position) {
        if (job.code(position).isEmpty()) {
            throw EntryNotStored.refused("This wheel has no sensor yet.");
        }
        // Entered without a connection, the pressures from before are no longer known: that proves nothing.
        return new Said.AirSet(facts.pressuresAt20(job));
    }

    private Said proved(FitOutJob job, Position position) {
        PositionProof proof = facts.proof(job, position)
                .orElseThrow(() -> EntryNotStored.refused("Let some air in or out at this wheel first."));
        if (proof.verdict() != PositionProof.Verdict.PROVED) {
            throw EntryNotStored.refused(
                    proof.verdict() == PositionProof.Verdict.CROSSED
                            ? "The air was seen at " + proof.moved().words() + "."
                            : "Nothing was seen of it yet that proves the position.");
        }
        return new Said.Proved();
    }

    private static Said exchanged(FitOutJob job, Position position, EntryData data) {
        Position other = Jobs.position(job, data.other());
        if (other == null || other.equals(position)) {
            throw EntryNotStored.refused("Say with which other wheel.");
        }
        if (job.code(position).isEmpty() || job.code(other).isEmpty()) {
            throw EntryNotStored.refused("Both wheels need a sensor before theirs can be exchanged.");
        }
        return new Said.Exchanged(other);
    }

    private static Said gaugeNamed(EntryData data, Instant at) {
        if (data.gaugeName() == null || data.gaugeName().isBlank()) {
            throw EntryNotStored.refused("Say which hand gauge is used.");
        }
        if (data.calibratedOn() != null
                && data.calibratedOn()
                        .isAfter(LocalDate.ofInstant(at, ZoneId.of("UTC")).plusDays(1))) {
            throw EntryNotStored.refused("The date of its calibration is still to come.");
        }
        return new Said.GaugeNamed(data.gaugeName(), data.calibratedOn());
    }
}
