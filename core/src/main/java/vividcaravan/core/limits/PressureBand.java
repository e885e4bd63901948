package vividcaravan.core.limits;

/** Where a pressure stands among an axle's limits. */
public enum PressureBand {
    BELOW_SECOND,
    BELOW_FIRST,
    IN_BAND,
    ABOVE;

    /**
     * The band a pressure is in; a limit itself is still in band.
     *
     * @param kpa the pressure that is judged, kPa gauge
     */
    public static PressureBand of(AxleLimits limits, double kpa) {
        if (kpa < limits.lowCriticalKpa()) {
            return BELOW_SECOND;
        }
        if (kpa < limits.lowKpa()) {
            return BELOW_FIRST;
        }
        return kpa > limits.highKpa() ? ABOVE : IN_BAND;
    }
}
