package vividcaravan.server.workshop.job;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.fitting.WalkOrder;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.ingest.Strangers;
import vividcaravan.server.platform.AtMost;
import vividcaravan.server.platform.EachByItself;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.Refusal;

/** Fit-out jobs. */
@RestController
@RequestMapping("/api/v1")
@Tag(name = "workshop")
class JobsController {

    private static final int LONGEST_REASON = 1_000;

    private static final int MOST_ENTRIES = 500;
    private static final int MOST_HEARD = 30;

    private final Jobs jobs;
    private final JobDesk desk;
    private final JobView view;
    private final WorkshopRules rules;
    private final Strangers strangers;
    private final FleetDirectory fleet;
    private final Clock clock;

    JobsController(
            Jobs jobs,
            JobDesk desk,
            JobView view,
            WorkshopRules rules,
            Strangers strangers,
            FleetDirectory fleet,
            Clock clock) {
        this.fleet = fleet;
        this.jobs = jobs;
        this.desk = desk;
        this.view = view;
        this.rules = rules;
        this.strangers = strangers;
        this.clock = clock;
    }

    /** A job in a line. */
    record JobLine(
            String id,
            String vehicle,
            JobState state,
            @Nullable MountKind mount,
            Instant openedAt,
            String openedBy,
            @Nullable Instant closedAt,
            int wheels,
            int paired,
            int proved) {}

    /** The jobs, open ones first. */
    record JobList(List<JobLine> items) {}

