package vividcaravan.server.fleet;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.SensorAir;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.judge.rules.VehicleRules;
import vividcaravan.server.platform.Refusal;

/**
 * What readers may see of a vehicle, all from one moment: replaced as a whole, so that nobody meets the wheels of one
 * description under the rules of another.
 *
 * @param depotNow its depot, or null
 * @param air the air there, and what its sensors make of it
 * @param reason why it is out of service, or null
 * @param revision counts the changes of its description
 */
public record VehicleSnapshot(
        VehicleDescription description,
        @Nullable DepotDescription depotNow,
        SensorAir air,
        VehicleRules rules,
        VehicleState state,
        @Nullable String reason,
        int revision) {

    VehicleSnapshot describing(
            VehicleDescription newDescription, @Nullable DepotDescription newDepot, SensorAir newAir) {
        return new VehicleSnapshot(newDescription, newDepot, newAir, rules, state, reason, revision);
    }

    VehicleSnapshot holdingTo(VehicleRules newRules) {
        return new VehicleSnapshot(description, depotNow, air, newRules, state, reason, revision);
    }

    VehicleSnapshot standing(VehicleState newState, @Nullable String newReason, int newRevision) {
        return new VehicleSnapshot(description, depotNow, air, rules, newState, newReason, newRevision);
    }

    /** What brings readings of a sensor to 20 °C on a gauge at the vehicle's depot. */
    public TemperatureCompensation compensation(KnownSensor sensor) {
        return air.of(sensor.mount().orElse(null));
    }

    /** Its depot; empty where none was named. */
    public Optional<DepotDescription> depot() {
        return Optional.ofNullable(depotNow);
    }

    /** Why it is out of service, where somebody said so. */
    public Optional<String> stateReason() {
        return Optional.ofNullable(reason);
    }

    /** Whether people are told of its alerts. */
    public boolean isInService() {
        return state == VehicleState.IN_SERVICE;
    }

    /**
     * The position with this code.
     *
     * @throws Refusal if the vehicle has no such wheel
     */
    public Position existing(String code) {
        return Position.find(code)
                .filter(position -> rules.at(position).isPresent())
                .orElseThrow(() -> Refusal.notFound("The vehicle \"" + description.ref() + "\" has no wheel \"" + code
                        + "\"; it has " + description.layout().positions() + "."));
    }
}
