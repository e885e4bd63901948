package vividcaravan.core.limits;

/** Where a limit in force comes from. */
public enum LimitLevel {
    /** The fleet's policy. */
    FLEET,
    /** What the vehicle does for its living, over the fleet's policy. */
    DUTY,
    /** The template of the vehicle's kind and the axle's role. */
    TEMPLATE,
    /** The axle itself. */
    AXLE
}
