package vividcaravan.core.gas;

import vividcaravan.core.units.AbsolutePressure;

/**
 * The standard atmosphere below 11 km.
 *
 * <p>{@code p = 101.325·(1 − 0.0065·h / 288.15)^5.25588}, h in geopotential metres, −2,000 to 11,000.
 *
 * @see <a href="https://www.iso.org/standard/7472.html">ISO 2533, standard atmosphere</a>
 */
public final class Atmosphere {

    /** The lowest altitude the formula holds for, metres. */
    public static final double LOWEST_M = -2_000;
    /** The highest altitude the formula holds for, metres. */
    public static final double HIGHEST_M = 11_000;

    private static final double SEA_LEVEL_KELVIN = 288.15;
    private static final double LAPSE_KELVIN_PER_M = 0.0065;
    /** g·M/(R·L) with the constants of ISO 2533. */
    private static final double EXPONENT = 9.80665 / (287.05287 * LAPSE_KELVIN_PER_M);

    private Atmosphere() {}

    /**
     * The ambient pressure at an altitude.
     *
     * @param altitudeM geopotential metres, −2,000 to 11,000
     * @throws IllegalArgumentException if the altitude is outside that range
     */
    public static AbsolutePressure at(double altitudeM) {
        if (!(altitudeM >= LOWEST_M && altitudeM <= HIGHEST_M)) {
            throw new IllegalArgumentException("altitude must be −2000 to 11000 m, was " + altitudeM);
        }
        double ratio = 1 - LAPSE_KELVIN_PER_M * altitudeM / SEA_LEVEL_KELVIN;
        return new AbsolutePressure(AbsolutePressure.STANDARD_ATMOSPHERE.kpa() * Math.pow(ratio, EXPONENT));
    }
}
