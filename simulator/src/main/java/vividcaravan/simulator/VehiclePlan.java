package vividcaravan.simulator;

import java.util.List;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.VehicleKind;

/**
 * A vehicle of the scenario.
 *
 * @param axles from the front
 * @param mount how its sensors are held
 * @param stepKpa the step of its sensors, kPa
 * @param bareAxles numbers of axles that have no sensors yet
 * @param alwaysOn whether its sensors report while it is parked too
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
        boolean alwaysOn) {

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
}
