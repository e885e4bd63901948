package vividcaravan.core.coupling;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/**
 * Who pulled whom when, of a whole fleet. At each time a vehicle has at most one before it and one behind it, and none is
 * behind itself. Immutable; one that follows from another shares what did not change with it, since a fleet that couples all
 * day has many.
 */
public final class Combinations {

    /** A motor vehicle with two trailers and the dolly between them, and one more [our judgement]. */
    public static final int LONGEST = 5;

    /** Nothing was ever coupled. */
    public static final Combinations NONE = new Combinations(new HashMap<>(), new HashMap<>());

    private static final Comparator<Coupling> OLDEST_FIRST =
            Comparator.comparingLong(Coupling::from).thenComparingLong(Coupling::id);

    /** Of each vehicle those before it, and those behind it, the oldest first; no two of a list at the same time. */
    private final Map<Long, List<Coupling>> byPulled;

    private final Map<Long, List<Coupling>> byPuller;

    private Combinations(Map<Long, List<Coupling>> byPulled, Map<Long, List<Coupling>> byPuller) {
        this.byPulled = byPulled;
        this.byPuller = byPuller;
    }

    /** These, which hold to the rules. */
    public static Combinations of(Collection<Coupling> couplings) {
        List<Coupling> inOrder = couplings.stream().sorted(OLDEST_FIRST).toList();
        return new Combinations(
                inOrder.stream().collect(Collectors.groupingBy(Coupling::pulled, HashMap::new, Collectors.toList())),
                inOrder.stream().collect(Collectors.groupingBy(Coupling::puller, HashMap::new, Collectors.toList())));
    }

    /** Every coupling, the oldest first. */
    public List<Coupling> all() {
        return byPulled.values().stream()
                .flatMap(List::stream)
                .sorted(OLDEST_FIRST)
                .toList();
    }

    /**
     * A coupling that is another than before.
     *
     * @param before as it was, or null where it was not
     * @param after as it is, or null where it is no more
     */
    public record Changed(Coupling before, Coupling after) {}

    /** What is other than in {@code before}, from which this followed. */
    public List<Changed> since(Combinations before) {
        Set<Long> pulled = new HashSet<>(before.byPulled.keySet());
        pulled.addAll(byPulled.keySet());
        List<Changed> changed = new ArrayList<>();
        for (long vehicle : pulled) {
            List<Coupling> was = before.byPulled.getOrDefault(vehicle, List.of());
            List<Coupling> is = byPulled.getOrDefault(vehicle, List.of());
            if (was == is) {
                continue;
            }
            Map<Long, Coupling> left = new HashMap<>();
            was.forEach(one -> left.put(one.id(), one));
            for (Coupling one : is) {
                Coupling earlier = left.remove(one.id());
                if (!one.equals(earlier)) {
                    changed.add(new Changed(earlier, one));
                }
            }
            left.values().forEach(gone -> changed.add(new Changed(gone, null)));
        }
        return changed;
    }

    /** Those of a vehicle, before it or behind it, the oldest first. */
    public List<Coupling> of(long vehicle) {
        List<Coupling> own = new ArrayList<>(byPulled.getOrDefault(vehicle, List.of()));
        own.addAll(byPuller.getOrDefault(vehicle, List.of()));
        own.sort(OLDEST_FIRST);
        return own;
    }

    /** By what it hung behind another at {@code at}. */
    public Optional<Coupling> before(long vehicle, long at) {
        return at(byPulled, vehicle, at);
    }

    /** By what another hung behind it at {@code at}. */
    public Optional<Coupling> behind(long vehicle, long at) {
        return at(byPuller, vehicle, at);
    }

    private static Optional<Coupling> at(Map<Long, List<Coupling>> couplings, long vehicle, long at) {
        List<Coupling> own = couplings.getOrDefault(vehicle, List.of());
        // Most questions are about now, so the newest is looked at first.
        for (int i = own.size() - 1; i >= 0; i--) {
            if (own.get(i).from() <= at) {
                return Optional.of(own.get(i)).filter(one -> one.covers(at));
            }
        }
        return Optional.empty();
    }

    /** The vehicle at the front of the combination that {@code vehicle} was in at {@code at}; itself where it was in none. */
    public long front(long vehicle, long at) {
        long front = vehicle;
        for (int i = 0; i < LONGEST; i++) {
            Optional<Coupling> before = before(front, at);
            if (before.isEmpty()) {
                break;
            }
            front = before.get().puller();
        }
        return front;
    }

    /** The whole combination that {@code vehicle} was in at {@code at}, from the front; itself alone where it was in none. */
    public List<Long> combination(long vehicle, long at) {
        List<Long> vehicles = new ArrayList<>();
        Long next = front(vehicle, at);
        while (next != null && vehicles.size() < LONGEST) {
            vehicles.add(next);
            next = behind(next, at).map(Coupling::pulled).orElse(null);
        }
        return vehicles;
    }

