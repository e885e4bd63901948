package vividcaravan.server.history;

import java.time.Instant;
import java.util.List;

/**
 * What the Desk draws of a wheel: its own readings against the band of its siblings.
 *
 * @param points the wheel's readings, oldest first, thinned to what a picture can show
 * @param siblings the band of the other wheels, scaled to this wheel's target
 * @param siblingWheels how many other wheels of the vehicle were heard
 */
public record EvidenceChart(Instant from, Instant to, List<Point> points, List<Band> siblings, int siblingWheels) {

    /** Pressures in kPa gauge, temperature in °C. */
    public record Point(Instant at, double pressureKpa, double pressureAt20Kpa, double temperatureC) {}

    /** Pressures at 20 °C in kPa gauge, the siblings' mean temperature in °C. */
    public record Band(Instant at, double lowKpa, double highKpa, double temperatureC) {}
}
