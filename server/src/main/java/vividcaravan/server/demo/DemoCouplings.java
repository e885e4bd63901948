package vividcaravan.server.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import vividcaravan.core.coupling.Coupling;
import vividcaravan.server.access.DemoAccounts;
import vividcaravan.server.couplings.Couplings;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.simulator.Larkmoor;

/** Who pulled whom in the demo's past; what is pulled now is heard on the road by itself. */
@Component
class DemoCouplings {

    /** Trailers that changed their tractor units a few days ago. */
    private static final Map<String, String> BEFORE = Map.of("GT-13", "GX-04", "GT-14", "GX-03");
    /** Most of the fleet's trailers hang where they are heard; of these somebody said it. */
    private static final List<String> SAID = List.of("LM-31", "LM-34", "GT-15");

    private static final Duration SINCE = Duration.ofDays(20);

    private final Couplings couplings;
    private final FleetDirectory fleet;

    DemoCouplings(Couplings couplings, FleetDirectory fleet) {
        this.couplings = couplings;
        this.fleet = fleet;
    }

    /** Writes it down for a demo that was begun at {@code begun}. */
    void fill(Instant begun) {
        long since = begun.minus(SINCE).toEpochMilli();
        BEFORE.forEach((trailer, puller) -> couple(trailer, puller, since));
        SAID.forEach(trailer -> couple(trailer, Larkmoor.combinations().get(trailer), since));
    }

    private void couple(String trailer, String puller, long since) {
        couplings.couple(
                fleet.existing(trailer),
                fleet.existing(puller),
                since,
                Coupling.Source.PERSON,
                DemoAccounts.TECHNICIAN);
    }
}
