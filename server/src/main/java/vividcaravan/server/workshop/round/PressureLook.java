package vividcaravan.server.workshop.round;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.gas.Atmosphere;
import vividcaravan.core.judge.rules.Adjustment;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.planning.PressureAdvice;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.fleet.VehicleSnapshot;

/** What to do with the pressure of every wheel of a vehicle, by its newest readings. */
@Component
class PressureLook {

    /** What was said longer ago says nothing of the pressure now. */
    private static final long FRESH_MILLIS = 30L * 60 * 1000;

    private static final long LAST_NIGHT_MILLIS = 24L * 60 * 60 * 1000;

    /** Nearer than this a sensor at a rim shows what the air outside has, °C [our judgement]. */
    private static final double AS_THE_AIR_C = 5;

    private static final double MILD_C = 20;

    private final Clock clock;

    PressureLook(Clock clock) {
        this.clock = clock;
    }

    /**
     * One wheel.
     *
     * @param targetKpa cold target, kPa
     * @param gaugeKpa what a hand gauge shows: by what its sensor reports, or found since, kPa
     * @param advice null without a fresh reading
     * @param at when its sensor last spoke
     * @param set what was last recorded of setting it, or null
     */
    record Wheel(
            Position position,
            double targetKpa,
            @Nullable Double gaugeKpa,
            @Nullable Double temperatureC,
            @Nullable PressureAdvice advice,
            @Nullable Instant at,
            @Nullable Adjustment set) {

        /** Whether it reads right; where nothing is heard, whether it was set to its cold target. */
        boolean isRight() {
            return advice == null || advice.action() == PressureAdvice.Action.HAND_GAUGE
                    ? set != null
                            && set.afterKpa() != null
                            && Math.abs(set.afterKpa() - targetKpa) <= PressureAdvice.toleranceKpa(targetKpa)
                    : advice.action() == PressureAdvice.Action.RIGHT;
        }
    }

    /** The temperature of the air outside where nobody said: the coolest tyre's that spoke lately, otherwise 20 °C. */
    double coolestC(List<FleetVehicle> vehicles) {
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

    /**
     * Every wheel of a vehicle, spares among them.
     *
     * @param isAirStated whether somebody said what the air outside has
     * @param since what was recorded of setting a pressure from then on counts, epoch milliseconds
     */
    List<Wheel> at(FleetVehicle vehicle, double airC, boolean isAirStated, long since) {
        List<Wheel> wheels = new ArrayList<>();
        VehicleSnapshot snapshot = vehicle.snapshot();
        for (Position position : snapshot.description().layout().positions()) {
            double target = snapshot.rules().at(position).orElseThrow().limits().coldKpa();
            Reading newest = vehicle.sensorAt(position).map(KnownSensor::newest).orElse(null);
            boolean isFresh = isFresh(newest) || isOfLastNight(vehicle, position, newest, isAirStated);
            // A round is gone with a hand gauge: its figures are a gauge's, wherever the vehicle stands.
            Double gauge = isFresh ? gaugeKpa(vehicle, position, newest) : null;
            PressureAdvice advice =
                    isFresh ? advice(vehicle, position, target, gauge, newest.temperatureC(), airC, isAirStated) : null;
            Adjustment set = vehicle.latestAdjustment(position, since).orElse(null);
            boolean isGaugedSince = isFresh && set != null && set.afterKpa() != null && set.at() > newest.at();
            if (isGaugedSince && !isForbidden(advice)) {
                gauge = set.afterKpa();
                advice = advice(vehicle, position, target, gauge, newest.temperatureC(), airC, isAirStated);
            }
            wheels.add(new Wheel(
                    position,
                    target,
                    gauge,
                    isFresh ? newest.temperatureC() : null,
                    advice,
                    newest == null ? null : Instant.ofEpochMilli(newest.at()),
                    set));
        }
        return wheels;
    }

    private static double gaugeKpa(FleetVehicle vehicle, Position position, Reading reading) {
        KnownSensor sensor = vehicle.sensorAt(position).orElseThrow();
        return vehicle.compensation(sensor).gaugeKpa(reading.pressureKpa());
    }

    private static PressureAdvice advice(
            FleetVehicle vehicle,
            Position position,
            double target,
            double gauge,
            double tyreC,
            double airC,
            boolean isAirStated) {
        boolean isSoaked = vehicle.isSoaked(position);
        boolean isCold = isAirStated && isSoaked && !isOutside(vehicle, position);
        PressureAdvice.Known known = new PressureAdvice.Known(
                isCold, vehicle.isToBeFilled(position), isAirsTemperature(vehicle, position, tyreC, airC, isAirStated));
        double altitude = vehicle.depot().map(depot -> depot.altitudeM()).orElse(0.0);
        PressureAdvice advice = PressureAdvice.of(target, gauge, tyreC, airC, Atmosphere.at(altitude), known);
        if (hasRunSoft(vehicle, position)) {
            return advice.afterRunningSoft();
        }
        return vehicle.forbidsAir(position) ? advice.underAnAlert() : advice;
    }

    private static boolean isForbidden(PressureAdvice advice) {
        return advice.action() == PressureAdvice.Action.DO_NOT_INFLATE
                || advice.action() == PressureAdvice.Action.SEE_ALERT;
    }

    private static boolean isOutside(FleetVehicle vehicle, Position position) {
        return vehicle.sensorAt(position)
                .flatMap(KnownSensor::mount)
                .filter(mount -> mount.isOutside())
                .isPresent();
    }

    /**
     * Whether what a sensor shows is the temperature of the air in its tyre: after a night always, in a glued one always; at a rim,
     * which a brake heats, only where it is as warm as the air outside, and never under a cap in the wind. Where nobody said
     * what the air outside has, warm tyres would make each other look cold.
     */
    static boolean isAirsTemperature(
            FleetVehicle vehicle, Position position, double tyreC, double airC, boolean isAirStated) {
        boolean isGlued = vehicle.sensorAt(position)
                .flatMap(KnownSensor::mount)
                .filter(mount -> mount == MountKind.GLUED)
                .isPresent();
        boolean isAsTheAir = isAirStated && Math.abs(tyreC - airC) <= AS_THE_AIR_C && !isOutside(vehicle, position);
        return vehicle.isSoaked(position) || isGlued || isAsTheAir;
    }

    /** What a soaked sensor said before it fell asleep is good for a day, brought to what somebody says that the air has now. */
    private boolean isOfLastNight(
            FleetVehicle vehicle, Position position, @Nullable Reading reading, boolean isAirStated) {
        return isAirStated
                && reading != null
                && reading.isMeasurement()
                && reading.at() >= clock.millis() - LAST_NIGHT_MILLIS
                && vehicle.isSoaked(position)
                && !vehicle.isUnderWay();
    }

    /** A tyre that was filled after it ran soft reads perfect, and is not. */
    static boolean hasRunSoft(FleetVehicle vehicle, Position position) {
        return Stream.concat(vehicle.openAlerts().stream(), vehicle.untoldAlerts().stream())
                .anyMatch(alert -> position.equals(alert.position()) && alert.isRunSoft());
    }
}
