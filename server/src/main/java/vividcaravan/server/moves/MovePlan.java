package vividcaravan.server.moves;

import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.tyres.MoveFault;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyrePlacing;
import vividcaravan.core.tyres.TyreStay;
import vividcaravan.core.tyres.WheelMove;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.tyres.PlaceWords;
import vividcaravan.server.tyres.TreadReadingRow;
import vividcaravan.server.tyres.TyreRow;

/**
 * A move as it was asked for, held against where everything is.
 *
 * @param at epoch milliseconds
 * @param vehicles those that it touches, by identity
 * @param placing tyres and sensors that it concerns
 * @param moves the moves, in the order in which they were asked for
 * @param assumed tyres that are taken for granted at a wheel and have no row yet, under negative identities
 * @param rows what is known of the tyres
 * @param treads their last tread readings
 * @param sensors every sensor that it concerns, by identity
 * @param distances how far vehicles of it had run, km, by identity
 */
record MovePlan(
        long at,
        Map<Long, FleetVehicle> vehicles,
        TyrePlacing placing,
        List<WheelMove> moves,
        Map<TyrePlace.AtWheel, Long> assumed,
        Map<Long, TyreRow> rows,
        Map<Long, TreadReadingRow> treads,
        Map<Long, KnownSensor> sensors,
        Map<Long, Double> distances) {

    List<MoveFault> faults() {
        return placing.faults(moves, at);
    }

    TyrePlacing.Outcome outcome() {
        return placing.moved(moves, at);
    }

    TyrePlace from(WheelMove move) {
        return placing.tyres().of(move.tyre(), at).map(TyreStay::place).orElseThrow();
    }

    FleetVehicle vehicle(TyrePlace.AtWheel wheel) {
        return vehicles.get(wheel.vehicle());
    }

    /** A place as people call it. */
    String words(TyrePlace place) {
        return PlaceWords.of(place, id -> Optional.ofNullable(vehicles.get(id)));
    }

    /** The wheels whose assumed tyre is moved. */
    List<TyrePlace.AtWheel> assumedMoved() {
        Set<Long> moved = new HashSet<>();
        moves.forEach(move -> moved.add(move.tyre()));
        return assumed.entrySet().stream()
                .filter(one -> moved.contains(one.getValue()))
                .map(Map.Entry::getKey)
                .sorted(Comparator.comparing(TyrePlace.AtWheel::vehicle)
                        .thenComparing(wheel -> wheel.position().code()))
                .toList();
    }

    @Nullable
    TyreRow row(long tyre) {
        return rows.get(tyre);
    }
}
