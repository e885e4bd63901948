package vividcaravan.core.axles;

import java.util.Objects;

/**
 * One axle.
 *
 * @param role what it is there for
 * @param wheels tyres at each end
 * @param liftable whether it can be raised off the road
 */
public record Axle(AxleRole role, WheelArrangement wheels, boolean liftable) {

    public Axle {
        Objects.requireNonNull(role, "role");
        Objects.requireNonNull(wheels, "wheels");
    }
}
