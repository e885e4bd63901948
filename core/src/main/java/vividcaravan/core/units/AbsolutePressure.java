package vividcaravan.core.units;

/**
 * A pressure counted from vacuum.
 *
 * @param kpa kilopascals, 0 or more and finite
 */
public record AbsolutePressure(double kpa) {

    /** One standard atmosphere, 101.325 kPa [NIST SP 811, appendix B.8]. */
    public static final AbsolutePressure STANDARD_ATMOSPHERE = new AbsolutePressure(101.325);

    /**
     * @throws IllegalArgumentException if {@code kpa} is negative or not finite
     */
    public AbsolutePressure {
        if (!(kpa >= 0 && kpa < Double.POSITIVE_INFINITY)) {
            throw new IllegalArgumentException("absolute pressure must be 0 kPa or more, was " + kpa);
        }
    }

    /** What a gauge shows of this pressure where {@code ambient} surrounds it. */
    public GaugePressure toGauge(AbsolutePressure ambient) {
        return new GaugePressure(kpa - ambient.kpa());
    }
}
