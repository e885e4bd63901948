package vividcaravan.server.fleet;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.VehicleJudge;
import vividcaravan.core.judge.WheelCondition;
import vividcaravan.core.judge.air.AirStep;
import vividcaravan.core.judge.sensors.Cell;

/** What the judge last said of a vehicle's wheels, for everybody to read while it goes on judging. */
final class ShownWheels {

    private static final double CELL_STEP_MV = 2;

    private final Map<Position, WheelCondition> conditions = new ConcurrentHashMap<>();
    private final Map<Position, Double> losses = new ConcurrentHashMap<>();
    private final Map<Position, CellOf> cells = new ConcurrentHashMap<>();
    private final Map<Position, List<AirStep>> airSteps = new ConcurrentHashMap<>();
    private final Map<Position, Long> steppedAt = new ConcurrentHashMap<>();
    private final Set<Position> soaked = ConcurrentHashMap.newKeySet();
    private final Set<Position> toBeFilled = ConcurrentHashMap.newKeySet();

    private record CellOf(KnownSensor sensor, Cell cell) {}

    /** Takes over what {@code judge} said of a wheel, at which {@code sensor} sits. */
    void take(VehicleJudge judge, Position position, @Nullable KnownSensor sensor) {
        WheelCondition condition = judge.condition(position);
        if (conditions.get(position) != condition) {
            conditions.put(position, condition);
        }
        OptionalDouble loss = judge.lossPerHour(position);
        if (loss.isPresent()) {
            losses.put(position, loss.getAsDouble());
        } else if (!losses.isEmpty()) {
            losses.remove(position);
        }
        if (steppedAt.getOrDefault(position, Long.MIN_VALUE) != judge.lastAirStepAt(position)) {
            steppedAt.put(position, judge.lastAirStepAt(position));
            airSteps.put(position, judge.airSteps(position));
        }
        keepCell(judge, position, sensor);
        keep(soaked, position, judge.isSoaked(position));
        keep(toBeFilled, position, judge.isToBeFilled(position));
    }

    /** A slow mean moves little: what is shown of it follows in steps. */
    private void keepCell(VehicleJudge judge, Position position, @Nullable KnownSensor sensor) {
        double warmMv = judge.warmBatteryMv(position);
        boolean isKnown = Math.abs(cell(position, sensor).warmMv() - warmMv) < CELL_STEP_MV;
        if (!Double.isNaN(warmMv) && sensor != null && !isKnown) {
            cells.put(position, new CellOf(sensor, judge.cell(position)));
        }
    }

    private static void keep(Set<Position> those, Position position, boolean isOne) {
        if (isOne) {
            those.add(position);
        } else if (!those.isEmpty()) {
            those.remove(position);
        }
    }

    /** Forgets wheels that are gone, and what is to be filled is what {@code judge} says of those that there are. */
    void heldTo(VehicleJudge judge, Collection<Position> positions, Predicate<Position> isGone) {
        conditions.keySet().removeIf(isGone);
        losses.keySet().removeIf(isGone);
        cells.keySet().removeIf(isGone);
        airSteps.keySet().removeIf(isGone);
        steppedAt.keySet().removeIf(isGone);
        soaked.removeIf(isGone);
        toBeFilled.clear();
        positions.stream().filter(judge::isToBeFilled).forEach(toBeFilled::add);
    }

    WheelCondition condition(Position position) {
        return conditions.getOrDefault(position, WheelCondition.OK);
    }

    /** How fast a wheel loses air at present, kPa an hour; null where it loses none. */
    @Nullable
    Double lossKpaPerHour(Position position) {
        return losses.get(position);
    }

    List<AirStep> airSteps(Position position) {
        return airSteps.getOrDefault(position, List.of());
    }

    /** What is known of the cell of {@code sensor}, which sits at that wheel. */
    Cell cell(Position position, @Nullable KnownSensor sensor) {
        CellOf known = cells.get(position);
        return known != null && known.sensor() == sensor ? known.cell() : Cell.UNKNOWN;
    }

    boolean isToBeFilled(Position position) {
        return toBeFilled.contains(position);
    }

    boolean isSoaked(Position position) {
        return soaked.contains(position);
    }
}
