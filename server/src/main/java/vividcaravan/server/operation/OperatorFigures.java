package vividcaravan.server.operation;

import io.micrometer.core.instrument.Gauge;
import io.micrometer.core.instrument.MeterRegistry;
import java.nio.file.Path;
import java.time.Clock;
import java.util.function.ToDoubleFunction;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Urgency;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.WheelStates;
import vividcaravan.server.platform.Storage;
import vividcaravan.server.platform.VividProperties;
import vividcaravan.server.writer.SingleWriter;

/** Figures that are looked up when asked for; those that are counted are counted where they happen. */
@Component
class OperatorFigures {

    /** A vehicle at work is heard every day; over a weekend it rests. */
    private static final long LOST_MILLIS = 72L * 60 * 60 * 1000;

    private final FleetDirectory fleet;
    private final SingleWriter writer;
    private final Path folder;
    private final Storage storage;
    private final Clock clock;

    OperatorFigures(
            FleetDirectory fleet,
            SingleWriter writer,
            VividProperties properties,
            Storage storage,
            Clock clock,
            MeterRegistry meters) {
        this.storage = storage;
        this.fleet = fleet;
        this.writer = writer;
        this.folder = properties.dataDir();
        this.clock = clock;
        gauge(meters, "vivid.writer.queue", "writes waiting for the single writer", OperatorFigures::queue);
        gauge(meters, "vivid.vehicles", "vehicles in service", own -> own.fleet.vehicles().stream()
                .filter(FleetVehicle::isInService)
                .count());
        gauge(
                meters,
                "vivid.vehicles.unheard",
                "vehicles with sensors not heard for three days: resting, or a lost receiver",
                OperatorFigures::unheardVehicles);
        gauge(meters, "vivid.database.bytes", "size of the database file", OperatorFigures::databaseBytes);
        gauge(meters, "vivid.disk.free.bytes", "room left where the database is", OperatorFigures::freeBytes);
        for (Urgency urgency : Urgency.values()) {
            Gauge.builder("vivid.alerts.open", this, own -> own.openAlerts(urgency))
                    .description("open alerts")
                    .tag("urgency", urgency.name())
                    .register(meters);
        }
    }

    private void gauge(MeterRegistry meters, String name, String description, ToDoubleFunction<OperatorFigures> value) {
        Gauge.builder(name, this, value).description(description).register(meters);
    }

    int queue() {
        return writer.waiting();
    }

    long unheardVehicles() {
        long oldest = clock.millis() - LOST_MILLIS;
        return fleet.vehicles().stream()
                .filter(vehicle -> !vehicle.sensors().isEmpty())
                .filter(vehicle -> {
                    Long heardAt = WheelStates.lastHeardAt(vehicle);
                    return heardAt == null || heardAt < oldest;
                })
                .count();
    }

    private long openAlerts(Urgency urgency) {
        return fleet.vehicles().stream()
                .map(FleetVehicle::openAlerts)
                .flatMap(java.util.List::stream)
                .filter(alert -> alert.urgency() == urgency)
                .count();
    }

    long databaseBytes() {
        return storage.bytes();
    }

    long freeBytes() {
        return folder.toFile().getUsableSpace();
    }
}
