package vividcaravan.server.ingest;

import java.time.Clock;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.springframework.stereotype.Component;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.KnownSensor;

/** Remembers which of our sensors send times from the future. */
@Component
class ClockWatch {

    private final FleetDirectory fleet;
    private final Clock clock;
    private final Queue<KnownSensor> unstored = new ConcurrentLinkedQueue<>();

    ClockWatch(FleetDirectory fleet, Clock clock) {
        this.fleet = fleet;
        this.clock = clock;
    }

    /** From any thread. */
    void isAhead(String sensor) {
        fleet.sensor(sensor).ifPresent(known -> {
            known.clockWrong(clock.instant());
            unstored.add(known);
        });
    }

    /** Has what it noticed stored with what sensors last said; on the single writer's thread. */
    void keep() {
        for (KnownSensor known = unstored.poll(); known != null; known = unstored.poll()) {
            known.toBeStored();
        }
    }
}
