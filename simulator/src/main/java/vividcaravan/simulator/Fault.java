package vividcaravan.simulator;

import vividcaravan.core.axles.Position;

/**
 * Something that happens to a wheel, or where {@code position} is null to the whole vehicle. Those shorter than a day
 * come back every day, so that a demo is interesting whenever it is looked at.
 *
 * @param position the wheel, or null
 * @param beginsHour hours after the demo was begun, for the first time; may be negative
 * @param lastsHours until the workshop puts it right; a day or longer happens once
 * @param amount how strong, in the unit that its kind says
 * @param isDaily whether it comes back every day
 */
record Fault(Position position, Kind kind, double beginsHour, double lastsHours, double amount, boolean isDaily) {

    /** What can happen. */
    enum Kind {
        /** Air goes out through a nail: {@code amount} kPa at 20 °C an hour. */
        SLOW_LEAK,
        /** A puncture: {@code amount} % of target a minute. */
        FAST_LEAK,
        /** A leak hidden by a wheel end that warms up: {@code amount} kPa at 20 °C an hour. */
        HOT_LEAK,
        /** A brake does not let go: {@code amount} °C more. */
        DRAGGING_BRAKE,
        /** One end of an axle of which both are hot: {@code amount} °C more. */
        AXLE_END_HOT,
        /** The air of a twin is {@code amount} % short and it runs hotter. */
        SOFT_TWIN,
        /** A twin was filled {@code amount} kPa below its mate. */
        TWIN_MISMATCH,
        /** Filled {@code amount} % over target. */
        OVER_FILLED,
        /** A leak of {@code amount} kPa an hour against which an automatic system inflates every two hours. */
        AUTO_INFLATION,
        /** Every wheel was filled warm to its cold figure. */
        FILLED_HOT,
        /** A long descent: every wheel {@code amount} °C hotter. */
        DESCENT,
        /** Somebody sets the wheel, or every wheel, to target with an air line. */
        AIR_LINE,
        /** The sensor says nothing. */
        SENSOR_QUIET,
        /** The sensor reports that it cannot measure. */
        SENSOR_FAULT,
        /** The sensor lies outside its tyre: the air's temperature, a pressure that stays. */
        SENSOR_LOOSE,
        /** The cell is {@code amount} mV lower than a good one. */
        BATTERY_WEAK,
        /** The sensor of this wheel and the one across the axle were swapped. */
        SENSORS_CROSSED,
        /** The air around the vehicle is {@code amount} °C colder than the weather. */
        COLD_SNAP,
        /** The sensor repeats what it showed last. */
        SENSOR_STUCK,
        /** From here on this wheel's sensor and that of the wheel in front of it, or behind, sit in each other's wheels. */
        SENSORS_EXCHANGED,
        /** A leak of {@code amount} kPa an hour that the driver fills up before a trip and tells nobody of. */
        TOPPED_UP,
        /** Every tyre loses about {@code amount} % of its target a month through the rubber. */
        NATURAL_LOSS,
        /** A bearing that gets warmer over a week, by {@code amount} °C in the end. */
        SLOW_BEARING,
        /** A brake that drags on some days only: {@code amount} °C more. */
        DRAGS_SOME_DAYS,
        /** The air gets colder by {@code amount} °C a day. */
        SEASON,
        /** The road leads {@code amount} m higher. */
        CLIMB,
        /** Nothing of the vehicle is heard, and nothing comes later. */
        DEAD_RECEIVER,
        /** Nothing is heard for a while; it all comes later. */
        OUT_OF_COVERAGE
    }

    static final double HOUR_MILLIS = 3_600_000;
    private static final double CYCLE_HOURS = 24;
    private static final double WEEK_HOURS = 168;

    /** Whether it is there, so many milliseconds after the demo was begun. */
    boolean isActive(long sinceAnchor) {
        double hour = sinceAnchor / HOUR_MILLIS - beginsHour;
        return hour >= 0 && (isDaily ? hour % CYCLE_HOURS : hour) < lastsHours;
    }

    boolean isAt(Position wheel) {
        return position == null || position.equals(wheel);
    }

    /** How far it has grown over its first week, 0 to 1. */
    double grown(long sinceAnchor) {
        return Math.min(1, (sinceAnchor / HOUR_MILLIS - beginsHour) / WEEK_HOURS);
    }

    /** How much of it is there where it comes and goes within an hour each, 0 to 1. */
    double ramped(long sinceAnchor) {
        double since = sinceAnchor / HOUR_MILLIS - beginsHour;
        return Math.max(0, Math.min(1, Math.min(since, lastsHours - since)));
    }

    /** Whole days since it began. */
    long day(long sinceAnchor) {
        return (long) Math.floor((sinceAnchor / HOUR_MILLIS - beginsHour) / CYCLE_HOURS);
    }
}
