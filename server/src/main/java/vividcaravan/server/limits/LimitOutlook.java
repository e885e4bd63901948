package vividcaravan.server.limits;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.Basis;
import vividcaravan.core.limits.LimitFault;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.core.limits.PressureBand;
import vividcaravan.core.limits.VehicleUse;
import vividcaravan.server.fleet.AxleDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.fleet.VehicleDescription;
import vividcaravan.server.fleet.WheelLimits;

/** What a change of limits comes to, by the latest readings. */
@Component
class LimitOutlook {

    private final FleetDirectory fleet;

    LimitOutlook(FleetDirectory fleet) {
        this.fleet = fleet;
    }

    /** The axles that change, the wheels whose newest reading stands otherwise by it, and what speaks against it. */
    LimitPreview of(LimitPlan plan) {
        List<LimitPreview.ChangedAxle> axles = new ArrayList<>();
        List<LimitPreview.ChangedWheel> opens = new ArrayList<>();
        List<LimitPreview.ChangedWheel> closes = new ArrayList<>();
        List<LimitPreview.LimitFaultAt> faults = new ArrayList<>();
        plan.vehicles().forEach((vehicle, after) -> {
            VehicleDescription before = vehicle.description();
            for (int number = 1; number <= after.axles().size(); number++) {
                AxleDescription axle = after.axles().get(number - 1);
                List<LimitFault> wrong = faults(after, axle);
                if (wrong.isEmpty()) {
                    wrong = beyondItsSensors(vehicle, number, after.limits(axle));
                }
                for (LimitFault fault : wrong) {
                    faults.add(new LimitPreview.LimitFaultAt(after.ref(), number, fault.field(), fault.message()));
                }
                AxleLimits was = before.limits(before.axles().get(number - 1));
                if (wrong.isEmpty() && !was.equals(after.limits(axle))) {
                    AxleLimits is = after.limits(axle);
                    axles.add(
                            new LimitPreview.ChangedAxle(after.ref(), number, WheelLimits.of(was), WheelLimits.of(is)));
                    addWheels(vehicle, number, was, is, opens, closes);
                }
            }
        });
        return new LimitPreview(axles, opens, closes, faults, null);
    }

    /** Limits have to stand in every use that the axle has a target for. */
    private static List<LimitFault> faults(VehicleDescription vehicle, AxleDescription axle) {
        List<LimitFault> faults = new ArrayList<>();
        List<VehicleUse> uses = new ArrayList<>(axle.targets().uses());
        uses.add(VehicleUse.ROAD);
        for (VehicleUse use : uses) {
            LimitPolicy inherited = vehicle.usedFor(use).inherited(axle);
            faults.addAll(axle.overrides().faultsOver(inherited));
            if (faults.isEmpty()) {
                faults.addAll(axle.targets().faults(axle.overrides().over(inherited)));
            }
            if (!faults.isEmpty()) {
                return faults;
            }
        }
        faults.addAll(axle.targets().faults(axle.tyre()));
        return faults;
    }

    /** A limit that a sensor cannot reach is never raised. */
    private List<LimitFault> beyondItsSensors(FleetVehicle vehicle, int axle, AxleLimits limits) {
        OptionalDouble range = vehicle.sensors().entrySet().stream()
                .filter(entry -> entry.getKey().axle() == axle)
                .flatMap(entry -> entry.getValue().mount().stream())
                .map(mount -> fleet.make(mount).rangeKpa())
                .filter(Objects::nonNull)
                .mapToDouble(Double::doubleValue)
                .min();
        return range.isPresent() && limits.highKpa() > range.getAsDouble()
                ? List.of(new LimitFault(
                        "highPct",
                        "The high limit of " + Math.round(limits.highKpa()) + " kPa is beyond the "
                                + Math.round(range.getAsDouble()) + " kPa that its sensors can measure."))
                : List.of();
    }

    private static void addWheels(
            FleetVehicle vehicle,
            int axle,
            AxleLimits was,
            AxleLimits is,
            List<LimitPreview.ChangedWheel> opens,
            List<LimitPreview.ChangedWheel> closes) {
        vehicle.sensors().forEach((position, sensor) -> {
            Reading newest = sensor.newest();
            if (position.axle() != axle || newest == null || !newest.isMeasurement()) {
                return;
            }
            PressureBand before = PressureBand.of(was, judged(vehicle, sensor, was));
            PressureBand after = PressureBand.of(is, judged(vehicle, sensor, is));
            if (before == after) {
                return;
            }
            (after == PressureBand.IN_BAND ? closes : opens)
                    .add(new LimitPreview.ChangedWheel(
                            vehicle.description().ref(), position.code(), words(position, after)));
        });
    }

    private static double judged(FleetVehicle vehicle, KnownSensor sensor, AxleLimits limits) {
        Reading reading = sensor.newest();
        TemperatureCompensation compensation = vehicle.compensation(sensor);
        return limits.policy().basis() == Basis.COMPENSATED
                ? compensation.compensateKpa(reading.pressureKpa(), reading.temperatureC())
                : compensation.gaugeKpa(reading.pressureKpa());
    }

    private static String words(Position position, PressureBand band) {
        return position.words()
                + switch (band) {
                    case BELOW_SECOND -> " would be below the second limit";
                    case BELOW_FIRST -> " would be below the first limit";
                    case ABOVE -> " would be over the high limit";
                    case IN_BAND -> " would be in band";
                };
    }
}
