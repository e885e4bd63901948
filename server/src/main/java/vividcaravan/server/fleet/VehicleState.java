package vividcaravan.server.fleet;

import java.util.EnumSet;
import java.util.Map;
import java.util.Set;

/** Where a vehicle stands between being described and being out of use. Only one in service raises alerts for the Desk. */
public enum VehicleState {
    /** Somebody wrote down what it looks like. */
    DESCRIBED("described, not fitted"),
    /** A job is fitting its sensors; what its readings tell goes to the job. */
    BEING_FITTED("being fitted"),
    IN_SERVICE("in service"),
    /** Raises nothing. */
    OUT_OF_SERVICE("out of service");

    private final String words;

    VehicleState(String words) {
        this.words = words;
    }

    /** What people call it. */
    public String words() {
        return words;
    }

    private static final Map<VehicleState, Set<VehicleState>> ALLOWED = Map.of(
            DESCRIBED, EnumSet.of(BEING_FITTED, IN_SERVICE),
            BEING_FITTED, EnumSet.of(DESCRIBED, IN_SERVICE),
            IN_SERVICE, EnumSet.of(OUT_OF_SERVICE),
            OUT_OF_SERVICE, EnumSet.of(IN_SERVICE));

    /**
     * Whether a vehicle may come from here to {@code next}. Into service from being described or fitted it comes only by
     * the end of its job, which proves it.
     */
    public boolean mayBecome(VehicleState next) {
        return ALLOWED.get(this).contains(next);
    }
}
