package vividcaravan.server.workshop.job;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.GaugeComparison;
import vividcaravan.core.fitting.MountProcedure;
import vividcaravan.core.fitting.PositionProof;
import vividcaravan.core.fitting.TyreDateCode;
import vividcaravan.core.fitting.TyreInspection;
import vividcaravan.core.fitting.WheelProof;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.fleet.AxleDescription;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.WheelStates;
import vividcaravan.server.picture.VehicleGlance;
import vividcaravan.server.platform.ReaderUnits;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Rounded;

/** Shows a job. */
@Component
class JobView {

    private final JobFacts facts;
    private final WorkshopRules rules;
    private final ReaderUnits units;
    private final Clock clock;

    JobView(JobFacts facts, WorkshopRules rules, ReaderUnits units, Clock clock) {
        this.facts = facts;
        this.rules = rules;
        this.units = units;
        this.clock = clock;
    }

    JobItem item(FitOutJob job) {
        FleetVehicle vehicle = job.vehicle();
        WorkshopRules.RuleFigures figures = rules.now();
        Map<Position, JobFacts.Reception> receptions = facts.receptions(job);
        List<JobItem.JobWheel> wheels = job.walk().stream()
                .map(position -> wheel(job, position, receptions.get(position), figures))
                .toList();
        Optional<MountProcedure> procedure = job.mount().map(MountProcedure::of);
        AlertWords words = units.words();
        return new JobItem(
                Long.toString(job.id()),
                vehicle.description().ref(),
                vehicle.state(),
                JobFacts.isFarm(vehicle),
                JobFacts.isFarm(vehicle) ? PositionProof.FARM_STEP_KPA : PositionProof.STEP_KPA,
                job.mount().orElse(null),
                job.order(),
                job.order().words(),
                job.row().state,
                job.openedAt(),
                job.row().openedBy,
                job.row().closedAt == null ? null : Instant.ofEpochMilli(job.row().closedAt),
                job.row().closedBy,
                vehicle.description().axles().stream()
                        .map(AxleDescription::axle)
                        .map(axle -> new VehicleGlance.AxleGlance(axle.role(), axle.wheels(), axle.liftable()))
                        .toList(),
                wheels,
                procedure.stream()
                        .flatMap(known -> known.steps().stream())
                        .map(step -> new JobItem.MountStep(step.words(), step.seconds(), step.needsWarmth()))
                        .toList(),
                JobItem.Warmth.OF_GLUE,
                procedure.map(MountProcedure::cautions).orElse(List.of()),
                job.newest(Said.GaugeNamed.class)
                        .map(entry -> new JobItem.GaugeInUse(
                                entry.data().gaugeName(), entry.data().calibratedOn()))
                        .orElse(null),
                heldBack(vehicle, words),
                wheels.stream().allMatch(wheel -> wheel.missing().isEmpty()));
    }

    private static List<String> heldBack(FleetVehicle vehicle, AlertWords words) {
        List<String> heldBack = new ArrayList<>();
        for (Alert alert : vehicle.untoldAlerts()) {
            heldBack.add(words.summary(
                    vehicle.asItIsNow(alert), vehicle.description().ref()));
        }
        return heldBack;
    }

