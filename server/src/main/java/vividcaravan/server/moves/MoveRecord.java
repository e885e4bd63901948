package vividcaravan.server.moves;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.tyres.RemovalReason;
import vividcaravan.core.tyres.SensorFate;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyrePlacing;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.tyres.MoveDistanceRow;
import vividcaravan.server.tyres.MoveRow;
import vividcaravan.server.tyres.MoveStepRow;
import vividcaravan.server.tyres.PlaceWords;
import vividcaravan.server.writer.View;

/** Moves that were made, to be read. */
@Component
class MoveRecord {

    private final SessionFactory sessions;
    private final FleetDirectory fleet;

    MoveRecord(SessionFactory sessions, FleetDirectory fleet) {
        this.sessions = sessions;
        this.fleet = fleet;
    }

    /**
     * A move.
     *
     * @param at when it was done
     * @param made when it was written down, and {@code by} whom: a user name
     * @param undone when it was undone, or null while it stands
     */
    record MoveItem(
            String id,
            Instant at,
            Instant made,
            String by,
            @Nullable String note,
            @Nullable Instant undone,
            @Nullable String undoneBy,
            List<StepItem> steps,
            List<MoveRequest.VehicleDistance> distances) {}

    /** A tyre of it; where it was and went in words. */
    record StepItem(
            String tyre,
            String from,
            String to,
            @Nullable String sensor,
            SensorFate fate,
            @Nullable RemovalReason reason) {}

    record MoveList(List<MoveItem> items) {}

    MoveItem one(long id) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            MoveRow row = session.get(MoveRow.class, id);
            if (row == null) {
                throw Refusal.notFound("There is no wheel move " + id + ".");
            }
            return items(View.of(session), List.of(row)).get(0);
        }
    }

    MoveList of(@Nullable FleetVehicle vehicle, int limit) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            String where = vehicle == null
                    ? ""
                    : " where m.id in (select s.moveId from MoveStepRow s where s.fromVehicleId = :vehicle"
                            + " or s.toVehicleId = :vehicle)";
            var query = session.createSelectionQuery(
                            "from MoveRow m" + where + " order by m.movedAt desc, m.id desc", MoveRow.class)
                    .setMaxResults(limit);
            if (vehicle != null) {
                query.setParameter("vehicle", vehicle.id());
            }
            return new MoveList(items(View.of(session), query.getResultList()));
        }
    }

    private List<MoveItem> items(View view, List<MoveRow> moves) {
        List<Long> ids = moves.stream().map(move -> move.id).toList();
        Map<Long, List<MoveStepRow>> steps = MoveStepRow.of(view, ids);
        Map<Long, List<MoveDistanceRow>> distances = MoveDistanceRow.of(view, ids);
        return moves.stream()
                .map(move -> new MoveItem(
                        Long.toString(move.id),
                        Instant.ofEpochMilli(move.movedAt),
                        move.madeAt,
                        move.madeBy,
                        move.note,
                        move.undoneAt,
                        move.undoneBy,
                        steps.getOrDefault(move.id, List.of()).stream()
                                .map(this::step)
                                .toList(),
                        distances.getOrDefault(move.id, List.of()).stream()
                                .map(this::distance)
                                .toList()))
                .toList();
    }

    private MoveRequest.VehicleDistance distance(MoveDistanceRow row) {
        return new MoveRequest.VehicleDistance(
                fleet.vehicle(row.vehicleId).orElseThrow().description().ref(), row.km);
    }

    private StepItem step(MoveStepRow row) {
        TyrePlacing.Made made = row.made();
        return new StepItem(
                Long.toString(made.tyre()),
                words(made.from()),
                words(made.to()),
                made.sensor() == null
                        ? null
                        : fleet.sensor(made.sensor()).map(KnownSensor::code).orElse(null),
                made.fate(),
                row.reason);
    }

    private String words(TyrePlace place) {
        return PlaceWords.of(place, fleet::vehicle);
    }
}
