package vividcaravan.simulator;

/** The air at a depot: mild by day, cold by night, colder higher up, and a cold snap every eleven days. */
final class Weather {

    private static final double DAY_MILLIS = 86_400_000.0;
    private static final double MEAN_C = 7;
    private static final double SWING_C = 5;
    private static final double SNAP_C = 9;
    private static final double SNAP_EVERY_DAYS = 11;
    /** Standard atmosphere: 6.5 °C less for each kilometre [ISO 2533]. */
    private static final double LAPSE_C_PER_M = 0.0065;
    /** Warmest in the middle of the afternoon, as a share of the day. */
    private static final double WARMEST = 14.5 / 24;

    private Weather() {}

    /** Temperature of the air, °C. */
    static double celsius(long at, double altitudeM) {
        double phase = 2 * Math.PI * (at / DAY_MILLIS - WARMEST);
        // A slow wave on top, so that no two days are the same.
        double days = Math.sin(2 * Math.PI * at / (DAY_MILLIS * 5.3));
        double snap = SNAP_C * Math.max(0, Math.cos(2 * Math.PI * at / (DAY_MILLIS * SNAP_EVERY_DAYS)) - 0.6) / 0.4;
        return MEAN_C - snap + SWING_C * Math.cos(phase) + 2 * days - LAPSE_C_PER_M * altitudeM;
    }
}
