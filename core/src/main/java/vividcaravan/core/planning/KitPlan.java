package vividcaravan.core.planning;

import java.time.Duration;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vividcaravan.core.axles.Position;

/**
 * What it takes to equip some vehicles.
 *
 * @param wheels every wheel without a sensor, and what is chosen for it
 * @param counts how many of each item; nothing that is not needed
 * @param notes why receivers and repeaters are counted
 * @param work an estimate of the hours of one person
 */
public record KitPlan(List<Wheel> wheels, Map<KitItem, Integer> counts, List<String> notes, Duration work) {

    /**
     * A wheel to be equipped.
     *
     * @param sensor the kind of sensor chosen; empty if none fits
     * @param words what speaks against mounts that were preferred, and what is to be measured first; empty if nothing
     */
    public record Wheel(String ref, Position position, Optional<KitItem> sensor, List<String> words) {
        public Wheel {
            words = List.copyOf(words);
        }
    }

    public KitPlan {
        wheels = List.copyOf(wheels);
        EnumMap<KitItem, Integer> copy = new EnumMap<>(KitItem.class);
        copy.putAll(counts);
        counts = Collections.unmodifiableMap(copy);
        notes = List.copyOf(notes);
    }
}
