package vividcaravan.server.vehicles;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.Position;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.judge.VehicleRules;
import vividcaravan.server.platform.Refusal;

/**
 * What readers may see of a vehicle, all from one moment: replaced as a whole, so that nobody meets the wheels of one
 * description under the rules of another.
 *
 * @param depotNow its depot, or null
 * @param reason why it is out of service, or null
 * @param revision counts the changes of its description
 */
public record VehicleSnapshot(
        VehicleDescription description,
        @Nullable DepotDescription depotNow,
        TemperatureCompensation compensation,
        VehicleRules rules,
        VehicleState state,
        @Nullable String reason,
        int revision) {

    VehicleSnapshot describing(
            VehicleDescription newDescription, @Nullable DepotDescription newDepot, TemperatureCompensation newGas) {
        return new VehicleSnapshot(newDescription, newDepot, newGas, rules, state, reason, revision);
    }

    VehicleSnapshot holdingTo(VehicleRules newRules) {
        return new VehicleSnapshot(description, depotNow, compensation, newRules, state, reason, revision);
    }

    VehicleSnapshot standing(VehicleState newState, @Nullable String newReason, int newRevision) {
        return new VehicleSnapshot(description, depotNow, compensation, rules, newState, newReason, newRevision);
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
