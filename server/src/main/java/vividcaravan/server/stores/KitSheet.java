package vividcaravan.server.stores;

import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.planning.KitItem;
import vividcaravan.core.planning.KitPlan;

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
    record Need(KitItem item, int needed, int reserved) {}

    static KitSheet of(List<String> vehicles, KitPlanWish wish, KitPlan plan) {
        return new KitSheet(
                vehicles,
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

    /** The same with other figures. */
    KitSheet with(List<Need> other) {
        return new KitSheet(vehicles, preference, tyresComeOff, sparePercent, wheels, other, notes, minutes);
    }
}
