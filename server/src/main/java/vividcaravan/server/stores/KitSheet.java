package vividcaravan.server.stores;

import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.planning.KitItem;
import vividcaravan.core.planning.KitPlan;
import vividcaravan.core.planning.KitPlanner;
import vividcaravan.core.planning.KitVehicle;
import vividcaravan.server.fleet.AxleDescription;
import vividcaravan.server.fleet.FleetVehicle;

/**
 * A plan as it is kept: what was wished, and what it takes.
 *
 * @param minutes an estimate of one person's work, minutes
 */
record KitSheet(
        List<String> vehicles,
        List<MountKind> preference,
        boolean tyresComeOff,
        int sparePercent,
        List<WheelChoice> wheels,
        List<Need> needs,
        List<String> notes,
        long minutes) {

    /** What is chosen for a wheel; null if nothing fits. */
    record WheelChoice(String vehicle, String position, @Nullable KitItem sensor, List<String> words) {}

    /**
     * How many of an item.
     *
     * @param reserved how many of them lie aside in the store, or were handed out
     */
    record Need(KitItem item, int needed, int reserved) {

        /** How many have to be bought or borrowed if so many more can be put aside. */
        int missing(int free) {
            return Math.max(0, needed - reserved - free);
        }
    }

    /** What it takes to equip some vehicles. */
    static KitSheet planned(List<FleetVehicle> vehicles, KitPlanWish wish) {
        KitPlan plan = new KitPlanner(wish.preference(), wish.tyresComeOff(), wish.sparePercent())
                .plan(vehicles.stream().map(KitSheet::kitVehicle).toList());
        return new KitSheet(
                vehicles.stream().map(vehicle -> vehicle.description().ref()).toList(),
                wish.preference(),
                wish.tyresComeOff(),
                wish.sparePercent(),
                plan.wheels().stream()
                        .map(wheel -> new WheelChoice(
                                wheel.ref(),
                                wheel.position().code(),
                                wheel.sensor().orElse(null),
                                wheel.words()))
                        .toList(),
                plan.counts().entrySet().stream()
                        .map(count -> new Need(count.getKey(), count.getValue(), 0))
                        .toList(),
                plan.notes(),
                plan.work().toMinutes());
    }

    private static KitVehicle kitVehicle(FleetVehicle vehicle) {
        List<AxleDescription> axles = vehicle.description().axles();
        return new KitVehicle(
                vehicle.description().ref(),
                vehicle.description().kind(),
                vehicle.description().layout(),
                axles.stream().map(AxleDescription::tyre).toList(),
                axles.stream().map(AxleDescription::isBallasted).toList(),
                vehicle.sensors().keySet());
    }

    /** The same with other figures. */
    KitSheet with(List<Need> other) {
        return new KitSheet(vehicles, preference, tyresComeOff, sparePercent, wheels, other, notes, minutes);
    }
}
