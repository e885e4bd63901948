package vividcaravan.core.limits;

/**
 * What a vehicle does for its living, and the limits to start from that fit it better than one number for all [our
 * judgement; the tyre maker's figure goes first, and whatever an axle sets for itself stands].
 */
public enum DutyProfile {
    /** Leaves the fleet's policy as it is. */
    GENERAL("general", 20, 20, 70, 85, 70, 85, 20, 35),
    /** A twin may lean on its mate until the next safe stop. */
    LONG_HAUL("long haul", 20, 30, 75, 85, 75, 85, 20, 35),
    /** Brakes often; sensors at the rim feel it. */
    CITY_BUS("city bus", 20, 20, 80, 90, 85, 100, 20, 30),
    FARM_ROAD("farm, on the road", 20, 20, 65, 75, 65, 75, 15, 25),
    /** Soft on purpose. */
    FARM_FIELD("farm, in the field", 35, 35, 65, 75, 65, 75, 15, 25),
    /** All wheels are hot on a descent, so one side of an axle is held against the other. */
    MOUNTAIN("mountain", 20, 20, 70, 85, 95, 110, 25, 35);

    private final String words;
    private final double lowCriticalPct;
    private final double lowCriticalTwinPct;
    private final double warmC;
    private final double stopC;
    private final double warmAtRimC;
    private final double stopAtRimC;
    private final double hotGapC;
    private final double hotStopGapC;

    DutyProfile(
            String words,
            double lowCriticalPct,
            double lowCriticalTwinPct,
            double warmC,
            double stopC,
            double warmAtRimC,
            double stopAtRimC,
            double hotGapC,
            double hotStopGapC) {
        this.words = words;
        this.lowCriticalPct = lowCriticalPct;
        this.lowCriticalTwinPct = lowCriticalTwinPct;
        this.warmC = warmC;
        this.stopC = stopC;
        this.warmAtRimC = warmAtRimC;
        this.stopAtRimC = stopAtRimC;
        this.hotGapC = hotGapC;
        this.hotStopGapC = hotStopGapC;
    }

    /** The duty as a reader calls it. */
    public String words() {
        return words;
    }

    /**
     * The fleet's policy as this duty wants it on one axle.
     *
     * @param isTwin whether the axle's wheels are twins
     */
    public LimitPolicy over(LimitPolicy fleet, boolean isTwin) {
        return this == GENERAL
                ? fleet
                : LimitOverrides.NONE
                        .with(LimitName.LOW_CRITICAL_PCT, isTwin ? lowCriticalTwinPct : lowCriticalPct)
                        .with(LimitName.TEMPERATURE_C, warmC)
                        .with(LimitName.TEMPERATURE_CRITICAL_C, stopC)
                        .over(fleet);
    }

    /** Where a sensor at the rim, which the brake warms, is to warn, °C. */
    public double warmAtRimC() {
        return warmAtRimC;
    }

    /** Where a sensor at the rim is to say stop, °C. */
    public double stopAtRimC() {
        return stopAtRimC;
    }

    /** A wheel this much hotter than the others is for the next safe stop, °C. */
    public double hotGapC() {
        return hotGapC;
    }

    /** A wheel this much hotter than the others has to stop, °C. */
    public double hotStopGapC() {
        return hotStopGapC;
    }

    /** Whether heat is held against the other end of the same axle rather than against the whole vehicle. */
    public boolean comparesAcross() {
        return this == MOUNTAIN;
    }
}
