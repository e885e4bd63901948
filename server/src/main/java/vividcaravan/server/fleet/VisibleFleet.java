package vividcaravan.server.fleet;

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

    VisibleFleet(FleetDirectory fleet, ReaderSight sight) {
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

    /** Which vehicles, by identity, are in sight; stays as it is now for as long as it is held. */
    public LongPredicate sees() {
        Optional<Set<Long>> ids = sight.vehicleIds();
        return ids.isEmpty() ? id -> true : ids.get()::contains;
    }
}
