package vividcaravan.simulator;

import java.util.List;
import java.util.Set;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;

/**
 * A vehicle of the scenario.
 *
 * @param axles from the front
 * @param mount how its sensors are held
 * @param stepKpa the step of its sensors, kPa
 * @param bareAxles numbers of axles that have no sensors yet
 * @param traits what else sets it apart
 */
record VehiclePlan(
        String ref,
        VehicleKind kind,
        String plate,
        String depot,
        List<PlannedAxle> axles,
        int spares,
        MountKind mount,
        double stepKpa,
        Duty duty,
        List<Fault> faults,
        List<Integer> bareAxles,
        Set<Trait> traits) {

    /** What sets a vehicle apart. */
    enum Trait {
        /** Its sensors report while it is parked too. */
        ALWAYS_ON,
        /** Its sensors show the pressure over the air outside, at whatever height. */
        VENTED,
        /** It stands on Sundays. */
        RESTS_ON_SUNDAYS
    }

    /**
     * An axle with its target.
     *
     * @param runningRiseC how much warmer than the air its tyres get on the road, °C
     */
    record PlannedAxle(Axle axle, double targetKpa, double runningRiseC) {}

    /** Whether a system on the vehicle keeps an axle inflated, counted from the front. */
    boolean inflatesItself(int axle) {
        return faults.stream()
                .anyMatch(fault -> fault.kind() == Fault.Kind.AUTO_INFLATION
                        && (fault.position() == null || fault.position().axle() == axle));
    }

    AxleLayout layout() {
        return new AxleLayout(axles.stream().map(PlannedAxle::axle).toList(), spares);
    }

    /** The wheel on the same side of the next axle, or of the one before it where it is the last. */
    Position exchangedWith(Position position) {
        int other = position.axle() < axles.size() ? position.axle() + 1 : position.axle() - 1;
        return layout().positions().stream()
                .filter(wheel -> !wheel.isSpare() && wheel.axle() == other && wheel.side() == position.side())
                .findFirst()
                .orElseThrow();
    }
}
