package vividcaravan.server.fleet;

import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.LongPredicate;
import org.springframework.stereotype.Component;
import vividcaravan.core.coupling.Combinations;
import vividcaravan.core.coupling.Coupling;
import vividcaravan.server.platform.ReaderSight;
import vividcaravan.server.platform.Refusal;

/** The fleet as far as whoever is asking may see it: a driver only what is assigned to them. */
@Component
public class VisibleFleet {

    private final FleetDirectory fleet;
    private final ReaderSight sight;
    private final Clock clock;

    VisibleFleet(FleetDirectory fleet, ReaderSight sight, Clock clock) {
        this.clock = clock;
        this.fleet = fleet;
        this.sight = sight;
    }

    /**
     * The vehicle with this ref.
     *
     * @throws Refusal if there is none in sight; the same words as for one that does not exist
     */
    public FleetVehicle existing(String ref) {
        return fleet.vehicle(ref)
                .filter(vehicle -> sees().test(vehicle.id()))
                .orElseThrow(() -> FleetDirectory.unknown(ref));
    }

    /** Every vehicle in sight, by ref. */
    public List<FleetVehicle> vehicles() {
        LongPredicate sees = sees();
        return fleet.vehicles().stream().filter(v -> sees.test(v.id())).toList();
    }

    private List<Long> behind(long id) {
        List<Long> combination = fleet.couplings().combination(id, clock.millis());
        return combination.subList(combination.indexOf(id), combination.size());
    }

    /**
     * From when on the past of a vehicle is in sight, epoch milliseconds: who drives sees of a trailer what it did since it hangs
     * behind them.
     */
    public long since(FleetVehicle vehicle) {
        Optional<Set<Long>> own = sight.vehicleIds();
        long since = Long.MIN_VALUE;
        long at = clock.millis();
        Long next = vehicle.id();
        while (own.isPresent() && next != null && !own.get().contains(next)) {
            Optional<Coupling> before = fleet.couplings().before(next, at);
            since = Math.max(since, before.map(Coupling::from).orElse(at));
            next = before.map(Coupling::puller).orElse(null);
        }
        return since;
    }

    /** Which vehicles, by identity, are in sight at each moment at which that is asked: it follows what is hooked and unhooked. */
    public LongPredicate seesFromNowOn() {
        Optional<Set<Long>> ids = sight.vehicleIds();
        if (ids.isEmpty()) {
            return id -> true;
        }
        Set<Long> own = Set.copyOf(ids.get());
        AtomicReference<Seen> last = new AtomicReference<>(seen(own));
        return id -> {
            if (last.get().couplings() != fleet.couplings()) {
                last.set(seen(own));
            }
            return last.get().vehicles().contains(id);
        };
    }

    private record Seen(Combinations couplings, Set<Long> vehicles) {}

    private Seen seen(Set<Long> own) {
        Combinations couplings = fleet.couplings();
        Set<Long> all = new HashSet<>(own);
        own.forEach(id -> all.addAll(behind(id)));
        return new Seen(couplings, all);
    }

    /** Which vehicles, by identity, are in sight; stays as it is now for as long as it is held. */
    public LongPredicate sees() {
        Optional<Set<Long>> ids = sight.vehicleIds();
        if (ids.isEmpty()) {
            return id -> true;
        }
        // Whoever drives a vehicle drives what hangs behind it.
        return seen(ids.get()).vehicles()::contains;
    }
}
