package vividcaravan.core.axles;

/** How a sensor is held: on the valve outside, on the valve inside, by a strap or woven belt in the rim's drop centre, or glued to the inner liner. */
public enum MountKind {
    CAP,
    VALVE,
    STRAP,
    BELT,
    GLUED
}
