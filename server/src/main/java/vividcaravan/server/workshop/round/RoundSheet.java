package vividcaravan.server.workshop.round;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.planning.PressureAdvice;
import vividcaravan.core.units.PressureUnit;

/**
 * The sheet of a pressure round.
 *
 * @param airC temperature of the air outside that was reckoned with, °C
 * @param isAirGuessed whether that is the coolest tyre's, since nobody said
 */
record RoundSheet(double airC, boolean isAirGuessed, List<RoundVehicle> vehicles) {

    /** One vehicle of the round. */
    record RoundVehicle(String ref, List<RoundWheel> wheels) {}

    /**
     * One wheel of the round.
     *
     * @param targetNowKpa what a gauge should show at its present temperature, kPa; null without a fresh reading
     * @param action what to do; null without a fresh reading
     * @param changeKpa how much to add, negative to let out, kPa
     * @param toDo what to do, in words and in the reader's unit
     * @param at when its sensor last spoke
     * @param set how its pressure was set in this round, by what was recorded; null if nothing was
     * @param reason why it stays as it is, or what was found; null if nobody said
     * @param isSettled whether it reads right, was set right by the hand gauge, or has a reason
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
            @Nullable String toDo,
            @Nullable Instant at,
            @Nullable SetPressure set,
            @Nullable String reason,
            @Nullable String reasonBy,
            boolean isSettled) {

        RoundWheel inWords(PressureUnit unit) {
            return new RoundWheel(
                    position,
                    words,
                    targetKpa,
                    gaugeKpa,
                    temperatureC,
                    targetNowKpa,
                    action,
                    changeKpa,
                    PressureAdvice.words(action, changeKpa == null ? 0 : changeKpa, at != null, unit),
                    at,
                    set,
                    reason,
                    reasonBy,
                    isSettled);
        }
    }

    /**
     * A pressure that was set.
     *
     * @param beforeKpa what the hand gauge showed before, kPa; null if it was not written down
     * @param afterKpa what it showed after, kPa; null if it was not written down
     */
    record SetPressure(@Nullable Double beforeKpa, @Nullable Double afterKpa, Instant at) {}

    /** The same with what to do in words. */
    RoundSheet inWords(PressureUnit unit) {
        return new RoundSheet(
                airC,
                isAirGuessed,
                vehicles.stream()
                        .map(vehicle -> new RoundVehicle(
                                vehicle.ref(),
                                vehicle.wheels().stream()
                                        .map(wheel -> wheel.inWords(unit))
                                        .toList()))
                        .toList());
    }

    /** How many wheels neither read right nor have a reason. */
    int unsettled() {
        return (int) vehicles.stream()
                .flatMap(vehicle -> vehicle.wheels().stream())
                .filter(wheel -> !wheel.isSettled())
                .count();
    }
}
