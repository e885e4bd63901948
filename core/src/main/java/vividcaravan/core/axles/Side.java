package vividcaravan.core.axles;

/** Left or right, facing forward. */
public enum Side {
    LEFT,
    RIGHT
}
