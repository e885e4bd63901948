package vividcaravan.core.planning;

import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.TyreSpec;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.fitting.MountProcedure;

/**
 * Plans the kit: for each wheel the first of the preferred mounts that fits its rim, then everything that goes with it
 * [common practice; times are our estimate].
 *
 * @param preference mounts, the most wanted first; at least one
 * @param tyresComeOff whether tyres are dismounted; otherwise only what is fitted from outside can be
 * @param sparePercent sensors to spare of each kind, percent, rounded up to whole sensors, 0 to 50
 */
public record KitPlanner(List<MountKind> preference, boolean tyresComeOff, int sparePercent) {

    private static final int MOST_SPARE_PERCENT = 50;
    private static final Set<VehicleKind> TOWED =
            Set.of(VehicleKind.SEMI_TRAILER, VehicleKind.DRAWBAR_TRAILER, VehicleKind.DOLLY, VehicleKind.IMPLEMENT);
    /** From this axle on, an inner twin is far from a receiver in the cab [our judgement]. */
    private static final int FAR_AXLE = 3;

    private static final int LONG_AXLES = 5;
    private static final int MINUTES_A_VEHICLE = 15;
    private static final int MINUTES_TO_PAIR_AND_PROVE = 6;
    private static final int MINUTES_A_RECEIVER = 60;
    private static final int MINUTES_A_REPEATER = 45;

    /**
     * @throws IllegalArgumentException if no mount is preferred, or the share to spare is not 0 to 50
     */
    public KitPlanner {
        preference = List.copyOf(preference);
        if (preference.isEmpty()) {
            throw new IllegalArgumentException("at least one mount must be preferred");
        }
        if (sparePercent < 0 || sparePercent > MOST_SPARE_PERCENT) {
            throw new IllegalArgumentException("0 to 50 percent are to spare, was " + sparePercent);
        }
    }

    /** Plans for some vehicles; wheels with a sensor stay as they are. */
    public KitPlan plan(List<KitVehicle> vehicles) {
        List<KitPlan.Wheel> wheels = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        Map<KitItem, Integer> counts = new EnumMap<>(KitItem.class);
        int minutes = 0;
        for (KitVehicle vehicle : vehicles) {
            List<KitPlan.Wheel> bare = wheels(vehicle);
            wheels.addAll(bare);
            minutes += bare.isEmpty() ? 0 : MINUTES_A_VEHICLE;
            minutes += hardware(vehicle, counts, notes);
        }
        for (KitPlan.Wheel wheel : wheels) {
            wheel.sensor().ifPresent(sensor -> counts.merge(sensor, 1, Integer::sum));
            minutes += wheel.sensor().map(KitPlanner::minutes).orElse(0);
        }
        addWhatGoesWithThem(counts);
        return new KitPlan(wheels, counts, notes, Duration.ofMinutes(minutes));
    }

    private List<KitPlan.Wheel> wheels(KitVehicle vehicle) {
        return vehicle.layout().positions().stream()
                .filter(position -> !vehicle.fitted().contains(position))
                .map(position -> choose(vehicle, position))
                .toList();
    }

    private KitPlan.Wheel choose(KitVehicle vehicle, Position position) {
        // A spare may come to stand anywhere; what fits the last axle is the best guess.
        int axle = position.isSpare() ? vehicle.layout().axles().size() : position.axle();
        TyreSpec tyre = vehicle.tyres().get(axle - 1);
        boolean isBallasted = vehicle.ballasted().get(axle - 1);
        boolean isInnerTwin = position.slot() == Position.Slot.INNER;
        List<String> words = new ArrayList<>();
        for (MountKind mount : preference) {
            List<String> against = against(mount, tyre, isBallasted);
            if (against.isEmpty()) {
                words.addAll(measureFirst(mount, tyre, isInnerTwin));
                return new KitPlan.Wheel(vehicle.ref(), position, Optional.of(sensor(mount, tyre)), words);
            }
            words.addAll(against);
        }
        words.add("None of the chosen mounts fits. Choose another for this wheel.");
        return new KitPlan.Wheel(vehicle.ref(), position, Optional.empty(), words);
    }

    private List<String> against(MountKind mount, TyreSpec tyre, boolean isBallasted) {
        if (mount != MountKind.CAP && !tyresComeOff) {
            return List.of("The tyres stay on, and " + words(mount) + " sits inside.");
        }
        if (mount != MountKind.CAP && isBallasted) {
            return List.of("The tyre holds liquid, in which " + words(mount) + " would sit.");
        }
        return MountProcedure.misfits(mount, tyre, true);
    }

