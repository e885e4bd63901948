package vividcaravan.server.workshop.round;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.core.gas.Atmosphere;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.planning.ColdMorning;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.fleet.VehicleSnapshot;
import vividcaravan.server.history.ColdestReadings;

/** What the wheels of some vehicles will read on a cold morning, and what to add before. */
@Component
class SeasonalOutlook {

    /** What was heard longer ago says little of what is in the tyre now. */
    private static final Duration RECENT = Duration.ofDays(7);

    /** About what tyres have that were not driven lately, °C [our judgement]. */
    private static final double MILD_C = 20;

    private final FleetDirectory fleet;
    private final ColdestReadings coldest;
    private final Clock clock;

    SeasonalOutlook(FleetDirectory fleet, ColdestReadings coldest, Clock clock) {
        this.fleet = fleet;
        this.coldest = coldest;
        this.clock = clock;
    }

    /**
     * A wheel.
     *
     * @param nowKpa what a gauge shows there now, kPa
     * @param at when its sensor said so
     * @param hasRunSoft whether it is not to be inflated on the vehicle
     * @param isLeaking whether it is known to lose air: filling is no repair
     * @param isUnderAlert whether an alert is open there that forbids air: what that says is done first
     */
    record Wheel(
            Position position,
            double targetKpa,
            double nowKpa,
            double tyreC,
            Instant at,
            ColdMorning morning,
            boolean hasRunSoft,
            boolean isLeaking,
            boolean isUnderAlert) {}

    /**
     * A vehicle.
     *
     * @param wheels those that are to be filled, or are below a limit that morning; the lowest first
     * @param unheard wheels of which nothing was heard lately
     */
    record Vehicle(FleetVehicle vehicle, List<Wheel> wheels, int unheard) {

        /** What filling it takes, minutes. */
        int minutes() {
            return wheels.isEmpty() ? 0 : (int) Math.round(ColdMorning.minutes(1, wheels.size()));
        }

        /** How far its worst wheel will be below target, share; 0 where none is. */
        double worst() {
            return wheels.stream()
                    .mapToDouble(wheel -> wheel.morning().share())
                    .min()
                    .orElse(0);
        }
    }

    /** The vehicles of a depot, or all. */
    List<FleetVehicle> vehicles(@Nullable String depot) {
        return fleet.vehicles().stream()
                .filter(vehicle ->
                        depot == null || depot.equals(vehicle.description().depot()))
                .toList();
    }

    /** How cold last week's mornings were, °C; empty where no sensor tells. */
    OptionalDouble lastWeeksMorningC(List<FleetVehicle> vehicles) {
        long now = clock.millis();
        List<KnownSensor> sensors = vehicles.stream()
                .flatMap(vehicle -> vehicle.sensors().values().stream())
                .filter(sensor ->
                        sensor.mount().filter(mount -> mount.isOutside()).isEmpty())
                .sorted(Comparator.comparingLong(KnownSensor::id))
                .toList();
        return coldest.middleOfColdestC(sensors, now - RECENT.toMillis(), now);
    }

    /** Those that need air before such a morning, whoever needs it most first. */
    List<Vehicle> of(List<FleetVehicle> vehicles, double morningC) {
        return vehicles.stream()
                .map(vehicle -> look(vehicle, morningC))
                .filter(vehicle -> !vehicle.wheels().isEmpty() || vehicle.unheard() > 0)
                .sorted(Comparator.comparingDouble(Vehicle::worst)
                        .thenComparing(one -> one.vehicle().description().ref()))
                .toList();
    }

    private static boolean isLeaking(FleetVehicle vehicle, Position position) {
        return vehicle.openAlerts().stream().anyMatch(alert -> position.equals(alert.position()) && alert.wasLeak());
    }

    /** A cap in the wind and the end of a hot run say nothing of what a morning will be. */
    private static boolean isOfItsAir(FleetVehicle vehicle, Position position, Reading newest) {
        return PressureLook.isAirsTemperature(vehicle, position, newest.temperatureC(), MILD_C, true);
    }

    private Vehicle look(FleetVehicle vehicle, double morningC) {
        VehicleSnapshot snapshot = vehicle.snapshot();
        double altitude = snapshot.depot().map(depot -> depot.altitudeM()).orElse(0.0);
        List<Wheel> wheels = new ArrayList<>();
        int unheard = 0;
        for (Position position : snapshot.description().layout().positions()) {
            KnownSensor sensor = vehicle.sensorAt(position).orElse(null);
            Reading newest = sensor == null ? null : sensor.newest();
            boolean isRecent = newest != null
                    && newest.isMeasurement()
                    && newest.at() >= clock.millis() - RECENT.toMillis()
                    && isOfItsAir(vehicle, position, newest);
            if (!isRecent) {
                unheard += position.isSpare() ? 0 : 1;
                continue;
            }
            AxleLimits judged = snapshot.rules().at(position).orElseThrow().limits();
            AxleLimits limits = judged.onTheGauge();
            double now = vehicle.compensation(sensor).gaugeKpa(newest.pressureKpa());
            ColdMorning morning = ColdMorning.of(
                    new ColdMorning.Held(
                            limits.targetKpa(),
                            limits.lowKpa(),
                            limits.lowCriticalKpa(),
                            judged.highKpa(),
                            !vehicle.forbidsAir(position)),
                    now,
                    newest.temperatureC(),
                    morningC,
                    Atmosphere.at(altitude));
            if (morning.addKpa() > 0 || morning.isBelowFirst()) {
                wheels.add(new Wheel(
                        position,
                        limits.targetKpa(),
                        now,
                        newest.temperatureC(),
                        Instant.ofEpochMilli(newest.at()),
                        morning,
                        PressureLook.hasRunSoft(vehicle, position),
                        isLeaking(vehicle, position),
                        vehicle.forbidsAir(position)));
            }
        }
        wheels.sort(Comparator.comparingDouble(wheel -> wheel.morning().share()));
        return new Vehicle(vehicle, wheels, unheard);
    }
}
