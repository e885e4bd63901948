package vividcaravan.core.coupling;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Who pulled whom when, of a whole fleet. At each time a vehicle has at most one before it and one behind it, and none is
 * behind itself. Immutable.
 */
public final class Combinations {

    /** A motor vehicle with two trailers and the dolly between them, and one more [our judgement]. */
    public static final int LONGEST = 5;

    /** Nothing was ever coupled. */
    public static final Combinations NONE = new Combinations(List.of());

    private final Map<Long, List<Coupling>> byPulled = new HashMap<>();
    private final Map<Long, List<Coupling>> byPuller = new HashMap<>();
    private final List<Coupling> all;

    private Combinations(List<Coupling> couplings) {
        all = couplings.stream()
                .sorted(Comparator.comparingLong(Coupling::from).thenComparingLong(Coupling::id))
                .toList();
        for (Coupling coupling : all) {
            byPulled.computeIfAbsent(coupling.pulled(), key -> new ArrayList<>())
                    .add(coupling);
            byPuller.computeIfAbsent(coupling.puller(), key -> new ArrayList<>())
                    .add(coupling);
        }
    }

    /** These, which hold to the rules. */
    public static Combinations of(List<Coupling> couplings) {
        return couplings.isEmpty() ? NONE : new Combinations(couplings);
    }

    /** Every coupling, the oldest first. */
    public List<Coupling> all() {
        return all;
    }

    /** Those of a vehicle, before it or behind it, the oldest first. */
    public List<Coupling> of(long vehicle) {
        List<Coupling> own = new ArrayList<>(byPulled.getOrDefault(vehicle, List.of()));
        own.addAll(byPuller.getOrDefault(vehicle, List.of()));
        own.sort(Comparator.comparingLong(Coupling::from).thenComparingLong(Coupling::id));
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
        return couplings.getOrDefault(vehicle, List.of()).stream()
                .filter(one -> one.covers(at))
                .findFirst();
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
        if (coupling.pulled() == coupling.puller()) {
            throw new CouplingRefused(CouplingFault.ITSELF);
        }
        if (coupling.to() <= coupling.from()) {
            throw new CouplingRefused(CouplingFault.BACKWARDS);
        }
        List<Coupling> next = new ArrayList<>();
        for (Coupling known : all) {
            boolean isOfPulled = known.pulled() == coupling.pulled();
            if (isOfPulled && known.touches(coupling.from(), coupling.to())) {
                if (known.from() >= coupling.from()) {
                    throw new CouplingRefused(CouplingFault.PULLED_LATER);
                }
                next.add(known.ending(coupling.from()));
            } else if (known.puller() == coupling.puller() && known.touches(coupling.from(), coupling.to())) {
                throw new CouplingRefused(CouplingFault.PULLS_ALREADY);
            } else {
                next.add(known);
            }
        }
        next.add(coupling);
        Combinations made = new Combinations(next);
        made.check(coupling);
        return made;
    }

    /** Looks at each moment at which something changes while it lasts. */
    private void check(Coupling coupling) throws CouplingRefused {
        for (Coupling other : all) {
            for (long at : new long[] {other.from(), other.to()}) {
                if (coupling.covers(at)) {
                    check(coupling, at);
                }
            }
        }
        check(coupling, coupling.from());
    }

    private void check(Coupling coupling, long at) throws CouplingRefused {
        int length = 2;
        long front = coupling.puller();
        for (Optional<Coupling> one = before(front, at); one.isPresent(); one = before(front, at)) {
            front = one.get().puller();
            if (front == coupling.pulled()) {
                throw new CouplingRefused(CouplingFault.CIRCLE);
            }
            length++;
        }
        long last = coupling.pulled();
        for (Optional<Coupling> one = behind(last, at); one.isPresent(); one = behind(last, at)) {
            last = one.get().pulled();
            length++;
        }
        if (length > LONGEST) {
            throw new CouplingRefused(CouplingFault.TOO_LONG);
        }
    }

    /** The same with one ended, or never begun where it ends when it began or before. */
    public Combinations ending(long id, long to) {
        return new Combinations(all.stream()
                .filter(one -> one.id() != id || to > one.from())
                .map(one -> one.id() == id ? one.ending(Math.min(one.to(), to)) : one)
                .toList());
    }

    /** The same without one that never was. */
    public Combinations without(long id) {
        return new Combinations(all.stream().filter(one -> one.id() != id).toList());
    }

    /** The coupling of this identity. */
    public Optional<Coupling> find(long id) {
        return all.stream().filter(one -> one.id() == id).findFirst();
    }
}
