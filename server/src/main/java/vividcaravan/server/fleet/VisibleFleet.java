package vividcaravan.server.fleet;

import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongPredicate;
import org.springframework.stereotype.Component;
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

    /** Which vehicles, by identity, are in sight; stays as it is now for as long as it is held. */
    public LongPredicate sees() {
        Optional<Set<Long>> ids = sight.vehicleIds();
        if (ids.isEmpty()) {
            return id -> true;
        }
        Set<Long> all = new HashSet<>(ids.get());
        // Whoever drives a vehicle drives what hangs behind it.
        ids.get().forEach(id -> all.addAll(behind(id)));
        return all::contains;
    }
}