    private static List<String> measureFirst(MountKind mount, TyreSpec tyre, boolean isInnerTwin) {
        return switch (mount) {
            case STRAP, BELT ->
                tyre.dropCentreMm() == null
                        ? List.of(
                                "Measure the drop centre before ordering: a strap needs 30 mm, a belt over 40, a narrow"
                                        + " belt 25.")
                        : List.of();
            case GLUED -> List.of("Look at the liner: 40 × 40 mm flat, no special layer.");
            case CAP ->
                isInnerTwin ? List.of("Look that the inner valve can be reached with the sensor on.") : List.of();
            case VALVE -> List.of();
        };
    }

    private static KitItem sensor(MountKind mount, TyreSpec tyre) {
        return switch (mount) {
            case CAP -> KitItem.CAP_SENSOR;
            case VALVE -> KitItem.VALVE_SENSOR;
            case STRAP -> KitItem.STRAP_SENSOR;
            case BELT ->
                MountProcedure.misfits(MountKind.BELT, tyre, false).isEmpty()
                        ? KitItem.BELT_SENSOR
                        : KitItem.NARROW_BELT_SENSOR;
            case GLUED -> KitItem.GLUED_SENSOR;
        };
    }

    private static String words(MountKind mount) {
        return switch (mount) {
            case CAP -> "a cap";
            case VALVE -> "a valve sensor";
            case STRAP -> "a strap";
            case BELT -> "a belt";
            case GLUED -> "a glued sensor";
        };
    }

    /** Counts receiver and repeater of a vehicle; the minutes they take. */
    private static int hardware(KitVehicle vehicle, Map<KitItem, Integer> counts, List<String> notes) {
        int minutes = 0;
        boolean isTowed = TOWED.contains(vehicle.kind());
        if (!isTowed && vehicle.fitted().isEmpty()) {
            counts.merge(KitItem.RECEIVER, 1, Integer::sum);
            notes.add(vehicle.ref() + ": a receiver, since none of its wheels has a sensor yet.");
            minutes += MINUTES_A_RECEIVER;
        }
        Optional<String> repeater = repeaterBecause(vehicle, isTowed);
        if (repeater.isPresent()) {
            counts.merge(KitItem.REPEATER, 1, Integer::sum);
            notes.add(
                    vehicle.ref() + ": a repeater, " + repeater.get()
                            + ". Test coupled, where it really stands; fit it only if a wheel misses over 20 % of its messages.");
            minutes += MINUTES_A_REPEATER;
        }
        return minutes;
    }

    private static Optional<String> repeaterBecause(KitVehicle vehicle, boolean isTowed) {
        int axles = vehicle.layout().axles().size();
        boolean hasTwins = false;
        boolean hasFarTwins = false;
        for (int axle = 1; axle <= axles; axle++) {
            boolean isTwin = vehicle.layout().axle(axle).wheels() == WheelArrangement.TWIN;
            hasTwins |= isTwin;
            hasFarTwins |= isTwin && axle >= FAR_AXLE;
        }
        if (isTowed && hasTwins) {
            return Optional.of("since it is towed and has inner twins");
        }
        if (isTowed && axles >= 2 && vehicle.kind() != VehicleKind.IMPLEMENT) {
            return Optional.of("since its rear is far from the receiver in front");
        }
        if (!isTowed && hasFarTwins) {
            return Optional.of("since it has inner twins on axle 3 or farther back");
        }
        return !isTowed && axles >= LONG_AXLES ? Optional.of("since it has five axles or more") : Optional.empty();
    }

    private void addWhatGoesWithThem(Map<KitItem, Integer> counts) {
        int dismounted = 0;
        Map<MountKind, Integer> sensors = new EnumMap<>(MountKind.class);
        for (KitItem item : KitItem.values()) {
            Integer needed = counts.get(item);
            if (needed == null || item.use() != KitItem.Use.SENSOR) {
                continue;
            }
            MountKind mount = item.mount().orElseThrow();
            dismounted += mount == MountKind.CAP ? 0 : needed;
            int withSpares = needed + (needed * sparePercent + 99) / 100;
            counts.put(item, withSpares);
            sensors.merge(mount, withSpares, Integer::sum);
        }
        for (KitItem item : KitItem.values()) {
            int count =
                    switch (item.use()) {
                        case EACH_SENSOR -> sensors.getOrDefault(item.mount().orElseThrow(), 0);
                        case EACH_DISMOUNTED -> dismounted;
                        case TOOL ->
                            !sensors.isEmpty()
                                            && item.mount()
                                                    .map(sensors::containsKey)
                                                    .orElse(true)
                                    ? 1
                                    : 0;
                        case SENSOR, HARDWARE -> 0;
                    };
            if (count > 0) {
                counts.put(item, count);
            }
        }
    }

    private static int minutes(KitItem sensor) {
        int fitting =
                switch (sensor.mount().orElseThrow()) {
                    case CAP -> 5;
                    case VALVE -> 40;
                    case STRAP -> 40;
                    case BELT -> 35;
                    case GLUED -> 50;
                };
        return fitting + MINUTES_TO_PAIR_AND_PROVE;
    }
}
