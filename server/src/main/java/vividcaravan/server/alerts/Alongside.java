package vividcaravan.server.alerts;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;

/**
 * Holds a wheel against those of the vehicles that are coupled to its own, for whoever reads its alert. The judge looks at one
 * vehicle: what it says is not to depend on which vehicle's readings came in first.
 */
@Component
class Alongside {

    /** What was heard before says nothing of now. */
    private static final Duration LATELY = Duration.ofMinutes(30);

    private static final int LEAST_WHEELS = 2;

    private final FleetDirectory fleet;
    private final Clock clock;

    Alongside(FleetDirectory fleet, Clock clock) {
        this.fleet = fleet;
        this.clock = clock;
    }

    /** What they show, in words; empty where nothing hangs together, little was heard, or it would say nothing of the alert. */
    Optional<String> of(FleetVehicle vehicle, Alert alert, AlertWords words) {
        if (alert.kind() == AlertKind.RECEIVER_SILENT && alert.state() != AlertState.CLOSED) {
            return pulledAlong(vehicle, words);
        }
        boolean isOfAWheel = alert.position() != null
                && alert.state() != AlertState.CLOSED
                && (alert.kind().family() == AlertFamily.TYRE || alert.kind().isHeat());
        if (!isOfAWheel) {
            return Optional.empty();
        }
        long since = clock.millis() - LATELY.toMillis();
        List<String> vehicles = new ArrayList<>();
        List<Double> celsius = new ArrayList<>();
        List<Double> deviations = new ArrayList<>();
        for (FleetVehicle other : fleet.combination(vehicle, clock.millis())) {
            int before = celsius.size();
            if (other.id() != vehicle.id()) {
                add(other, since, celsius, deviations);
            }
            if (celsius.size() > before) {
                vehicles.add(other.description().ref());
            }
        }
        return celsius.size() < LEAST_WHEELS
                ? Optional.empty()
                : Optional.of(words.alongside(vehicles, celsius.size(), middle(celsius), middle(deviations)));
    }

    private Optional<String> pulledAlong(FleetVehicle vehicle, AlertWords words) {
        List<String> moving = fleet.combination(vehicle, clock.millis()).stream()
                .filter(other -> other.id() != vehicle.id() && isHeardMoving(other))
                .map(other -> other.description().ref())
                .toList();
        return moving.isEmpty() ? Optional.empty() : Optional.of(words.pulledAlong(moving));
    }

    private boolean isHeardMoving(FleetVehicle vehicle) {
        long since = clock.millis() - LATELY.toMillis();
        return vehicle.sensors().values().stream()
                .map(KnownSensor::newest)
                .anyMatch(newest -> newest != null && newest.at() >= since && Boolean.TRUE.equals(newest.moving()));
    }

    private static void add(FleetVehicle vehicle, long since, List<Double> celsius, List<Double> deviations) {
        for (Position position : vehicle.description().layout().positions()) {
            KnownSensor sensor = vehicle.sensorAt(position).orElse(null);
            Reading newest = sensor == null ? null : sensor.newest();
            if (newest == null || position.isSpare() || newest.at() < since || !newest.isMeasurement()) {
                continue;
            }
            vehicle.snapshot().rules().at(position).ifPresent(rules -> {
                double at20 = vehicle.compensation(sensor).compensateKpa(newest.pressureKpa(), newest.temperatureC());
                celsius.add(newest.temperatureC());
                deviations.add(rules.limits().deviation(at20));
            });
        }
    }

    private static double middle(List<Double> values) {
        Collections.sort(values);
        int n = values.size();
        return (values.get((n - 1) / 2) + values.get(n / 2)) / 2;
    }
}
