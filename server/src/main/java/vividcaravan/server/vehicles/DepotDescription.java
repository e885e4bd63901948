package vividcaravan.server.vehicles;

import java.time.ZoneId;

/**
 * A depot.
 *
 * @param name its name, unique
 * @param timeZone the zone its people live by
 * @param altitudeM metres above sea level
 */
public record DepotDescription(String name, ZoneId timeZone, double altitudeM) {

    /** What is assumed of a depot that is only named: UTC and sea level. */
    public static DepotDescription named(String name) {
        return new DepotDescription(name, ZoneId.of("UTC"), 0);
    }
}