    /**
     * The same with another: whatever it was behind before ends where it begins.
     *
     * @throws CouplingRefused if it cannot be
     */
    public Combinations with(Coupling coupling) throws CouplingRefused {
        Combinations next = copy();
        next.add(coupling);
        return next;
    }

    /** Takes couplings in, one after the other. */
    public static final class Builder {

        private final Combinations made = NONE.copy();

        /**
         * Takes in one more, as {@link Combinations#with} does.
         *
         * @throws CouplingRefused if it cannot be; what was taken in is of no use then
         */
        public void add(Coupling coupling) throws CouplingRefused {
            made.add(coupling);
        }

        /** All of them. */
        public Combinations build() {
            return made.copy();
        }
    }

    private Combinations copy() {
        return new Combinations(new HashMap<>(byPulled), new HashMap<>(byPuller));
    }

    private void add(Coupling coupling) throws CouplingRefused {
        if (coupling.pulled() == coupling.puller()) {
            throw new CouplingRefused(CouplingFault.ITSELF);
        }
        if (coupling.to() <= coupling.from()) {
            throw new CouplingRefused(CouplingFault.BACKWARDS);
        }
        List<Coupling> ended = new ArrayList<>();
        for (Coupling known : byPulled.getOrDefault(coupling.pulled(), List.of())) {
            if (known.touches(coupling.from(), coupling.to())) {
                if (known.from() >= coupling.from()) {
                    throw new CouplingRefused(CouplingFault.PULLED_LATER);
                }
                ended.add(known);
            }
        }
        for (Coupling known : byPuller.getOrDefault(coupling.puller(), List.of())) {
            if (known.pulled() != coupling.pulled() && known.touches(coupling.from(), coupling.to())) {
                throw new CouplingRefused(CouplingFault.PULLS_ALREADY);
            }
        }
        ended.forEach(known -> put(known, known.ending(coupling.from())));
        put(null, coupling);
        check(coupling);
    }

    /** Puts {@code after} where {@code before} was; either may be null. */
    private void put(Coupling before, Coupling after) {
        Coupling one = before == null ? after : before;
        UnaryOperator<List<Coupling>> changed = known -> {
            List<Coupling> list = new ArrayList<>(known == null ? List.of() : known);
            list.remove(before);
            if (after != null) {
                list.add(after);
                list.sort(OLDEST_FIRST);
            }
            return list.isEmpty() ? null : list;
        };
        byPulled.compute(one.pulled(), (vehicle, known) -> changed.apply(known));
        byPuller.compute(one.puller(), (vehicle, known) -> changed.apply(known));
    }

    /** Looks at each moment at which the combination that it makes changes while it lasts. */
    private void check(Coupling coupling) throws CouplingRefused {
        long at = coupling.from();
        while (at < coupling.to()) {
            long next = coupling.to();
            for (long vehicle : checked(coupling, at)) {
                next = Math.min(next, changeAfter(byPulled, vehicle, at));
                next = Math.min(next, changeAfter(byPuller, vehicle, at));
            }
            at = next;
        }
    }

    private static long changeAfter(Map<Long, List<Coupling>> couplings, long vehicle, long at) {
        List<Coupling> own = couplings.getOrDefault(vehicle, List.of());
        long next = Coupling.OPEN;
        for (int i = own.size() - 1; i >= 0 && own.get(i).to() > at; i--) {
            next = own.get(i).from() > at ? own.get(i).from() : own.get(i).to();
        }
        return next;
    }

    private List<Long> checked(Coupling coupling, long at) throws CouplingRefused {
        List<Long> vehicles = new ArrayList<>(List.of(coupling.puller(), coupling.pulled()));
        for (Optional<Coupling> one = before(coupling.puller(), at);
                one.isPresent();
                one = before(one.get().puller(), at)) {
            if (one.get().puller() == coupling.pulled()) {
                throw new CouplingRefused(CouplingFault.CIRCLE);
            }
            vehicles.add(one.get().puller());
        }
        for (Optional<Coupling> one = behind(coupling.pulled(), at);
                one.isPresent();
                one = behind(one.get().pulled(), at)) {
            vehicles.add(one.get().pulled());
        }
        if (vehicles.size() > LONGEST) {
            throw new CouplingRefused(CouplingFault.TOO_LONG);
        }
        return vehicles;
    }

    /** The same with one ended, or never begun where it ends when it began or before. */
    public Combinations ending(long id, long to) {
        return find(id).map(known -> {
                    boolean isLeft = to > known.from();
                    return replaced(known, isLeft ? known.ending(Math.min(known.to(), to)) : null);
                })
                .orElse(this);
    }

    /** The same without one that never was. */
    public Combinations without(long id) {
        return find(id).map(known -> replaced(known, null)).orElse(this);
    }

    private Combinations replaced(Coupling before, Coupling after) {
        Combinations next = copy();
        next.put(before, after);
        return next;
    }

    /** The coupling of this identity. */
    public Optional<Coupling> find(long id) {
        return byPulled.values().stream()
                .flatMap(List::stream)
                .filter(one -> one.id() == id)
                .findFirst();
    }
}
