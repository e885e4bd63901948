package vividcaravan.core.units;

/**
 * A pressure above the surrounding air, as a tyre gauge shows it.
 *
 * @param kpa kilopascals above ambient; finite, may be slightly negative for a flat tyre
 */
public record GaugePressure(double kpa) {

    /**
     * @throws IllegalArgumentException if {@code kpa} is not finite
     */
    public GaugePressure {
        if (!Double.isFinite(kpa)) {
            throw new IllegalArgumentException("gauge pressure must be a finite number of kPa, was " + kpa);
        }
    }

    /**
     * The gauge pressure of {@code value} given in {@code unit}.
     *
     * @throws IllegalArgumentException if the value is not finite
     */
    public static GaugePressure of(double value, PressureUnit unit) {
        return new GaugePressure(unit.toKpa(value));
    }

    /** This pressure as a number in {@code unit}. */
    public double in(PressureUnit unit) {
        return unit.fromKpa(kpa);
    }

    /** This pressure counted from vacuum, when {@code ambient} surrounds the tyre. */
    public AbsolutePressure toAbsolute(AbsolutePressure ambient) {
        return new AbsolutePressure(kpa + ambient.kpa());
    }
}
