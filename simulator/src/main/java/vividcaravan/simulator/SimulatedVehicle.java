package vividcaravan.simulator;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.Consumer;
import vividcaravan.core.axles.Position;
import vividcaravan.core.gas.Atmosphere;

/** A vehicle with its tyres and sensors, living through its days. */
final class SimulatedVehicle {

    private static final ZoneId ZONE = ZoneId.of(Larkmoor.TIME_ZONE);
    private static final double HOUR_SECONDS = 3_600;

    private static final class Wheel {
        Position position;
        SimulatedTyre tyre;
        SimulatedSensor sensor;
        double fillKpaAt20;
        Fault fault;
        boolean wasFaulty;
    }

    private final VehiclePlan plan;
    private final long anchor;
    private final double altitudeM;
    private final List<Wheel> wheels = new ArrayList<>();

    /**
     * @param index the vehicle's place in the scenario, which its sensors' codes come from
     * @param anchor when the demo was begun, epoch milliseconds
     */
    SimulatedVehicle(VehiclePlan plan, int index, long anchor, long begin) {
        this.plan = plan;
        this.anchor = anchor;
        this.altitudeM = Larkmoor.DEPOTS.get(plan.depot());
        SplittableRandom random = new SplittableRandom(plan.ref().hashCode() * 31L + 7);
        for (Position position : plan.layout().positions()) {
            if (!plan.bareAxles().contains(position.axle())) {
                wheels.add(wheel(position, index, begin, random.split()));
            }
        }
    }

    private Wheel wheel(Position position, int index, long begin, SplittableRandom random) {
        VehiclePlan.PlannedAxle axle = position.isSpare()
                ? plan.axles().stream()
                        .max((a, b) -> Double.compare(a.targetKpa(), b.targetKpa()))
                        .orElseThrow()
                : plan.axles().get(position.axle() - 1);
        Wheel wheel = new Wheel();
        wheel.position = position;
        // Nobody fills to the last kPa.
        wheel.fillKpaAt20 = axle.targetKpa() * (1 + (random.nextDouble() - 0.45) * 0.04);
        wheel.tyre = new SimulatedTyre(
                Atmosphere.at(altitudeM),
                axle.targetKpa(),
                wheel.fillKpaAt20,
                axle.runningRiseC() * (0.94 + random.nextDouble() * 0.12),
                Weather.celsius(begin, altitudeM));
        wheel.sensor = new SimulatedSensor(
                Larkmoor.sensorCode(index, position), plan.stepKpa(), random.nextInt(4) != 0, random);
        wheel.fault = plan.faults().stream()
                .filter(fault -> fault.position().equals(position))
                .findFirst()
                .orElse(null);
        return wheel;
    }

    /** Lets the time from {@code from} to {@code to} pass, epoch milliseconds. */
    void pass(long from, long to, Consumer<SimulatedReading> receiver) {
        double seconds = (to - from) / 1000.0;
        ZonedDateTime local = Instant.ofEpochMilli(from).atZone(ZONE);
        double hour = local.getHour() + local.getMinute() / 60.0;
        boolean isMoving = plan.duty().isMoving(from - anchor, hour);
        double air = Weather.celsius(from, altitudeM);
        for (Wheel wheel : wheels) {
            boolean isTurning = isMoving && !wheel.position.isSpare();
            boolean isFaulty = wheel.fault != null && wheel.fault.isActive(from - anchor);
            if (wheel.wasFaulty && !isFaulty) {
                wheel.tyre.fill(wheel.fillKpaAt20);
            }
            wheel.wasFaulty = isFaulty;
            if (isFaulty) {
                wheel.tyre.lose(wheel.fault.leakKpaPerHour() * seconds / HOUR_SECONDS);
            }
            wheel.tyre.pass(seconds, isTurning, air, isFaulty ? wheel.fault.brakeC() : 0);
            // A spare is shaken awake with the vehicle, whether or not it turns.
            wheel.sensor.pass(from, to, isMoving, wheel.tyre, receiver);
        }
    }
}
