package vividcaravan.server.live;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.WheelCondition;
import vividcaravan.server.fleet.WheelState;

/** How a wheel is now: the fixed part of the interface, and the deviation and urgency that the strip draws. */
record WheelEvent(
        String vehicle,
        Position position,
        @Nullable Instant at,
        @Nullable Double pressureKpa,
        @Nullable Double pressureAt20Kpa,
        @Nullable Double temperatureC,
        WheelCondition condition,
        WheelState state) {

    static WheelEvent of(String vehicle, WheelState state) {
        return new WheelEvent(
                vehicle,
                state.position(),
                state.at(),
                state.pressureKpa(),
                state.pressureAt20Kpa(),
                state.temperatureC(),
                state.condition(),
                state);
    }
}
