package vividcaravan.server.workshop;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.Position;
import vividcaravan.core.gas.Atmosphere;
import vividcaravan.core.judge.Reading;
import vividcaravan.core.planning.PressureAdvice;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.vehicles.FleetDirectory;
import vividcaravan.server.vehicles.KnownSensor;
import vividcaravan.server.vehicles.VehicleInService;

/** What to do with the pressure of every wheel of some vehicles, by their newest readings. */
@RestController
@RequestMapping("/api/v1")
@Tag(name = "workshop")
class PressureRoundController {

    private static final int MOST_VEHICLES = 20;
    /** What was said longer ago says nothing of the pressure now. */
    private static final long FRESH_MILLIS = 30L * 60 * 1000;

    private static final double COLDEST_AIR_C = -50;
    private static final double WARMEST_AIR_C = 60;
    private static final double MILD_C = 20;

    private final FleetDirectory fleet;
    private final Clock clock;

    PressureRoundController(FleetDirectory fleet, Clock clock) {
        this.fleet = fleet;
        this.clock = clock;
    }

    /**
     * A round of pressures.
     *
     * @param airC temperature of the air outside that was reckoned with, °C
     * @param isAirGuessed whether that is the coolest tyre's, since nobody said
     */
    record PressureRound(double airC, boolean isAirGuessed, List<RoundVehicle> vehicles) {}

    /** One vehicle of the round. */
    record RoundVehicle(String ref, List<RoundWheel> wheels) {}

    /**
     * One wheel of the round.
     *
     * @param targetNowKpa what a gauge should show at its present temperature, kPa; null without a fresh reading
     * @param action what to do; null without a fresh reading
     * @param changeKpa how much to add, negative to let out, kPa
     * @param at when its sensor last spoke
     */
    record RoundWheel(
            String position,
            String words,
            double targetKpa,
            @Nullable Double gaugeKpa,
            @Nullable Double temperatureC,
            @Nullable Double targetNowKpa,
            PressureAdvice.@Nullable Action action,
            @Nullable Double changeKpa,
            @Nullable Instant at) {}

    @GetMapping("/pressure-round")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(
            operationId = "getPressureRound",
            summary = "What to do with the pressure of every wheel of some vehicles, by their newest readings")
    PressureRound round(
            @RequestParam(required = false) @Nullable List<String> vehicle,
            @RequestParam(required = false) @Nullable Double airC) {
        if (vehicle == null || vehicle.isEmpty() || vehicle.size() > MOST_VEHICLES) {
            throw Refusal.badRequest("vehicle", "Choose 1 to " + MOST_VEHICLES + " vehicles.");
        }
        if (airC != null && !(airC >= COLDEST_AIR_C && airC <= WARMEST_AIR_C)) {
            throw Refusal.badRequest("airC", "The air outside has -50 to 60 °C, this says " + airC + ".");
        }
        List<VehicleInService> chosen =
                vehicle.stream().distinct().map(fleet::existing).toList();
        double air = airC == null ? coolest(chosen) : airC;
        return new PressureRound(
                air, airC == null, chosen.stream().map(one -> look(one, air)).toList());
    }

    private double coolest(List<VehicleInService> vehicles) {
        return vehicles.stream()
                .flatMap(vehicle -> vehicle.sensors().values().stream())
                .map(KnownSensor::newest)
                .filter(this::isFresh)
                .mapToDouble(Reading::temperatureC)
                .min()
                .orElse(MILD_C);
    }

    private boolean isFresh(@Nullable Reading reading) {
        return reading != null && reading.isMeasurement() && reading.at() >= clock.millis() - FRESH_MILLIS;
    }

    private RoundVehicle look(VehicleInService vehicle, double airC) {
        List<RoundWheel> wheels = new ArrayList<>();
        for (Position position : vehicle.description().layout().positions()) {
            double target = vehicle.rules().at(position).orElseThrow().limits().targetKpa();
            Reading newest = vehicle.sensorAt(position).map(KnownSensor::newest).orElse(null);
            PressureAdvice advice = isFresh(newest) ? advice(vehicle, target, newest, airC) : null;
            wheels.add(new RoundWheel(
                    position.code(),
                    position.words(),
                    target,
                    advice == null ? null : newest.pressureKpa(),
                    advice == null ? null : newest.temperatureC(),
                    advice == null ? null : advice.targetNowKpa(),
                    advice == null ? null : advice.action(),
                    advice == null ? null : advice.changeKpa(),
                    newest == null ? null : Instant.ofEpochMilli(newest.at())));
        }
        return new RoundVehicle(vehicle.description().ref(), wheels);
    }

    private static PressureAdvice advice(VehicleInService vehicle, double target, Reading reading, double airC) {
        double altitude = vehicle.depot().map(depot -> depot.altitudeM()).orElse(0.0);
        return PressureAdvice.of(target, reading.pressureKpa(), reading.temperatureC(), airC, Atmosphere.at(altitude));
    }
}
