package vividcaravan.server.workshop.job;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.WalkOrder;
import vividcaravan.server.description.Describing;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleState;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.View;

/** Jobs: opened, read, ended. What is entered for them goes through {@link JobDesk}. */
@Component
class Jobs {

    private static final int MOST_ENDED = 50;

    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final FleetDirectory fleet;
    private final Describing vehicles;
    private final Clock clock;
    private final JsonMapper json;

    Jobs(
            SessionFactory sessions,
            SingleWriter writer,
            FleetDirectory fleet,
            Describing vehicles,
            Clock clock,
            JsonMapper json) {
        this.sessions = sessions;
        this.writer = writer;
        this.fleet = fleet;
        this.vehicles = vehicles;
        this.clock = clock;
        this.json = json;
    }

    /** Opens a fit-out job; its vehicle is being fitted from now on, unless it is in service. */
    FitOutJob open(String vehicleRef, MountKind mount, WalkOrder walk, String who) {
        return writer.make(view -> {
            FleetVehicle vehicle = fleet.existing(vehicleRef);
            boolean isOpenAlready =
                    view.select("select count(*) from JobRow where vehicleId = :vehicle and state = :open", Long.class)
                                    .setParameter("vehicle", vehicle.id())
                                    .setParameter("open", JobState.OPEN)
                                    .getSingleResult()
                            > 0;
            if (isOpenAlready) {
                throw Refusal.conflict("There is an open job for " + vehicleRef + " already. Go on with that one.");
            }
            return Decision.make(pen -> {
                FitOutJob job = new FitOutJob(insert(pen.session(), vehicle, mount, walk, who), vehicle, List.of());
                if (vehicle.state() == VehicleState.DESCRIBED) {
                    vehicles.move(pen, vehicle, VehicleState.BEING_FITTED);
                }
                return new Done<>(job, JobDeeds.opened(job));
            });
        });
    }

    private JobRow insert(StatelessSession session, FleetVehicle vehicle, MountKind mount, WalkOrder walk, String who) {
        JobRow row = new JobRow();
        row.vehicleId = vehicle.id();
        row.mount = mount;
        row.walk = walk;
        row.state = JobState.OPEN;
        row.openedAt = clock.millis();
        row.openedBy = who;
        session.insert(row);
        return row;
    }

    /** The open jobs, and the last that ended; the newest first. */
    List<FitOutJob> all() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            List<JobRow> rows = new ArrayList<>(
                    session.createSelectionQuery("from JobRow where state = :open order by id desc", JobRow.class)
                            .setParameter("open", JobState.OPEN)
                            .getResultList());
            rows.addAll(session.createSelectionQuery(
                            "from JobRow where state <> :open order by closedAt desc", JobRow.class)
                    .setParameter("open", JobState.OPEN)
                    .setMaxResults(MOST_ENDED)
                    .getResultList());
            Map<Long, List<JobEntry<?>>> entries = new HashMap<>();
            if (!rows.isEmpty()) {
                session.createSelectionQuery(
                                "from JobEntryRow where jobId in (:jobs) order by jobId, number", JobEntryRow.class)
                        .setParameterList(
                                "jobs", rows.stream().map(row -> row.id).toList())
                        .getResultList()
                        .forEach(row -> entries.computeIfAbsent(row.jobId, id -> new ArrayList<>())
                                .add(entry(row)));
            }
            return rows.stream()
                    .map(row -> job(row, entries.getOrDefault(row.id, List.of())))
                    .toList();
        }
    }

    /**
     * One job.
     *
     * @throws Refusal if there is none
     */
    FitOutJob existing(long id) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return existing(View.of(session), id);
        }
    }

    /** The same within a look. */
    FitOutJob existing(View view, long id) {
        JobRow row = view.get(JobRow.class, id);
        if (row == null) {
            throw Refusal.notFound("There is no job " + id + ".");
        }
        List<JobEntry<?>> entries = view
                .select("from JobEntryRow where jobId = :job order by number", JobEntryRow.class)
                .setParameter("job", id)
                .getResultList()
                .stream()
                .<JobEntry<?>>map(this::entry)
                .toList();
        return job(row, entries);
    }

    private FitOutJob job(JobRow row, List<JobEntry<?>> entries) {
        return new FitOutJob(row, fleet.vehicle(row.vehicleId).orElseThrow(), entries);
    }

    private JobEntry<?> entry(JobEntryRow row) {
        return new JobEntry<>(
                row.number,
                row.entryKey,
                row.kind,
                row.position == null ? null : Position.parse(row.position),
                java.time.Instant.ofEpochMilli(row.at),
                row.who,
                json.readValue(row.payload, row.kind.said()));
    }

    /** Puts an entry into the record, within a write. */
    FitOutJob record(StatelessSession session, FitOutJob job, JobEntry<?> entry) {
        JobEntryRow row = new JobEntryRow();
        row.jobId = job.id();
        row.number = entry.number();
        row.entryKey = entry.key();
        row.kind = entry.kind();
        row.position = entry.position() == null ? null : entry.position().code();
        row.at = entry.at().toEpochMilli();
        row.who = entry.who();
        row.payload = json.writeValueAsString(entry.data());
        session.insert(row);
        return job.with(entry);
    }

    /** Ends a job within a write; its vehicle comes into service if the job is done, or stays described. */
    void end(Pen pen, FitOutJob job, JobState state, String who) {
        JobRow row = job.row();
        row.state = state;
        row.closedAt = clock.millis();
        row.closedBy = who;
        pen.session().update(row);
        FleetVehicle vehicle = job.vehicle();
        boolean isWaiting = vehicle.state() == VehicleState.BEING_FITTED || vehicle.state() == VehicleState.DESCRIBED;
        if (isWaiting) {
            vehicles.move(pen, vehicle, state == JobState.DONE ? VehicleState.IN_SERVICE : VehicleState.DESCRIBED);
        }
    }

    /** The position with this code, or null. */
    static Position position(FitOutJob job, String code) {
        return code == null
                ? null
                : Position.find(code)
                        .filter(position -> job.vehicle().description().layout().has(position))
                        .orElse(null);
    }
}
