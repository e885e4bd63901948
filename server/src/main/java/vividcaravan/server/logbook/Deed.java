package vividcaravan.server.logbook;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Something that was done and changed what lasts. Who did it and when is added by the writer.
 *
 * @param thing what it is about
 * @param at vehicles and wheels that it touches, so that each shows its part of the book
 * @param words what was done, after the author's name: {@code took LM-07 out of service}
 * @param differences what was before and after
 * @param why the reason that was given, or null
 */
public record Deed(
        DeedKind kind,
        Thing thing,
        SortedSet<Place> at,
        String words,
        List<Difference> differences,
        @Nullable String why) {

    private static final int LONGEST_WORDS = 1_000;
    private static final int LONGEST_REASON = 2_000;
    /** What changes more than this says how much more. */
    private static final int MOST_DIFFERENCES = 200;

    /**
     * A vehicle, or a wheel of it.
     *
     * @param vehicle its identity
     * @param position code of the wheel, or empty for the vehicle as a whole
     */
    public record Place(long vehicle, String position) implements Comparable<Place> {
        @Override
        public int compareTo(Place other) {
            return vehicle == other.vehicle ? position.compareTo(other.position) : Long.compare(vehicle, other.vehicle);
        }

        /** As the book keeps it: {@code 12} or {@code 12 3L1}. */
        @Override
        public String toString() {
            return position.isEmpty() ? Long.toString(vehicle) : vehicle + " " + position;
        }
    }

    /** Holds no more than the book has room for. */
    public Deed {
        at = new TreeSet<>(at);
        words = Plain.text(words, LONGEST_WORDS);
        why = Plain.textOrNull(why, LONGEST_REASON);
        if (differences.size() > MOST_DIFFERENCES) {
            List<Difference> first = new ArrayList<>(differences.subList(0, MOST_DIFFERENCES));
            first.add(new Difference("And so on", null, null, (differences.size() - MOST_DIFFERENCES) + " more"));
            differences = first;
        }
        differences = List.copyOf(differences);
    }

    /** A deed; what it touches and changes is added. */
    public static Deed of(DeedKind kind, Thing thing, String words) {
        return new Deed(kind, thing, new TreeSet<>(), words, List.of(), null);
    }

    /** The same at a vehicle as a whole. */
    public Deed at(long vehicle) {
        return at(vehicle, "");
    }

    /** The same at a wheel. */
    public Deed at(long vehicle, String position) {
        TreeSet<Place> places = new TreeSet<>(at);
        places.add(new Place(vehicle, position));
        return new Deed(kind, thing, places, words, differences, why);
    }

    /** The same at several vehicles. */
    public Deed at(Collection<Long> vehicles) {
        TreeSet<Place> places = new TreeSet<>(at);
        vehicles.forEach(vehicle -> places.add(new Place(vehicle, "")));
        return new Deed(kind, thing, places, words, differences, why);
    }

    /** The same with what was before and after, if that is not the same. */
    public Deed with(Optional<Difference> difference) {
        return difference.map(one -> with(List.of(one))).orElse(this);
    }

    /** The same with more of what was before and after. */
    public Deed with(List<Difference> more) {
        List<Difference> all = new ArrayList<>(differences);
        all.addAll(more);
        return new Deed(kind, thing, at, words, all, why);
    }

    /** The same with what was before and after, if that is not the same. */
    public Deed with(String what, @Nullable Object before, @Nullable Object after) {
        return with(Difference.of(what, before, after));
    }

    /** The same with figures in {@code unit}. */
    public Deed with(String what, String unit, @Nullable Object before, @Nullable Object after) {
        return with(Difference.of(what, unit, before, after));
    }

    /** The same with the reason that was given. */
    public Deed because(@Nullable String reason) {
        return new Deed(kind, thing, at, words, differences, reason);
    }
}
