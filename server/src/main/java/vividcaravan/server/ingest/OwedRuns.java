package vividcaravan.server.ingest;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.hibernate.StatelessSession;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.JudgedAgain;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.WriterState;

/**
 * Which vehicles are owed a run over their past, and since when. The act that asks for it is answered once that is written down; a
 * kill takes nothing of it.
 */
@Component
@Order(2)
class OwedRuns implements WriterState {

    /** What the write under way closed, it closed so lately. */
    private static final long JUST_NOW_MILLIS = 2_000;

    /**
     * What is owed of a vehicle.
     *
     * @param since for each wheel, epoch milliseconds
     * @param version another each time that something else is owed
     * @param wasHeld whether it was held back before
     */
    record Owed(Map<Position, Long> since, long version, boolean wasHeld) {

        long from() {
            return since.values().stream().mapToLong(Long::longValue).min().orElseThrow();
        }
    }

    private final FleetDirectory fleet;
    private final Clock clock;
    private final Map<Long, Owed> byVehicle = new ConcurrentHashMap<>();
    /** The earliest reading that came out of its order since a run was begun. */
    private final Map<Long, Long> late = new HashMap<>();

    /** What was paid by writes that are not on disk yet: the version of what was owed, by vehicle. */
    private final Map<Long, Long> paid = new HashMap<>();

    private long version;
    private boolean isTouched;
    private volatile Runnable bell = () -> {};
    private boolean isToRing;

    OwedRuns(FleetDirectory fleet, Clock clock) {
        this.fleet = fleet;
        this.clock = clock;
    }

    /** Says what is to be rung once something is owed. */
    void rings(Runnable whom) {
        bell = whom;
    }

    @Override
    public void load(StatelessSession session) {
        byVehicle.keySet().forEach(id -> fleet.vehicle(id).ifPresent(vehicle -> vehicle.judgedAgain(null)));
        byVehicle.clear();
        late.clear();
        paid.clear();
        session.createSelectionQuery("from OwedRunRow", OwedRunRow.class)
                .getResultList()
                .forEach(row -> fleet.vehicle(row.vehicleId)
                        .ifPresent(vehicle -> put(vehicle, new Owed(read(row.wheels), ++version, row.isHeld))));
    }

    private static Map<Position, Long> read(String wheels) {
        Map<Position, Long> since = new TreeMap<>(Comparator.comparing(Position::code));
        for (String wheel : wheels.split(",")) {
            String[] parts = wheel.split("=", 2);
            since.put(Position.parse(parts[0]), Long.parseLong(parts[1]));
        }
        return since;
    }

    private void put(FleetVehicle vehicle, Owed owed) {
        byVehicle.put(vehicle.id(), owed);
        vehicle.judgedAgain(new JudgedAgain(Instant.ofEpochMilli(owed.from()), 0, owed.wasHeld));
    }

    @Override
    public void settled() {
        isTouched = false;
    }

    @Override
    public void takeBack(StatelessSession session) {
        if (isTouched) {
            load(session);
        }
    }

    @Override
    public void onDurable() {
        strikeOut();
        if (isToRing) {
            isToRing = false;
            bell.run();
        }
    }

    /**
     * Owes a wheel a run because its record was corrected; for the single writer only.
     *
     * @param since from when its record is another, epoch milliseconds
     */
    void corrected(Pen pen, FleetVehicle vehicle, Position position, long since) {
        owe(pen, vehicle, position, since);
    }

    /** Owes a wheel a run because readings of another stay came after it had judged newer ones. */
    void cameLate(Pen pen, FleetVehicle vehicle, Position position, long since) {
        Owed owed = byVehicle.get(vehicle.id());
        if (owed != null && owed.since.getOrDefault(position, Long.MAX_VALUE) <= since) {
            late.merge(vehicle.id(), since, Math::min);
        } else {
            owe(pen, vehicle, position, since);
        }
    }

    private void owe(Pen pen, FleetVehicle vehicle, Position position, long since) {
        Owed before = byVehicle.get(vehicle.id());
        Map<Position, Long> wheels = new TreeMap<>(Comparator.comparing(Position::code));
        if (before != null) {
            wheels.putAll(before.since);
        }
        wheels.merge(position, since, Math::min);
        Owed owed = new Owed(wheels, ++version, before == null ? isHeld(vehicle) : before.wasHeld);
        OwedRunRow row = new OwedRunRow();
        row.vehicleId = vehicle.id();
        row.wheels = wheels.entrySet().stream()
                .map(wheel -> wheel.getKey().code() + "=" + wheel.getValue())
                .collect(Collectors.joining(","));
        row.askedAt = clock.instant();
        row.isHeld = owed.wasHeld;
        pen.session().upsert(row);
        isTouched = true;
        isToRing = true;
        put(vehicle, owed);
    }

    /** By what is open, or was until the write under way. */
    private boolean isHeld(FleetVehicle vehicle) {
        long now = clock.millis();
        return vehicle.book().alerts().stream()
                .filter(alert -> alert.urgency() != Urgency.PLAN || alert.isRunSoft())
                .anyMatch(alert -> alert.state() != AlertState.CLOSED || isJustClosed(alert, now));
    }

    private static boolean isJustClosed(Alert alert, long now) {
        return alert.closedAt() != null
                && Math.abs(now - alert.closedAt()) < JUST_NOW_MILLIS
                && alert.isClosedWithTyre();
    }

    /** Nothing is owed of a vehicle any more; for the single writer only. */
    void paid(Pen pen, long vehicle) {
        pen.session()
                .createMutationQuery("delete from OwedRunRow where vehicleId = :vehicle")
                .setParameter("vehicle", vehicle)
                .executeUpdate();
        isTouched = true;
        late.remove(vehicle);
        paid.put(vehicle, byVehicle.get(vehicle).version);
    }

    /** Nobody is told that a past was judged again before what it came to can be read. */
    private void strikeOut() {
        paid.forEach((vehicle, paidVersion) -> {
            Owed left = byVehicle.computeIfPresent(vehicle, (id, owed) -> owed.version == paidVersion ? null : owed);
            if (left == null) {
                fleet.vehicle(vehicle).ifPresent(one -> one.judgedAgain(null));
            }
        });
        paid.clear();
    }

    /** What is owed of a vehicle; safe to ask. */
    Optional<Owed> of(long vehicle) {
        return Optional.ofNullable(byVehicle.get(vehicle));
    }

    /** The vehicles of which something is owed, those with something urgent first; safe to ask. */
    List<Long> waiting() {
        List<Long> all = new ArrayList<>(byVehicle.keySet());
        all.sort(Comparator.comparing(this::urgency).thenComparing(id -> id));
        return all;
    }

    private Urgency urgency(long vehicle) {
        return fleet.vehicle(vehicle).stream()
                .flatMap(one -> one.openAlerts().stream())
                .map(Alert::urgency)
                .min(Comparator.naturalOrder())
                .orElse(Urgency.PLAN);
    }

    /** A run over its past begins: what comes out of its order from here on may be missed by it. */
    void begins(long vehicle) {
        late.remove(vehicle);
    }

    /** Whether something from before {@code end} came in since the run began, which may have missed it. */
    boolean hasMissed(long vehicle, long end) {
        return late.getOrDefault(vehicle, Long.MAX_VALUE) < end;
    }
}
