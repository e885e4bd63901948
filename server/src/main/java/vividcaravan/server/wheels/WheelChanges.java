package vividcaravan.server.wheels;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.air.AirStep;
import vividcaravan.core.judge.rules.Adjustment;
import vividcaravan.server.fleet.AdjustmentRow;
import vividcaravan.server.fleet.DescriptionReplaced;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleDescription;
import vividcaravan.server.fleet.WheelAdjusted;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Difference;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Rounded;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.View;

/** What people did to a wheel: set its pressure, moved its sensor, changed its limits. */
@Component
public class WheelChanges {

    /** Whoever writes an adjustment down does so within so long of it. */
    private static final long WRITTEN_WITHIN_MILLIS = 15L * 60 * 1000;

    private final SingleWriter writer;
    private final SessionFactory sessions;
    private final FleetDirectory fleet;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    WheelChanges(
            SingleWriter writer,
            SessionFactory sessions,
            FleetDirectory fleet,
            Clock clock,
            ApplicationEventPublisher events) {
        this.writer = writer;
        this.sessions = sessions;
        this.fleet = fleet;
        this.clock = clock;
        this.events = events;
    }

    /** What happened to a wheel. */
    public enum Kind {
        /** Its pressure was set. */
        ADJUSTED,
        /** A sensor was put in. */
        SENSOR_FITTED,
        /** A sensor was taken out. */
        SENSOR_REMOVED,
        /** Its target or its limits are others from here on. */
        LIMITS_CHANGED,
        /** Its readings show that air was let in, and nobody wrote it down. */
        FILLED,
        /** Its readings show that air was let out or lost at once, and nobody wrote it down. */
        LET_OUT
    }

    /**
     * Something that happened to a wheel.
     *
     * @param sensor code of the sensor that was fitted or removed
     * @param fromKpa what it had before, or the target before; null where nobody said
     * @param toKpa what it has since, or the target since
     * @param who who did it, where that is known
     */
    public record WheelChange(
            Instant at,
            Kind kind,
            @Nullable String sensor,
            @Nullable Double fromKpa,
            @Nullable Double toKpa,
            @Nullable String who,
            @Nullable String note) {}

    private static void addUnrecorded(
            FleetVehicle vehicle, Position position, Instant from, Instant to, List<WheelChange> found) {
        for (AirStep step : vehicle.airSteps(position)) {
            Instant at = Instant.ofEpochMilli(step.at());
            boolean isShown = !at.isBefore(from) && !at.isAfter(to);
            if (isShown && !vehicle.rulesAt(position).isAdjustedNear(step.at(), WRITTEN_WITHIN_MILLIS)) {
                found.add(new WheelChange(
                        at,
                        step.kpa() > 0 ? Kind.FILLED : Kind.LET_OUT,
                        null,
                        Rounded.tenth(step.afterKpa() - step.kpa()),
                        Rounded.tenth(step.afterKpa()),
                        null,
                        null));
            }
        }
    }

    /** What somebody says of a pressure that was set, kPa gauge; null where it was not measured. */
    public record Measured(@Nullable Double beforeKpa, @Nullable Double afterKpa) {
        /** Nobody measured. */
        public static final Measured NOT = new Measured(null, null);
    }

    /** Records that the pressure of a wheel was set at {@code at}; from then on it is to keep what it has. */
    WheelChange adjusted(
            FleetVehicle vehicle, Position position, Instant at, Measured measured, String who, String note) {
        return writer.make(view -> {
            Optional<AdjustmentRow> known = known(view, vehicle, position, at, who);
            return known.isPresent()
                    ? Decision.nothing(event(known.get()))
                    : Decision.make(pen -> new Done<>(
                            adjust(pen, vehicle, position, at, measured, who, note),
                            deed(vehicle, position, at, measured).because(note)));
        });
    }

    private static Deed deed(FleetVehicle vehicle, Position position, Instant at, Measured measured) {
        Thing wheel = vehicle.thing(position);
        return Deed.of(DeedKind.PRESSURE_SET, wheel, "recorded that the pressure of " + wheel.name() + " was set")
                .at(vehicle.id(), position.code())
                .with("Set at", Difference.TIME, null, at.toString())
                .with("Hand gauge", "kPa", measured.beforeKpa(), measured.afterKpa());
    }

    /** The same within a write, whose deed says it. */
    public WheelChange adjusted(
            Pen pen,
            FleetVehicle vehicle,
            Position position,
            Instant at,
            Measured measured,
            String who,
            @Nullable String note) {
        return known(View.of(pen.session()), vehicle, position, at, who)
                .map(WheelChanges::event)
                .orElseGet(() -> adjust(pen, vehicle, position, at, measured, who, note));
    }

