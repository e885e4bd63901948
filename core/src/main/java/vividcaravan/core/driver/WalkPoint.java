package vividcaravan.core.driver;

import vividcaravan.core.alert.Urgency;

/**
 * What a driver looks at on the walk round before the first trip, and what a fault there calls for: what no sensor sees
 * [common practice in the trade; local rules on the daily check go first]. Whoever found it is no judge of tyres, so that only
 * a missing cap may wait.
 */
public enum WalkPoint {
    FLAT("flat or sagging", Urgency.STOP_NOW),
    /** A cut into the body, cord, a bulge: do not move [49 CFR 393.75(a), from memory; a bulge: common practice]. */
    DAMAGE("cut, bulge or visible cord", Urgency.STOP_NOW),
    /** Air that is heard going out: do not move [49 CFR 393.75(a)(3), from memory]. */
    AIR("audible air leak", Urgency.STOP_NOW),
    TREAD("tread low or worn unevenly", Urgency.BEFORE_NEXT_TRIP),
    NUTS("wheel nut loose, missing or with a trail of rust", Urgency.STOP_NOW),
    TWINS("twins touch, or something is wedged between them", Urgency.BEFORE_NEXT_TRIP),
    VALVE("valve damaged or its cap missing", Urgency.PLAN),
    OTHER("something else", Urgency.BEFORE_NEXT_TRIP);

    private final String words;
    private final Urgency urgency;

    WalkPoint(String words, Urgency urgency) {
        this.words = words;
        this.urgency = urgency;
    }

    /** Whether it is a fault of the tyre, which goes along when the tyre goes elsewhere. */
    public boolean isOfTyre() {
        return this == FLAT || this == DAMAGE || this == AIR || this == TREAD;
    }

    /** The fault as the Desk reads it. */
    public String words() {
        return words;
    }

    /** Whether a tyre of which this is said counts as run soft until a named inspection. */
    public boolean isFlat() {
        return this == FLAT;
    }

    /** What it calls for. */
    public Urgency urgency() {
        return urgency;
    }
}
