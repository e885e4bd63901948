package vividcaravan.core.axles;

/** What an axle is there for. */
public enum AxleRole {
    STEER,
    DRIVE,
    TAG,
    LIFT,
    TRAILER
}
