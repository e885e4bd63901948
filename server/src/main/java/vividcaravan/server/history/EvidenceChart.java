package vividcaravan.server.history;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.server.wheels.WheelChanges;

/**
 * What the Desk draws of a wheel: its own readings against the band of its siblings.
 *
 * @param points the wheel's readings, oldest first, thinned to what a picture can show
 * @param doubtful readings that no neighbour bore out: kept, and not judged; none where the points are means
 * @param siblings the band of the other wheels, scaled to this wheel's target
 * @param siblingWheels how many other wheels of the vehicle were heard
 * @param changes what people did to the wheel meanwhile, oldest first
 * @param forecast where it goes if it goes on like this; null if it does not surely fall
 */
public record EvidenceChart(
        Instant from,
        Instant to,
        List<Point> points,
        List<Point> doubtful,
        List<Band> siblings,
        int siblingWheels,
        List<WheelChanges.WheelChange> changes,
        @Nullable Forecast forecast) {

    /** Pressures in kPa gauge, temperature in °C. */
    public record Point(Instant at, double pressureKpa, double pressureAt20Kpa, double temperatureC) {}

    /** Pressures at 20 °C in kPa gauge, the siblings' mean temperature in °C. */
    public record Band(Instant at, double lowKpa, double highKpa, double temperatureC) {}

    /**
     * A falling pressure, and when it reaches the second limit.
     *
     * @param at time of the newest reading
     * @param kpaAt20 the trend's value then
     * @param kpaPerHour negative
     * @param criticalKpa the second limit
     * @param criticalAt when it is reached
     * @param earliestAt at the earliest, some 95 in 100
     * @param latestAt at the latest
     */
    public record Forecast(
            Instant at,
            double kpaAt20,
            double kpaPerHour,
            double criticalKpa,
            Instant criticalAt,
            Instant earliestAt,
            Instant latestAt) {}
}
