package vividcaravan.server.fleet;

import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A depot.
 *
 * @param name its name, unique
 * @param timeZone the zone its people live by
 * @param altitudeM metres above sea level
 * @param phone whom drivers call, or null
 */
public record DepotDescription(String name, ZoneId timeZone, double altitudeM, @Nullable String phone) {

    private static final Pattern PHONE = Pattern.compile("[+0-9][-+0-9 ()./]{2,38}[0-9)]");

    /** What is assumed of a depot that is only named: UTC and sea level. */
    public static DepotDescription named(String name) {
        return new DepotDescription(name, ZoneId.of("UTC"), 0, null);
    }

    public static final double LOWEST_M = -500;
    public static final double HIGHEST_M = 9_000;

    /** Whether {@code text} is a telephone number: digits and what people write between them, 4 to 40 characters. */
    public static boolean isPhone(String text) {
        return PHONE.matcher(text).matches();
    }

    /** The zone called so: a place whose clocks are known, such as {@code Europe/Dublin}, or an offset from UTC. */
    public static Optional<ZoneId> zone(String id) {
        try {
            return Optional.of(ZoneId.of(id.strip()));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }
}
