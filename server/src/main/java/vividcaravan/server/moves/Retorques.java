package vividcaravan.server.moves;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.core.tyres.Retorque;
import vividcaravan.server.distance.Distances;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.RetorqueRow;
import vividcaravan.server.fleet.VehicleRedescribed;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.tyres.TyreDemands;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.View;

/** Wheel nuts that are to be tightened again, since their wheel was off. */
@Component
public class Retorques {

    /** Nobody calls it a retorque before that, km [50 to 100 km is common practice; the least is our judgement]. */
    private static final double SETTLED_KM = 20;

    private final SingleWriter writer;
    private final TyreDemands demands;
    private final Distances distances;
    private final Clock clock;

    Retorques(SingleWriter writer, TyreDemands demands, Distances distances, Clock clock) {
        this.distances = distances;
        this.writer = writer;
        this.demands = demands;
        this.clock = clock;
    }

    /** Wheels were put on: their nuts are to be tightened again, once for each however often they were off. */
    void putOn(Pen pen, FleetVehicle vehicle, Collection<Position> wheels, long move, long at) {
        List<Retorque> known = new ArrayList<>();
        for (Retorque open : vehicle.retorques()) {
            if (wheels.contains(open.position())) {
                drop(pen, vehicle, open.position(), move);
            } else {
                known.add(open);
            }
        }
        OptionalDouble ran = distances.ranKmAt(vehicle, at);
        Double ranKm = ran.isPresent() ? ran.getAsDouble() : null;
        Retorque.Rule rule = demands.ofNuts(View.of(pen.session()));
        for (Position position : wheels) {
            RetorqueRow row = new RetorqueRow();
            row.vehicleId = vehicle.id();
            row.position = position.code();
            row.moveId = move;
            row.offAt = at;
            row.dueAt = at + Duration.ofDays(rule.days()).toMillis();
            row.km = rule.km();
            row.ranKm = ranKm;
            pen.session().insert(row);
            known.add(row.retorque());
        }
        vehicle.toRetorque(known);
        tellArrivals(pen, vehicle);
    }

    /** What the judge is to know of tyres that came to the wheels of {@code vehicle}. */
    private void tellArrivals(Pen pen, FleetVehicle vehicle) {
        vehicle.arrived(View.of(pen.session())
                .select(
                        "from RetorqueRow where vehicleId = :vehicle and offAt >= :since order by id",
                        RetorqueRow.class)
                .setParameter("vehicle", vehicle.id())
                .setParameter("since", clock.millis() - FleetDirectory.ARRIVALS_KNOWN.toMillis())
                .getResultStream()
                .filter(RetorqueRow::hasBeenOff)
                .map(RetorqueRow::arrival)
                .toList());
    }

    private static void drop(Pen pen, FleetVehicle vehicle, Position position, @Nullable Long move) {
        pen.session()
                .createMutationQuery(
                        "update RetorqueRow set isDropped = true, droppedBy = :move where vehicleId = :vehicle"
                                + " and position = :position and doneAt is null and isDropped = false")
                .setParameter("move", move)
                .setParameter("vehicle", vehicle.id())
                .setParameter("position", position.code())
                .executeUpdate();
    }

    /** A wheel was taken off and none put on: there is nothing to tighten. */
    void takenOff(Pen pen, FleetVehicle vehicle, Collection<Position> wheels, @Nullable Long move) {
        if (wheels.isEmpty()) {
            return;
        }
        wheels.forEach(position -> drop(pen, vehicle, position, move));
        vehicle.toRetorque(vehicle.retorques().stream()
                .filter(open -> !wheels.contains(open.position()))
                .toList());
    }

    /** A move was undone: its own nuts are due no more, and those that it had dropped are due again; no others change. */
    void undone(Pen pen, Collection<FleetVehicle> vehicles, long move) {
        pen.session()
                .createMutationQuery("update RetorqueRow set isDropped = true where moveId = :move and doneAt is null")
                .setParameter("move", move)
                .executeUpdate();
        pen.session()
                .createMutationQuery(
                        "update RetorqueRow set isDropped = false, droppedBy = null where droppedBy = :move"
                                + " and doneAt is null")
                .setParameter("move", move)
                .executeUpdate();
        for (FleetVehicle vehicle : vehicles) {
            vehicle.toRetorque(View.of(pen.session())
                    .select(
                            "from RetorqueRow where vehicleId = :vehicle and doneAt is null and isDropped = false order by id",
                            RetorqueRow.class)
                    .setParameter("vehicle", vehicle.id())
                    .getResultStream()
                    .map(RetorqueRow::retorque)
                    .toList());
            tellArrivals(pen, vehicle);
        }
    }

    /** A wheel that is described away has no nuts. */
    @EventListener
    void redescribed(VehicleRedescribed event) {
        takenOff(event.pen(), event.vehicle(), event.gone(), null);
    }

    /** What was tightened as the wheel was put on has not settled yet: that is no retorque. */
    private void refuseBeforeTheyHaveRun(FleetVehicle vehicle, Collection<Position> wheels) {
        Double ranKm = distances.ranKm(vehicle);
        for (Retorque open : vehicle.retorques()) {
            Double since = open.sinceKm(ranKm);
            if (wheels.contains(open.position()) && since != null && since < SETTLED_KM) {
                throw Refusal.conflict("The vehicle has run " + Math.round(since) + " km since "
                        + open.position().code()
                        + " was put on. Nuts settle while it is driven: retorque them after some "
                        + open.km() + " km. Nothing was saved.");
            }
        }
    }

    /**
     * The nuts of these wheels were tightened again.
     *
     * @param torqueNm with which torque, Nm, or null where nobody measured it
     * @throws Refusal if one of them is not to be tightened
     */
    public void tightened(FleetVehicle vehicle, Collection<Position> wheels, @Nullable Double torqueNm, String who) {
        writer.make(view -> {
            Set<Position> open =
                    vehicle.retorques().stream().map(Retorque::position).collect(Collectors.toSet());
            for (Position wheel : wheels) {
                if (!open.contains(wheel)) {
                    throw Refusal.conflict("The nuts of " + wheel.code()
                            + " are not to be tightened; somebody may have said it already. Nothing was stored.");
                }
            }
            refuseBeforeTheyHaveRun(vehicle, wheels);
            return Decision.make(pen -> {
                Deed deed = Deed.of(
                        DeedKind.WHEELS_RETORQUED,
                        vehicle.thing(),
                        "tightened the wheel nuts of " + vehicle.description().ref() + " again: "
                                + wheels.stream().map(Position::code).collect(Collectors.joining(", ")));
                for (Position wheel : wheels) {
                    pen.session()
                            .createMutationQuery("update RetorqueRow set doneAt = :now, doneBy = :who,"
                                    + " torqueNm = :torque where vehicleId = :vehicle and position = :position"
                                    + " and doneAt is null and isDropped = false")
                            .setParameter("now", clock.instant())
                            .setParameter("who", who)
                            .setParameter("torque", torqueNm)
                            .setParameter("vehicle", vehicle.id())
                            .setParameter("position", wheel.code())
                            .executeUpdate();
                    deed = deed.at(vehicle.id(), wheel.code());
                }
                vehicle.toRetorque(vehicle.retorques().stream()
                        .filter(one -> !wheels.contains(one.position()))
                        .toList());
                return Done.by(deed.with("Torque", "Nm", null, torqueNm));
            });
        });
    }
}
