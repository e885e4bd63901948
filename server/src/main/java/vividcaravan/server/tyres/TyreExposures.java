package vividcaravan.server.tyres;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.core.tyres.Exposure;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyreStay;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.history.WheelHours;
import vividcaravan.server.wheels.WheelChanges;

/** What tyres went through at the wheels they stood at. */
@Component
public class TyreExposures {

    private final FleetDirectory fleet;
    private final WheelHours hours;
    private final WheelChanges changes;
    private final Clock clock;

    TyreExposures(FleetDirectory fleet, WheelHours hours, WheelChanges changes, Clock clock) {
        this.fleet = fleet;
        this.hours = hours;
        this.changes = changes;
        this.clock = clock;
    }

    /** Of all its stays; as a spare it is not run, and what is heard there does not count. */
    Exposure of(List<TyreStay> stays) {
        Exposure sum = Exposure.NONE;
        for (TyreStay stay : stays) {
            if (stay.place() instanceof TyrePlace.AtWheel wheel
                    && !wheel.position().isSpare()) {
                sum = sum.plus(fleet.vehicle(wheel.vehicle())
                        .filter(vehicle -> vehicle.description().layout().has(wheel.position()))
                        .map(vehicle -> of(vehicle, wheel.position(), stay.from(), stay.to()))
                        .orElse(Exposure.NONE));
            }
        }
        return sum;
    }

    /** Of whatever stood at a wheel for some time, epoch milliseconds. */
    public Exposure of(FleetVehicle vehicle, Position position, long from, long to) {
        long end = Math.min(to, clock.millis() + 1);
        Exposure[] sum = {Exposure.NONE};
        // A wheel that was described away has no target any more to hold its hours against.
        boolean isGone = !vehicle.description().layout().has(position) || position.isSpare();
        if (from >= end || isGone) {
            return sum[0];
        }
        List<WheelChanges.WheelChange> retargeted =
                changes.of(vehicle, position, Instant.ofEpochMilli(from), clock.instant()).stream()
                        .filter(change -> change.kind() == WheelChanges.Kind.LIMITS_CHANGED)
                        .toList();
        double now = vehicle.description()
                .limits(vehicle.description().axles().get(position.axle() - 1))
                .targetKpa();
        hours.each(vehicle, position, from, end, hour -> {
            double target = retargeted.stream()
                    .filter(change -> change.at().toEpochMilli() > hour.at())
                    .findFirst()
                    .map(WheelChanges.WheelChange::fromKpa)
                    .orElse(now);
            // Only of low hours it matters, and they are few.
            boolean isParked = Exposure.isLow(hour.meanAt20Kpa(), target) && hours.isParked(vehicle, position, hour);
            sum[0] = sum[0].plusHour(hour.meanAt20Kpa(), target, hour.highestC(), isParked);
        });
        return sum[0];
    }
}
