package vividcaravan.server.sensors;

import java.time.Clock;
import java.time.Instant;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetTables;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Difference;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;

/** Puts single sensors to wheels and takes them off, within a write; whoever has to judge again is told. */
@Component
public class SensorPlacing {

    private static final int LONGEST_REASON = 200;

    private final FleetDirectory fleet;
    private final FleetTables store;
    private final SingleWriter writer;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    SensorPlacing(
            FleetDirectory fleet,
            FleetTables store,
            SingleWriter writer,
            Clock clock,
            ApplicationEventPublisher events) {
        this.fleet = fleet;
        this.store = store;
        this.writer = writer;
        this.clock = clock;
        this.events = events;
    }

    /**
     * A sensor sits at a wheel from {@code at} on; it is made ours if it is not. What said otherwise gives way.
     *
     * @param at epoch milliseconds
     */
    public void fit(Pen pen, String code, @Nullable MountKind mount, FleetVehicle vehicle, Position position, long at) {
        KnownSensor sensor = store.storeSensor(pen.session(), code, mount);
        FittingChange change = new FittingChange(fleet, involved(vehicle, sensor));
        change.fit(sensor, vehicle.id(), position, at, clock.millis());
        change.store(pen, events);
    }

    /** Two wheels have had each other's sensors since {@code at}, epoch milliseconds. */
    public void exchange(Pen pen, FleetVehicle vehicle, Position one, Position other, long at) {
        KnownSensor first = vehicle.sensorAt(one).orElseThrow();
        KnownSensor second = vehicle.sensorAt(other).orElseThrow();
        FittingChange change = new FittingChange(fleet, involved(vehicle, first));
        change.remove(first, at);
        change.remove(second, at);
        change.fit(first, vehicle.id(), other, at, at);
        change.fit(second, vehicle.id(), one, at, at);
        change.store(pen, events);
    }

    /**
     * The same as an act of its own.
     *
     * @throws Refusal if one of the two has no sensor, or one of them came to its wheel later than that
     */
    void exchange(FleetVehicle vehicle, Position one, Position other, Instant at) {
        writer.make(view -> {
            KnownSensor first = sensorSince(vehicle, one, at);
            KnownSensor second = sensorSince(vehicle, other, at);
            return Decision.make(pen -> {
                exchange(pen, vehicle, one, other, at.toEpochMilli());
                Thing wheel = vehicle.thing(one);
                return Done.by(Deed.of(
                                DeedKind.SENSOR_PLACED,
                                wheel,
                                "exchanged the sensors of " + wheel.name() + " and " + other.code())
                        .at(vehicle.id(), one.code())
                        .at(vehicle.id(), other.code())
                        .with("Since", Difference.TIME, null, at.toString())
                        .with("Sensor of " + one.code(), first.code(), second.code())
                        .with("Sensor of " + other.code(), second.code(), first.code()));
            });
        });
    }

    private static KnownSensor sensorSince(FleetVehicle vehicle, Position wheel, Instant at) {
        KnownSensor sensor = vehicle.sensorAt(wheel)
                .orElseThrow(
                        () -> Refusal.conflict("There is no sensor at " + wheel.code() + "; nothing was exchanged."));
        boolean isThere = sensor.fittingAt(at.toEpochMilli())
                .filter(stay -> stay.isOpen()
                        && stay.vehicle() == vehicle.id()
                        && stay.position().equals(wheel))
                .isPresent();
        if (!isThere) {
            throw Refusal.badRequest(
                    "at",
                    "The sensor at " + wheel.code()
                            + " came there later than that. Say a time since when both sat there.");
        }
        return sensor;
    }

    /** The sensor at a wheel, if there is one, sits nowhere from now on. */
    public void takeOff(Pen pen, FleetVehicle vehicle, Position position) {
        vehicle.sensorAt(position).ifPresent(sensor -> {
            FittingChange change = new FittingChange(fleet, involved(vehicle, sensor));
            change.remove(sensor, clock.millis());
            change.store(pen, events);
        });
    }

    /** A wheel can only be proven wrong by the stays of its vehicle, a sensor also by those it had elsewhere. */
    private Set<KnownSensor> involved(FleetVehicle vehicle, KnownSensor sensor) {
        Set<KnownSensor> involved = new HashSet<>(vehicle.everFitted());
        involved.add(sensor);
        return involved;
    }

    /**
     * Takes a sensor out of use; it is taken off where it sits.
     *
     * @throws Refusal if there is no such sensor or the reason is missing
     */
    void retire(String code, @Nullable String reason) {
        Faults.textOf("reason", reason, LONGEST_REASON, "Say why it is taken out of use, in at most 200 characters.");
        writer.make(view -> {
            KnownSensor sensor = existing(code);
            Optional<Fitting> stay = sensor.fittingAt(Fitting.OPEN - 1);
            return Decision.make(pen -> {
                Deed deed = Deed.of(DeedKind.SENSOR_RETIRED, thing(sensor), "took sensor " + code + " out of use")
                        .because(reason);
                if (stay.isPresent()) {
                    FleetVehicle vehicle = fleet.vehicle(stay.get().vehicle()).orElseThrow();
                    takeOff(pen, vehicle, stay.get().position());
                    String wheel = vehicle.thing(stay.get().position()).name();
                    deed = deed.at(vehicle.id(), stay.get().position().code()).with("Sits at", wheel, null);
                }
                setRetired(pen.session(), sensor, reason.strip());
                return Done.by(deed);
            });
        });
    }

    /** Takes a sensor that sits nowhere out of use, or brings it back where no reason is given, as part of a write. */
    public void outOfUse(Pen pen, KnownSensor sensor, @Nullable String reason) {
        setRetired(pen.session(), sensor, reason);
    }

    /** Brings a sensor back into use. */
    void bringBack(String code) {
        writer.make(view -> {
            KnownSensor sensor = existing(code);
            return Decision.make(pen -> {
                String why = sensor.retiredBecause().orElse(null);
                setRetired(pen.session(), sensor, null);
                return Done.by(Deed.of(
                                DeedKind.SENSOR_BROUGHT_BACK,
                                thing(sensor),
                                "brought sensor " + code + " back into use")
                        .with("Out of use because", why, null));
            });
        });
    }

    private KnownSensor existing(String code) {
        return fleet.sensor(code).orElseThrow(() -> Refusal.notFound("There is no sensor " + code + " in the fleet."));
    }

    private static Thing thing(KnownSensor sensor) {
        return new Thing(Thing.Kind.SENSOR, sensor.code(), sensor.code());
    }

    private static void setRetired(StatelessSession session, KnownSensor sensor, @Nullable String reason) {
        session.createMutationQuery("update SensorRow set retiredBecause = :reason where id = :id")
                .setParameter("reason", reason)
                .setParameter("id", sensor.id())
                .executeUpdate();
        sensor.retired(reason);
    }
}