    /** The same person setting the same wheel at the same millisecond is the same deed sent twice. */
    private static Optional<AdjustmentRow> known(
            View view, FleetVehicle vehicle, Position position, Instant at, String who) {
        return view.select(
                        "from AdjustmentRow where vehicleId = :vehicle and position = :position and at = :at and who = :who",
                        AdjustmentRow.class)
                .setParameter("vehicle", vehicle.id())
                .setParameter("position", position.code())
                .setParameter("at", at.toEpochMilli())
                .setParameter("who", who)
                .setMaxResults(1)
                .uniqueResultOptional();
    }

    private WheelChange adjust(
            Pen pen,
            FleetVehicle vehicle,
            Position position,
            Instant at,
            Measured measured,
            String who,
            @Nullable String note) {
        AdjustmentRow row = new AdjustmentRow();
        row.vehicleId = vehicle.id();
        row.position = position.code();
        row.at = at.toEpochMilli();
        row.beforeKpa = measured.beforeKpa();
        row.afterKpa = measured.afterKpa();
        row.who = who;
        row.note = note;
        pen.session().insert(row);
        List<Adjustment> adjustments = new ArrayList<>(vehicle.adjustments());
        adjustments.add(row.adjustment());
        vehicle.adjusted(adjustments);
        events.publishEvent(new WheelAdjusted(pen, vehicle));
        return event(row);
    }

    /** Keeps what is different about a vehicle's limits from now on. */
    @EventListener
    void replaced(DescriptionReplaced event) {
        FleetVehicle vehicle = event.vehicle();
        VehicleDescription before = event.before();
        VehicleDescription after = vehicle.description();
        int axles = Math.min(before.axles().size(), after.axles().size());
        for (int i = 0; i < axles; i++) {
            var was = before.limits(before.axles().get(i));
            var is = after.limits(after.axles().get(i));
            if (!was.equals(is)) {
                event.pen().session().insert(LimitChangeRow.of(vehicle.id(), i + 1, clock.millis(), was, is));
            }
        }
    }

    /** Everything that happened to a wheel from {@code from} to {@code to}, oldest first. */
    public List<WheelChange> of(FleetVehicle vehicle, Position position, Instant from, Instant to) {
        List<WheelChange> found = new ArrayList<>();
        try (StatelessSession session = sessions.openStatelessSession()) {
            session.createSelectionQuery(
                            "from AdjustmentRow where vehicleId = :vehicle and position = :position"
                                    + " and at between :from and :to",
                            AdjustmentRow.class)
                    .setParameter("vehicle", vehicle.id())
                    .setParameter("position", position.code())
                    .setParameter("from", from.toEpochMilli())
                    .setParameter("to", to.toEpochMilli())
                    .getResultList()
                    .forEach(row -> found.add(event(row)));
            session.createSelectionQuery(
                            "from LimitChangeRow where vehicleId = :vehicle and axle = :axle"
                                    + " and at between :from and :to",
                            LimitChangeRow.class)
                    .setParameter("vehicle", vehicle.id())
                    .setParameter("axle", position.axle())
                    .setParameter("from", from.toEpochMilli())
                    .setParameter("to", to.toEpochMilli())
                    .getResultList()
                    .forEach(row -> found.add(new WheelChange(
                            Instant.ofEpochMilli(row.at),
                            Kind.LIMITS_CHANGED,
                            null,
                            row.targetBeforeKpa,
                            row.targetAfterKpa,
                            null,
                            null)));
        }
        for (Fitting stay : fleet.staysAt(vehicle, position, from.toEpochMilli(), to.toEpochMilli())) {
            String code = fleet.sensor(stay.sensor()).orElseThrow().code();
            if (stay.from() >= from.toEpochMilli()) {
                found.add(moved(stay.from(), Kind.SENSOR_FITTED, code));
            }
            if (!stay.isOpen() && stay.to() <= to.toEpochMilli()) {
                found.add(moved(stay.to(), Kind.SENSOR_REMOVED, code));
            }
        }
        addUnrecorded(vehicle, position, from, to, found);
        found.sort(Comparator.comparing(WheelChange::at));
        return found;
    }

    private static WheelChange event(AdjustmentRow row) {
        return new WheelChange(
                Instant.ofEpochMilli(row.at), Kind.ADJUSTED, null, row.beforeKpa, row.afterKpa, row.who, row.note);
    }

    private static WheelChange moved(long at, Kind kind, String code) {
        return new WheelChange(Instant.ofEpochMilli(at), kind, code, null, null, null, null);
    }
}
