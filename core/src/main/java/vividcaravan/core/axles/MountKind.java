package vividcaravan.core.axles;

/** How a sensor is held: on the valve outside, on the valve inside, by a strap or woven belt in the rim's drop centre, or glued to the inner liner. */
public enum MountKind {
    CAP("on the valve, outside"),
    VALVE("on the valve, inside"),
    STRAP("by a steel strap"),
    BELT("by a woven belt"),
    GLUED("glued to the liner");

    private final String words;

    MountKind(String words) {
        this.words = words;
    }

    /** Whether it sits outside the tyre, in the wind and the sun. */
    public boolean isOutside() {
        return this == CAP;
    }

    /** Whether it sits on the rim, which the brake warms. */
    public boolean isAtRim() {
        return this == STRAP || this == BELT;
    }

    /** As a reader calls it. */
    public String words() {
        return words;
    }
}
