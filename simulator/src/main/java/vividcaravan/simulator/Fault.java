package vividcaravan.simulator;

import vividcaravan.core.axles.Position;

/**
 * Something wrong with a wheel that comes back every day, so that a demo is interesting whenever it is looked at.
 *
 * @param position the wheel
 * @param beginsHour hours after the demo was begun, for the first time; may be negative
 * @param lastsHours until the workshop puts it right, below 24
 * @param leakKpaPerHour air lost, kPa at 20 °C an hour
 * @param brakeC heat of a dragging brake on the road, °C
 */
record Fault(Position position, double beginsHour, double lastsHours, double leakKpaPerHour, double brakeC) {

    private static final double HOUR_MILLIS = 3_600_000;
    private static final double CYCLE_HOURS = 24;

    /** Air goes out through a nail. */
    static Fault slowLeak(String position, double beginsHour, double lastsHours, double kpaPerHour) {
        return new Fault(Position.parse(position), beginsHour, lastsHours, kpaPerHour, 0);
    }

    /** A brake does not let go. */
    static Fault draggingBrake(String position, double beginsHour, double lastsHours, double celsius) {
        return new Fault(Position.parse(position), beginsHour, lastsHours, 0, celsius);
    }

    /** Whether it is there, so many milliseconds after the demo was begun. */
    boolean isActive(long sinceAnchor) {
        double hour = sinceAnchor / HOUR_MILLIS - beginsHour;
        return hour >= 0 && hour % CYCLE_HOURS < lastsHours;
    }
}
