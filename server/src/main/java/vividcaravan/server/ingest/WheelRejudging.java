package vividcaravan.server.ingest;

import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.writer.Pen;

/**
 * What follows for a wheel of which it was learned late what sat there or what it said: from here on it is judged by what sits there
 * now, and where something was said since, it is owed a run over its past.
 */
@Component
class WheelRejudging {

    private final FleetDirectory fleet;
    private final OwedRuns owed;

    WheelRejudging(FleetDirectory fleet, OwedRuns owed) {
        this.fleet = fleet;
        this.owed = owed;
    }

    /**
     * The record of a wheel is another from {@code since} on. What its vehicle's judge has seen is stored with that, or a start would
     * judge it as it was before.
     */
    void corrected(Pen pen, FleetVehicle vehicle, Position position, long since) {
        if (wasHeardSince(vehicle, position, since)) {
            owed.corrected(pen, vehicle, position, since);
        }
        goOn(vehicle, position, since);
    }

    /** A reading came after its wheel had judged a newer one of another sensor's stay. */
    void cameLate(Pen pen, FleetVehicle vehicle, Position position, long at) {
        owed.cameLate(pen, vehicle, position, at);
    }

    /** Whether any sensor that sat on the vehicle then, or came to this wheel since, said anything after {@code since}. */
    private boolean wasHeardSince(FleetVehicle vehicle, Position position, long since) {
        return Stream.concat(
                        vehicle.everFitted().stream(),
                        fleet.staysAt(vehicle, position, since - 1, Fitting.OPEN).stream()
                                .map(stay -> fleet.sensor(stay.sensor()).orElseThrow()))
                .map(KnownSensor::newest)
                .anyMatch(newest -> newest != null && newest.at() >= since);
    }

    /** What was judged stands until it is judged again, and the next word is judged by what sits there now. */
    private void goOn(FleetVehicle vehicle, Position position, long since) {
        fleet.staysAt(vehicle, position, since - 1, Fitting.OPEN).forEach(vehicle.judge()::ends);
        vehicle.expectSensors();
        vehicle.judged(position);
    }
}