    private JobItem.JobWheel wheel(
            FitOutJob job,
            Position position,
            JobFacts.@Nullable Reception reception,
            WorkshopRules.RuleFigures figures) {
        FleetVehicle vehicle = job.vehicle();
        Optional<Reading> newest = facts.newest(job, position);
        WheelProof proof = facts.wheel(job, position, reception, figures.gaugeToleranceKpa());
        return new JobItem.JobWheel(
                position.code(),
                position.words(),
                vehicle.rulesAt(position).limits().coldKpa(),
                WheelStates.find(vehicle, position, clock.instant())
                        .orElseThrow(() ->
                                Refusal.conflict("The vehicle was described anew just now. Load the page again.")),
                misfits(job, position),
                job.at(position, Said.Inspected.class)
                        .map(entry -> inspection(job, position, entry, figures))
                        .orElse(null),
                job.at(position, Said.Mounted.class).map(JobView::by).orElse(null),
                job.code(position).orElse(null),
                job.at(position, Said.Paired.class).map(JobView::by).orElse(null),
                reason(job, position, Said.LeftOut.class),
                newest.map(Reading::batteryMv).orElse(null),
                newest.map(Reading::rssiDbm).orElse(null),
                proof.received(),
                proof.expected(),
                facts.hearing(job, position).orElse(null),
                proof.advisesRepeater(),
                job.at(position, Said.Gauged.class)
                        .map(entry -> gauge(entry, proof.gauge()))
                        .orElse(null),
                job.at(position, Said.Proved.class).isPresent()
                        ? null
                        : facts.proof(job, position)
                                .map(seen -> new JobItem.AirSeen(
                                        job.at(position, Said.AirSet.class)
                                                .orElseThrow()
                                                .at(),
                                        seen.verdict(),
                                        seen.moved() == null
                                                ? null
                                                : seen.moved().code(),
                                        Rounded.tenth(seen.stepKpa())))
                                .orElse(null),
                job.at(position, Said.Proved.class).map(JobView::by).orElse(null),
                reason(job, position, Said.TakenAsProven.class),
                facts.missing(job, position, proof));
    }

    private static List<String> misfits(FitOutJob job, Position position) {
        return job.mount().isEmpty() || position.isSpare()
                ? List.of()
                : MountProcedure.misfits(
                        job.mount().get(),
                        job.vehicle()
                                .description()
                                .axles()
                                .get(position.axle() - 1)
                                .tyre(),
                        false);
    }

    private static JobItem.SaidBy by(JobEntry<?> entry) {
        return new JobItem.SaidBy(entry.number(), entry.at(), entry.who());
    }

    private static JobItem.@Nullable LeftOut reason(FitOutJob job, Position position, Class<? extends Said> said) {
        return job.at(position, said)
                .map(entry -> new JobItem.LeftOut(by(entry), entry.data().reason()))
                .orElse(null);
    }

    private static JobItem.GaugeReading gauge(JobEntry<Said.Gauged> entry, @Nullable GaugeComparison comparison) {
        return new JobItem.GaugeReading(
                by(entry),
                entry.data().gaugeKpa(),
                comparison == null ? null : Rounded.tenth(comparison.expectedKpa()),
                comparison == null ? null : Rounded.tenth(comparison.differenceKpa()),
                comparison == null ? null : comparison.agrees());
    }

    private JobItem.WheelInspection inspection(
            FitOutJob job, Position position, JobEntry<Said.Inspected> entry, WorkshopRules.RuleFigures figures) {
        Said.Inspected data = entry.data();
        TyreInspection seen = data.inspection();
        ZoneId zone = job.vehicle().depot().map(depot -> depot.timeZone()).orElse(ZoneId.of("UTC"));
        LocalDate day = LocalDate.ofInstant(entry.at(), zone);
        AxleRole role = position.isSpare()
                ? null
                : job.vehicle().description().layout().axle(position.axle()).role();
        return new JobItem.WheelInspection(
                by(entry),
                seen.treadMm(),
                seen.dateCode(),
                data.dateCode() == null ? null : years(data.dateCode(), day),
                seen.stem(),
                seen.isValveReachable(),
                seen.isRetread(),
                seen.damage(),
                data.tyre(),
                seen.failures(job.vehicle().description().kind(), role, figures.tyres(), day),
                unlikeMates(job, position, seen),
                reason(job, position, Said.PassedAnyway.class));
    }

    private static @Nullable Integer years(String dateCode, LocalDate day) {
        try {
            return TyreDateCode.read(dateCode, day).years(day);
        } catch (IllegalArgumentException e) {
            return null;
        }
    }

    private static List<String> unlikeMates(FitOutJob job, Position position, TyreInspection seen) {
        List<String> unlike = new ArrayList<>();
        for (Position mate : job.walk()) {
            boolean isMate = !mate.isSpare() && mate.axle() == position.axle() && !mate.equals(position);
            Optional<JobEntry<Said.Inspected>> other = isMate ? job.at(mate, Said.Inspected.class) : Optional.empty();
            if (other.isEmpty()) {
                continue;
            }
            seen.unlikeMate(other.get().data().inspection()).forEach(words -> unlike.add(mate.code() + ": " + words));
        }
        return unlike;
    }
}