    @GetMapping("/jobs")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "listJobs", summary = "The open jobs, and the last that ended")
    JobList list() {
        return new JobList(jobs.all().stream().map(JobsController::line).toList());
    }

    private static JobLine line(FitOutJob job) {
        List<Position> walk = job.walk();
        return new JobLine(
                Long.toString(job.id()),
                job.vehicle().description().ref(),
                job.row().state,
                job.mount().orElse(null),
                job.openedAt(),
                job.row().openedBy,
                job.row().closedAt == null ? null : Instant.ofEpochMilli(job.row().closedAt),
                walk.size(),
                job.paired().size(),
                (int) walk.stream()
                        .filter(position -> job.at(position, Said.Proved.class).isPresent()
                                || job.at(position, Said.TakenAsProven.class).isPresent()
                                || job.at(position, Said.LeftOut.class).isPresent())
                        .count());
    }

    /** What a job is opened with. */
    record JobRequest(@Nullable String vehicle, @Nullable MountKind mount, @Nullable WalkOrder walk) {}

    @PostMapping("/jobs")
    @ResponseStatus(HttpStatus.CREATED)
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "openJob", summary = "Open a fit-out job for a vehicle")
    JobItem open(@RequestBody JobRequest request, Principal who) {
        Faults.textOf("vehicle", request.vehicle(), LONGEST_REASON, "Say for which vehicle the job is.");
        WalkOrder walk = request.walk() == null ? WalkOrder.DOWN_LEFT_UP_RIGHT : request.walk();
        return view.item(jobs.open(request.vehicle(), request.mount(), walk, who.getName()));
    }

    @GetMapping("/jobs/{id}")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "getJob", summary = "A job as it stands, with what its sensors show now")
    JobItem get(@PathVariable String id) {
        return view.item(jobs.existing(QueryParameters.id("job", id)));
    }

    /** Everything that was entered for a job. */
    record JobRecord(JobItem job, List<JobEntry<?>> entries) {}

    @GetMapping("/jobs/{id}/record")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "getJobRecord", summary = "A job with everything that was entered for it")
    JobRecord record(@PathVariable String id) {
        FitOutJob job = jobs.existing(QueryParameters.id("job", id));
        return new JobRecord(view.item(job), job.entries());
    }

    /** Some entries, in their order. */
    record EntriesRequest(@EachByItself @Nullable List<EntryRequest> entries) {}

    /** What became of each entry, and the job as it is now. */
    record EntriesTaken(List<EntryOutcome> outcomes, JobItem job) {}

    @PostMapping("/jobs/{id}/entries")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(
            operationId = "enterForJob",
            summary = "Enter what was done at a vehicle; entries may come late and twice")
    EntriesTaken enter(@PathVariable String id, @RequestBody EntriesRequest request, Principal who) {
        List<EntryRequest> entries = request.entries() == null ? List.of() : request.entries();
        if (entries.isEmpty() || entries.size() > MOST_ENTRIES || entries.contains(null)) {
            throw Refusal.badRequest("entries", "Send 1 to " + MOST_ENTRIES + " entries.");
        }
        List<EntryOutcome> outcomes = desk.enter(QueryParameters.id("job", id), entries, who.getName());
        return new EntriesTaken(outcomes, get(id));
    }

    /** A code to look at. */
    record CodeRequest(@Nullable String position, @Nullable String code) {}

    /** What speaks against a code. */
    record CodeLooked(List<CodeDoubt> doubts) {}

    @PostMapping("/jobs/{id}/code-looks")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "lookAtCode", summary = "What speaks against taking a sensor for a wheel; stores nothing")
    CodeLooked look(@PathVariable String id, @RequestBody CodeRequest request) {
        return new CodeLooked(desk.look(
                QueryParameters.id("job", id),
                request.position() == null ? "" : request.position(),
                request.code() == null ? "" : request.code()));
    }

    /**
     * A sensor heard lately.
     *
     * @param position the wheel of this job it was taken for
     * @param isNew whether it was first heard after the job was opened
     */
    record HeardSensor(
            String code,
            @Nullable Integer rssiDbm,
            Instant at,
            @Nullable Double pressureKpa,
            @Nullable Double temperatureC,
            long readings,
            boolean isNew,
            @Nullable String position) {}

    /** The sensors heard lately that nobody has claimed, the strongest first, and those of this job. */
    record HeardList(List<HeardSensor> items) {}

    @GetMapping("/jobs/{id}/heard")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "listHeard", summary = "Sensors heard lately near the vehicle, the strongest first")
    HeardList heard(@PathVariable String id) {
        FitOutJob job = jobs.existing(QueryParameters.id("job", id));
        List<HeardSensor> heard = new ArrayList<>();
        for (Strangers.Stranger stranger : strangers.heardSince(clock.millis() - JobFacts.LATELY_MILLIS)) {
            heard.add(new HeardSensor(
                    stranger.code(),
                    stranger.newest().rssiDbm(),
                    Instant.ofEpochMilli(stranger.newest().at()),
                    finite(stranger.newest().pressureKpa()),
                    finite(stranger.newest().temperatureC()),
                    stranger.readings(),
                    !stranger.firstHeardAt().isBefore(job.openedAt()),
                    null));
        }
        unfitted(clock.millis() - JobFacts.LATELY_MILLIS).forEach(heard::add);
        heard.sort(
                Comparator.comparing(HeardSensor::rssiDbm, Comparator.nullsLast(Comparator.<Integer>reverseOrder())));
        return new HeardList(heard.stream().limit(MOST_HEARD).toList());
    }

    /** Sensors of ours that sit nowhere yet and were heard lately: out of the box, before they are paired. */
    private Stream<HeardSensor> unfitted(long since) {
        return fleet.sensors().stream()
                .filter(sensor -> sensor.newest() != null && sensor.newest().at() >= since)
                .filter(sensor -> sensor.fittingAt(Fitting.OPEN - 1).isEmpty()
                        && sensor.retiredBecause().isEmpty())
                .map(sensor -> new HeardSensor(
                        sensor.code(),
                        sensor.newest().rssiDbm(),
                        Instant.ofEpochMilli(sensor.newest().at()),
                        finite(sensor.newest().pressureKpa()),
                        finite(sensor.newest().temperatureC()),
                        1,
                        false,
                        null));
    }

    private static @Nullable Double finite(double value) {
        return Double.isFinite(value) ? value : null;
    }

    /** How a job ends. */
    record JobEndRequest(@Nullable JobState state, @AtMost(LONGEST_REASON) @Nullable String reason) {}

    @PostMapping("/jobs/{id}/end")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "endJob", summary = "End a job: done once every wheel is proven, or dropped with a reason")
    JobItem end(@PathVariable String id, @RequestBody JobEndRequest request, Principal who) {
        if (request.state() == null || request.state() == JobState.OPEN) {
            throw Refusal.badRequest("state", "Say DONE or DROPPED.");
        }
        if (request.state() == JobState.DROPPED) {
            Faults.textOf(
                    "reason",
                    request.reason(),
                    LONGEST_REASON,
                    "Say why the job is dropped, in at most 1000 characters.");
        }
        desk.end(QueryParameters.id("job", id), request.state(), request.reason(), who.getName());
        return get(id);
    }

    @GetMapping("/workshop-rules")
    @Operation(operationId = "getWorkshopRules", summary = "What the fleet asks of tyres and gauges")
    WorkshopRules.RuleFigures rules() {
        return rules.now();
    }

    @PutMapping("/workshop-rules")
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(operationId = "setWorkshopRules", summary = "Ask something else of tyres and gauges")
    WorkshopRules.RuleFigures setRules(@RequestBody WorkshopRules.RuleFigures request) {
        return rules.set(request);
    }
}
