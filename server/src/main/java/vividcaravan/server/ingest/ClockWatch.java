package vividcaravan.server.ingest;

import java.time.Clock;
import org.springframework.stereotype.Component;
import vividcaravan.server.vehicles.FleetDirectory;

/** Remembers which of our sensors send times from the future. */
@Component
class ClockWatch {

    private final FleetDirectory fleet;
    private final Clock clock;

    ClockWatch(FleetDirectory fleet, Clock clock) {
        this.fleet = fleet;
        this.clock = clock;
    }

    void isAhead(String sensor) {
        fleet.sensor(sensor).ifPresent(known -> known.clockWrong(clock.instant()));
    }
}
