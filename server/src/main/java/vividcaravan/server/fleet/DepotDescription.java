package vividcaravan.server.fleet;

import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.Optional;

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

    public static final double LOWEST_M = -500;
    public static final double HIGHEST_M = 9_000;

    /** The zone called so: a place whose clocks are known, such as {@code Europe/Dublin}, or an offset from UTC. */
    public static Optional<ZoneId> zone(String id) {
        try {
            return Optional.of(ZoneId.of(id.strip()));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }
}
